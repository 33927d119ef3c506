<?php

declare(strict_types=1);

namespace Tests\Core\Archive;

use OpenReel\Core\Archive\ArchiveError;
use OpenReel\Core\Archive\ArchiveFile;
use OpenReel\Core\Archive\Manifest;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ManifestTest extends TestCase
{
    public function test_written_and_read_it_says_the_same(): void
    {
        $manifest = self::manifest();
        $json = $manifest->json('2026-05-01T10:00:00Z');

        $read = Manifest::of(Manifest::decoded($json));
        self::assertSame($json, $read->json('2026-05-01T10:00:00Z'));
        // An empty list stays one, and so does an empty object; a whole number of seconds stays no integer.
        self::assertStringContainsString('"flags": []', $json);
        self::assertStringContainsString('"line_ticks": {}', $json);
        self::assertStringContainsString('"loudness": -20.0', $json);
        self::assertSame(30, $read->bytes());
    }

    public function test_other_ids_stand_wherever_the_old_ones_stood(): void
    {
        $manifest = self::manifest();
        $ids = $manifest->ids();
        self::assertSame([self::id('a'), self::id('b'), self::id('c'), self::id('d'), self::id('e'), self::id('f')], $ids);
        $renamed = $manifest->renamed(array_combine($ids, array_map(fn (string $id): string => strtr($id, '0', '7'), $ids)));

        $said = $renamed->json('');
        self::assertStringNotContainsString('00000000', $said);
        $new = strtr(self::id('a'), '0', '7');
        self::assertSame("lessons/{$new}/takes/".strtr(self::id('d'), '0', '7').'/sound.flac', $renamed->files[1]->name);
        self::assertSame(strtr(self::id('c'), '0', '7'), $renamed->lessons[0]->takes[0]->spoken[0]);
        // It holds together as it did.
        Manifest::of(Manifest::decoded($said));
    }

    /** @param  callable(\stdClass): mixed  $spoil */
    #[DataProvider('spoiled')]
    public function test_what_does_not_belong_together_is_refused(callable $spoil, string $says): void
    {
        $said = Manifest::decoded(self::manifest()->json(''));
        $spoil($said);

        $this->expectException(ArchiveError::class);
        $this->expectExceptionMessage($says);
        Manifest::of($said);
    }

    /** @return array<string, array{callable(\stdClass): mixed, string}> */
    public static function spoiled(): array
    {
        $together = 'its parts do not belong together';
        $stranger = 'belongs to no lesson';
        $file = fn (string $name): \stdClass => (object) ['name' => $name, 'bytes' => 1, 'sha256' => str_repeat('a', 64)];

        return [
            'a section of another lesson' => [fn ($m) => $m->lessons[0]->takes[0]->section_id = self::id('z'), $together],
            'numbered in another lesson' => [fn ($m) => $m->lessons[0]->takes[0]->recorded_in = self::id('z'), $together],
            'a line of no section' => [fn ($m) => $m->lessons[0]->lines[0]->section_id = self::id('z'), $together],
            'a slide that is not there' => [fn ($m) => $m->lessons[0]->sections[0]->slide_id = self::id('z'), $together],
            'a choice of a take elsewhere' => [fn ($m) => $m->lessons[0]->choices[0]->take_id = self::id('z'), $together],
            'one id twice' => [fn ($m) => $m->lessons[0]->lines[0]->id = self::id('a'), $together],
            'a file beside the lesson' => [fn ($m) => $m->files[] = $file('lessons/../../etc/passwd'), $stranger],
            'a program' => [fn ($m) => $m->files[] = $file('lessons/'.self::id('a').'/slides/run.php'), $stranger],
            'a name with a row end' => [fn ($m) => $m->files[] = $file('lessons/'.self::id('a')."/slides/run.png\n"), $stranger],
            'one that nobody speaks of' => [
                fn ($m) => $m->files[] = $file('lessons/'.self::id('a').'/slides/more.png'), $stranger,
            ],
            'a logo called as another' => [fn ($m) => $m->files[] = $file('logos/'.str_repeat('b', 64).'.png'), $stranger],
            'a sound that is not there' => [fn ($m) => array_pop($m->files), 'a file it speaks of is not in it'],
            'a sound that is another' => [fn ($m) => $m->files[1]->sha256 = str_repeat('b', 64), 'is not what it was'],
            'a picture in a take\'s folder' => [
                function (\stdClass $m): void {
                    $m->lessons[0]->slides[0]->path = $m->files[1]->name;
                    $m->lessons[0]->slides[0]->hash = $m->files[1]->sha256;
                },
                $stranger,
            ],
        ];
    }

    #[DataProvider('strange')]
    public function test_what_is_no_manifest_of_ours_is_said_to_be_none(string $json, string $says): void
    {
        $this->expectException(ArchiveError::class);
        $this->expectExceptionMessage($says);
        Manifest::decoded($json);
    }

    /** @return array<string, array{string, string}> */
    public static function strange(): array
    {
        $none = 'no archive of a lesson';

        return [
            'nothing' => ['', $none],
            'a list' => ['[]', $none],
            'something else' => ['{"format": "zip", "version": 1}', $none],
            'cut off' => ['{"format": "open-reel-archive", "version": 1', $none],
            'too deep' => [str_repeat('[', 100).str_repeat(']', 100), $none],
            'a newer one' => ['{"format": "open-reel-archive", "version": 3}', 'made by a newer Open Reel'],
            'one of version none' => ['{"format": "open-reel-archive", "version": 0}', $none],
        ];
    }

    public function test_only_texts_that_hold_ids_are_changed(): void
    {
        $names = fn (string $name): bool => (new ArchiveFile(
            'lessons/'.self::id('a').'/takes/'.self::id('d')."/{$name}", 1, '',
        ))->namesIds();
        self::assertSame(
            [true, true, false, false], array_map($names, ['heard.json', 'events.jsonl', 'wave.json', 'media.webm']),
        );
    }

    private static function manifest(): Manifest
    {
        [$lesson, $section, $line, $take, $track, $slide] = array_map(self::id(...), ['a', 'b', 'c', 'd', 'e', 'f']);
        $picture = "lessons/{$lesson}/slides/{$slide}.png";
        $sound = "lessons/{$lesson}/takes/{$take}/sound.flac";

        return new Manifest(null, [(object) [
            'id' => $lesson,
            'sections' => [(object) ['id' => $section, 'slide_id' => $slide]],
            'slides' => [(object) [
                'id' => $slide, 'deck_id' => null, 'path' => $picture, 'hash' => str_repeat('c', 64), 'steps' => [],
                'film' => null,
            ]],
            'decks' => [],
            'lines' => [(object) ['id' => $line, 'section_id' => $section]],
            'choices' => [(object) ['line_id' => $line, 'take_id' => $take]],
            'captions' => [],
            'translations' => [],
            'music' => [],
            'takes' => [(object) [
                'id' => $take, 'section_id' => $section, 'recorded_in' => $section, 'flags' => [],
                'line_ticks' => new \stdClass(),
                'spoken' => [$line],
                'tracks' => [(object) [
                    'id' => $track, 'file_path' => $sound, 'hash' => str_repeat('d', 64), 'loudness' => -20.0,
                ]],
            ]],
        ]], [new ArchiveFile($picture, 10, str_repeat('c', 64)), new ArchiveFile($sound, 20, str_repeat('d', 64))]);
    }

    private static function id(string $letter): string
    {
        return str_repeat('0', 25).$letter;
    }
}
