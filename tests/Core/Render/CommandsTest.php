<?php

declare(strict_types=1);

namespace Tests\Core\Render;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\PictureChoice;
use OpenReel\Core\Assembly\SectionSource;
use OpenReel\Core\Assembly\SlideSource;
use OpenReel\Core\Assembly\TakeSource;
use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\InsetBorder;
use OpenReel\Core\Picture\InsetShape;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Logo;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Render\IngestCommand;
use OpenReel\Core\Render\JoinCommand;
use OpenReel\Core\Render\ShotCommand;
use OpenReel\Core\Render\ShotFiles;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Render\SoundCommand;
use OpenReel\Core\Render\SoundSpec;
use OpenReel\Core\Time\FrameRate;
use OpenReel\Core\Time\Tick;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

final class CommandsTest extends TestCase
{
    public function test_slide_and_inset(): void
    {
        $arguments = $this->segment(Layout::SlideWithInset);

        self::assertSame(['-i', 'slide.png', '-noaccurate_seek', '-seek_timestamp', '1', '-ss', '1.500000', '-i', 'camera.webm'], array_slice($arguments, 0, 9));
        self::assertSame('50', $arguments[array_search('-frames:v', $arguments, true) + 1]);
        $graph = $this->graph($arguments);
        self::assertStringContainsString('[0:v]scale=1280:720:flags=lanczos', $graph);
        self::assertStringContainsString('loop=loop=-1:size=1,fps=25[base]', $graph);
        self::assertStringContainsString('fps=25:start_time=0', $graph);
        self::assertStringEndsWith('overlay=986:492:format=yuv420:eof_action=repeat[picture]', $graph);
        self::assertSame('out.mp4', end($arguments));
    }

    public function test_a_slide_of_another_shape_is_padded_before_it_is_repeated(): void
    {
        $graph = $this->graph($this->segment(Layout::SlideAlone, Shape::of(800, 800)));

        self::assertStringContainsString('pad=1280:720:280:0:color=0x1B2430,loop=loop=-1:size=1', $graph);
        self::assertStringEndsWith('[picture]', $graph);
    }

    public function test_a_camera_alone_needs_no_slide(): void
    {
        $arguments = $this->segment(Layout::CameraAlone);

        self::assertNotContains('slide.png', $arguments);
        self::assertStringStartsWith('[0:v]', $this->graph($arguments));
        self::assertStringNotContainsString('overlay', $this->graph($arguments));
    }

    public function test_a_round_inset_with_a_border_is_cut_out_at_its_own_size(): void
    {
        $inset = new Inset(shape: InsetShape::Circle, border: new InsetBorder('thick'));
        $arguments = $this->styled(new PictureChoice(Layout::SlideWithInset, $inset, new SlideSource('s', Shape::of(1280, 720), 'h')));
        $graph = $this->graph($arguments);

        self::assertSame(['slide.png', 'camera.webm', 'border.png', 'mask.png'], $this->inputs($arguments));
        self::assertStringContainsString('[bare];[2:v]format=yuva420p,loop=loop=-1:size=1[edge];[bare][edge]overlay=0:0', $graph);
        self::assertStringContainsString('[whole];[3:v]format=gray,loop=loop=-1:size=1,fps=25[mask];[whole][mask]alphamerge[over]', $graph);
    }

    public function test_a_logo_that_the_camera_does_not_touch_is_drawn_once_on_the_slide(): void
    {
        $arguments = $this->styled(new PictureChoice(Layout::SlideWithInset, new Inset, new SlideSource('s', Shape::of(1280, 720), 'h')), Corner::TopLeft);
        $graph = $this->graph($arguments);

        self::assertSame(['logo.png', 'slide.png', 'camera.webm'], $this->inputs($arguments));
        self::assertLessThan(strpos($graph, 'loop=loop=-1'), strpos($graph, '[under][logo]overlay'));
    }

    public function test_a_logo_in_the_insets_corner_lies_over_the_camera(): void
    {
        $graph = $this->graph($this->styled(new PictureChoice(Layout::SlideWithInset, new Inset, new SlideSource('s', Shape::of(1280, 720), 'h')), Corner::BottomRight));

        self::assertGreaterThan(strpos($graph, '[base][over]overlay'), strpos($graph, '[under][logo]overlay'));
        self::assertStringEndsWith('eof_action=repeat[picture]', $graph);
    }

    public function test_a_logo_lies_over_a_camera_alone_and_over_nothing_at_all(): void
    {
        self::assertStringContainsString('[under][logo]overlay', $this->graph($this->styled(new PictureChoice(Layout::CameraAlone), Corner::TopLeft)));
        self::assertStringStartsWith('color=c=0x1B2430:s=1280x720:r=25,format=yuv420p,null[under]', $this->graph($this->styled(new PictureChoice(Layout::SlideAlone), Corner::TopLeft, camera: false)));
    }

    public function test_segments_can_be_joined(): void
    {
        $command = implode(' ', $this->segment(Layout::CameraAlone));

        self::assertStringContainsString('-g 60 -x264-params stitchable=1:open-gop=0', $command);
        self::assertStringContainsString('-video_track_timescale 30000', $command);
        self::assertStringContainsString('-an', $command);
    }

