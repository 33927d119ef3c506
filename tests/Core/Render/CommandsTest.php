<?php

declare(strict_types=1);

namespace Tests\Core\Render;

use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Annotation\Box;
use OpenReel\Core\Annotation\Outline;
use OpenReel\Core\Annotation\Ring;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\FilmStyle;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\Ease;
use OpenReel\Core\Picture\Edge;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\InsetBorder;
use OpenReel\Core\Picture\InsetShape;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\LogoPlacement;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Picture\Transition;
use OpenReel\Core\Render\FilmCommand;
use OpenReel\Core\Render\IngestCommand;
use OpenReel\Core\Render\MarkScript;
use OpenReel\Core\Render\PicturePieces;
use OpenReel\Core\Render\PieceFiles;
use OpenReel\Core\Render\PieceRequest;
use OpenReel\Core\Render\ShotCommand;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Render\SoundInput;
use OpenReel\Core\Render\TransitionSpec;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

final class CommandsTest extends TestCase
{
    public function test_slide_and_inset(): void
    {
        $arguments = $this->segment(Layout::SlideWithInset);

        self::assertSame(
            [
                '-i',
                PieceFiles::of('hash-slide-a'),
                '-noaccurate_seek',
                '-seek_timestamp',
                '1',
                '-ss',
                '1.500000',
                '-i',
                PieceFiles::of('media-a'),
            ],
            array_slice($arguments, 0, 9),
        );
        self::assertSame('50', $arguments[array_search('-frames:v', $arguments, true) + 1]);
        $graph = $this->graph($arguments);
        self::assertStringContainsString('[0:v]scale=1280:720:flags=lanczos', $graph);
        self::assertStringContainsString('loop=loop=-1:size=1,fps=25[', $graph);
        self::assertStringContainsString('fps=25:start_time=0', $graph);
        self::assertMatchesRegularExpression('/overlay=986:492:format=yuv420:eof_action=repeat\[n\d+\]$/', $graph);
        self::assertSame('out.mp4', end($arguments));
    }

    public function test_a_slide_of_another_shape_is_padded_before_it_is_repeated(): void
    {
        $graph = $this->graph($this->segment(Layout::SlideAlone, Shape::of(800, 800)));

        self::assertStringContainsString('pad=1280:720:280:0:color=0x1B2430,loop=loop=-1:size=1', $graph);
        self::assertStringNotContainsString('overlay', $graph);
    }

    public function test_a_camera_alone_needs_no_slide(): void
    {
        $arguments = $this->segment(Layout::CameraAlone);

        self::assertNotContains(PieceFiles::of('hash-slide-a'), $arguments);
        self::assertStringStartsWith('[0:v]', $this->graph($arguments));
        self::assertStringNotContainsString('overlay', $this->graph($arguments));
    }

    public function test_a_round_inset_with_a_border_is_cut_out_at_its_own_size(): void
    {
        $inset = new Inset(shape: InsetShape::Circle, border: new InsetBorder('thick'));
        $arguments = $this->styled(new ShotStyle(Layout::SlideWithInset, $inset, Stage::slide(Example::slide('s'))));
        $graph = $this->graph($arguments);

        self::assertCount(4, $this->inputs($arguments), 'slide, camera, border and mask');
        self::assertMatchesRegularExpression(
            '/\[2:v\]format=yuva420p,loop=loop=-1:size=1\[(n\d+)\];\[n\d+\]\[\1\]overlay=0:0/',
            $graph,
        );
        self::assertMatchesRegularExpression(
            '/\[3:v\]format=gray,loop=loop=-1:size=1,fps=25\[(n\d+)\];.*\[n\d+\]\[\1\]alphamerge/',
            $graph,
        );
    }

    public function test_a_logo_that_the_camera_does_not_touch_is_drawn_once_on_the_slide(): void
    {
        $arguments = $this->styled(
            new ShotStyle(Layout::SlideWithInset, new Inset(), Stage::slide(Example::slide('s'))),
            Corner::TopLeft,
        );
        $graph = $this->graph($arguments);

        self::assertSame([PieceFiles::of('hash-s'), PieceFiles::of('l'), PieceFiles::of('media-a')], $this->inputs($arguments));
        self::assertLessThan(strpos($graph, 'loop=loop=-1'), strpos($graph, 'overlay'), 'before it is repeated');
        self::assertSame(2, substr_count($graph, 'overlay='));
    }

