<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/**
 * The tokens between lines. Hub 0 lies before all lines, hub n behind line n - 1. In each, tokens that said the line to its end
 * or broke it off wait in silence, or in speech that is no line.
 */
final class Hubs
{
    /** Behind a line that was said to its end, and behind one that was broken off. */
    public const SAID = 0;

    public const BROKEN = 2;

    /** Beside each of these, by one: in speech that is no line. */
    private const STRAY = 1;

    /** @var array<int, array<int, float>> what each has paid, by kind and hub */
    private array $cost;

    /** @var array<int, array<int, int>> the last hit of each, as of Trail */
    private array $hit;

    /** First and last hub in which there may be tokens. */
    private int $begin;

    private int $end;

    /** @param  int  $first  the hub in which everything begins */
    public function __construct(int $lines, int $first)
    {
        $this->cost = array_fill(0, 4, array_fill(0, $lines + 1, LineTokens::NEVER));
        $this->hit = array_fill(0, 4, array_fill(0, $lines + 1, Trail::START));
        $this->cost[self::SAID][$first] = 0.0;
        $this->begin = $this->end = $first;
    }

    /** @return list<int> the hubs in which there may be tokens, in order */
    public function alive(): array
    {
        return $this->begin > $this->end ? [] : range($this->begin, $this->end);
    }

    public function best(): float
    {
        $best = LineTokens::NEVER;
        for ($h = $this->begin; $h <= $this->end; $h++) {
            $best = min($best, $this->cost[0][$h], $this->cost[1][$h], $this->cost[2][$h], $this->cost[3][$h]);
        }

        return $best;
    }

    /** What the cheapest token of a kind in a hub has paid, in silence or in stray speech. */
    public function cost(int $kind, int $hub): float
    {
        return min($this->cost[$kind][$hub], $this->cost[$kind + self::STRAY][$hub]);
    }

    /** The last hit of that token. */
    public function hit(int $kind, int $hub): int
    {
        return $this->cost[$kind + self::STRAY][$hub] < $this->cost[$kind][$hub]
            ? $this->hit[$kind + self::STRAY][$hub]
            : $this->hit[$kind][$hub];
    }

    /** Whether a token would be the cheapest of those that wait in silence. */
    public function takes(int $kind, int $hub, float $cost): bool
    {
        return $cost < $this->cost[$kind][$hub];
    }

    public function put(int $kind, int $hub, float $cost, int $hit): void
    {
        $this->cost[$kind][$hub] = $cost;
        $this->hit[$kind][$hub] = $hit;
        [$this->begin, $this->end] = [min($this->begin, $hub), max($this->end, $hub)];
    }

    /** All wait for one frame; what is far beyond the limit is given up. */
    public function wait(bool $isSpeech, float $limit): void
    {
        [$begin, $end] = [$this->end, $this->begin];
        foreach ($this->alive() as $hub) {
            $said = $this->waitIn(self::SAID, $hub, $isSpeech, $limit);
            if ($this->waitIn(self::BROKEN, $hub, $isSpeech, $limit) || $said) {
                [$begin, $end] = [min($begin, $hub), max($end, $hub)];
            }
        }
        [$this->begin, $this->end] = [$begin, $end];
    }

    /** @return bool whether a token is left */
    private function waitIn(int $kind, int $hub, bool $isSpeech, float $limit): bool
    {
        $stray = $kind + self::STRAY;
        [$quiet, $loud] = [$this->cost[$kind][$hub], $this->cost[$stray][$hub]];
        if ($quiet >= LineTokens::NEVER && $loud >= LineTokens::NEVER) {
            return false;
        }
        [$quietHit, $loudHit] = [$this->hit[$kind][$hub], $this->hit[$stray][$hub]];
        if ($loud < $quiet) {
            $this->hit[$kind][$hub] = $loudHit;
        }
        if ($quiet + Costs::BEGIN_STRAY < $loud) {
            $this->hit[$stray][$hub] = $quietHit;
        }
        $this->cost[$kind][$hub] = min($quiet, $loud) + ($isSpeech ? Costs::SPEECH_AS_SILENCE : 0.0);
        $this->cost[$stray][$hub] = min($quiet + Costs::BEGIN_STRAY, $loud) + ($isSpeech ? Costs::STRAY : Costs::STRAY_SILENT);
        if ($this->cost($kind, $hub) < $limit + Costs::BEAM) {
            return true;
        }
        $this->cost[$kind][$hub] = $this->cost[$stray][$hub] = LineTokens::NEVER;

        return false;
    }
}