    public function test_sound_has_as_many_samples_as_the_frames_have_ticks(): void
    {
        // 95 001 ticks are 50 frames of 1920: 96 000 samples, the last 999 silent.
        $spec = SoundSpec::of(Example::assembly([['One', [72_000, 167_001]]])->segments[0], FrameRate::of(25), -16.0);
        $filter = $this->filter(SoundCommand::segment($spec, 'sound.flac', 7.25, 'out.wav'));

        self::assertStringStartsWith('atrim=start_sample=72000:end_sample=167001,asetpts=PTS-STARTPTS,pan=stereo|c0=c0|c1=c0,', $filter);
        self::assertStringContainsString('volume=7.25dB,aresample=192000,alimiter=limit=0.80', $filter);
        self::assertStringContainsString('apad=whole_len=96000,atrim=end_sample=96000', $filter);
    }

    public function test_a_take_without_sound_is_silent_for_as_long(): void
    {
        $spec = SoundSpec::of(Example::assembly([['One', [0, 96_000]]])->segments[0], FrameRate::of(25), -16.0);

        self::assertContains('anullsrc=r=48000:cl=stereo,atrim=end_sample=96000', SoundCommand::segment($spec, null, 0.0, 'out.wav'));
    }

    public function test_recordings_keep_what_browsers_play_and_have_the_rest_encoded(): void
    {
        self::assertSame('webm', IngestCommand::container('vp8'));
        self::assertSame('mp4', IngestCommand::container('h264'));
        self::assertSame('mp4', IngestCommand::container('prores'));
        $command = fn (?string $video, ?string $audio): string => implode(' ', IngestCommand::arguments('raw', $video, $audio, 'media', 'sound', 'pcm'));

        self::assertStringContainsString('-c:v copy -f webm -c:a copy media', $command('vp8', 'opus'));
        self::assertStringContainsString('-c:v copy -movflags +faststart -f mp4 -c:a aac -b:a 160k media', $command('h264', 'pcm_s16le'));
        self::assertStringContainsString('-c:v libx264', $command('mpeg4', 'aac'));
        self::assertStringEndsWith('-an media', $command('vp9', null));
        self::assertStringNotContainsString('media', $command(null, 'opus'));
        self::assertStringNotContainsString('-c:a flac', $command('vp8', null));
        self::assertStringContainsString('-format_whitelist matroska,', $command('vp8', null));
        self::assertStringStartsWith('-fflags +genpts+discardcorrupt -protocol_whitelist file,pipe', $command('vp8', null));
    }

    public function test_a_microphone_of_its_own_gives_the_sound(): void
    {
        $command = implode(' ', IngestCommand::arguments('camera', 'vp8', 'opus', 'media', 'sound', 'pcm', null, 'microphone'));

        self::assertStringContainsString('-i camera -fflags', $command);
        self::assertStringContainsString('[1:a:0]aresample', $command);
        self::assertStringContainsString('-map 0:V:0 -map 1:a:0?', $command);
    }

    public function test_what_is_encoded_again_gets_the_colours_of_hd(): void
    {
        $command = implode(' ', IngestCommand::arguments('raw', 'mjpeg', null, 'media', 'sound', 'pcm', SourceColour::told('pc', 'bt470bg', 480)));

        self::assertStringContainsString('in_range=pc:in_color_matrix=bt601:out_range=pc:out_color_matrix=bt601,format=yuv420p,colorspace=ispace=smpte170m', $command);
        self::assertStringContainsString(':irange=pc:space=bt709', $command);
        self::assertStringContainsString('-colorspace bt709', $command);
    }

    public function test_the_poster_is_taken_where_the_speech_starts(): void
    {
        self::assertSame(['-ss', '1.200', '-i', 'media'], array_slice(IngestCommand::poster('media', Tick::ofMilliseconds(1200), 'out'), 0, 4));
        self::assertSame('0.000', IngestCommand::poster('media', Tick::zero(), 'out')[1]);
        self::assertSame(['-sseof', '-10', '-i', 'media', '-vf'], array_slice(IngestCommand::poster('media', null, 'out'), 0, 5), 'its last picture');
    }

    public function test_joining_copies_the_picture(): void
    {
        $command = implode(' ', JoinCommand::lesson('list', 'sound.m4a', 'chapters', 'out.mp4'));

        self::assertStringContainsString('-map 0:v:0 -map 1:a:0 -map_metadata 2 -map_chapters 2 -c copy', $command);
        self::assertStringContainsString('-movflags +faststart', $command);
    }

    /** @return list<string> */
    private function segment(Layout $layout, ?Shape $slide = null): array
    {
        $section = Example::section('a', 'One', [72_000, 72_000 + 96_000], $layout);
        if ($slide !== null) {
            $section = new SectionSource('a', 'One', new PictureChoice($layout, slide: new SlideSource('s', $slide, 'h')), $section->takes);
        }
        $assembly = Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$section]);

        return ShotCommand::arguments(ShotSpec::all($assembly->segments[0], $assembly->rate)[0], new ShotFiles('camera.webm', 'slide.png'), 'out.mp4');
    }

    /** @return list<string> */
    private function styled(PictureChoice $choice, ?Corner $logo = null, bool $camera = true): array
    {
        $take = Example::section('a', 'One', [0, 96_000])->takes[0];
        $take = $camera ? $take : new TakeSource($take->id, 1, $take->used, null, null, $take->soundHash, null);
        $assembly = Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [new SectionSource('a', 'One', $choice, [$take])], $logo === null ? null : new Logo('l', Shape::of(200, 100), $logo));

        return ShotCommand::arguments(ShotSpec::all($assembly->segments[0], $assembly->rate)[0], new ShotFiles('camera.webm', 'slide.png', 'logo.png', 'mask.png', 'border.png'), 'out.mp4');
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

    /** @param  list<string>  $arguments */
    private function filter(array $arguments): string
    {
        return $arguments[array_search('-af', $arguments, true) + 1];
    }
}
