<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

use OpenReel\Core\Alignment\Alignment;
use OpenReel\Core\Alignment\ReferenceVoice;

/**
 * Compares speech with lines, several times: the reference comes nearer to the presenter each time. What one stretch of a take
 * tells of the presenter, whether a low or a high voice is more like theirs and how fast they speak, holds for the next ones.
 */
final class AlignmentPass
{
    /** Words a minute of the reference at first. */
    private const RATE = 165;

    private const RATES = [90, 320];

    /** The reference is made anew when the presenter's pace is off by more. */
    private const PACE_OFF = 0.1;

    /** Of a frame's distances to all lines the part that is nearer than garbage: less as the reference comes nearer. */
    private const QUANTILES = [0.3, 0.2, 0.12];

    /** How far a read's length may be off at no cost, before the presenter's pace is known and after; logarithms. */
    private const FREE = [0.6, 0.3];

    /** Null as long as nothing is known of the presenter. */
    private ?bool $isHigh = null;

    private int $rate = self::RATE;

    /** Frames of the reference a frame of the take. */
    private float $tempo = 1.0;

    public function __construct(private readonly ReferenceVoice $voice)
    {
    }

    /** @param  callable(float): mixed  $progress  told how much is done, 0..1 */
    public function __invoke(Speech $speech, Window $window, callable $progress): Path
    {
        $first = $this->isHigh === null
            ? $this->meet($speech, $window, $progress)
            : $this->first($speech, $window, $this->isHigh);
        [$attempts, $lines] = [$first->found->hits, $first->lines];
        foreach ([1, 2] as $pass) {
            $progress(0.3 + 0.2 * $pass);
            $lines = Speaker::adapted($speech, $lines, $attempts);
            $attempts = $this->search($speech, $lines, $window, $pass)->hits;
        }
        $progress(0.9);
        $heard = array_map(fn (SearchHit $a): int => $a->line, $attempts);
        $way = new Path(
            $attempts,
            array_map(
                fn (ReferenceLine $line): Frames => Frames::of($line->frames, Cepstra::SIZE),
                array_intersect_key($lines, array_flip($heard)),
            ),
            $first->reference->words(array_values(array_unique($heard))),
        );
        if (Confidence::ofAll($way->confidences($speech)) < Alignment::SURE) {
            [$this->isHigh, $this->rate, $this->tempo] = [null, self::RATE, 1.0];
        }

        return $way;
    }

    /** What it costs to take speech for these lines, by what is known of the presenter so far. */
    public function cost(Speech $speech, Window $window): float
    {
        return $this->first($speech, $window, $this->isHigh ?? false)->found->cost;
    }

    /**
     * Finds out which voice and which pace are most like the presenter's.
     *
     * @param  callable(float): mixed  $progress
     */
    private function meet(Speech $speech, Window $window, callable $progress): PassResult
    {
        $best = $this->first($speech, $window, false);
        $progress(0.2);
        $high = $this->first($speech, $window, true);
        $progress(0.4);
        $isHigh = $high->found->cost < $best->found->cost;
        $best = $isHigh ? $high : $best;
        if ($best->found->hits === []) {
            return $best;
        }
        $this->isHigh = $isHigh;
        $this->tempo = self::tempo($speech, $best->found->hits);
        if (abs($this->tempo - 1) <= self::PACE_OFF) {
            return $best;
        }
        $this->rate = (int) max(self::RATES[0], min(self::RATES[1], self::RATE * $this->tempo));
        $this->tempo = 1.0;

        return $this->first($speech, $window, $isHigh);
    }

    private function first(Speech $speech, Window $window, bool $high): PassResult
    {
        $reference = new Reference($this->voice, $window->texts, $high, $this->rate);
        $lines = $reference->lines($speech->noise);

        return new PassResult($this->search($speech, $lines, $window, 0), $lines, $reference);
    }

    /** @param  array<int, ReferenceLine>  $lines */
    private function search(Speech $speech, array $lines, Window $window, int $pass): SearchResult
    {
        return (new Search($lines, $window, $this->tempo, self::QUANTILES[$pass], self::FREE[min(1, $pass)]))($speech);
    }

    /**
     * The median, so that a read which was mistaken for another does not count.
     *
     * @param  list<SearchHit>  $attempts
     */
    private static function tempo(Speech $speech, array $attempts): float
    {
        $ratios = [];
        foreach ($attempts as $attempt) {
            $spoken = $speech->spoken($attempt->from, $attempt->until);
            if ($attempt->complete && $spoken > 0) {
                $ratios[] = ($attempt->reached + 1) / $spoken;
            }
        }
        sort($ratios);

        return $ratios[intdiv(count($ratios), 2)] ?? 1.0;
    }
}
