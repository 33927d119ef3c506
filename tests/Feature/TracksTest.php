<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Takes\ClearRecordings;
use App\Actions\Takes\IngestTake;
use App\Media\Prober;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Take;
use App\Models\TakeState;
use OpenReel\Core\Take\TrackKind;

/** Takes of several tracks, and what else is noted while recording. */
final class TracksTest extends FeatureTestCase
{
    public function test_a_screen_that_began_at_another_moment_is_put_in_step_by_the_voice_in_it(): void
    {
        // Flash and beep at the same moment; the screen's recorder began 0.35 s before the camera's.
        $take = $this->tracks(
            $this->section(),
            [
                'camera' => Clips::flashAndBeep('step-camera', 1.0, 3.0, '25', 'webm'),
                'screen' => Clips::flashAndBeep('step-screen', 1.35, 3.4, '25', 'webm'),
            ],
            [
                ['at_ms' => 0, 'kind' => 'start', 'track' => 'camera'],
                ['at_ms' => 3, 'kind' => 'start', 'track' => 'screen', 'in_step' => true, 'surface' => 'window'],
            ],
        );

        self::assertSame(TakeState::Ready, $take->state, (string) $take->problem);
        $screen = $take->track(TrackKind::Screen);
        self::assertNotNull($screen);
        self::assertEqualsWithDelta(-0.35, $screen->offset_ticks / 48_000, 0.01);
        self::assertSame(['camera', 'microphone', 'screen'], $this->kinds($take), 'the copy of the voice has done its work');
        self::assertStringStartsWith(
            'video/',
            (string) $this->get("/api/takes/{$take->id}/tracks/screen")
                ->assertOk()
                ->headers->get('Content-Type'),
        );
        $this->get("/api/takes/{$take->id}/tracks/computer")->assertNotFound();
        $this->get("/api/takes/{$take->id}/tracks/kitchen")->assertNotFound();
        $told = $this->getJson("/api/takes/{$take->id}")->json();
        self::assertSame(['width' => 160, 'height' => 90], array_intersect_key($told['screen'], ['width' => 1, 'height' => 1]));
        self::assertEqualsWithDelta(-350, $told['screen']['late_ms'], 10);
    }

    public function test_recordings_of_tracks_that_are_not_equally_long_go_when_each_was_played_to_its_own_end(): void
    {
        $made = [
            'camera' => Clips::flashAndBeep('short-camera', 0.5, 2.0, '25', 'webm'),
            'screen' => Clips::flashAndBeep('long-screen', 0.5, 6.0, '25', 'webm'),
        ];
        $begun = [['at_ms' => 0, 'kind' => 'start', 'track' => 'camera'], ['at_ms' => 2, 'kind' => 'start', 'track' => 'screen']];
        $whole = $this->tracks($this->section(), $made, $begun);
        $broken = $this->tracks($this->section(), $made, $begun);
        $screen = $this->media()->path((string) $broken->track(TrackKind::Screen)?->file_path);
        file_put_contents($screen, substr((string) file_get_contents($screen), 0, 9000));
        $this->travel(8)->days();
        app(ClearRecordings::class)->old(10);
        self::assertFalse($whole->refresh()->recording_kept);
        self::assertFileDoesNotExist($this->media()->path((string) $whole->track(TrackKind::Screen)?->path));
        self::assertTrue($broken->refresh()->recording_kept);
        self::assertFileExists($this->media()->path((string) $broken->track(TrackKind::Camera)?->path));
    }

