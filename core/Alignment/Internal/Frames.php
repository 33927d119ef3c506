<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;

/** Vectors of the same size, one every 20 ms; packed, so that an hour of them is some megabytes. */
final readonly class Frames
{
    /** Milliseconds from one to the next. */
    public const STEP_MS = 20;

    /** Ticks of one. */
    public const TICKS = 960;

    private function __construct(private string $packed, public int $size, public int $count)
    {
    }

    public static function packed(string $floats, int $size): self
    {
        return new self($floats, $size, intdiv(strlen($floats), 4 * $size));
    }

    /** @param  list<list<float>>  $vectors */
    public static function of(array $vectors, int $size): self
    {
        return self::packed(implode('', array_map(fn (array $v): string => pack('g*', ...$v), $vectors)), $size);
    }

    /** The stretch of time from one frame to before another. */
    public static function span(int $from, int $until): Span
    {
        return Span::between(Tick::of($from * self::TICKS), Tick::of($until * self::TICKS));
    }

    /** @return list<float> */
    public function at(int $frame): array
    {
        return array_values((array) unpack("g{$this->size}", $this->packed, $frame * 4 * $this->size));
    }

    /** @return list<list<float>> */
    public function all(): array
    {
        $all = [];
        for ($i = 0; $i < $this->count; $i++) {
            $all[] = $this->at($i);
        }

        return $all;
    }

    public function slice(int $from, int $until): self
    {
        return self::packed(substr($this->packed, $from * 4 * $this->size, ($until - $from) * 4 * $this->size), $this->size);
    }
}