    public function test_a_logo_in_the_insets_corner_lies_over_the_camera(): void
    {
        $arguments = $this->styled(
            new ShotStyle(Layout::SlideWithInset, new Inset(), Stage::slide(Example::slide('s'))),
            Corner::BottomRight,
        );

        self::assertSame([PieceFiles::of('hash-s'), PieceFiles::of('media-a'), PieceFiles::of('l')], $this->inputs($arguments));
        self::assertLessThan(strpos($this->graph($arguments), 'overlay'), strpos($this->graph($arguments), 'loop=loop=-1'));
    }

    public function test_a_logo_lies_over_a_camera_alone_and_over_nothing_at_all(): void
    {
        self::assertStringContainsString(
            'overlay=',
            $this->graph($this->styled(new ShotStyle(Layout::CameraAlone), Corner::TopLeft)),
        );
        self::assertStringStartsWith(
            'color=c=0x1B2430:s=1280x720:r=25,format=yuv420p[',
            $this->graph($this->styled(new ShotStyle(Layout::SlideAlone), Corner::TopLeft, camera: false)),
        );
    }

    public function test_a_still_with_an_edge_is_cut_out_as_the_browser_shows_it(): void
    {
        $frame = FrameSize::of(1280, 720);
        $rect = new PixelRect(100, 50, 640, 360);
        $edge = Edge::of(new Inset(shape: InsetShape::Rounded, border: new InsetBorder('thin')), $rect, $frame);
        $layer = new Layer(Example::slide('s'), $rect, edge: $edge);
        $spec = new ShotSpec(new Picture($frame, '1B2430', [$layer]), FrameRate::of(25), 50);

        self::assertCount(2, $spec->drawings());
        self::assertStringContainsString('alphamerge', $this->graph(ShotCommand::arguments($spec, 'out.mp4')));
    }

    public function test_a_move_is_where_the_browser_has_it(): void
    {
        foreach (json_decode((string) file_get_contents(__DIR__.'/../../examples/motion.json'), true) as $example) {
            $ease = Ease::from($example['motion']['ease']);
            foreach ($example['at'] as [$frame, $place]) {
                $part = $ease->expression('min(1,'.$frame.'/'.$example['motion']['frames'].')');
                $done = eval('return '.str_replace('PI', 'M_PI', $part).';');
                $at = array_map(
                    fn (int $from, int $to): float => round($from + ($to - $from) * $done, 3),
                    $example['motion']['from'],
                    $example['rect'],
                );
                self::assertEqualsWithDelta($place, $at, 0.001);
            }
        }
    }

    public function test_what_is_drawn_lies_over_the_slide_and_under_the_camera(): void
    {
        $box = new Annotation(new Box(0.1, 0.2, 0.5, 0.5), 5, 30);
        $picture = Picture::of(
            FrameSize::of(1280, 720),
            Layout::SlideWithInset,
            new Inset(),
            Example::slide('s'),
            TrackAt::live(TrackKind::Camera, Shape::of(16, 9)),
            marks: [$box],
        );
        $spec = new ShotSpec($picture, FrameRate::of(25), 50);
        $graph = $this->graph(ShotCommand::arguments($spec, 'out.mp4'));

        self::assertLessThan(strpos($graph, 'overlay'), strpos($graph, ',ass=filename=@graph/'));
        self::assertCount(1, $spec->scripts());
    }

