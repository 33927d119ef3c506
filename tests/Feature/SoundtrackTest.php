<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Program;
use App\Media\SoundRenderer;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Sound\LoudnessReport;
use OpenReel\Core\Soundtrack\SoundMix;
use OpenReel\Core\Soundtrack\SoundPart;
use OpenReel\Core\Soundtrack\SoundPiece;
use OpenReel\Core\Soundtrack\SoundPlan;
use OpenReel\Core\Take\RecordedTrack;
use Tests\Core\Assembly\Example;

/** A soundtrack made in parts is the one that would have been made in one go. */
final class SoundtrackTest extends FeatureTestCase
{
    private const SECOND = 48_000;

    public function test_its_loudness_is_that_of_the_whole_and_nothing_is_shifted_or_heard_at_the_seams(): void
    {
        $sound = Clips::tones();
        $hash = (string) hash_file('sha256', $sound);
        copy($sound, "{$this->mediaRoot}/tones.flac");
        $files = [$hash => 'tones.flac'];
        $plan = $this->plan($hash);
        $parts = SoundPart::all($plan);
        self::assertGreaterThanOrEqual(2, count($parts));
        $made = app(SoundRenderer::class)->soundtrack($parts, $files);

        $log = Program::run([
            'ffmpeg',
            '-hide_banner',
            '-i',
            $made->path,
            '-af',
            'ebur128=peak=true:framelog=verbose',
            '-f',
            'null',
            '-',
        ])['log'];
        $whole = LoudnessReport::parse($log);
        self::assertEqualsWithDelta($whole->lufs, $made->meta['lufs'], 0.1);
        self::assertEqualsWithDelta($whole->peak, $made->meta['peak'], 0.1);
        self::assertEqualsWithDelta(-16.0, $made->meta['lufs'], 0.5);

        $heard = $this->decoded($made->path);
        $meant = $this->mixed($plan, $files);
        self::assertEqualsWithDelta($plan->samples, strlen($heard) / 4, SoundPart::FRAME);
        $everywhere = $this->off($meant, $heard, 0, $plan->samples);
        self::assertLessThan(-18.0, $everywhere, 'dB of what the encoder leaves out');
        foreach (array_slice($parts, 1) as $part) {
            self::assertLessThan(
                $everywhere + 6.0,
                $this->off($meant, $heard, $part->from - 1024, $part->from + 1024),
                "at the seam on {$part->from}",
            );
        }
    }

    /** The first 35 seconds, and then from second 37 to 74. */
    private function plan(string $hash): SoundPlan
    {
        $take = Example::view(
            't',
            1,
            [new RecordedTrack(TrackKind::Microphone, $hash, Tick::of(75 * self::SECOND), Tick::zero(), loudness: -17.0)],
            $this->span(0, 75),
        );

        return SoundPlan::of(
            Assembly::of(FrameSize::of(320, 180), FrameRate::of(25), [
                new SectionInput('a', 'A', new ShotStyle(), [new Passage($take, $this->span(0, 35))]),
                new SectionInput('b', 'B', new ShotStyle(), [new Passage($take, $this->span(37, 74))]),
            ]),
            -16.0,
        );
    }

    private function span(int $from, int $until): Span
    {
        return Span::between(Tick::of($from * self::SECOND), Tick::of($until * self::SECOND));
    }

    private function decoded(string $file): string
    {
        return Program::run(['ffmpeg', '-v', 'error', '-i', $file, '-f', 's16le', '-ar', '48000', '-ac', '2', '-'])['output'];
    }

    /** @param  array<string, string>  $files */
    private function mixed(SoundPlan $plan, array $files): string
    {
        $out = fopen('php://temp', 'w+') ?: self::fail('no memory');
        (new SoundMix(
            $plan->places,
            $plan->samples,
            fn (SoundPiece $p) => fopen(app(SoundRenderer::class)->piece($p, $files)->path, 'r') ?: self::fail('no piece'),
        ))->write(0, $plan->samples, $out);
        rewind($out);

        return (string) stream_get_contents($out);
    }

    /** By how much two sounds differ, in dB against the first. */
    private function off(string $meant, string $heard, int $from, int $until): float
    {
        $power = $error = 1.0;
        // Every 37th sample tells as well as all of them, where there are many.
        $step = $until - $from > 10_000 ? 37 : 1;
        for ($i = $from; $i < $until; $i += $step) {
            [$a, $b] = array_map(
                fn (string $s): int => ($v = unpack('v', substr($s, 4 * $i, 2) ?: "\0\0")[1] ?? 0) >= 32768 ? $v - 65536 : $v,
                [$meant, $heard],
            );
            $power += $a * $a;
            $error += ($a - $b) ** 2;
        }

        return 10 * log10($error / $power);
    }
}
