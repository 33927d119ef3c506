<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\FilmMaker;
use App\Media\FilmProgress;
use App\Media\Prober;
use App\Media\Program;
use App\Models\Take;
use App\Queries\Takes\TakeViews;
use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Annotation\Box;
use OpenReel\Core\Annotation\Outline;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\FilmStyle;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Film\FilmPlan;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Adjustment;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Motion;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\Transition;
use OpenReel\Core\Picture\Zoom;
use OpenReel\Core\Render\ShotCommand;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Take\TakeAnnotation;
use OpenReel\Core\Take\TakeContent;
use OpenReel\Core\Take\TakeView;
use Tests\Core\Assembly\Example;

/** What no cue asks for yet, through the real encoder: joins that are no cuts, marks, layers that move. */
final class JoinTest extends FeatureTestCase
{
    /** @var array<string, string> path by hash */
    private array $paths = [];

    private const RED = 'FF0000';

    private const BLUE = '0000FF';

    public function test_a_dissolve_mixes_both_pictures_and_sounds_and_shortens_the_film(): void
    {
        [$film, $plan] = $this->film(Transition::dissolve(10));

        self::assertSame([0, 40], array_map(fn (Segment $s): int => $s->startFrame, $plan->assembly->segments));
        self::assertSame(90, app(Prober::class)->export($film)->frames);
        self::assertNear(self::RED, $this->pixel($film, 39));
        // Half-way the second one lies over the first at a half.
        self::assertNear('80007F', $this->pixel($film, 45));
        self::assertNear('E50019', $this->pixel($film, 41));
        self::assertNear(self::BLUE, $this->pixel($film, 50));
        self::assertEqualsWithDelta(3.6, app(Prober::class)->export($film)->soundSeconds, 0.03);
        self::assertSame([1.6, 3.6], $this->chapter($film, 1));
    }

    public function test_a_dip_goes_to_the_ground_and_comes_from_it(): void
    {
        [$film] = $this->film(Transition::dip(10));

        self::assertSame(100, app(Prober::class)->export($film)->frames);
        self::assertNear(self::RED, $this->pixel($film, 45));
        self::assertNear('FF9999', $this->pixel($film, 48), 'three fifths of the way to white');
        self::assertNear('FFFFFF', $this->pixel($film, 50));
        self::assertNear(self::BLUE, $this->pixel($film, 55));
        self::assertSame([2.0, 4.0], $this->chapter($film, 1));
    }

    public function test_a_push_moves_one_picture_out_and_the_other_in(): void
    {
        [$film] = $this->film(Transition::push(10));

        self::assertSame(90, app(Prober::class)->export($film)->frames);
        self::assertNear(self::RED, $this->pixel($film, 40, 310, 90));
        // Half-way the one is half out; a quarter of the time is 15 % of the way.
        self::assertNear(self::RED, $this->pixel($film, 45, 150, 90));
        self::assertNear(self::BLUE, $this->pixel($film, 45, 170, 90));
        self::assertNear(self::RED, $this->pixel($film, 42, 286, 90));
        self::assertNear(self::BLUE, $this->pixel($film, 42, 300, 90));
        self::assertNear(self::BLUE, $this->pixel($film, 50, 4, 90));
        self::assertEqualsWithDelta(3.6, app(Prober::class)->export($film)->soundSeconds, 0.03);
    }

    public function test_a_film_comes_from_the_ground_and_goes_to_it(): void
    {
        $take = $this->take();
        $sections = [$this->shown('a', self::RED, $take), $this->shown('b', self::BLUE, $take)];
        [$film, $plan] = $this->make($sections, new FilmStyle(ground: 'FFFFFF', fadeInMs: 400, fadeOutMs: 400));

        self::assertSame([10, 10], [$plan->assembly->fadeIn, $plan->assembly->fadeOut]);
        self::assertSame(100, app(Prober::class)->export($film)->frames);
        self::assertNear('FFFFFF', $this->pixel($film, 0));
        self::assertNear('FF7F7F', $this->pixel($film, 5));
        self::assertNear(self::RED, $this->pixel($film, 10));
        self::assertNear(self::BLUE, $this->pixel($film, 90));
        self::assertNear('7F7FFF', $this->pixel($film, 95));
    }

    public function test_an_adjusted_picture_has_the_colours_that_the_browser_gives_it(): void
    {
        $adjustment = Adjustment::of(10, 20, 30, -20);
        self::assertNotNull($adjustment);
        foreach (['3C6E91', 'C08A5A', '808080', 'FFFFFF', '101820'] as $colour) {
            $out = "{$this->mediaRoot}/adjusted-{$colour}.mp4";
            Program::run([
                'ffmpeg', '-v', 'error', '-y', '-f', 'lavfi', '-i', "color=c=0x{$colour}:s=320x180:d=0.4:r=25,format=gbrp",
                '-vf', 'scale=out_range=tv:out_color_matrix=bt709,format=yuv420p,'.$adjustment->filters(),
                '-colorspace', 'bt709', '-color_range', 'tv', '-c:v', 'libx264', '-qp', '1', $out,
            ]);
            $rgb = array_map(fn (string $part): float => hexdec($part) / 255, str_split($colour, 2));
            $meant = implode('', array_map(
                fn (array $row): string => sprintf('%02X', (int) round(255 * max(0, min(
                    1, $row[0] * $rgb[0] + $row[1] * $rgb[1] + $row[2] * $rgb[2] + $row[3],
                )))),
                $adjustment->matrix(),
            ));
            self::assertNear($meant, $this->pixel($out, 5), $colour);
        }
    }

