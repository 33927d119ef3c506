<?php

declare(strict_types=1);

namespace Tests\Core\EditList;

use JsonSchema\Validator;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\CardSource;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Assembly\SpeedUp;
use OpenReel\Core\EditList\EditEvent;
use OpenReel\Core\EditList\EditList;
use OpenReel\Core\EditList\Edl;
use OpenReel\Core\EditList\Otio;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\Transition;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

/** Two sections of 4 s and 2 s at 25 frames a second, the second dissolving in over 10 frames. */
final class EditListTest extends TestCase
{
    private const SECOND = 48_000;

    public function test_its_cuts_are_those_of_the_film(): void
    {
        $film = $this->film();
        $list = EditList::of('Tides', $film);

        self::assertSame(140, $list->frames);
        self::assertSame(
            [[25, 0, 100, 0], [0, 90, 50, 10]],
            array_map(fn (EditEvent $c): array => [$c->in, $c->from, $c->frames, $c->overlap], $list->presenter),
        );
        foreach ($film->segments as $n => $segment) {
            $clip = $list->presenter[$n];
            self::assertSame([$segment->startFrame, $segment->frames], [$clip->from, $clip->frames]);
        }
        // The stage changes where the second section begins, and the voice with it.
        self::assertSame([['hash-one', 0, 90], ['hash-two', 90, 50]], array_map(
            fn (EditEvent $c): array => [$c->hash, $c->from, $c->frames],
            $list->stage,
        ));
        self::assertSame([[0, 90], [90, 50]], array_map(fn (EditEvent $c): array => [$c->from, $c->frames], $list->voice));
    }

    public function test_as_cmx_3600(): void
    {
        $list = EditList::of("The \"tide\"\ntable", $this->film());
        $names = array_combine($list->files(), array_map(fn (int $n): string => "media/{$n}.webm", array_keys($list->files())));
        $rows = explode("\r\n", Edl::write($list, $names));

        self::assertSame(['TITLE: The "tide" table', 'FCM: NON-DROP FRAME', ''], array_slice($rows, 0, 3));
        self::assertSame([
            '001  R001     V     C        00:00:01:00 00:00:05:00 01:00:00:00 01:00:04:00',
            '* FROM CLIP NAME: media/0.webm',
            '002  R001     V     C        00:00:04:15 00:00:04:15 01:00:03:15 01:00:03:15',
            '002  R002     V     D    010 00:00:00:00 00:00:02:00 01:00:03:15 01:00:05:15',
            '* FROM CLIP NAME: media/0.webm',
            '* TO CLIP NAME: media/1.webm',
        ], array_slice($rows, 3, 6));
        self::assertStringContainsString(' A     C        00:00:01:00 00:00:04:15 01:00:00:00 01:00:03:15', $rows[9]);
    }

    public function test_as_open_timeline_io(): void
    {
        $list = EditList::of('Tides & "more" 🌊', $this->film());
        $names = array_fill_keys($list->files(), 'media/a b#.webm');
        $told = json_decode(Otio::write($list, $names), true, flags: JSON_THROW_ON_ERROR);

        self::assertSame(['Timeline.1', 'Tides & "more" 🌊'], [$told['OTIO_SCHEMA'], $told['name']]);
        [$presenter, $stage, $voice] = $told['tracks']['children'];
        self::assertSame(['Clip.1', 'Transition.1', 'Clip.1'], array_column($presenter['children'], 'OTIO_SCHEMA'));
        self::assertSame([5, 5], [
            (int) $presenter['children'][1]['in_offset']['value'], (int) $presenter['children'][1]['out_offset']['value'],
        ]);
        foreach ([$presenter, $stage, $voice] as $track) {
            $lasts = array_map(fn (array $c): float => $c['source_range']['duration']['value'] ?? 0.0, $track['children']);
            self::assertSame(140.0, array_sum($lasts), $track['name']);
        }
        $clip = $presenter['children'][0];
        self::assertSame([25.0, 25.0, 95.0], [
            $clip['source_range']['start_time']['rate'], $clip['source_range']['start_time']['value'],
            $clip['source_range']['duration']['value'],
        ]);
        self::assertSame('media/a%20b%23.webm', $clip['media_reference']['target_url']);
        // What a clip uses, its file has: the frames of a transition among them.
        self::assertGreaterThanOrEqual(130, $clip['media_reference']['available_range']['duration']['value']);
    }

