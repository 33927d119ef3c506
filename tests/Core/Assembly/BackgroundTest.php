<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\CuedSlide;
use OpenReel\Core\Assembly\LayoutMove;
use OpenReel\Core\Assembly\PictureCueAt;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Render\FilterGraph;
use OpenReel\Core\Render\LayerGraph;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Script\BackgroundCue;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Style\HouseStyle;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What lies behind slide and camera, and the shadow that an inset throws. */
final class BackgroundTest extends TestCase
{
    #[TestWith(['usual', true, false, null, null])]
    #[TestWith(['Gradient', false, true, null, null])]
    #[TestWith(['gradient, 2A4B5C', false, true, '2a4b5c', null])]
    #[TestWith(['gradient, sunset', false, false, null, 'gradient, sunset'])]
    #[TestWith(['Accent', false, false, 'accent', null])]
    #[TestWith(['0b5d66', false, false, '0b5d66', null])]
    #[TestWith([' Harbour "wall" 🌊 ', false, false, null, 'Harbour "wall" 🌊'])]
    public function test_what_a_cue_says(string $value, bool $isUsual, bool $isGradient, ?string $colour, ?string $slide): void
    {
        $cue = BackgroundCue::parse($value);

        self::assertSame(
            [$isUsual, $isGradient, $colour, $slide],
            [$cue?->isUsual, $cue?->isGradient, $cue?->colour, $cue?->slide],
        );
        self::assertNull(BackgroundCue::parse('  '));
    }

    public function test_it_holds_until_another_and_what_cannot_be_had_changes_nothing(): void
    {
        $script = '[background: gradient] One. [background: Harbour] Two. [background: nowhere] Three. '
            .'[background: 0B5D66] Four. [background: usual] Five.';
        $cues = $this->cues($script, []);
        $seen = $cues->of(Script::parse($script)->sections[0], ['1', '2', '3', '4', '5']);
        [$opening, $changes] = [$seen->opening, $seen->changes];
        $then = array_map(fn (PictureCueAt $c): ?Still => $c->then->backdrop, $changes);

        self::assertSame(StillKind::Backdrop, $opening->backdrop?->kind);
        self::assertSame(['hash-harbour', 'hash-harbour'], [$then[0]?->hash, $then[1]?->hash]);
        self::assertNotSame($opening->backdrop->hash, $then[2]?->hash);
        self::assertNull($then[3], 'the ground alone');
        self::assertCount(2, $cues->drawings(), 'the gradient and the colour');
        self::assertStringContainsString('stop-color="#0B5D66"', $cues->drawings()[0]);
    }

    public function test_a_style_may_have_a_gradient_behind_everything(): void
    {
        $cues = $this->cues('One.', ['background' => 'gradient']);
        $opening = $cues->of(Script::parse('One.')->sections[0], ['1'])->opening;

        self::assertSame(StillKind::Backdrop, $opening->backdrop?->kind);
        self::assertCount(1, $cues->drawings());
    }

    public function test_it_lies_under_everything_and_only_where_it_is_seen(): void
    {
        $backdrop = new Still(StillKind::Backdrop, 'b', Shape::of(1000, 1000), 'b');
        $seen = fn (Layout $layout): array => array_map(
            fn (Layer $l): string => $l->source instanceof Still ? $l->source->kind->value : 'camera',
            $this->picture($layout, $backdrop)->layers,
        );
        self::assertSame(['backdrop', 'slide', 'camera'], $seen(Layout::SideBySide));
        self::assertSame(['slide', 'camera'], $seen(Layout::SlideWithInset), 'the slide fills the frame');
        self::assertSame(['camera'], $seen(Layout::CameraAlone));

        $picture = $this->picture(Layout::SideBySide, $backdrop);
        self::assertSame([0.0, 0.21875, 1.0, 0.5625], array_values($picture->layers[0]->crop?->toArray() ?? []));
        self::assertEquals($picture->layers[1]->rect, $picture->stageRect());
        $laid = new Layer(Example::slide('laid'), $picture->layers[2]->rect);
        self::assertSame($laid, $picture->overStage($laid)->layers[2]);
    }

    public function test_on_the_way_to_a_slide_alone_it_is_still_there(): void
    {
        $backdrop = new Still(StillKind::Backdrop, 'b', Shape::of(1280, 720), 'b');
        $beside = $this->picture(Layout::SideBySide, $backdrop);
        $kinds = fn (Picture $p): array => array_map(
            fn (Layer $l): string => $l->source instanceof Still ? $l->source->kind->value : 'camera',
            $p->layers,
        );
        $alone = $this->picture(Layout::SlideAlone, $backdrop);
        self::assertSame(['backdrop', 'slide', 'camera'], $kinds(LayoutMove::of($beside, $alone, 10)));
        self::assertSame(['backdrop', 'slide', 'camera'], $kinds(LayoutMove::of($alone, $beside, 10)));
        // A slide that goes stays over it until it is covered.
        $camera = $this->picture(Layout::CameraAlone, $backdrop);
        self::assertSame(['backdrop', 'slide', 'camera'], $kinds(LayoutMove::of($beside, $camera, 10)));
    }

    public function test_an_inset_throws_a_shadow_on_what_stands_below_it(): void
    {
        $picture = $this->picture(Layout::SlideWithInset, null, new Inset(hasShadow: true));
        $edge = $picture->layers[1]->edge;
        self::assertNotNull($edge);
        self::assertSame([0, 22, 6], [$edge->radius, $edge->shadow, $edge->drop()]);
        $rect = $picture->layers[1]->rect;
        self::assertSame(
            [$rect->x - 44, $rect->y - 38, $rect->width + 88, $rect->height + 88],
            array_values($edge->shadowRect($rect)->toArray()),
        );

        $spec = new ShotSpec($picture, FrameRate::of(25), 50);
        self::assertSame([$edge->shadowSvg($rect)], $spec->drawings());
        $graph = new FilterGraph;
        LayerGraph::picture($graph, $spec);
        // Before it is repeated from memory: it is put together once.
        self::assertMatchesRegularExpression(
            sprintf('/overlay=%d:%d:format=yuv420:eof_action=repeat,loop=loop=-1:size=1/', $rect->x - 44, $rect->y - 38),
            $graph->text(),
        );
    }

    public function test_a_shadow_goes_where_its_inset_goes(): void
    {
        $from = $this->picture(Layout::SlideWithInset, null, new Inset(hasShadow: true));
        $to = $this->picture(Layout::SlideAlone, null);
        $graph = new FilterGraph;
        LayerGraph::picture($graph, new ShotSpec(LayoutMove::of($from, $to, 10), FrameRate::of(25), 10));

        self::assertSame(2, substr_count($graph->text(), 'eval=frame'), 'shadow and camera');
    }

    private function picture(Layout $layout, ?Still $backdrop, Inset $inset = new Inset()): Picture
    {
        return Picture::of(
            FrameSize::of(1280, 720),
            $layout,
            $inset,
            Example::slide('s'),
            TrackAt::live(TrackKind::Camera, Shape::of(1280, 720)),
            backdrop: $backdrop,
        );
    }

    /** @param  array<string, string>  $style */
    private function cues(string $script, array $style): PictureCues
    {
        return new PictureCues(
            Script::parse($script),
            [new CuedSlide('Harbour', Example::slide('harbour'))],
            HouseStyle::of($style),
            FrameSize::of(1280, 720),
        );
    }
}