    public function test_a_screen_without_a_camera_is_put_in_step_with_the_voice(): void
    {
        $take = $this->tracks($this->section(), [
            'microphone' => Clips::make('step-voice.webm', [
                '-i', Clips::flashAndBeep('step-camera', 1.0, 3.0, '25', 'webm'), '-vn', '-c:a', 'copy',
            ]),
            'screen' => Clips::flashAndBeep('step-screen', 1.35, 3.4, '25', 'webm'),
        ], [
            ['at_ms' => 0, 'kind' => 'start', 'track' => 'microphone'],
            ['at_ms' => 3, 'kind' => 'start', 'track' => 'screen', 'in_step' => true],
        ]);

        self::assertSame(['microphone', 'screen'], $this->kinds($take));
        $sound = $this->media()->path((string) $take->track(TrackKind::Microphone)?->file_path);
        self::assertLessThan(-50.0, $this->levelOf($sound, 1.2), 'the beep comes with the flash, which is at 1.35 s');
        self::assertGreaterThan(-20.0, $this->levelOf($sound, 1.38));
    }

    public function test_in_the_film_both_show_the_same_moment(): void
    {
        $lesson = $this->lesson("# T\n\n## A\n\n[screen: the flash] [layout: side by side] One is here.\n");
        $take = $this->tracks(
            $lesson->sections()->firstOrFail(),
            [
                'camera' => Clips::flashAndBeep('film-camera', 1.2, 3.0, '25', 'webm'),
                'screen' => Clips::flashAndBeep('film-screen', 0.9, 2.7, '25', 'webm'),
            ],
            [
                ['at_ms' => 0, 'kind' => 'start', 'track' => 'camera'],
                ['at_ms' => 1, 'kind' => 'start', 'track' => 'screen', 'in_step' => true],
            ],
        );
        $this->patchJson("/api/takes/{$take->id}", [
            'verdict' => 'kept',
            'used_from_ms' => 0,
            'used_until_ms' => 2600,
        ])->assertOk();
        $export = $this->postJson("/api/lessons/{$lesson->id}/exports")
            ->assertStatus(202)
            ->json();
        $film = $this->fileOf($this->get("/api/exports/{$export['id']}/file")->assertOk())->getPathname();
        $plan = $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('segments.0.shots.0.picture.layers');
        [$screen, $camera] = array_map(fn (array $l): int => $this->firstBright($film, $l['rect']), $plan);
        self::assertEqualsWithDelta(30, $camera, 1, 'where the camera flashes');
        self::assertEqualsWithDelta($camera, $screen, 1);
    }

    public function test_the_colours_of_a_captured_tab_are_those_it_was_made_with(): void
    {
        // Pure green by BT.601, in a file that says BT.709, as a browser captures a tab.
        $tab = Clips::make('tab.webm', [
            '-f', 'lavfi', '-i', 'color=0x00FF00:s=1280x720:r=10:d=2',
            '-vf', 'scale=out_color_matrix=bt601:out_range=tv,format=yuv420p',
            '-c:v', 'libx264', '-preset', 'ultrafast', '-colorspace', 'bt709', '-color_primaries', 'bt709', '-color_trc', 'bt709',
            '-color_range', 'tv', '-f', 'matroska',
        ]);
        $take = $this->tracks($this->section(), ['camera' => Clips::spoken(), 'screen' => $tab], [
            ['at_ms' => 0, 'kind' => 'start', 'track' => 'screen', 'surface' => 'browser'],
        ]);
        $screen = $take->track(TrackKind::Screen);
        self::assertNotNull($screen);
        self::assertSame('smpte170m', $screen->colour_matrix);
        $file = $this->media()->path((string) $screen->file_path);
        self::assertSame('smpte170m', app(Prober::class)->recording($file)->matrix, 'the file says so too');
        $green = fn (string $as): array => array_values(unpack('C*', (string) shell_exec(
            'ffmpeg -nostdin -v error -i '.escapeshellarg($file)." -vf scale=1:1:in_color_matrix={$as}:in_range=tv,format=rgb24 "
                .'-frames:v 1 -f rawvideo -',
        )) ?: []);
        self::assertEqualsWithDelta([0, 255, 0], $green('bt601'), 4);
    }

