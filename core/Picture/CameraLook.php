<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;

/** What a take's camera shows, from small pictures of it: enough to tell black from bright, still from alive, here from there. */
final readonly class CameraLook
{
    /** Cells across and down. */
    public const WIDTH = 32;

    public const HEIGHT = 18;

    public const CELLS = self::WIDTH * self::HEIGHT;

    /** Bytes of a small picture: planes of brightness and of two colours, full range. */
    public const BYTES = 3 * self::CELLS;

    /** Pictures a second. */
    public const RATE = 2;

    /** Of 255: behind a closed cover a camera gives noise up to about this. */
    private const BLACK = 20;

    /** A cell is the mean of thousands of pixels: one step is rounding, two are a movement. */
    private const STILL = 1;

    /** A living person moves within 3 s, a covered camera is no blink of light after 2 s. */
    private const FROZEN_SECONDS = 3;

    private const BLACK_SECONDS = 2;

    /**
     * @param  float  $brightness  mean of the pictures that are not black, 0..255
     * @param  float  $blue  mean of colour differences, -128..127
     * @param  float  $red  likewise
     * @param  list<int>  $cells  mean brightness of each cell
     * @param  list<int>  $moves  how much each of them changes (standard deviation)
     * @param  list<Span>  $black  where the picture is black, on the camera's own clock
     * @param  list<Span>  $frozen  where it stands still
     */
    public function __construct(
        public float $brightness,
        public float $blue,
        public float $red,
        public array $cells,
        public array $moves,
        public array $black = [],
        public array $frozen = [],
    ) {
    }

    /**
     * @param  iterable<string>  $pictures  of BYTES each, RATE a second
     * @return self|null null without a picture
     */
    public static function of(iterable $pictures): ?self
    {
        $count = $seen = $blueSum = $redSum = 0;
        $sum = $squares = array_fill(0, self::CELLS, 0);
        $black = $frozen = [];
        [$isBlack, $stillSince, $first] = [null, 0, null];
        foreach ($pictures as $picture) {
            /** @var list<int> $cells */
            $cells = array_values((array) unpack('C'.self::CELLS, $picture));
            $dark = max([0, ...$cells]) < self::BLACK;
            if (! $dark) {
                $seen++;
                foreach ($cells as $i => $value) {
                    $sum[$i] += $value;
                    $squares[$i] += $value * $value;
                }
                $blueSum += self::mean($picture, 1);
                $redSum += self::mean($picture, 2);
            }
            if ($dark !== ($isBlack !== null)) {
                $black[] = $isBlack === null ? null : self::span($isBlack, $count, self::BLACK_SECONDS);
                $isBlack = $dark ? $count : null;
            }
            if ($first === null || $dark || ! self::isStill($first, $cells)) {
                $frozen[] = self::span($stillSince, $count, self::FROZEN_SECONDS);
                [$stillSince, $first] = [$count, $dark ? null : $cells];
            }
            $count++;
        }
        $black[] = $isBlack === null ? null : self::span($isBlack, $count, self::BLACK_SECONDS);
        $frozen[] = $first === null ? null : self::span($stillSince, $count, self::FROZEN_SECONDS);
        if ($count === 0) {
            return null;
        }
        $n = max(1, $seen);

        return new self(
            array_sum($sum) / $n / self::CELLS,
            $blueSum / $n,
            $redSum / $n,
            array_map(fn (int $s): int => (int) round($s / $n), array_values($sum)),
            array_map(
                fn (int $s, int $q): int => (int) round(sqrt(max(0.0, $q / $n - ($s / $n) ** 2))),
                array_values($sum),
                array_values($squares),
            ),
            array_values(array_filter($black)),
            array_values(array_filter($frozen)),
        );
    }

    /**
     * Plain values, for another machine: spans as their first and last tick.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        $spans = fn (array $all): array => array_map(fn (Span $s): array => [$s->from->count, $s->until->count], $all);

        return [
            'brightness' => $this->brightness, 'blue' => $this->blue, 'red' => $this->red, 'cells' => $this->cells,
            'moves' => $this->moves, 'black' => $spans($this->black), 'frozen' => $spans($this->frozen),
        ];
    }

    /** @param  array<string, mixed>  $values  as `toArray` gives them */
    public static function parse(array $values): self
    {
        $spans = fn (array $all): array => array_values(
            array_map(fn (array $s): Span => Span::between(Tick::of($s[0]), Tick::of($s[1])), $all),
        );

        return new self(
            (float) $values['brightness'], (float) $values['blue'], (float) $values['red'], $values['cells'], $values['moves'],
            $spans($values['black']), $spans($values['frozen']),
        );
    }

    /** @return list<PictureFlag> the worst first */
    public function flags(): array
    {
        return [...$this->black === [] ? [] : [PictureFlag::Black], ...$this->frozen === [] ? [] : [PictureFlag::Frozen]];
    }

    /** Mean of a plane of colour. */
    private static function mean(string $picture, int $plane): float
    {
        $values = (array) unpack('C'.self::CELLS, $picture, $plane * self::CELLS);

        return array_sum($values) / self::CELLS - 128;
    }

    /**
     * @param  list<int>  $one
     * @param  list<int>  $other
     */
    private static function isStill(array $one, array $other): bool
    {
        foreach ($one as $i => $value) {
            if (abs($value - $other[$i]) > self::STILL) {
                return false;
            }
        }

        return true;
    }

    /** @return Span|null null when it is shorter than it must be */
    private static function span(int $from, int $until, int $seconds): ?Span
    {
        $each = intdiv(Tick::RATE, self::RATE);

        return $until - $from < $seconds * self::RATE ? null : Span::between(Tick::of($from * $each), Tick::of($until * $each));
    }
}
