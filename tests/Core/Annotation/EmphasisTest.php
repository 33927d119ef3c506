<?php

declare(strict_types=1);

namespace Tests\Core\Annotation;

use OpenReel\Core\Annotation\Emphasis;
use OpenReel\Core\Annotation\EmphasisLook;
use OpenReel\Core\Annotation\EmphasisShape;
use OpenReel\Core\Annotation\Outline;
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
        $cue = EmphasisCue::parse($value);
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
        self::assertNull(EmphasisCue::parse($value));
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

    public function test_it_may_be_drawn_by_hand_and_is_the_same_each_time(): void
    {
        $look = new EmphasisLook(true, EmphasisLook::WIDTHS['thick']);
        $box = fn (): Emphasis => new Emphasis(EmphasisShape::Box, [0.2, 0.1, 0.3, 0.2], 'F2A541', $look);
        $plain = new Emphasis(EmphasisShape::Box, [0.2, 0.1, 0.3, 0.2], 'F2A541');

        self::assertEquals($box()->figure(16 / 9), $box()->figure(16 / 9));
        self::assertGreaterThan(50, count($box()->figure(16 / 9)->polygons));
        self::assertCount(2, $plain->figure(16 / 9)->polygons);
        // It strays by less than its own width.
        self::assertEqualsWithDelta(0.2 * 16 / 9 * 10_000, min(self::places($box()->figure(16 / 9))), 150);
    }

    public function test_it_is_drawn_on_from_where_a_pen_begins(): void
    {
        $arrow = new Emphasis(EmphasisShape::Arrow, [0.1, 0.1, 0.5, 0.1], 'F2A541');
        $right = fn (float $part): int => max(self::places($arrow->figure(1.0, $part)));
        self::assertLessThan($right(0.5), $right(0.2));
        self::assertLessThanOrEqual($right(1.0) + 50, $right(0.9));
        self::assertEqualsWithDelta(5000, $right(1.0), 1);
        $line = new Emphasis(EmphasisShape::Underline, [0.0, 0.5, 1.0], '0B5D66');
        self::assertCount(41, $line->figure(1.0, 0.5)->polygons);
    }

    public function test_cues_say_how_it_looks(): void
    {
        $read = EmphasisCue::parse('box 1 2 30 40, hand-drawn, thick, drawn in 0.8 s, accent, 3 s');
        self::assertEquals(new EmphasisLook(true, 150, 800), $read?->look(false));
        self::assertSame(['accent', 3000], [$read?->colour, $read?->milliseconds]);
        self::assertEquals(new EmphasisLook(true), EmphasisCue::parse('box 1 2 30 40')?->look(true));
        self::assertFalse(EmphasisCue::parse('box 1 2 30 40, plain')?->look(true)->isHandDrawn);
        self::assertNull(EmphasisCue::parse('box 1 2 30 40, drawn in'));
    }

    /** @return non-empty-list<int> how far to the right its corners lie */
    private static function places(Outline $figure): array
    {
        $places = [];
        foreach ($figure->polygons as $polygon) {
            foreach ($polygon as $i => $place) {
                $places = $i % 2 === 0 ? [...$places, $place] : $places;
            }
        }

        return $places === [] ? self::fail('nothing is drawn') : $places;
    }
}
