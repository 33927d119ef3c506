<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Takes\IngestTake;
use App\Actions\Takes\SummariseTake;
use App\Models\Section;
use App\Models\Take;
use App\Queries\Takes\TakeFindings;
use OpenReel\Core\Take\TakeState;

/** What is noted while recording, and what comes of it. */
final class WhileRecordingTest extends FeatureTestCase
{
    use RecordsTracks;

    public function test_a_cue_given_while_recording_is_written_into_the_script_when_the_take_is_kept(): void
    {
        $lesson = $this->lesson("# T\n\n## A\n\nOne is here now. Two comes after it.\n");
        $take = $this->tracks(
            $lesson->sections()->firstOrFail(),
            ['camera' => Clips::spoken()],
            [
                ['at_ms' => 0, 'kind' => 'line', 'line' => 1],
                ['at_ms' => 1400, 'kind' => 'line', 'line' => 2],
                ['at_ms' => 1450, 'kind' => 'cue', 'cue' => '[layout: camera alone]'],
                ['at_ms' => 1500, 'kind' => 'cue', 'cue' => '<script>'],
            ],
        );
        $before = $lesson->refresh()->script;
        $given = $this->patchJson("/api/takes/{$take->id}", ['verdict' => 'kept'])
            ->assertOk()
            ->json();

        self::assertSame(['[layout: camera alone]'], $given['wrote']);
        self::assertSame(
            "# T\n\n## A\n\nOne is here now. [layout: camera alone] Two comes after it.\n",
            $lesson->refresh()->script,
        );
        self::assertSame([], $take->refresh()->given);
        $this->putJson("/api/lessons/{$lesson->id}/verdicts", $given['undo'])->assertNoContent();
        self::assertSame($before, $lesson->refresh()->script);
        self::assertSame('undecided', $take->refresh()->verdict->value);
        self::assertCount(1, $take->given);

        // Changed since: the takes go back, the words stay.
        $again = $this->patchJson("/api/takes/{$take->id}", ['verdict' => 'kept'])
            ->assertOk()
            ->json('undo');
        $this->putJson("/api/lessons/{$lesson->id}/script", [
            'text' => $lesson->refresh()->script.'Three.',
            'revision' => $lesson->revision,
        ])->assertOk();
        $this->putJson("/api/lessons/{$lesson->id}/verdicts", $again)->assertNoContent();
        self::assertStringEndsWith('Three.', $lesson->refresh()->script);
        self::assertSame('undecided', $take->refresh()->verdict->value);
    }

    public function test_a_cue_given_in_a_take_that_was_kept_before_it_was_listened_to_is_written_then(): void
    {
        $lesson = $this->lesson("# T\n\n## A\n\nOne is here now. Two comes after it.\n");
        $take = $this->tracks($lesson->sections()->firstOrFail(), ['camera' => Clips::spoken()], [
            ['at_ms' => 1400, 'kind' => 'line', 'line' => 2],
            ['at_ms' => 1450, 'kind' => 'cue', 'cue' => '[layout: camera alone]'],
        ]);
        // As it was before it was listened to.
        $take->results()->delete();
        $take->update(['state' => TakeState::Ingesting, 'given' => []]);
        app(SummariseTake::class)($take);
        self::assertSame([], $this->patchJson("/api/takes/{$take->id}", ['verdict' => 'kept'])->assertOk()->json('wrote'));
        app(IngestTake::class)($take->refresh());
        self::assertStringContainsString('[layout: camera alone] Two comes', $lesson->refresh()->script);

        // Taken out again by the presenter, it stays out when the take is read again.
        $text = str_replace('[layout: camera alone] ', '', $lesson->script);
        $this->putJson("/api/lessons/{$lesson->id}/script", ['text' => $text, 'revision' => $lesson->revision])->assertOk();
        $this->postJson("/api/takes/{$take->id}/read-again")->assertOk();
        self::assertSame($text, $lesson->refresh()->script);
    }

    public function test_undoing_a_verdict_brings_back_what_it_put_aside_in_its_order(): void
    {
        $section = $this->section();
        [$one, $two] = [$this->record($section, Clips::spoken()), $this->record($section, Clips::anotherTake())];
        $this->keep($one);
        $order = $one->refresh()->kept_order;
        $undo = $this->patchJson("/api/takes/{$two->id}", ['verdict' => 'kept'])
            ->assertOk()
            ->json('undo');
        self::assertSame(['undecided', 'kept'], [$one->refresh()->verdict->value, $two->refresh()->verdict->value]);

        $this->putJson("/api/lessons/{$section->lesson_id}/verdicts", $undo)->assertNoContent();
        self::assertSame(['kept', 'undecided'], [$one->refresh()->verdict->value, $two->refresh()->verdict->value]);
        self::assertSame($order, $one->kept_order);

        $other = $this->lesson("# Other\n\n## B\n\nWords.\n");
        $this->putJson("/api/lessons/{$other->id}/verdicts", $undo)->assertUnprocessable();
        $this->putJson("/api/lessons/{$section->lesson_id}/verdicts", ['takes' => 'all'])->assertUnprocessable();
        $this->putJson("/api/lessons/{$section->lesson_id}/verdicts", ['takes' => [['id' => 'x']]])->assertUnprocessable();
    }

