<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Prober;
use App\Media\Program;
use App\Models\Course;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Take;
use App\Queries\Film\OlderFilms;
use PHPUnit\Framework\Attributes\DataProvider;

/** A lesson exported as other films than its usual one: smaller, of another shape, as WebM, with captions in the picture. */
final class EditionTest extends FeatureTestCase
{
    private const WORDS = 'The creek is full at seven.';

    /**
     * @param  array<string, mixed>  $as
     * @param  array{string, string, int, int}  $facts  codecs and size
     */
    #[DataProvider('editions')]
    public function test_it_is_what_was_asked_for_whole_and_checked(array $as, array $facts, string $name): void
    {
        $lesson = $this->lesson();
        $expected = $this->getJson("/api/lessons/{$lesson->id}/exports/expected?".http_build_query($as))->assertOk()->json();
        $export = $this->postJson("/api/lessons/{$lesson->id}/exports", $as)->assertAccepted()->json();

        self::assertSame(['done', $name], [$export['state'], $export['file_name']], (string) $export['problem']);
        self::assertSame($name, $expected['file_name']);
        self::assertSame(
            [], array_filter($export['findings'], fn (array $f): bool => ! $f['ok']),
            (string) json_encode($export['findings']),
        );
        $film = $this->media()->path((string) Export::query()->sole()->path);
        $found = app(Prober::class)->export($film);
        self::assertSame($facts, [$found->videoCodec, $found->audioCodec, $found->width, $found->height]);
        self::assertSame([2, $expected['frames']], [$found->chapters, $found->frames]);
        self::assertSame(! ($as['burned'] ?? false), $found->hasCaptions);
        // It can be played to its end without a word of complaint.
        self::assertSame('', Program::run(['ffmpeg', '-v', 'error', '-i', $film, '-f', 'null', '-'])['log']);
        $this->isKnownElsewhere($film, $export['edition']['format']);
        $this->getJson("/api/lessons/{$lesson->id}/exports")->assertJsonPath('0.up_to_date', true);
        $type = $this->get($export['file_url'])->assertOk()->headers->get('Content-Type');
        self::assertSame('video/'.pathinfo($name, PATHINFO_EXTENSION), $type);
        self::assertSame([], $this->draftsLeft());
    }

    /** Another program than the one that made it finds in it what is meant to be there. */
    private function isKnownElsewhere(string $film, string $format): void
    {
        $told = json_decode(Program::run(['mkvmerge', '--identify', '--identification-format', 'json', $film])['output']);
        self::assertSame([[], []], [$told->errors, $told->warnings]);
        self::assertSame($format === 'webm' ? 'Matroska' : 'QuickTime/MP4', $told->container->type);
        self::assertSame(2, $told->chapters[0]->num_entries);
        $tracks = array_map(fn (\stdClass $track): string => $track->type, $told->tracks);
        self::assertSame(['video', 'audio'], array_slice($tracks, 0, 2));
    }

    /** @return array<string, array{array<string, mixed>, array{string, string, int, int}, string}> */
    public static function editions(): array
    {
        return [
            'smaller' => [['width' => 854, 'height' => 480], ['h264', 'aac', 854, 480], 'Creeks, 480p.mp4'],
            'square' => [['width' => 480, 'height' => 480], ['h264', 'aac', 480, 480], 'Creeks, 480 x 480.mp4'],
            'webm' => [
                ['format' => 'webm', 'quality' => 'small', 'width' => 854, 'height' => 480],
                ['vp9', 'opus', 854, 480], 'Creeks, 480p.webm',
            ],
            'captions in the picture' => [
                ['burned' => true, 'width' => 854, 'height' => 480], ['h264', 'aac', 854, 480], 'Creeks, 480p, with captions.mp4',
            ],
        ];
    }

    public function test_captions_are_seen_while_they_are_said_and_change_the_film(): void
    {
        $lesson = $this->lesson();
        $light = function (array $as) use ($lesson): float {
            $id = $this->postJson("/api/lessons/{$lesson->id}/exports", $as)->assertJson(['state' => 'done'])->json('id');
            $film = $this->media()->path((string) Export::query()->where('id', $id)->sole()->path);
            // Where captions stand, a moment into the words.
            $part = Program::run(['ffmpeg', '-v', 'error', '-ss', '1.5', '-i', $film, '-frames:v', '1', '-vf',
                'crop=iw*0.26:ih*0.05:iw*0.37:ih*0.89,format=gray,scale=1:1:flags=area', '-f', 'rawvideo', '-'])['output'];

            return (float) ord($part[0]);
        };
        $usual = $light(['width' => 854, 'height' => 480]);
        self::assertGreaterThan(10, abs($light(['width' => 854, 'height' => 480, 'burned' => true]) - $usual));

        // Another look of captions makes only the film out of date that shows them.
        $this->patchJson("/api/courses/{$lesson->course_id}", ['style' => ['caption_look' => 'outline']])->assertOk();
        $films = $this->getJson("/api/lessons/{$lesson->id}/exports")->json();
        self::assertSame([[true, false], [false, true]], array_map(
            fn (array $f): array => [$f['edition']['burned'], $f['up_to_date']], $films,
        ));
    }

