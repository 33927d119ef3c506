<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Takes\ClearRecordings;
use App\Media\Prober;
use App\Models\Take;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\TakeState;

/** Takes of several tracks, and how they are put in step. */
final class TracksTest extends FeatureTestCase
{
    use RecordsTracks;

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

    /** @return list<string> of the tracks that have a file */
    private function kinds(Take $take): array
    {
        $kinds = $take->tracks()->whereNotNull('file_path')->pluck('kind')->map(fn (TrackKind $k): string => $k->value)->all();
        sort($kinds);

        return $kinds;
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
