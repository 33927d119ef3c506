<?php

declare(strict_types=1);

namespace Tests\Core\Annotation;

use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Annotation\Box;
use OpenReel\Core\Annotation\Click;
use OpenReel\Core\Annotation\InkOutline;
use OpenReel\Core\Annotation\Outline;
use OpenReel\Core\Annotation\PenDot;
use OpenReel\Core\Annotation\PointerPath;
use OpenReel\Core\Annotation\Ring;
use OpenReel\Core\Annotation\Stroke;
use OpenReel\Core\Annotation\TimedPoint;
use OpenReel\Core\Annotation\Tool;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeMap;
use OpenReel\Core\Take\EventLog;
use OpenReel\Core\Take\TakeAnnotation;
use OpenReel\Core\Take\TakeAnnotations;
use PHPUnit\Framework\TestCase;

final class AnnotationTest extends TestCase
{
    public function testOutlinesAreThoseOfTheBrowser(): void
    {
        $examples = json_decode((string) file_get_contents(__DIR__.'/../../examples/ink.json'), true);
        self::assertNotEmpty($examples['outlines']);
        foreach ($examples['outlines'] as $example) {
            self::assertSame($example['polygons'], InkOutline::of($this->dots($example['points'])), $example['name']);
        }
        foreach ($examples['radii'] as [$tool, $isThick, $pressure, $radius]) {
            self::assertSame($radius, Tool::from($tool)->radius($isThick, $pressure));
        }
    }

    public function testEveryPartOfAnOutlineWindsTheSameWay(): void
    {
        // A loop that crosses itself, drawn in both directions.
        $points = [];
        for ($i = 0; $i <= 40; $i++) {
            $angle = $i / 40 * 4 * M_PI;
            $points[] = new PenDot((int) (5000 + 900 * sin($angle)), (int) (5000 + 900 * sin(2 * $angle)), 46);
        }
        foreach ([$points, array_reverse($points)] as $stroke) {
            foreach (InkOutline::of($stroke) as $polygon) {
                self::assertGreaterThan(0, self::area($polygon));
            }
        }
    }

    public function testAPenGrowsByWhatIsAdded(): void
    {
        $stroke = new Stroke(Tool::Pen, 'B3261E', false, [
            new TimedPoint(0, 0.1, 0.5), new TimedPoint(100, 0.2, 0.5), new TimedPoint(200, 0.3, 0.5),
        ]);
        $marks = $stroke->marks($this->span(1000, 5000), $this->map(), 16 / 9);

        self::assertSame([[28, 125], [30, 125]], array_map(fn (Annotation $m): array => [$m->from, $m->until], $marks));
        self::assertSame([1, 1], array_map(fn (Annotation $m): int => count($this->outline($m)->polygons), $marks));
        self::assertCount(2, $stroke->whole(16 / 9)->polygons);
    }

    public function testAHighlighterIsNeverLaidOverItself(): void
    {
        $points = array_map(fn (int $i): TimedPoint => new TimedPoint($i * 50, 0.1 + $i / 50, 0.5), range(0, 10));
        $marks = (new Stroke(Tool::Highlighter, 'FFD34D', true, $points))->marks($this->span(0, 4000), $this->map(), 1.0);

        foreach ($marks as $i => $mark) {
            self::assertSame($marks[$i + 1]->from ?? 100, $mark->until, 'each step takes the place of the one before');
            self::assertLessThan(1.0, $this->outline($mark)->opacity);
        }
        self::assertCount(10, $this->outline($marks[count($marks) - 1])->polygons);
    }

    public function testAStrokeOfAHundredThousandPointsIsBounded(): void
    {
        $points = array_map(fn (int $i): array => [$i, sin($i / 50) / 2 + 0.5, cos($i / 70) / 2 + 0.5, 0.5], range(0, 99_999));
        $stroke = Stroke::parse(['tool' => 'pen', 'colour' => '000000', 'points' => $points]);

        self::assertNotNull($stroke);
        self::assertCount(Stroke::MOST_POINTS, $stroke->points);
        self::assertLessThanOrEqual(61, count($stroke->marks($this->span(0, 200_000), $this->map(10_000), 1.0)));
    }

