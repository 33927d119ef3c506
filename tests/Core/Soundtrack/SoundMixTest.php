<?php

declare(strict_types=1);

namespace Tests\Core\Soundtrack;

use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Picture\TransitionKind;
use OpenReel\Core\Sound\ClickSound;
use OpenReel\Core\Soundtrack\SoundMix;
use OpenReel\Core\Soundtrack\SoundPiece;
use OpenReel\Core\Soundtrack\SoundPlace;
use PHPUnit\Framework\TestCase;

final class SoundMixTest extends TestCase
{
    /** @var list<resource> */
    private array $opened = [];

    protected function tearDown(): void
    {
        array_map(fclose(...), $this->opened);
    }

    public function test_at_a_cut_both_are_heard_for_forty_milliseconds_at_constant_power(): void
    {
        $mixed = $this->mix([$this->place('a', 0, 4800), $this->place('b', 4800, 4800)], 0, 9600);

        self::assertCount(9600, $mixed);
        self::assertSame([1000, 1000], [$mixed[1000], $mixed[3839]], 'as it is until 20 ms before');
        self::assertSame([3000, 3000], [$mixed[5760], $mixed[9000]]);
        // In the middle each is heard at the square root of a half.
        self::assertEqualsWithDelta((1000 + 3000) * M_SQRT1_2, $mixed[4800], 4);
        for ($i = 3841; $i < 5760; $i++) {
            self::assertLessThan(6, abs($mixed[$i] - $mixed[$i - 1]), 'no click');
        }
    }

    public function test_the_film_comes_from_silence_and_ends_in_it(): void
    {
        $mixed = $this->mix([$this->place('a', 0, 4800)], 0, 4800);

        self::assertSame(0, $mixed[0]);
        self::assertSame(500, $mixed[120]);
        self::assertSame(1000, $mixed[240]);
        self::assertSame(1000, $mixed[4560]);
        self::assertEqualsWithDelta(4, $mixed[4799], 1);
    }

    public function test_at_a_dip_one_goes_and_then_the_other_comes(): void
    {
        $mixed = $this->mix([$this->place('a', 0, 9600), $this->place('b', 9600, 9600, TransitionKind::Dip, 3840)], 0, 19_200);

        self::assertSame(1000, $mixed[9600 - 1920 - 1]);
        self::assertEqualsWithDelta(500, $mixed[9600 - 960], 2);
        self::assertEqualsWithDelta(0, $mixed[9600], 2);
        self::assertEqualsWithDelta(1500, $mixed[9600 + 960], 3);
        self::assertSame(3000, $mixed[9600 + 1920]);
    }

    public function test_a_dissolve_lasts_as_long_as_its_picture(): void
    {
        $mixed = $this->mix([$this->place('a', 0, 9600), $this->place('b', 7680, 9600, TransitionKind::Dissolve, 1920)], 0, 17_280);

        self::assertSame(1000, $mixed[7679]);
        self::assertEqualsWithDelta(4000 * M_SQRT1_2, $mixed[8640], 4);
        self::assertSame(3000, $mixed[9600]);
    }

    public function test_any_part_of_it_is_the_same_as_in_the_whole(): void
    {
        $places = [$this->place('a', 0, 4800), $this->place('b', 4800, 1000), $this->place('a', 5800, 60_000)];
        $whole = $this->mix($places, 0, 65_800);

        self::assertSame(array_slice($whole, 4700, 300), $this->mix($places, 4700, 5000, 65_800));
        self::assertSame(array_slice($whole, 5500, 50_000), $this->mix($places, 5500, 55_500, 65_800));
    }

    public function test_pieces_shorter_than_a_crossfade_share_what_there_is(): void
    {
        $mixed = $this->mix([$this->place('a', 0, 4800), $this->place('b', 4800, 100), $this->place('a', 4900, 4800)], 0, 9700);

        self::assertCount(9700, $mixed);
        self::assertSame(1000, $mixed[4749]);
        self::assertSame(1000, $mixed[4950]);
    }

    public function test_a_click_is_heard_where_it_was_made_whatever_part_is_asked_for(): void
    {
        $place = $this->place('a', 0, 9600);
        $clicked = new SoundPlace($place->piece, 0, clicks: [4800]);
        $mixed = $this->mix([$clicked], 0, 9600);

        self::assertSame(1000, $mixed[4799]);
        self::assertSame(1000, $mixed[4800 + ClickSound::SAMPLES]);
        $heard = array_slice($mixed, 4800, ClickSound::SAMPLES);
        self::assertGreaterThan(3500, max([0, ...$heard]));
        self::assertEqualsWithDelta(1000, array_sum($heard) / count($heard), 60, 'as much up as down');
        self::assertSame(array_slice($mixed, 5000, 2000), $this->mix([$clicked], 5000, 7000, 9600));
        self::assertSame(array_fill(0, 100, 1000), array_slice($this->mix([$place], 4800, 4900, 9600), 0, 100));
    }

    public function test_what_is_silent_goes_and_comes_without_a_click_and_a_click_is_heard_in_it(): void
    {
        $place = $this->place('a', 0, 9600);
        $silenced = new SoundPlace($place->piece, 0, clicks: [4800], silences: Spans::ofPairs([[2000, 6000]]));
        $mixed = $this->mix([$silenced], 0, 9600);

        self::assertSame([1000, 1000], [$mixed[1999], $mixed[6000]]);
        self::assertEqualsWithDelta(500, $mixed[2120], 5);
        self::assertEqualsWithDelta(500, $mixed[5880], 5);
        self::assertSame(array_fill(0, 2000, 0), array_slice($mixed, 2300, 2000));
        self::assertGreaterThan(2500, max([0, ...array_slice($mixed, 4800, ClickSound::SAMPLES)]));
        self::assertSame(array_slice($mixed, 2100, 1000), $this->mix([$silenced], 2100, 3100, 9600));
    }

    private function place(
        string $sound, int $at, int $samples, TransitionKind $join = TransitionKind::Cut, int $joinSamples = 0,
    ): SoundPlace {
        return new SoundPlace(new SoundPiece($sound, 0, $samples, -16.0), $at, $join, $joinSamples);
    }

    /**
     * Piece `a` is 1000 all over, piece `b` 3000, on both sides.
     *
     * @param  list<SoundPlace>  $places
     * @return list<int> of one side
     */
    private function mix(array $places, int $from, int $until, ?int $end = null): array
    {
        $out = fopen('php://memory', 'w+') ?: self::fail('no memory');
        (new SoundMix($places, $end ?? $until, function (SoundPiece $piece) {
            $file = fopen('php://memory', 'w+') ?: self::fail('no memory');
            fwrite(
                $file,
                str_repeat(pack('vv', ...array_fill(0, 2, $piece->sound === 'a' ? 1000 : 3000)), $piece->withHandles()),
            );
            $this->opened[] = $file;

            return $file;
        }))->write($from, $until, $out);
        rewind($out);
        $samples = array_values(unpack('s*', (string) stream_get_contents($out)) ?: []);
        fclose($out);

        return array_values(array_filter($samples, fn (int $i): bool => $i % 2 === 0, ARRAY_FILTER_USE_KEY));
    }
}