    public function test_outlines_and_the_pointer_are_drawn_where_the_browser_draws_them(): void
    {
        $script = fn (Annotation $mark, int $skip = 0): string => MarkScript::of(
            new AnnotationLayer([$mark]), new PixelRect(160, 90, 960, 540), FrameSize::of(1280, 720), FrameRate::of(25), $skip,
        );
        $outline = new Outline([[0, 0, 10_000, 0, 10_000, 10_000]], '000000', 0.5);
        // A height of 540 pixels is 10,000 units: the path ends at 160 + 540, 90 + 540, in eighths.
        self::assertStringContainsString('\\1a&H80&\\p4}m 1280 720 l 5600 720 5600 5040', $script(new Annotation($outline, 0, 10)));

        $ring = new Annotation(new Ring(0.5, 0.5, 1.0, 0.5, '0B5D66', 1.0, 0.0), 0, 50);
        $half = 252 * 540 / 10_000;
        $move = sprintf('\\move(%.2F,%.2F,%.2F,%.2F,20,2020)', 640 - $half, 360 - $half, 1120 - $half, 360 - $half);
        self::assertSame(2, substr_count($script($ring), $move), 'its edge and its line');
        self::assertStringContainsString('\\1a&H00&\\t(20,2020,\\1a&HFF&)', $script($ring));
        // From its middle on: half of the way, half as clear.
        $later = sprintf('\\move(%.2F,%.2F,%.2F,%.2F,20,1020)', 880 - $half, 360 - $half, 1120 - $half, 360 - $half);
        self::assertStringContainsString($later, $script($ring, 25));
        self::assertStringContainsString('\\1a&H80&', $script($ring, 25));
        self::assertStringNotContainsString('Dialogue', $script($ring, 50));
    }

    public function test_files_get_their_places_just_before_the_command_runs(): void
    {
        $order = PieceRequest::of(
            ShotSpec::of(Example::assembly([['One', [0, 96_000]]])->segments[0]->shots[0], FrameRate::of(25)),
            'v1',
        );
        $back = PieceRequest::parse((array) json_decode((string) json_encode($order->toArray()), true));
        $arguments = $back->arguments(['hash-slide-s0' => '/a/slide.png', 'media-s0' => '/a/b.webm'], '/out.mp4');

        self::assertEquals($order, $back);
        self::assertSame(['/a/slide.png', '/a/b.webm'], $this->inputs($arguments));
        self::assertSame('/out.mp4', end($arguments));
        self::assertSame(["a=/it\\\\\\'s\\\\:here\\,x"], PieceFiles::placed(['a=@graph/h@'], ['h' => "/it's:here,x"]));
    }

    public function test_a_join_is_a_small_piece_made_from_both_sides(): void
    {
        [$one, $two] = [Example::section('a', 'One', [0, 96_000]), Example::section('b', 'Two', [0, 96_000])];
        $joined = fn (Transition $join): array => PicturePieces::of(
            Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [
                $one,
                new SectionInput($two->id, $two->heading, $two->opening, $two->passages, join: $join),
            ]),
        );
        $frames = fn (array $pieces): array => array_map(
            fn (ShotSpec|TransitionSpec $p): int => $p instanceof TransitionSpec ? $p->frames() : $p->frames,
            $pieces,
        );