    public function testAbsurdPlacesAreBroughtToTheEdgeOrPassedOver(): void
    {
        $read = Stroke::parse(['tool' => 'pen', 'colour' => '0b5d66', 'points' => [
            [0, -7, 0.5], [5, 1e300, 2, 9], 'x', [1, 'a', 0], [3, 0.25, 0.75], [], [9, null, 1],
        ]]);

        self::assertNotNull($read);
        self::assertSame([[0, 0.0, 0.5, 0.5], [5, 1.0, 1.0, 1.0], [5, 0.25, 0.75, 0.5]], $read->toArray()['points']);
        self::assertSame('0B5D66', $read->colour);
        foreach ([['tool' => 'axe'], ['colour' => 'red'], ['points' => []], ['points' => 'many']] as $wrong) {
            self::assertNull(Stroke::parse($wrong + ['tool' => 'pen', 'colour' => '000000', 'points' => [[0, 0, 0]]]));
        }
        self::assertNull(Click::parse(['x' => 'left', 'y' => 0.5]));
        self::assertNull(PointerPath::parse(['points' => [['a', 'b', 'c']]]));
    }

    public function testThePointerFollowsStandsAndFades(): void
    {
        $path = PointerPath::parse(['points' => [[0, 0.1, 0.1], [100, 0.2, 0.1], [200, 0.3, 0.1], [3200, 0.5, 0.5]]]);
        self::assertNotNull($path);
        $times = array_map(fn (TimedPoint $p): int => $p->ms, $path->points);
        self::assertSame([0, 200, 3200], $times, 'an even way needs no point in between');
        $rings = array_map(fn (Annotation $m): array => [
            $m->from, $m->until, $this->ring($m)->toX, $this->ring($m)->opacityTo,
        ], $path->marks($this->span(0, 9000), $this->map(500), 1.0));

        self::assertSame([
            [0, 5, 0.3, 1.0],
            [5, 35, 0.3, 1.0],
            [35, 45, 0.3, 0.0],
            [80, 110, 0.5, 1.0],
            [110, 120, 0.5, 0.0],
        ], $rings);
    }

    public function testAPartOfARingIsAPartOfItsWay(): void
    {
        $ring = new Annotation(new Ring(0.0, 0.0, 1.0, 0.5, '0B5D66', 1.0, 0.0), 10, 20);
        $part = $ring->within(12, 17);

        self::assertNotNull($part);
        self::assertSame([0, 5], [$part->from, $part->until]);
        $half = $this->ring($part);
        self::assertSame([0.2, 0.1, 0.7, 0.35, 0.8, 0.3], [
            $half->x, $half->y, $half->toX, $half->toY, $half->opacity, $half->opacityTo,
        ]);
        self::assertNull($ring->within(0, 10));
        self::assertNull($ring->within(20, 30));
        self::assertSame([5, 10], [$ring->within(5, 15)?->from, $ring->within(5, 15)?->until]);
    }

    public function testAClickSpreadsAndGoes(): void
    {
        $marks = (new Click(0.5, 0.5, '0B5D66'))->marks($this->span(1000, 1480), $this->map(), 16 / 9);

        self::assertSame(25, $marks[0]->from);
        self::assertSame(37, $marks[count($marks) - 1]->until);
        $opacities = array_map(fn (Annotation $m): float => $this->outline($m)->opacity, $marks);
        $falling = $opacities;
        rsort($falling);
        self::assertSame($falling, $opacities);
        [$outer, $inner] = $this->outline($marks[3])->polygons;
        self::assertGreaterThan(0, self::area($outer));
        self::assertLessThan(0, self::area($inner), 'the hole winds the other way');
    }