    public function test_without_a_voice_in_it_the_noted_start_counts(): void
    {
        $take = $this->tracks(
            $this->section(),
            [
                'camera' => Clips::spoken(),
                'screen' => Clips::pictureOnly(),
            ],
            [['at_ms' => 0, 'kind' => 'start', 'track' => 'camera'], ['at_ms' => 250, 'kind' => 'start', 'track' => 'screen']],
        );

        self::assertSame(12_000, $take->track(TrackKind::Screen)?->offset_ticks);
    }

    public function test_the_computers_sound_is_a_track_of_its_own(): void
    {
        $both = Clips::make('computer.webm', [
            '-i',
            Clips::flashAndBeep('computer-camera', 1.0, 3.0, '25', 'webm'),
            '-f',
            'lavfi',
            '-i',
            'sine=f=300:d=3:r=48000',
            '-filter_complex',
            '[0:a]pan=mono|c0=c0[v];[1:a]pan=mono|c0=c0[c];[v][c]join=inputs=2:channel_layout=stereo[a]',
            '-map',
            '[a]',
            '-c:a',
            'libopus',
            '-t',
            '3',
        ]);
        $lesson = $this->lesson("# T\n\n## A\n\nOne is here.\n");
        $take = $this->tracks(
            $lesson->sections()->firstOrFail(),
            [
                'camera' => Clips::flashAndBeep('computer-camera', 1.0, 3.0, '25', 'webm'),
                'computer' => $both,
            ],
            [
                ['at_ms' => 0, 'kind' => 'start', 'track' => 'camera'],
                ['at_ms' => 90, 'kind' => 'start', 'track' => 'computer', 'in_step' => true],
            ],
        );

        self::assertSame(['camera', 'computer', 'microphone'], $this->kinds($take));
        $computer = $take->track(TrackKind::Computer);
        self::assertNotNull($computer);
        self::assertEqualsWithDelta(0, $computer->offset_ticks / 48_000, 0.01, 'by the voice, not by the noted start');
        self::assertNotNull($computer->loudness);
        // On the right side only, so the beep is not in it.
        self::assertEqualsWithDelta(
            $this->level((string) $computer->file_path, 0.2),
            $this->level((string) $computer->file_path, 1.05),
            1.0,
        );
        $this->patchJson("/api/takes/{$take->id}", [
            'verdict' => 'kept',
            'used_from_ms' => 0,
            'used_until_ms' => 2600,
        ])->assertOk();
        $plan = $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('segments.0.beside');
        self::assertSame(['computer'], array_column($plan, 'kind'));
        $export = $this->postJson("/api/lessons/{$lesson->id}/exports")
            ->assertStatus(202)
            ->json();
        $film = $this->fileOf($this->get("/api/exports/{$export['id']}/file")->assertOk())->getPathname();
        self::assertGreaterThan(-45.0, $this->levelOf($film, 0.3), 'heard before the voice begins');
        self::assertLessThan($this->levelOf($film, 1.02) - 6.0, $this->levelOf($film, 0.3), 'and under it');
    }

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
        $take->update(['state' => TakeState::Ingesting, 'length_ticks' => 0, 'given' => []]);
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
        self::assertCount(1, $take->fluffs);
        $this->keep($take);
        $length = fn (): int => $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('length_ms');
        $used = $take->refresh()->speech_until - $take->fluffs[0][1];
        self::assertEqualsWithDelta($used / 48, $length(), 45);
        self::assertSame($used, $take->used_ticks);