        self::assertSame([50, 50], $frames($joined(Transition::cut())));
        self::assertSame([40, 10, 40], $frames($dissolve = $joined(Transition::dissolve(10))));
        self::assertSame([45, 10, 45], $frames($dip = $joined(Transition::dip(10))));
        self::assertInstanceOf(TransitionSpec::class, $dissolve[1]);
        self::assertInstanceOf(TransitionSpec::class, $dip[1]);
        self::assertNotSame($dissolve[1]->key('v'), $dip[1]->key('v'));
        // The second section goes on 10 frames later: 0.4 s into its camera.
        self::assertInstanceOf(ShotSpec::class, $dissolve[2]);
        self::assertContains('0.400000', ShotCommand::arguments($dissolve[2], 'out'));
    }

    public function test_segments_can_be_joined(): void
    {
        $command = implode(' ', $this->segment(Layout::CameraAlone));

        self::assertStringContainsString('-g 60 -x264-params stitchable=1:open-gop=0', $command);
        self::assertStringContainsString('-video_track_timescale 30000', $command);
        self::assertStringContainsString('-an', $command);
    }

    public function test_recordings_keep_what_browsers_play_and_have_the_rest_encoded(): void
    {
        self::assertSame('webm', IngestCommand::container('vp8'));
        self::assertSame('mp4', IngestCommand::container('h264'));
        self::assertSame('mp4', IngestCommand::container('prores'));
        $command = fn (?string $video, ?string $audio): string => implode(
            ' ',
            IngestCommand::arguments(
                'raw',
                $video,
                $audio === null ? null : new SoundInput(null, 0.0, $audio),
                'media',
                'sound',
                'pcm',
            ),
        );

        self::assertStringContainsString('-c:v copy -cues_to_front 1 -f webm -c:a copy media', $command('vp8', 'opus'));
        self::assertStringContainsString(
            '-c:v copy -movflags +faststart -f mp4 -c:a aac -b:a 160k media',
            $command('h264', 'pcm_s16le'),
        );
        self::assertStringContainsString('-c:v libx264', $command('mpeg4', 'aac'));
        self::assertStringEndsWith('-an media', $command('vp9', null));
        self::assertStringNotContainsString('media', $command(null, 'opus'));
        self::assertStringNotContainsString('-c:a flac', $command('vp8', null));
        self::assertStringContainsString('-format_whitelist matroska,', $command('vp8', null));
        self::assertStringStartsWith('-fflags +genpts+discardcorrupt -protocol_whitelist file,pipe', $command('vp8', null));
    }

    public function test_a_microphone_of_its_own_gives_the_sound(): void
    {
        $command = implode(
            ' ',
            IngestCommand::arguments('camera', 'vp8', new SoundInput('microphone', 0.014, 'opus'), 'media', 'sound', 'pcm'),
        );

        self::assertStringContainsString('-i camera -itsoffset 0.014000 -fflags', $command);
        self::assertStringContainsString('[1:a:0]aresample', $command);
        self::assertStringContainsString('-map 0:V:0 -map 1:a:0?', $command);
    }

    public function test_the_poster_is_taken_where_the_speech_starts(): void
    {
        self::assertSame(
            ['-ss', '1.200', '-i', 'media'],
            array_slice(IngestCommand::poster('media', Tick::ofMilliseconds(1200), 'out'), 0, 4),
        );
        self::assertSame('0.000', IngestCommand::poster('media', Tick::zero(), 'out')[1]);
        self::assertSame(
            ['-sseof', '-10', '-i', 'media', '-vf'],
            array_slice(IngestCommand::poster('media', null, 'out'), 0, 5),
            'its last picture',
        );
    }

    public function test_joining_copies_the_picture(): void
    {
        $command = implode(' ', FilmCommand::lesson('list', 'sound.m4a', 'chapters', 'out.mp4'));

        self::assertStringContainsString('-map 0:v:0 -map 1:a:0 -map_metadata 2 -map_chapters 2 -c copy', $command);
        self::assertStringContainsString('-movflags +faststart', $command);
    }

    /** @return list<string> */
    private function segment(Layout $layout, ?Shape $slide = null): array
    {
        $section = Example::section('a', 'One', [72_000, 72_000 + 96_000], $layout);
        if ($slide !== null) {
            $section = new SectionInput(
                'a',
                'One',
                new ShotStyle($layout, stage: Stage::slide(Example::slide('s', $slide))),
                $section->passages,
            );
        }

        return $this->command($section);
    }

    /** @return list<string> */
    private function styled(ShotStyle $choice, ?Corner $logo = null, bool $camera = true): array
    {
        $passages = $camera
            ? Example::section('a', 'One', [0, 96_000])->passages
            : [new Passage(Example::take('t', [0, 96_000]), Example::span(0, 96_000))];

        return $this->command(
            new SectionInput('a', 'One', $choice, $passages),
            $logo === null ? null : new LogoPlacement('l', Shape::of(200, 100), $logo),
        );
    }

    /** @return list<string> */
    private function command(SectionInput $section, ?LogoPlacement $logo = null): array
    {
        $assembly = Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$section], new FilmStyle($logo));

        return ShotCommand::arguments(ShotSpec::of($assembly->segments[0]->shots[0], $assembly->rate), 'out.mp4');
    }

    /**
     * @param  list<string>  $arguments
     * @return list<string>
     */
    private function inputs(array $arguments): array
    {
        return array_values(array_map(fn (int $i): string => $arguments[$i + 1], array_keys($arguments, '-i', true)));
    }

    /** @param  list<string>  $arguments */
    private function graph(array $arguments): string
    {
        return $arguments[array_search('-filter_complex', $arguments, true) + 1];
    }
}