    public function test_a_fluffed_read_is_not_used_and_stays_out_when_the_take_is_trimmed(): void
    {
        $lesson = $this->lesson("# T\n\n## A\n\nOne is here now. Two comes after it.\n");
        $take = $this->tracks(
            $lesson->sections()->firstOrFail(),
            ['camera' => Clips::spoken()],
            [
                ['at_ms' => 0, 'kind' => 'line', 'line' => 1],
                ['at_ms' => 700, 'kind' => 'again', 'line' => 1],
                ['at_ms' => 700, 'kind' => 'line', 'line' => 1],
                ['at_ms' => 1400, 'kind' => 'line', 'line' => 2],
                ['at_ms' => 1600, 'kind' => 'marker'],
            ],
        );
        self::assertCount(1, $take->summary->retakes);
        $this->keep($take);
        $length = fn (): int => $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('length_ms');
        $used = $take->refresh()->summary->speech_until - $take->summary->retakes[0][1];
        self::assertEqualsWithDelta($used / 48, $length(), 45);
        self::assertSame($used, $take->summary->used_ticks);

        $this->patchJson("/api/takes/{$take->id}", ['used_from_ms' => 0, 'used_until_ms' => 2000])->assertOk();
        self::assertEqualsWithDelta(2000 - ($take->summary->retakes[0][1] - $take->summary->retakes[0][0]) / 48, $length(), 85);

        self::assertSame([['id' => 1, 'at_ms' => 1600, 'says' => '']], $this->getJson("/api/takes/{$take->id}")->json('markers'));
        $this->patchJson("/api/takes/{$take->id}", ['marker' => ['id' => 1, 'says' => 'Look here']])->assertOk();
        $this->patchJson("/api/takes/{$take->id}", ['marker' => ['id' => 7, 'says' => 'No']])->assertUnprocessable();
        $this->patchJson("/api/takes/{$take->id}", [
            'marker' => ['id' => 1, 'says' => str_repeat('x', 501)],
        ])->assertUnprocessable();
        $this->postJson("/api/takes/{$take->id}/read-again")->assertOk();
        self::assertSame('Look here', $this->getJson("/api/takes/{$take->id}")->json('markers.0.says'), 'words stay');
    }

    public function test_the_part_that_is_shown_can_be_changed_for_a_take_a_section_or_the_lesson(): void
    {
        $lesson = $this->lesson("# T\n\n## A\n\nOne.\n\n## B\n\nTwo.\n");
        [$a, $b] = $lesson->sections()->get()->all();
        $part = ['x' => 0.25, 'y' => 0.25, 'width' => 0.5, 'height' => 0.5];
        $made = $this->postJson("/api/sections/{$a->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
            'framing' => $part,
            'area' => ['x' => 'left'],
        ])
            ->assertCreated()
            ->json();
        self::assertSame([$part, null], [$made['framing'], $made['area']]);

        [$one, $two, $three] = [
            $this->record($a, Clips::spoken()),
            $this->record($a, Clips::spoken()),
            $this->record($b, Clips::spoken()),
        ];
        $framings = fn (): array => array_map(fn (Take $t): bool => $t->refresh()->framing !== null, [$one, $two, $three]);
        $this->patchJson("/api/takes/{$one->id}", ['framing' => $part])->assertOk();
        self::assertSame([true, false, false], $framings());
        $this->patchJson("/api/takes/{$one->id}", ['framing' => $part, 'for' => 'section'])->assertOk();
        self::assertSame([true, true, false], $framings());
        $this->patchJson("/api/takes/{$one->id}", ['framing' => $part, 'for' => 'lesson'])->assertOk();
        self::assertSame([true, true, true], $framings());
        $this->patchJson("/api/takes/{$one->id}", ['framing' => null, 'for' => 'lesson'])->assertOk();
        self::assertSame([false, false, false], $framings());
        $this->patchJson("/api/takes/{$one->id}", ['framing' => 'all'])->assertUnprocessable();
        $this->patchJson("/api/takes/{$one->id}", ['framing' => $part, 'for' => 'the world'])->assertUnprocessable();