    public function test_a_section_by_itself(): void
    {
        $lesson = $this->lesson();
        $last = $lesson->sections()->get()->last();
        $export = $this->postJson("/api/lessons/{$lesson->id}/exports", ['section' => $last?->id])
            ->assertJson(['state' => 'done', 'file_name' => 'Creeks, The end.mp4'])
            ->json();
        $facts = app(Prober::class)->export($this->media()->path((string) Export::query()->sole()->path));
        self::assertSame([50, 1], [$facts->frames, $facts->chapters]);
        self::assertSame($lesson->refresh()->revision, $export['revision']);
        // It is no film of the lesson: it cannot be published.
        $this->postJson("/api/lessons/{$lesson->id}/publication", ['export_id' => $export['id']])
            ->assertStatus(409)
            ->assertJson(['detail' => 'This film is of one section only. Publish a film of the whole lesson.']);
        $this->postJson("/api/lessons/{$lesson->id}/exports", ['section' => 'gone'])->assertStatus(409);
    }

    public function test_what_has_changed_since_a_film_is_told_by_section(): void
    {
        $lesson = $this->lesson();
        $film = $this->postJson("/api/lessons/{$lesson->id}/exports")->assertJson(['state' => 'done'])->json('id');
        $since = fn (): array => $this->getJson("/api/exports/{$film}/since")->assertOk()->json();
        self::assertSame([[], 0, 0, 1], [$since()['sections'], $since()['gone'], $since()['seconds'], $since()['unchecked']]);

        [$creek, $end] = $lesson->sections()->get()->all();
        $this->patchJson("/api/sections/{$creek->id}", ['script' => 'The creek is full at eight.'])->assertOk();
        $this->patchJson("/api/sections/{$end->id}", ['script' => '[card: closing, 3 s] Farewell.'])->assertOk();
        $this->postJson("/api/lessons/{$lesson->id}/publication", ['export_id' => $film])->assertSuccessful();
        $told = $since();
        self::assertSame(
            [['The creek', 1, false, false], ['The end', 0, true, false]],
            array_map(fn (array $s): array => [$s['title'], $s['lines'], $s['seen'], $s['heard']], $told['sections']),
        );
        self::assertSame(1, $told['version']);

        $take = Take::query()->sole();
        $this->patchJson("/api/takes/{$take->id}", ['used_from_ms' => 500, 'used_until_ms' => 1500])->assertOk();
        self::assertSame([true, true], [$since()['sections'][0]['heard'], $since()['sections'][0]['seen']]);
        $this->patchJson("/api/takes/{$take->id}", ['verdict' => 'discarded'])->assertOk();
        self::assertSame(1, $since()['gone']);
    }

    public function test_the_last_choice_is_what_the_course_is_offered_next(): void
    {
        $lesson = $this->lesson();
        $usual = fn (string $id): array => array_map(
            fn (array $e): array => [$e['width'], $e['format']], $this->getJson("/api/lessons/{$id}/exports/usual")->json(),
        );
        self::assertSame([[null, 'mp4']], $usual($lesson->id));
        foreach ([['width' => 854, 'height' => 480], [], ['format' => 'webm']] as $as) {
            $this->postJson("/api/lessons/{$lesson->id}/exports", $as + ['batch' => 'both'])->assertAccepted();
        }
        $other = Lesson::factory()->create(['course_id' => $lesson->course_id]);
        self::assertSame([[854, 'mp4'], [null, 'mp4'], [null, 'webm']], $usual($other->id));
        // Each is the newest of its kind.
        self::assertSame([], OlderFilms::of($lesson->id));
    }

    public function test_what_is_not_offered_is_refused(): void
    {
        $lesson = $this->lesson();
        foreach ([
            ['width' => 123, 'height' => 456], ['width' => 854], ['quality' => 'huge'], ['format' => 'exe'], ['section' => ['x']],
        ] as $as) {
            $this->postJson("/api/lessons/{$lesson->id}/exports", $as)->assertStatus(422);
            $this->getJson("/api/lessons/{$lesson->id}/exports/expected?".http_build_query($as))->assertStatus(422);
        }
        self::assertSame(0, Export::query()->count());
        $this->patchJson("/api/courses/{$lesson->course_id}", ['style' => ['film_name' => '{teacher}']])->assertStatus(422);
    }

    public function test_names_follow_the_pattern_of_the_course(): void
    {
        $lesson = $this->lesson();
        $this->patchJson(
            "/api/courses/{$lesson->course_id}", ['style' => ['film_name' => '{course} {number} - {title} v{version}']],
        )
            ->assertOk();
        $this->postJson("/api/lessons/{$lesson->id}/exports")
            ->assertJson(['file_name' => 'Reading the Water 1 - Creeks v1.mp4']);
    }

    private function lesson(): Lesson
    {
        $course = Course::query()->create(['name' => 'Reading the Water', 'style' => []]);
        $lesson = Lesson::factory()->create(['title' => 'Creeks', 'width' => 320, 'height' => 180, 'course_id' => $course->id]);
        $text = "# Creeks\n\n## The creek\n\n".self::WORDS."\n\n## The end\n\n[card: closing, 2 s]\n\nGoodbye.\n";
        $this->putJson("/api/lessons/{$lesson->id}/script", ['text' => $text, 'revision' => $lesson->revision])->assertOk();
        /** @var Section $section */
        $section = $lesson->sections()->firstOrFail();
        $take = $this->keep($this->record($section, Clips::spoken()));
        $lines = array_column($take->lines, 'id');
        $this->heard($take, ['spoken' => $lines]);

        return $lesson->refresh();
    }
}
