<?php

declare(strict_types=1);

namespace Tests\Core\Picture;

use OpenReel\Core\Annotation\Box;
use OpenReel\Core\Annotation\Click;
use OpenReel\Core\Annotation\Emphasis;
use OpenReel\Core\Annotation\EmphasisLook;
use OpenReel\Core\Annotation\EmphasisShape;
use OpenReel\Core\Annotation\PointerPath;
use OpenReel\Core\Annotation\Stroke;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeMap;
use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\Ease;
use OpenReel\Core\Picture\Edge;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\InsetBorder;
use OpenReel\Core\Picture\InsetPlace;
use OpenReel\Core\Picture\InsetShape;
use OpenReel\Core\Picture\InsetSize;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\LogoPlacement;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\SideBySide;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Picture\Transition;
use OpenReel\Core\Picture\Zoom;
use OpenReel\Core\Render\MarkScript;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;
use Tests\Core\MadeUp;
use Tests\Core\Recorded;

/** Pictures of all sorts: where everything lies, to the pixel. */
final class RecordedPictureTest extends TestCase
{
    public function test_everything_lies_where_it_lay(): void
    {
        $made = new MadeUp(17);
        $answers = [];
        foreach (range(1, 120) as $round) {
            $frame = FrameSize::of(...$made->one([[1920, 1080], [1280, 720], [720, 1280], [640, 640], [640, 360]]));
            $camera = Shape::of(...$made->one([[1280, 720], [640, 480], [480, 640], [1920, 1080], [6000, 400], [200, 3000]]));
            $inset = new Inset(
                $made->one(Corner::cases()), $made->one(InsetSize::cases()), $made->one(InsetShape::cases()),
                new InsetBorder($made->one(array_keys(InsetBorder::WIDTHS)), 'D9480F'),
                $made->oneIn(3) ? InsetPlace::of(
                    $made->between(0, 100) / 100, $made->between(0, 100) / 100, $made->between(5, 60) / 100,
                ) : null,
                $made->oneIn(2),
            );
            $part = $this->crop($made);
            $rect = $inset->rect($frame, $camera);
            $edge = Edge::of($inset, $rect, $frame);
            $logo = $made->oneIn(2) ? new LogoPlacement(
                'logo', Shape::of(...$made->one([[400, 100], [100, 300]])), $made->one(Corner::cases()), $made->one(InsetSize::cases()),
            ) : null;
            $stage = $made->one([
                Example::slide('one'), Example::slide('tall', Shape::of(500, 900)),
                TrackAt::live(TrackKind::Screen, Shape::of(1920, 1200), $part), null,
            ]);
            $zoom = $made->oneIn(2) ? new Zoom($part, $made->one([0, 12]), $made->oneIn(2) ? $this->crop($made) : null) : new Zoom();
            $picture = Picture::of(
                $frame, $made->one(Layout::cases()), $inset, $stage,
                $made->oneIn(5) ? null : TrackAt::live(TrackKind::Camera, $camera, $made->oneIn(3) ? $this->crop($made) : null),
                $logo, '1B2430', [], $zoom, $made->oneIn(3) ? Example::slide('ground') : null,
            );
            $answers["picture {$round}"] = [$picture->key(), $picture->stageRect(), $picture->files(), $logo?->rect($frame), $rect];
            $answers["edge {$round}"] = $edge === null ? null : [
                $edge->toArray(), $edge->drop(), $edge->shadowRect($rect), $edge->shadowSvg($rect), $edge->maskSvg($rect),
                $edge->borderSvg($rect),
            ];
            $answers["crop {$round}"] = [
                $part->narrowed($camera, $made->one([16 / 9, 1.0, 4 / 3])), $part->part($this->crop($made)),
                $part->within($made->oneIn(3) ? null : $this->crop($made)),
                $part->towards($this->crop($made), 0.3), $part->shape($camera),
                Crop::parse(['x' => $made->between(-2, 9) / 10, 'y' => 0.2, 'width' => $made->between(0, 9) / 10, 'height' => 0.5]),
            ];
            $join = $made->one(
                [Transition::dissolve(...), Transition::push(...), Transition::dip(...)],
            )($made->between(1, 60))->within($made->between(0, 60), $made->between(0, 60));
            $answers["join {$round}"] = [$join->toArray(), $join->overlap(), $join->takenBefore(), $join->takenAfter()];
        }
        foreach ([[1920, 1080], [720, 1280], [640, 640]] as [$width, $height]) {
            foreach ([Shape::of(1600, 900), Shape::of(500, 900), Shape::of(2000, 300)] as $stage) {
                foreach (Corner::cases() as $corner) {
                    $answers["beside {$width}, {$stage->width}, {$corner->value}"] = SideBySide::of(
                        FrameSize::of($width, $height), $stage, $corner,
                    );
                }
            }
        }
        foreach (Ease::cases() as $ease) {
            $answers["ease {$ease->name}"] = [array_map($ease->at(...), [0.0, 0.1, 0.25, 0.5, 0.9, 1.0]), $ease->expression('x')];
        }
        foreach ([
            ['tv', 'bt709', 720], ['pc', 'smpte170m', 480], [null, null, 480], [null, null, 720], [null, 'bt470bg', 1080],
        ] as [$range, $matrix, $height]) {
            $colour = SourceColour::tagged($range, $matrix, $height);
            $answers["colour {$range}, {$matrix}, {$height}"] = [$colour, $colour->asInput(), $colour->toHd('640:360')];
        }
        Recorded::same('layouts', $answers);
    }