        $this->patchJson("/api/takes/{$one->id}", ['framing' => $part, 'verdict' => 'kept'])->assertOk();
        $layers = $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('segments.0.shots.0.picture.layers');
        $camera = array_column($layers, null, 'shows')['camera'];
        self::assertEqualsWithDelta(0.5, $camera['crop']['x'] + $camera['crop']['width'] / 2, 0.01);
    }

    public function test_a_picture_is_told_for_a_screen_a_board_and_what_is_given_by_key(): void
    {
        $lesson = $this->lesson("# T\n\n## A\n\n[screen: the gauge] One. [board: 2, dark] Two.\n");
        $section = $lesson->sections()->firstOrFail();
        $of = fn (string $query): array => $this->getJson("/api/sections/{$section->id}/picture?{$query}")
            ->assertOk()
            ->json();

        [$screen, $board] = $of('width=640&height=480&screen_width=1920&screen_height=1080&area=0.5,0,0.5,0.5');
        self::assertSame(['screen', true, 'the gauge'], [$screen['surface'], $screen['wants_screen'], $screen['says']]);
        self::assertSame(['screen', 'camera'], array_column($screen['layers'], 'shows'));
        self::assertSame(0.5, $screen['layers'][0]['crop']['x']);
        self::assertSame(['board:2', false], [$board['surface'], $board['wants_screen']]);
        self::assertStringStartsWith('/api/cards/', $board['layers'][0]['url']);

        [$without] = $of('width=640&height=480');
        self::assertSame([null, null, true], [$without['surface'], $without['stage'], $without['wants_screen']]);
        [$given] = $of('width=640&height=480&cue[]='.urlencode('[board: 1]').'&cue[]='.urlencode('[layout: side by side]'));
        self::assertSame('board:1', $given['surface']);
        self::assertNotSame([0, 0], [$given['stage']['x'], $given['stage']['y']]);
        foreach (['screen_width=3', 'width=0&height=1', 'cue=x', 'cue[]='.str_repeat('x', 301)] as $wrong) {
            $this->getJson("/api/sections/{$section->id}/picture?{$wrong}")->assertUnprocessable();
        }
        $of('width=640&height=480&area=1,2,3&framing=a,b,c,d&cue[]=nonsense');
    }

    public function test_what_is_written_on_the_board_is_there_for_the_next_section(): void
    {
        $lesson = $this->lesson("# T\n\n## A\n\n[board] One is here.\n\n## B\n\n[board] Two is there.\n");
        [$a, $b] = $lesson->sections()->get()->all();
        $take = $this->tracks(
            $a,
            ['camera' => Clips::spoken()],
            [
                [
                    'at_ms' => 900,
                    'kind' => 'stroke',
                    'id' => 1,
                    'on' => 'board:1',
                    'tool' => 'pen',
                    'colour' => 'B3261E',
                    'points' => [[0, 0.1, 0.1], [300, 0.5, 0.5]],
                ],
                // Written after the last word: it is meant to be seen.
                [
                    'at_ms' => 2300,
                    'kind' => 'stroke',
                    'id' => 2,
                    'on' => 'board:1',
                    'tool' => 'highlighter',
                    'colour' => 'B3261E',
                    'points' => [[0, 0.1, 0.8], [100, 0.5, 0.8]],
                ],
            ],
        );
        self::assertSame($take->summary->length_ticks, $take->summary->speech_until);
        $marks = fn (Section $of): array => array_merge(
            ...array_column(
                $this->getJson("/api/sections/{$of->id}/picture?width=640&height=480")
                    ->assertOk()
                    ->json('0.layers'),
                'marks',
            ),
        );
        self::assertSame([], $marks($b), 'not before it is kept');
        $this->keep($take);
        self::assertSame([1, 0.38], array_column($marks($b), 'opacity'));
        self::assertSame([], $marks($a), 'nothing stands on it when the first section begins');
    }

    public function test_events_that_make_no_sense_do_no_harm(): void
    {
        $points = array_map(fn (int $i): array => [$i, $i * 1e9, -$i], range(0, 4000));
        $take = $this->tracks(
            $this->section(),
            ['camera' => Clips::spoken()],
            [
                ['at_ms' => 99_999_999_999, 'kind' => 'line', 'line' => 3],
                ['at_ms' => -5, 'kind' => 'again', 'line' => 99],
                ['at_ms' => 100, 'kind' => 'take-back', 'id' => 12],
                [
                    'at_ms' => 50,
                    'kind' => 'stroke',
                    'on' => 'board:1',
                    'id' => 1,
                    'tool' => 'pen',
                    'colour' => '000000',
                    'points' => $points,
                ],
                [
                    'at_ms' => 50,
                    'kind' => 'stroke',
                    'on' => 'slide:../x',
                    'tool' => 'pen',
                    'colour' => '000000',
                    'points' => $points,
                ],
                ['at_ms' => 10, 'kind' => 'pointer', 'on' => 'screen', 'points' => [[0, 'x', 0], [5, 0.5, 0.5], [1, 2, 3]]],
                ['at_ms' => 20, 'kind' => 'wipe', 'on' => ['a']],
                ['at_ms' => 30, 'kind' => 'start', 'track' => 'kitchen'],
                ['at_ms' => 'soon', 'kind' => 'marker'],
                ['kind' => 'resume', 'at_ms' => 2],
                'not even an object',
            ],
        );

        self::assertSame(TakeState::Ready, $take->state);
        self::assertCount(2, TakeFindings::of($take)->ingest->annotations ?? []);
        self::assertSame([], $take->summary->markers);
        $this->keep($take);
        $this->getJson("/api/lessons/{$take->section->lesson_id}/assembly")->assertOk();
    }
}
