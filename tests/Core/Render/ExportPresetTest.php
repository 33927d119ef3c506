<?php

declare(strict_types=1);

namespace Tests\Core\Render;

use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\CaptionScript;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Render\ExportPreset;
use OpenReel\Core\Render\FilmCaptionTrack;
use OpenReel\Core\Render\FilmFormat;
use OpenReel\Core\Render\FilmQuality;
use OpenReel\Core\Render\PostProcess;
use OpenReel\Core\Render\RenderEstimate;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Style\HouseStyle;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

/** A lesson as other films than its usual one. */
final class ExportPresetTest extends TestCase
{
    public function test_it_is_kept_and_read_again_and_what_is_unknown_is_as_usual(): void
    {
        $edition = new ExportPreset(FrameSize::of(1280, 720), FilmQuality::Small, FilmFormat::WebM, 'id', true, true);
        self::assertEquals($edition, ExportPreset::parse($edition->toArray()));
        self::assertEquals(
            new ExportPreset(), ExportPreset::parse(['quality' => 'huge', 'format' => ['x'], 'width' => '7'] + ['burned' => 1]),
        );
        self::assertSame(FilmFormat::Mp4, $edition->planned()->format);
        self::assertTrue((new ExportPreset(burned: true))->needsAnotherPass());
        self::assertFalse((new ExportPreset(FrameSize::of(1280, 720)))->needsAnotherPass());
    }

    public function test_pieces_of_another_quality_are_others_and_those_of_the_usual_one_stay(): void
    {
        $assembly = Example::assembly([['One', [0, 96_000]]]);
        $shot = $assembly->segments[0]->shots[0];
        $key = fn (FilmQuality ...$q): string => ShotSpec::of($shot, $assembly->rate, ...$q)->part(0, 10)->key('v1');
        self::assertSame($key(), $key(FilmQuality::Balanced));
        self::assertCount(3, array_unique([$key(), $key(FilmQuality::Small), $key(FilmQuality::Sharp)]));
        self::assertArrayNotHasKey('quality', ShotSpec::of($shot, $assembly->rate)->inputs());
    }

    public function test_another_pass_keeps_chapters_and_says_what_colours_mean(): void
    {
        $track = new FilmCaptionTrack('/tmp/c.vtt', 'eng');
        $webm = implode(' ', PostProcess::arguments('in.mp4', new ExportPreset(format: FilmFormat::WebM), 'out.webm', captions: $track));
        self::assertStringContainsString('-map 0:v:0 -map 0:a:0 -map 1:s:0 -c:s webvtt', $webm);
        self::assertStringContainsString('-map_chapters 0 -c:v libvpx-vp9 -b:v 0 -crf 34', $webm);
        self::assertStringContainsString('-c:a libopus -b:a 128k -f webm out.webm', $webm);
        self::assertStringNotContainsString('-vf', $webm);

        $burned = PostProcess::arguments(
            'in.mp4', new ExportPreset(quality: FilmQuality::Sharp, burned: true), 'o.mp4', "/a'b:c/x.ass", '/f',
        );
        self::assertContains("subtitles=/a\\\\\\'b\\\\:c/x.ass:fontsdir=/f", $burned);
        self::assertStringContainsString('-crf 17', implode(' ', $burned));
        self::assertStringContainsString('-c:a copy', implode(' ', $burned));
    }

    public function test_captions_are_drawn_as_they_are_written_in_the_house_style(): void
    {
        $captions = [new Caption(['{\b1}At \n 7', 'שלום 🌊'], Tick::ofSeconds(1.5), Tick::ofSeconds(3661.25))];
        $style = HouseStyle::of(['paper' => 'FAF8F3', 'ink' => '1B2430']);
        $script = CaptionScript::write($captions, FrameSize::of(1280, 720), $style);
        self::assertStringContainsString(
            'Style: Caption,Atkinson Hyperlegible,40,&H00F3F8FA,&H2E30241B,&H2E30241B,3,8,0,2,', $script,
        );
        self::assertStringContainsString(
            "Dialogue: 0,0:00:01.50,1:01:01.25,Caption,\\{\\\u{2060}b1\\}At \\\u{2060}n 7\\Nשלום 🌊\n", $script,
        );
        $outlined = CaptionScript::write(
            [], FrameSize::of(1280, 720), $style->with(['caption_look' => 'outline', 'caption_size' => 'large']),
        );
        self::assertStringContainsString('Hyperlegible,50,&H00F3F8FA,&H2E30241B,&H2E30241B,1,4,0,2,', $outlined);
        // In an upright frame 42 letters have to fit beside each other.
        self::assertStringContainsString('Hyperlegible,44,', CaptionScript::write([], FrameSize::of(1080, 1920), $style));
    }

    public function test_what_is_rendered_tells_how_large_the_rest_is(): void
    {
        $rate = FrameRate::of(25);
        $hd = FrameSize::of(1280, 720);
        $made = fn (
            FrameSize $f, int $of, int $frames, int $bytes, FilmQuality $q = FilmQuality::Balanced,
        ): RenderEstimate => new RenderEstimate(
            $f, $q, $of, $rate, $frames, $bytes, $frames, 20 * $frames,
        );
        $usual = $made($hd, 250, 250, 1_000_000);
        // All of it is there: what it is, and ten seconds of sound.
        self::assertSame(1_200_000, $usual->expectedBytes($usual, new ExportPreset()));
        self::assertSame(0, $usual->expectedSeconds($usual, new ExportPreset(), 2));
        // Half of it: twice as much.
        self::assertSame(1_200_000, $made($hd, 250, 125, 500_000)->expectedBytes($usual, new ExportPreset()));
        // Nothing of a film with a quarter of the pixels, of half the bits.
        $small = $made(FrameSize::of(640, 360), 250, 0, 0, FilmQuality::Small);
        self::assertSame((int) round(1_000_000 * 0.25 ** 0.75 / 2 + 200_000), $small->expectedBytes($usual, new ExportPreset()));
        // 250 frames of 0.23 million pixels; 20 ms for one of 0.92 million, two at a time.
        self::assertSame(1, $small->expectedSeconds($usual, new ExportPreset(), 2));
        self::assertSame(2, $usual->expectedSeconds($usual, new ExportPreset(format: FilmFormat::WebM), 2));
        // Nothing is rendered at all.
        self::assertNull($made($hd, 250, 10, 9)->expectedBytes($made($hd, 250, 10, 9), new ExportPreset()));
        self::assertSame(0, $made($hd, 0, 0, 0)->expectedSeconds($made($hd, 0, 0, 0), new ExportPreset(), 2));
    }
}
