<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Program;
use Illuminate\Support\Facades\File;
use OpenReel\Core\Picture\TrackKind;

/** Flash and beep: forty sections of different rates and kinds, each with a flash and a beep that start together. */
final class SyncTest extends FeatureTestCase
{
    private const SECTIONS = 40;

    private const FPS = 30;

    /** Name, second of flash and beep, length, frame rate, container. */
    private const TAKES = [
        ['sync-a', 0.4, 1.0, '30', 'webm'],
        ['sync-b', 0.5, 1.1, '25', 'webm'],
        ['sync-c', 0.6, 1.234, '30000/1001', 'mp4'],
        ['sync-d', 0.44, 0.9, '24', 'mp4'],
        ['sync-e', 0.52, 1.07, '15', 'webm'],
        ['sync-f', 0.4, 1.013, '60', 'mp4'],
    ];

    public function test_picture_and_sound_stay_together_at_every_join_of_forty_sections(): void
    {
        $folder = $this->folder();
        $out = "{$folder}/film.mp4";
        $this->artisan('reel:build', [
            'folder' => $folder,
            '--out' => $out,
            '--frame' => '1280x720',
            '--fps' => self::FPS,
            '--whole' => true,
            '--json' => true,
        ])->assertSuccessful();

        $frames = (int) trim(
            Program::run([
                'ffprobe',
                '-v',
                'error',
                '-select_streams',
                'v',
                '-count_packets',
                '-show_entries',
                'stream=nb_read_packets',
                '-of',
                'csv=p=0',
                $out,
            ])['output'],
        );
        $plan = $this->getJson('/api/lessons/'.\App\Models\Lesson::query()->sole()->id.'/assembly')->json();
        self::assertSame($plan['frames'], $frames);
        self::assertSame(
            '',
            Program::run(['ffmpeg', '-v', 'warning', '-i', $out, '-f', 'null', '-'])['log'],
            'no decoder warning',
        );

        $flashes = $this->flashes($out);
        $beeps = $this->beeps($out);
        self::assertCount(self::SECTIONS, $flashes);
        self::assertCount(self::SECTIONS, $beeps);
        $apart = array_map(fn (float $flash, float $beep): float => abs($flash - $beep) * self::FPS, $flashes, $beeps);
        // A source of 15 frames per second can show its flash up to one of its own frames late; all others are exact.
        self::assertLessThanOrEqual(
            1.0,
            max(0.0, ...$apart),
            'frames apart: '.implode(' ', array_map(fn (float $a): string => sprintf('%.2f', $a), $apart)),
        );
        File::deleteDirectory($folder);
    }

    public function test_sound_of_which_moments_were_lost_stays_where_its_recording_says(): void
    {
        $take = $this->record($this->section(), Clips::lostSound());
        $sound = $take->refresh()->track(TrackKind::Microphone);
        self::assertNotNull($sound?->file_path);
        $beeps = $this->beeps($this->media()->path($sound->file_path));
        self::assertCount(2, $beeps);
        self::assertEqualsWithDelta(2.0, $beeps[0], 0.03);
        self::assertEqualsWithDelta(5.0, $beeps[1], 0.03);
    }

    private function folder(): string
    {
        $folder = sys_get_temp_dir().'/reel-sync-'.getmypid();
        File::makeDirectory("{$folder}/takes", recursive: true, force: true);
        $script = "# Flash and beep\n";
        for ($section = 1; $section <= self::SECTIONS; $section++) {
            [$name, $at, $length, $rate, $extension] = self::TAKES[$section % count(self::TAKES)];
            copy(
                Clips::flashAndBeep($name, $at, $length, $rate, $extension),
                sprintf('%s/takes/%02d-1.%s', $folder, $section, $extension),
            );
            $script .= "\n## Section {$section}\n\nFlash.\n";
        }
        file_put_contents("{$folder}/script.md", $script);

        return $folder;
    }

    /** @return list<float> seconds at which the picture turns white */
    private function flashes(string $file): array
    {
        $grey = Program::run([
            'ffmpeg',
            '-v',
            'error',
            '-i',
            $file,
            '-vf',
            'scale=8:8:flags=area,format=gray',
            '-f',
            'rawvideo',
            '-',
        ])['output'];
        $found = [];
        $white = false;
        foreach (str_split($grey, 64) as $frame => $pixels) {
            $now = array_sum(unpack('C*', $pixels) ?: []) / 64 > 110;
            if ($now && ! $white) {
                $found[] = $frame / self::FPS;
            }
            $white = $now;
        }

        return $found;
    }

    /** @return list<float> seconds at which the beep starts, to the millisecond */
    private function beeps(string $file): array
    {
        $pcm = Program::run(['ffmpeg', '-v', 'error', '-i', $file, '-ac', '1', '-ar', '48000', '-f', 's16le', '-'])['output'];
        $found = [];
        $last = -1.0;
        foreach (str_split($pcm, 96) as $millisecond => $window) {
            if (max(array_map(abs(...), unpack('s*', $window) ?: [0])) > 4000) {
                if ($millisecond / 1000 - $last > 0.3) {
                    $found[] = $millisecond / 1000;
                }
                $last = $millisecond / 1000;
            }
        }

        return $found;
    }
}