    public function test_a_box_is_seen_for_as_long_as_it_was_drawn(): void
    {
        $take = $this->take();
        $box = new TakeAnnotation(
            new Box(0.25, 44 / 180, 0.5, 0.5, '0B5D66'),
            Span::between(Tick::ofMilliseconds(400), Tick::ofMilliseconds(1200)),
        );
        $marked = Example::view(
            $take->id, $take->number, $take->content->tracks, $take->extent(), $take->timings->starts,
            new TakeContent(annotations: [$box]),
        );
        [$film] = $this->make([$this->shown('s', self::RED, $marked)]);

        // The line is 2 pixels wide; its upper edge lies on row 44, where colours begin as well.
        self::assertNear(self::RED, $this->pixel($film, 9, 160, 44));
        foreach ([10, 20, 29] as $frame) {
            self::assertNear('0B5D66', $this->pixel($film, $frame, 160, 44));
            self::assertNear(self::RED, $this->pixel($film, $frame, 160, 60), 'a box is hollow');
        }
        self::assertNear(self::RED, $this->pixel($film, 30, 160, 44));
    }

    public function test_a_layer_on_its_way_is_where_the_browser_has_it(): void
    {
        $frame = FrameSize::of(320, 180);
        $still = $this->still(self::RED);
        $layer = new Layer($still, new PixelRect(200, 100, 80, 60), motion: new Motion(new PixelRect(0, 0, 160, 120), 10));
        $out = $this->mediaRoot.'/moved.mp4';
        $spec = new ShotSpec(new Picture($frame, '000000', [$layer]), FrameRate::of(25), 20);
        Program::run([
            'ffmpeg',
            '-v',
            'error',
            '-y',
            ...array_map(
                fn (string $a): string => str_replace("@file:{$still->hash}@", $this->paths[$still->hash], $a),
                ShotCommand::arguments($spec, $out),
            ),
        ]);

        // Half-way, with a soft start and end: from 100, 50 on, 120 by 90.
        foreach ([[0, 4, 4], [5, 104, 54], [5, 214, 134], [15, 204, 104]] as [$at, $x, $y]) {
            self::assertNear(self::RED, $this->pixel($out, $at, $x, $y), "{$at}: {$x}, {$y}");
        }
        foreach ([[0, 180, 60], [5, 94, 54], [5, 226, 134], [15, 190, 104]] as [$at, $x, $y]) {
            self::assertNear('000000', $this->pixel($out, $at, $x, $y), "{$at}: {$x}, {$y}");
        }
    }

    public function test_a_zoom_shows_the_part_that_the_browser_shows_and_what_is_drawn_goes_along(): void
    {
        // Left half red, right half blue, and a bar over a quarter of it.
        $path = "{$this->mediaRoot}/halves.png";
        $halves = 'color=c=red:s=320x360,format=rgb24[l];color=c=blue:s=320x360,format=rgb24[r];[l][r]hstack';
        Program::run(['ffmpeg', '-v', 'error', '-y', '-filter_complex', $halves, '-frames:v', '1', $path]);
        $still = new Still(StillKind::Slide, 'h', Shape::of(640, 360), hash('sha256', 'halves'));
        $this->paths[$still->hash] = $path;
        $bar = new Annotation(new Outline([[8889, 0, 13333, 0, 13333, 10000, 8889, 10000]], 'FFFFFF'), 0, 30);
        $at = function (Zoom $zoom, string $name) use ($still, $bar): string {
            $picture = Picture::of(
                FrameSize::of(320, 180), Layout::SlideAlone, new Inset(), $still, null, marks: [$bar], zoom: $zoom,
            );
            $spec = new ShotSpec($picture, FrameRate::of(25), 30);
            $out = "{$this->mediaRoot}/{$name}.mp4";
            $script = "{$this->mediaRoot}/{$name}.ass";
            file_put_contents($script, $spec->scripts()[0]);
            Program::run(['ffmpeg', '-v', 'error', '-y', ...array_map(
                fn (string $a): string => (string) preg_replace(
                    ["/@file:{$still->hash}@/", '/ass=filename=[^,;\[]+/'],
                    [$this->paths[$still->hash], "ass=filename={$script}"],
                    $a,
                ),
                ShotCommand::arguments($spec, $out),
            )]);

            return $out;
        };
        $part = new Crop(0.25, 0.25, 0.5, 0.5);

        $moving = $at(new Zoom($part, 10), 'moving');
        // The bar begins at half of the width and ends at three quarters.
        foreach ([[0, 156, self::RED], [0, 164, 'FFFFFF'], [0, 236, 'FFFFFF'], [0, 244, self::BLUE]] as [$n, $x, $colour]) {
            self::assertNear($colour, $this->pixel($moving, $n, $x, 90), "frame {$n}, {$x}");
        }
        // Half-way three quarters of it are seen, from an eighth on: the bar ends at 5/6 of the width.
        foreach ([[5, 156, self::RED], [5, 164, 'FFFFFF'], [5, 262, 'FFFFFF'], [5, 272, self::BLUE]] as [$n, $x, $colour]) {
            self::assertNear($colour, $this->pixel($moving, $n, $x, 90), "frame {$n}, {$x}");
        }
        // There it stays, and the bar goes to the edge.
        foreach ([$moving, $at(new Zoom($part), 'standing')] as $film) {
            foreach ([[15, 154, self::RED], [15, 166, 'FFFFFF'], [15, 312, 'FFFFFF']] as [$n, $x, $colour]) {
                self::assertNear($colour, $this->pixel($film, $n, $x, 90), "frame {$n}, {$x}");
            }
        }
        // And back.
        $out = $at(new Zoom(null, 10, $part), 'out');
        self::assertNear('FFFFFF', $this->pixel($out, 0, 312, 90));
        self::assertNear(self::BLUE, $this->pixel($out, 12, 250, 90));
    }