    public function test_what_is_written_is_as_the_schema_says(): void
    {
        $names = fn (EditList $list): array => array_fill_keys($list->files(), 'media/a b#.webm');
        $list = EditList::of('Tides & "more" 🌊', $this->film());
        self::assertSame([], self::problems(Otio::write($list, $names($list))));
        $quick = $this->quick();
        self::assertSame([], self::problems(Otio::write($quick, $names($quick))));
        // The schema is no rubber stamp.
        $changes = ['"Clip.1"' => '"Clap.1"', '"rate": 25.0' => '"rate": 0', '"Audio"' => '"Sound"', 'a%20b' => 'a b'];
        foreach ($changes as $as => $no) {
            self::assertNotSame([], self::problems(str_replace($as, $no, Otio::write($list, $names($list)))), $no);
        }
    }

    public function test_what_runs_faster_says_so(): void
    {
        $list = $this->quick();
        self::assertSame([1.0, 4.0, 1.0], array_map(fn (EditEvent $c): float => $c->pace, $list->presenter));
        self::assertSame([100, 200, 200], array_map(fn (EditEvent $c): int => $c->lasts(), $list->presenter));
        self::assertSame([0, 100, 300], array_map(fn (EditEvent $c): int => $c->in, $list->presenter));
        self::assertStringContainsString('M2   R001         0100.0                00:00:04:00', Edl::write($list, []));
        $otio = json_decode(Otio::write($list, []), true);
        self::assertEquals(4.0, $otio['tracks']['children'][0]['children'][1]['effects'][0]['time_scalar']);
    }

    public function test_a_card_is_a_picture_that_stands_and_nothing_is_said_over_it(): void
    {
        $still = new Still(StillKind::Card, 'card', Shape::of(1280, 720), 'card-hash');
        $card = new SectionInput('c', 'Tides', new ShotStyle(), card: new CardSource($still, Tick::ofSeconds(2)));
        $list = EditList::of('Tides', Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$card]));

        self::assertSame([['card-hash', 0, 0, 50, true]], array_map(
            fn (EditEvent $c): array => [$c->hash, $c->in, $c->from, $c->frames, $c->isStill()],
            $list->presenter,
        ));
        self::assertSame([[], []], [$list->stage, $list->voice]);
        self::assertSame(['card-hash'], $list->files());
    }

    public function test_a_film_of_nothing_has_no_cuts(): void
    {
        $list = EditList::of('Empty', Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), []));

        self::assertSame([[], [], [], 0], [$list->presenter, $list->stage, $list->voice, $list->frames]);
    }

    private function film(): Assembly
    {
        $section = function (string $id, int $from, int $until, Transition $join): SectionInput {
            $take = Example::take($id, [$from, $until], [$id => $from], Shape::of(640, 480), files: $id);

            return new SectionInput(
                $id,
                "Section {$id}",
                new ShotStyle(Layout::SlideWithInset, new Inset(), Stage::slide(Example::slide($id))),
                [new Passage($take, $take->extent(), [$id])],
                lines: [$id],
                join: $join,
            );
        };

        return Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [
            $section('one', self::SECOND, 5 * self::SECOND, Transition::cut()),
            $section('two', 0, 2 * self::SECOND, Transition::dissolve(10)),
        ]);
    }

    /** One take, of which eight seconds run four times as fast. */
    private function quick(): EditList
    {
        $take = Example::take('t', [0, 20 * self::SECOND], ['a' => 0], Shape::of(640, 480));
        $quick = [new SpeedUp(Example::span(4 * self::SECOND, 12 * self::SECOND), 4)];
        $passage = new Passage($take, $take->extent(), ['a'], $quick);
        $section = new SectionInput('s', 'S', new ShotStyle(), [$passage], lines: ['a']);

        return EditList::of('Fast', Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$section]));
    }

    /** @return list<mixed> what is wrong with a timeline */
    private static function problems(string $otio): array
    {
        $told = json_decode($otio, flags: JSON_THROW_ON_ERROR);
        $validator = new Validator();
        $validator->validate($told, (object) ['$ref' => 'file://'.__DIR__.'/../../schemas/otio.json']);

        return array_values($validator->getErrors());
    }
}