        $this->patchJson("/api/takes/{$take->id}", ['used_from_ms' => 0, 'used_until_ms' => 2000])->assertOk();
        self::assertEqualsWithDelta(2000 - ($take->fluffs[0][1] - $take->fluffs[0][0]) / 48, $length(), 85);

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
        self::assertSame($take->length_ticks, $take->speech_until);
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
        self::assertCount(2, $take->marks);
        self::assertSame([], $take->markers);
        $this->keep($take);
        $this->getJson("/api/lessons/{$take->section->lesson_id}/assembly")->assertOk();
    }

    /**
     * Records a take of several tracks with a log, as the browser does.
     *
     * @param  array<string, string>  $files  by kind of track
     * @param  list<mixed>  $events
     */
    private function tracks(Section $section, array $files, array $events): Take
    {
        $take = $this->postJson("/api/sections/{$section->id}/takes", [
            'tracks' => array_map(fn (string $kind): array => ['kind' => $kind, 'mime' => 'video/webm'], array_keys($files)),
        ])
            ->assertCreated()
            ->json();
        $sent = [];
        foreach ($take['tracks'] as $track) {
            $bytes = (string) file_get_contents($files[$track['kind']]);
            $this->sendChunk($track['id'], 0, $bytes)->assertOk();
            $sent[] = ['id' => $track['id'], 'chunks' => 1, 'bytes' => strlen($bytes)];
        }
        foreach (array_chunk($events, 3) as $n => $rows) {
            $this->call(
                'PUT',
                "/api/takes/{$take['id']}/events/". 3 * $n,
                server: ['HTTP_ACCEPT' => 'application/json'],
                content: implode("\n", array_map(fn (mixed $r): string => (string) json_encode($r), $rows)),
            )
                ->assertOk()
                ->assertJson(['next' => 3 * $n + count($rows)]);
        }
        $this->postJson("/api/takes/{$take['id']}/finish", ['tracks' => $sent])->assertOk();

        return Take::query()->findOrFail($take['id']);
    }

    /** @return list<string> of the tracks that have a file */
    private function kinds(Take $take): array
    {
        $kinds = $take->tracks()->whereNotNull('file_path')->pluck('kind')->map(fn (TrackKind $k): string => $k->value)->all();
        sort($kinds);

        return $kinds;
    }

    private function lesson(string $script): Lesson
    {
        $id = $this->postJson('/api/lessons', ['title' => 'T', 'width' => 1280, 'height' => 720, 'fps' => 25])
            ->assertCreated()
            ->json('id');
        $this->putJson("/api/lessons/{$id}/script", [
            'text' => $script,
            'revision' => Lesson::query()->findOrFail($id)->revision,
        ])->assertOk();

        return Lesson::query()->findOrFail($id);
    }

    /**
     * The first frame on which a rectangle of a film is bright.
     *
     * @param  array{x: int, y: int, width: int, height: int}  $rect
     */
    private function firstBright(string $film, array $rect): int
    {
        [$x, $y] = [$rect['x'] + intdiv($rect['width'], 2), $rect['y'] + intdiv($rect['height'], 2)];
        $out = shell_exec(
            implode(
                ' ',
                array_map(escapeshellarg(...), [
                    'ffmpeg',
                    '-nostdin',
                    '-v',
                    'error',
                    '-i',
                    $film,
                    '-vf',
                    "crop=8:8:{$x}:{$y},scale=1:1,format=gray",
                    '-f',
                    'rawvideo',
                    '-',
                ]),
            ),
        );
        $values = unpack('C*', (string) $out) ?: [];
        foreach (array_values($values) as $frame => $value) {
            if ($value > 120) {
                return $frame;
            }
        }

        return -1;
    }

    private function level(string $path, float $at): float
    {
        return $this->levelOf($this->media()->path($path), $at);
    }

    /** dBFS of a tenth of a second. */
    private function levelOf(string $file, float $at): float
    {
        exec(
            implode(
                ' ',
                array_map(escapeshellarg(...), [
                    'ffmpeg',
                    '-nostdin',
                    '-ss',
                    (string) $at,
                    '-t',
                    '0.1',
                    '-i',
                    $file,
                    '-vn',
                    '-af',
                    'volumedetect',
                    '-f',
                    'null',
                    '-',
                ]),
            ).' 2>&1',
            $out,
        );

        return preg_match('/mean_volume: (-?[\d.]+)/', implode("\n", $out), $m) === 1 ? (float) $m[1] : -120.0;
    }
}