    /** @return array{string, FilmPlan} */
    private function film(Transition $join): array
    {
        $take = $this->take();

        return $this->make([$this->shown('a', self::RED, $take), $this->shown('b', self::BLUE, $take, $join)]);
    }

    /**
     * @param  list<SectionInput>  $sections
     * @return array{string, FilmPlan}
     */
    private function make(array $sections, FilmStyle $look = new FilmStyle(ground: 'FFFFFF')): array
    {
        $take = Take::query()->firstOrFail();
        $files = $take->tracks->pluck('file_path', 'hash')->all();
        foreach ($this->paths as $hash => $path) {
            $files[$hash] = substr($path, strlen($this->mediaRoot) + 1);
        }
        $plan = new FilmPlan(
            Assembly::of(FrameSize::of(320, 180), FrameRate::of(25), $sections, $look),
            $files,
            -16.0,
        );

        return [
            app(FilmMaker::class)->make(
                $plan,
                'Joined',
                [],
                new class implements FilmProgress
                {
                    public function expect(int $frames): void
                    {
                    }

                    public function rendered(int $piece, int $frames): void
                    {
                    }

                    public function joining(): void
                    {
                    }

                    public function passing(int $frames): void
                    {
                    }

                    public function mustGoOn(): void
                    {
                    }
                },
            )[0],
            $plan,
        ];
    }

    private function take(): TakeView
    {
        return TakeViews::of($this->record($this->section(), Clips::spoken()));
    }

    /** Two seconds under a slide of one colour. */
    private function shown(string $id, string $colour, TakeView $take, ?Transition $join = null): SectionInput
    {
        return new SectionInput(
            $id,
            $id,
            new ShotStyle(Layout::SlideAlone, stage: Stage::slide($this->still($colour))),
            [new Passage($take, Span::between(Tick::zero(), Tick::ofMilliseconds(2000)))],
            join: $join,
        );
    }

    private function still(string $colour): Still
    {
        $path = "{$this->mediaRoot}/{$colour}.png";
        if (! is_file($path)) {
            Program::run([
                'ffmpeg',
                '-v',
                'error',
                '-y',
                '-f',
                'lavfi',
                '-i',
                "color=0x{$colour}:s=320x180,format=rgb24",
                '-frames:v',
                '1',
                $path,
            ]);
        }
        $hash = (string) hash_file('sha256', $path);
        $this->paths[$hash] = $path;

        return new Still(StillKind::Slide, $colour, Shape::of(320, 180), $hash);
    }

    private function pixel(string $film, int $frame, int $x = 160, int $y = 20): string
    {
        $filter = "select=eq(n\\,{$frame}),scale=in_color_matrix=bt709:out_color_matrix=bt709,format=rgb24,crop=1:1:{$x}:{$y}";

        return strtoupper(
            bin2hex(
                Program::run(['ffmpeg', '-v', 'error', '-i', $film, '-vf', $filter, '-frames:v', '1', '-f', 'rawvideo', '-'])[
                    'output'
                ],
            ),
        );
    }

    private static function assertNear(string $expected, string $found, string $where = ''): void
    {
        $off = array_map(
            fn (string $a, string $b): int => abs((int) hexdec($a) - (int) hexdec($b)),
            str_split($expected, 2),
            str_split($found, 2),
        );
        self::assertLessThan(30, max(0, ...$off), "{$found} instead of {$expected} {$where}");
    }

    /** @return list<float> seconds from and until */
    private function chapter(string $film, int $index): array
    {
        $chapters = json_decode(Program::run(['ffprobe', '-v', 'error', '-show_chapters', '-of', 'json', $film])['output'], true)[
            'chapters'
        ];

        return [round((float) $chapters[$index]['start_time'], 3), round((float) $chapters[$index]['end_time'], 3)];
    }
}
