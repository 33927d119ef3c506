<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/** The tokens inside a line: one for each of its frames at most. */
final class LineTokens
{
    public const NEVER = 1e9;

    public readonly int $length;

    /** @var array<int, float> what the token on each frame has paid; NEVER where there is none */
    private array $score;

    /** @var array<int, int> where it came in, as of Trail */
    private array $entry;

    /** First and last frame with a token; the last is -1 when there is none. */
    private int $low;

    private int $high = -1;

    public function __construct(private readonly ReferenceLine $line, private readonly Trail $trail)
    {
        $this->length = $line->length();
        $this->score = array_fill(0, $this->length, self::NEVER);
        $this->entry = array_fill(0, $this->length, -1);
        $this->low = $this->length;
    }

    public function isEmpty(): bool
    {
        return $this->high < 0;
    }

    /**
     * The cheapest token among the last frames of the line.
     *
     * @param  int  $frames  how many
     * @param  float  $missing  what is paid for each frame that is missing
     * @param  float  $ends  what is paid to end here
     */
    public function atEnd(int $frames, float $missing = 0.0, float $ends = 0.0): ?Token
    {
        [$best, $at] = [self::NEVER, -1];
        for ($j = max($this->low, $this->length - $frames); $j <= $this->high; $j++) {
            $cost = $this->score[$j] + $missing * ($this->length - 1 - $j) + $ends;
            if ($cost < $best) {
                [$best, $at] = [$cost, $j];
            }
        }

        return $at < 0 ? null : new Token($best, $this->score[$at], $at, $this->entry[$at]);
    }

    /** The cheapest token between two frames of the line. */
    public function within(int $from, int $until): ?Token
    {
        [$best, $at] = [self::NEVER, -1];
        for ($j = max($this->low, $from); $j <= min($this->high, $until); $j++) {
            if ($this->score[$j] < $best) {
                [$best, $at] = [$this->score[$j], $j];
            }
        }

        return $at < 0 ? null : new Token($best, $best, $at, $this->entry[$at]);
    }

    /**
     * All wait for a frame in which nobody speaks.
     *
     * @param  float  $limit  what costs as much is given up
     * @return float what the cheapest has paid then
     */
    public function pause(float $limit): float
    {
        $best = self::NEVER;
        [$low, $high] = [$this->length, -1];
        for ($j = $this->low; $j <= $this->high; $j++) {
            $to = $this->score[$j] += Costs::PAUSE;
            if ($to < $limit) {
                $best = min($best, $to);
                $low = $high < 0 ? $j : $low;
                $high = $j;
            } else {
                $this->score[$j] = self::NEVER;
            }
        }
        [$this->low, $this->high] = [$low, $high];

        return $best;
    }

    /**
     * All go on by a frame in which somebody speaks, and another one may come in.
     *
     * @param  float  $limit  what costs as much is given up
     * @param  float  $enter  what the one has paid that comes in; NEVER for none
     * @param  int  $hit  the last hit before that one
     * @return float what the cheapest has paid then
     */
    public function advance(SpokenFrame $frame, float $limit, float $enter, int $hit): float
    {
        // Taken out while they are written: held in two places they would be copied.
        [$row, $entries] = [$this->score, $this->entry];
        $this->score = $this->entry = [];
        $best = self::NEVER;
        $scale = $frame->scale;
        [$low, $high] = [$this->length, -1];
        $from = $enter < $limit ? 0 : $this->low;
        $until = max(0, min($this->length - 1, max($this->high, -2) + 2));
        $distances = Distance::row($this->line->frames, $frame->x, $from, $until + 1);
        for ($j = $until; $j >= $from; $j--) {
            $to = $row[$j] + Costs::STAY;
            $of = $j;
            if ($j > 0) {
                if ($row[$j - 1] < $to) {
                    $to = $row[$j - 1];
                    $of = $j - 1;
                }
                if ($j > 1 && $to > $row[$j - 2] + Costs::SKIP) {
                    $to = $row[$j - 2] + Costs::SKIP;
                    $of = $j - 2;
                }
                if ($to < self::NEVER) {
                    $entries[$j] = $entries[$of];
                }
            } elseif ($enter < $to) {
                $to = $enter;
                $entries[0] = $this->trail->enter($frame->number, $hit, $enter);
            }
            $to += $distances[$j - $from] * $scale;
            if ($to < $limit) {
                $best = $to < $best ? $to : $best;
                $row[$j] = $to;
                $low = $j;
                $high = $high < 0 ? $j : $high;
            } else {
                $row[$j] = self::NEVER;
            }
        }
        [$this->score, $this->entry] = [$row, $entries];
        [$this->low, $this->high] = [$low, $high];

        return $best;
    }
}