    public function testStrokesStandUntilTheyAreTakenBackOrWiped(): void
    {
        $stroke = fn (int $at, int $id, string $on): array => [
            'at_ms' => $at, 'kind' => 'stroke', 'id' => $id, 'on' => $on, 'tool' => 'pen', 'colour' => '000000',
            'points' => [[0, 0.1, 0.1], [50, 0.2, 0.2]],
        ];
        $drawn = TakeAnnotations::of(EventLog::parse(implode("\n", array_map(json_encode(...), [
            $stroke(1000, 1, 'board:1'),
            $stroke(2000, 2, 'board:1'),
            $stroke(2500, 3, 'slide:01A'),
            ['at_ms' => 3000, 'kind' => 'take-back', 'id' => 2],
            ['at_ms' => 4000, 'kind' => 'pause'],
            ['at_ms' => 6000, 'kind' => 'resume'],
            ['at_ms' => 7000, 'kind' => 'wipe', 'on' => 'board:1'],
            ['at_ms' => 8000, 'kind' => 'click', 'on' => 'board:1', 'x' => 0.5, 'y' => 0.5],
            ['at_ms' => 9000, 'kind' => 'wipe', 'on' => 'the wall'],
            $stroke(9500, 4, '../../etc'),
        ]))));

        self::assertSame([
            ['board:1', 1000, 5000],
            ['board:1', 2000, 3000],
            ['slide:01A', 2500, 86_398_000],
            ['board:1', 6000, 6480],
        ], array_map(fn (TakeAnnotation $m): array => [
            $m->on, $m->seen->from->milliseconds(), $m->seen->until->milliseconds(),
        ], $drawn->marks));
        self::assertCount(1, $drawn->wipes);
        self::assertSame(5000, $drawn->wipes[0]->at->milliseconds());
    }

    public function testThereIsOnePointer(): void
    {
        $pointer = fn (int $at): string => (string) json_encode(
            ['at_ms' => $at, 'kind' => 'pointer', 'on' => 'screen', 'points' => [[0, 0.1, 0.1], [300, 0.2, 0.1]]],
        );
        $drawn = TakeAnnotations::of(EventLog::parse($pointer(1000)."\n".$pointer(1400)));

        self::assertSame(
            [[1000, 1400], [1400, 3300]],
            array_map(
                fn (TakeAnnotation $m): array => [$m->seen->from->milliseconds(), $m->seen->until->milliseconds()],
                $drawn->marks,
            ),
        );
    }

    public function testMarksAreStoredAndReadAgain(): void
    {
        $marks = [
            new TakeAnnotation(new Box(0.1, 0.2, 0.3, 0.4), $this->span(0, 100)),
            new TakeAnnotation(new Click(0.5, 0.25, 'B3261E'), $this->span(5, 100), 'screen'),
            new TakeAnnotation(
                new PointerPath([new TimedPoint(0, 0.1, 0.2), new TimedPoint(40, 0.2, 0.2)], '0B5D66'), $this->span(5, 100), 'slide:1',
            ),
            new TakeAnnotation(new Stroke(Tool::Pen, '000000', true, [new TimedPoint(0, 0.1, 0.2)]), $this->span(5, 100), 'board:2'),
        ];
        foreach ($marks as $mark) {
            self::assertEquals($mark, TakeAnnotation::parse(json_decode((string) json_encode($mark->toArray()), true)));
        }
        self::assertNull(TakeAnnotation::parse(['kind' => 'wipe', 'from' => 0, 'until' => 5]));
        self::assertNull(TakeAnnotation::parse(['kind' => 'click', 'x' => 0.1, 'y' => 0.1, 'from' => 5, 'until' => 5]));
        $old = TakeAnnotation::parse(['x' => 0.1, 'y' => 0.1, 'width' => 0.5, 'height' => 0.5, 'from' => 0, 'until' => 9]);
        self::assertInstanceOf(Box::class, $old?->drawing);
        self::assertTrue($old->isOn('slide:anything'));
    }

    /** @param  list<int>  $polygon */
    private static function area(array $polygon): int
    {
        $points = array_chunk($polygon, 2);
        $sum = 0;
        foreach ($points as $i => [$x, $y]) {
            [$nextX, $nextY] = $points[($i + 1) % count($points)];
            $sum += $x * $nextY - $nextX * $y;
        }

        return $sum;
    }

    private function outline(Annotation $mark): Outline
    {
        self::assertInstanceOf(Outline::class, $mark->figure);

        return $mark->figure;
    }

    private function ring(Annotation $mark): Ring
    {
        self::assertInstanceOf(Ring::class, $mark->figure);

        return $mark->figure;
    }

    private function span(int $from, int $until): Span
    {
        return Span::between(Tick::ofMilliseconds($from), Tick::ofMilliseconds($until));
    }

    private function map(int $frames = 200): TimeMap
    {
        return TimeMap::plain(Tick::zero(), $frames, FrameRate::of(25));
    }

    /**
     * @param  list<list<int>>  $rows  x, y and radius
     * @return list<PenDot>
     */
    private function dots(array $rows): array
    {
        return array_map(fn (array $row): PenDot => new PenDot(...$row), $rows);
    }
}