    public function test_marks_are_drawn_as_they_were(): void
    {
        $made = new MadeUp(18);
        $rate = FrameRate::of(25);
        $answers = [];
        foreach (range(1, 40) as $round) {
            $points = array_map(
                fn (int $n): array => [60 * $n, $made->between(0, 100) / 100, $made->between(0, 100) / 100, $made->between(1, 10) / 10],
                range(0, $made->between(0, 9)),
            );
            $stroke = Stroke::parse(
                [
                    'tool' => $made->one(['pen', 'highlighter']), 'colour' => '#D9480F', 'width' => $made->one(['thin', 'thick']),
                    'points' => $points,
                ],
            );
            $pointer = PointerPath::parse(['points' => $points]);
            $seen = Span::between(Tick::of(24_000), Tick::of(24_000 + $made->between(4_000, 160_000)));
            $map = TimeMap::plain(Tick::of($made->between(0, 60_000)), 90, $rate);
            $marks = [...$stroke?->marks($seen, $map, 16 / 9) ?? [], ...$pointer?->marks($seen, $map, 16 / 9) ?? []];
            $answers["marks {$round}"] = [$stroke?->whole(1.5), $pointer?->lengthMs()];
            $answers["marks {$round}, seen"] = $marks;
            if ($marks === []) {
                continue;
            }
            $layer = new AnnotationLayer($marks);
            $frame = FrameSize::of(1280, 720);
            $answers["marks {$round}, drawn"] = [
                $layer->stand(0, 20), $layer->stand(60, 80),
                MarkScript::of(
                    $layer, new PixelRect(100, 40, 800, 450), $frame, $rate, $made->one([0, 7]),
                    $made->oneIn(2) ? $this->crop($made) : null,
                ),
            ];
        }
        foreach ([[0.2, 0.3, 0.25, 0.2], [0.1, 0.1, 0.8, 0.004], [0.5, 0.2, 0.003, 0.5]] as $n => $place) {
            $marks = (new Box(...$place))->marks(
                Span::between(Tick::of(0), Tick::of(96_000)), TimeMap::plain(Tick::zero(), 50, $rate), 16 / 9,
            );
            $answers["box {$n}"] = $marks === [] ? null : MarkScript::of(
                new AnnotationLayer($marks), new PixelRect(10, 20, 640, 360), FrameSize::of(1280, 720), $rate,
            );
        }
        $box = ['x' => 0.1, 'y' => 0.2, 'width' => 0.3, 'height' => 0.2];
        foreach ([
            $box, ['x' => -0.2] + $box, ['x' => 0.9] + $box, ['width' => 0.0] + $box, ['height' => -1] + $box, ['x' => '0.1'] + $box,
            ['y' => 1] + $box,
            ['colour' => 'FF8800'] + $box, ['colour' => 'FF880'] + $box, ['colour' => 5] + $box, ['colour' => 'ff8800 '] + $box, [],
        ] as $n => $said) {
            $answers["said box {$n}"] = [Box::parse($said), Click::parse(['on' => 'screen'] + $said)];
        }
        $answers['small'] = [
            (new Crop(0.1, 0.1, 0.05, 0.05))->shape(Shape::of(9, 9)), (new Crop(0.1, 0.1, 0.05, 0.05))->shape(Shape::of(31, 900)),
        ];
        foreach (EmphasisShape::cases() as $shape) {
            foreach ([new EmphasisLook(), new EmphasisLook(true, 6, 800)] as $n => $look) {
                $places = array_slice([0.2, 0.1, 0.5, 0.4], 0, $shape->numbers());
                $figure = fn (float $part): mixed => (new Emphasis($shape, $places, '0B5D66', $look))->figure(16 / 9, $part);
                $answers["{$shape->name}, ".($n === 0 ? 'plain' : 'drawn')] = [$figure(1.0), $figure(0.4)];
            }
        }
        Recorded::same('marks', $answers);
    }

    private function crop(MadeUp $made): Crop
    {
        [$x, $y] = [$made->between(0, 60) / 100, $made->between(0, 60) / 100];

        return new Crop($x, $y, $made->between(5, 40) / 100, $made->between(5, 40) / 100);
    }
}
