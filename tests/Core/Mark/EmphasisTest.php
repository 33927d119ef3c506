<?php

declare(strict_types=1);

namespace Tests\Core\Mark;

use OpenReel\Core\Mark\Emphasis;
use OpenReel\Core\Mark\EmphasisShape;
use OpenReel\Core\Script\EmphasisCue;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What is laid over the stage so that one looks there. */
final class EmphasisTest extends TestCase
{
    public function test_a_box_is_hollow_and_lies_where_it_is_said(): void
    {
        $figure = (new Emphasis(EmphasisShape::Box, [0.25, 0.5, 0.5, 0.25], 'AA0000'))->figure(2.0);
        self::assertSame([
            [5000, 5000, 15000, 5000, 15000, 7500, 5000, 7500],
            [5090, 7410, 14910, 7410, 14910, 5090, 5090, 5090],
        ], $figure->polygons);
        self::assertSame(['AA0000', 1.0], [$figure->colour, $figure->opacity]);
        self::assertGreaterThan(0, self::area($figure->polygons[0]));
        self::assertLessThan(0, self::area($figure->polygons[1]), 'a hole winds the other way');
    }

    public function test_an_arrow_points_where_it_is_said(): void
    {
        $arrow = (new Emphasis(EmphasisShape::Arrow, [0.1, 0.5, 0.6, 0.5], 'AA0000'))->figure(1.0)->polygons[0];
        self::assertSame([6000, 5000], array_slice($arrow, 6, 2), 'its tip');
        self::assertSame([1000, 4955], array_slice($arrow, 0, 2), 'the end of its shaft');
        // One that is shorter than its head is all head, and one without a length is drawn all the same.
        foreach ([[0.1, 0.1, 0.11, 0.1], [0.1, 0.1, 0.1, 0.1]] as $places) {
            $short = (new Emphasis(EmphasisShape::Arrow, $places, 'AA0000'))->figure(1.0)->polygons[0];
            self::assertCount(14, $short);
        }
    }

    public function test_a_spotlight_dims_all_but_its_place(): void
    {
        $figure = (new Emphasis(EmphasisShape::Spotlight, [0.4, 0.4, 0.2, 0.2], '000000'))->figure(16 / 9);
        self::assertSame([0, 0, 17778, 0, 17778, 10000, 0, 10000], $figure->polygons[0]);
        self::assertLessThan(0, self::area($figure->polygons[1]));
        self::assertSame(0.6, $figure->opacity);
    }

    public function test_round_things_are_round_in_a_picture_of_any_shape(): void
    {
        $round = (new Emphasis(EmphasisShape::Round, [0.25, 0.4, 0.25, 0.5], 'AA0000'))->figure(2.0)->polygons[0];
        // 5000 wide and as high: every point is as far from the middle.
        foreach (array_chunk($round, 2) as [$x, $y]) {
            self::assertEqualsWithDelta(2500, hypot($x - 7500, $y - 6500), 1.5);
        }
    }

    /**
     * @param  list<float>  $places
     */
    #[TestWith(['box 20 10 30 12', EmphasisShape::Box, [0.2, 0.1, 0.3, 0.12], null, null])]
    #[TestWith(['Box 90 90 30 30', EmphasisShape::Box, [0.9, 0.9, 0.1, 0.1], null, null])]
    #[TestWith(['round 20 10 0 0, accent', EmphasisShape::Round, [0.2, 0.1, 0.02, 0.02], 'accent', null])]
    #[TestWith(['arrow 70 80 45 40, B3261E, 3 s', EmphasisShape::Arrow, [0.7, 0.8, 0.45, 0.4], 'b3261e', 3000])]
    #[TestWith(['underline 10 50 30, 2.5s', EmphasisShape::Underline, [0.1, 0.5, 0.3], null, 2500])]
    #[TestWith(['none', null, [], null, null])]
    public function test_its_cue_is_read(string $value, ?EmphasisShape $shape, array $places, ?string $colour, ?int $ms): void
    {
        $cue = EmphasisCue::read($value);
        self::assertNotNull($cue);
        self::assertSame([$shape, $places, $colour, $ms], [$cue->shape, $cue->places, $cue->colour, $cue->milliseconds]);
    }

    #[TestWith([''])]
    #[TestWith(['box'])]
    #[TestWith(['box 1 2 3'])]
    #[TestWith(['star 1 2 3 4'])]
    #[TestWith(['box 1 2 3 4, mauve'])]
    #[TestWith(['box 1 2 3 4, 0 s'])]
    #[TestWith(['box {\\clip(0)} 2 3 4'])]
    #[TestWith(['none, accent'])]
    public function test_what_is_no_emphasis_is_none(string $value): void
    {
        self::assertNull(EmphasisCue::read($value));
    }

    /** @param  list<int>  $polygon */
    private static function area(array $polygon): float
    {
        $points = array_chunk($polygon, 2);
        $sum = 0;
        foreach ($points as $i => [$x, $y]) {
            [$nextX, $nextY] = $points[($i + 1) % count($points)];
            $sum += $x * $nextY - $nextX * $y;
        }

        return $sum / 2;
    }
}
