<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/**
 * Finds the way through the lines that a take most likely went: token passing (Young, Russell and Thornton, Cambridge 1989) over
 * the frames of all lines. Between lines lie *hubs*: after each line, said to its end or broken off, a token waits in silence
 * or in speech that is no line, until a line begins: the next one, an earlier one again, or one farther on.
 */
final class Search
{
    /** Lines back and ahead that can be reached; in the middle of speech only near ones. */
    private const REACH = [30, 5];

    private const REACH_IN_SPEECH = [4, 2];

    /** Frames of a line that have to be said before it can be broken off. */
    private const LEAST = 18;

    /** What is said so far of a line is all of it: nobody breaks off at the last sound. */
    private const ALL = 0.92;

    /** A line counts as said when at most so many of its frames are missing. */
    private const END = 4;

    /** The garbage level is taken from so many frames of all lines. */
    private const SAMPLE = 128;

    /** @var list<ReferenceLine> */
    private readonly array $lines;

    /** @var list<int> the number in the script of each of these lines; those that do not follow each other lie apart */
    private readonly array $numbers;

    /** @var list<int> those of these lines that begin a section */
    private readonly array $sections;

    /** @var list<list<float>> some frames of all lines */
    private readonly array $sample;

    private Breath $breath;

    private Hubs $hubs;

    private Trail $trail;

    /** @var list<LineTokens> by line */
    private array $inside = [];

    /**
     * @param  array<int, ReferenceLine>  $lines  by number, in order
     * @param  float  $tempo  frames of the reference a frame of the take
     * @param  float  $quantile  of a frame's distances to all lines the part that is nearer than garbage
     * @param  float  $free  logarithm of a ratio of lengths that costs nothing
     */
    public function __construct(
        array $lines,
        private readonly Window $window,
        private readonly float $tempo,
        private readonly float $quantile,
        private readonly float $free,
    ) {
        $this->lines = array_values($lines);
        $this->numbers = array_keys($lines);
        $this->sections = array_keys(array_intersect($this->numbers, $window->sections));
        $this->sample = self::sample($this->lines);
    }

    public function __invoke(Speech $speech): SearchResult
    {
        $this->breath = new Breath($speech->mask);
        $this->hubs = new Hubs(count($this->lines), (int) array_search($this->window->next, $this->numbers, true));
        $this->trail = new Trail;
        $this->inside = array_map(fn (ReferenceLine $l): LineTokens => new LineTokens($l, $this->trail), $this->lines);
        $bestInside = LineTokens::NEVER;
        for ($t = 0, $frames = $speech->count(); $t < $frames; $t++) {
            $isSpeech = $this->breath->isSpeech($t);
            $limit = min($this->hubs->best(), $bestInside + Costs::IN_LINE) + Costs::BEAM;
            $bestInside = $isSpeech ? $this->speak($t, $speech->frames->at($t), $limit) : $this->pause($t, $limit);
            $this->hubs->wait($isSpeech, $limit);
        }

        return $this->result($frames);
    }

    /**
     * Tokens go on by one frame of silence, and out of lines.
     *
     * @param  float  $limit  what costs as much is given up
     * @return float what the cheapest token in a line has paid then
     */
    private function pause(int $t, float $limit): float
    {
        $best = LineTokens::NEVER;
        foreach ($this->inside as $s => $tokens) {
            if (! $tokens->isEmpty()) {
                $this->leave($s, $t);
                $best = min($best, $tokens->pause($limit));
            }
        }

        return $best;
    }

    /**
     * Tokens go on by one frame of speech, out of lines and into others.
     *
     * @param  list<float>  $x  what it sounds like
     * @param  float  $limit  what costs as much is given up
     * @return float what the cheapest token in a line has paid then
     */
    private function speak(int $t, array $x, float $limit): float
    {
        $frame = new SpokenFrame($t, $x, $this->scale($x));
        $entrances = $this->entrances($t, $limit);
        $begins = $this->breath->beginning($t);
        $best = LineTokens::NEVER;
        foreach ($this->inside as $s => $tokens) {
            $enters = isset($entrances->cost[$s]);
            if ($tokens->length === 0 || ! $enters && $tokens->isEmpty()) {
                continue;
            }
            if (! $tokens->isEmpty()) {
                $this->leave($s, $t);
            }
            $enter = $enters ? $entrances->cost[$s] + $begins : LineTokens::NEVER;
            $best = min($best, $tokens->advance($frame, $limit, $enter, $entrances->hit[$s] ?? Trail::START));
        }

        return $best;
    }

    /**
     * What a distance costs on a frame: as much as garbage is away from it costs one.
     *
     * @param  list<float>  $x
     */
    private function scale(array $x): float
    {
        $distances = Distance::row($this->sample, $x, 0, count($this->sample));
        sort($distances);

        return 1 / max(1e-6, $distances[(int) (count($distances) * $this->quantile)]);
    }

    /** Which lines tokens can come into on a frame of speech, and from where at the least cost. */
    private function entrances(int $t, float $limit): Entrances
    {
        $entrances = new Entrances($limit);
        $jumps = $this->breath->mayJump($t);
        [$back, $ahead] = $jumps || ! $this->breath->isInSpeech($t) ? self::REACH : self::REACH_IN_SPEECH;
        $last = count($this->lines) - 1;
        foreach ($this->hubs->alive() as $h) {
            $said = $h - 1;
            $number = $this->numbers[$said] ?? $this->numbers[0] - 1;
            foreach ([Hubs::SAID, Hubs::BROKEN] as $kind) {
                $cost = $this->hubs->cost($kind, $h);
                if ($cost >= $limit) {
                    continue;
                }
                $hit = $this->hubs->hit($kind, $h);
                for ($s = max(0, $said - $back), $end = min($last, $said + $ahead); $s <= $end; $s++) {
                    $way = $kind === Hubs::SAID
                        ? self::behindSaid($number, $this->numbers[$s])
                        : self::behindBroken($number, $this->numbers[$s]);
                    $entrances->offer($s, $cost + $way, $hit);
                }
                foreach ($jumps ? $this->sections : [] as $s) {
                    if ($s > $said) {
                        $entrances->offer($s, $cost + Costs::JUMP, $hit);
                    }
                }
            }
        }

        return $entrances;
    }

    /** What it costs to say a line after another was said to its end. */
    private static function behindSaid(int $said, int $line): float
    {
        return match (true) {
            $line === $said + 1 => 0.0,
            $line > $said => Costs::LEFT_OUT * ($line - $said - 1),
            default => Costs::AGAIN + Costs::BACK * ($said - $line),
        };
    }

    /** What it costs to say a line after another was broken off. */
    private static function behindBroken(int $broken, int $line): float
    {
        return match (true) {
            $line === $broken => 0.0,
            $line > $broken => Costs::LOST + Costs::LEFT_OUT * ($line - $broken - 1),
            default => Costs::BACK * ($broken - $line),
        };
    }

    /** Tokens leave a line behind the frame before this one: at its end, or where it is broken off. */
    private function leave(int $s, int $t): void
    {
        $tokens = $this->inside[$s];
        $end = $tokens->atEnd(self::END, Costs::CLIPPED_END, $this->breath->ending($t));
        if ($end !== null) {
            $this->put(Hubs::SAID, $s, $t, $end, 0.0);
        }
        if (! $this->breath->mayBreak($t)) {
            return;
        }
        $broken = $tokens->within(self::LEAST, (int) (self::ALL * $tokens->length));
        if ($broken !== null && $broken->cost + Costs::HARDLY_BROKEN < ($end->cost ?? LineTokens::NEVER)) {
            $this->put(Hubs::BROKEN, $s, $t, $broken, Costs::BREAK_OFF);
        }
    }

    /** @param  float  $more  what is paid beside what the token has to pay, and for how long it took */
    private function put(int $kind, int $s, int $t, Token $token, float $more): void
    {
        $cost = $token->cost + ($more + $this->duration($this->breath->spoken($this->trail->begin($token), $t), $token->frame));
        if ($this->hubs->takes($kind, $s + 1, $cost)) {
            $hit = $this->trail->leave($this->numbers[$s], $token, $t, $kind === Hubs::SAID);
            $this->hubs->put($kind, $s + 1, $cost, $hit);
        }
    }

    private function duration(int $spoken, int $reached): float
    {
        $off = abs(log((max(1, $spoken) * $this->tempo) / ($reached + 1)));

        return Costs::DURATION * max(0.0, $off - $this->free);
    }

    /** The cheapest way to the end. */
    private function result(int $frames): SearchResult
    {
        foreach ($this->inside as $s => $tokens) {
            $end = $tokens->atEnd(self::END);
            if ($end !== null && $this->hubs->takes(Hubs::SAID, $s + 1, $end->cost)) {
                $hit = $this->trail->leave($this->numbers[$s], $end, $frames, true);
                $this->hubs->put(Hubs::SAID, $s + 1, $end->cost, $hit);
            }
        }
        [$best, $last] = [LineTokens::NEVER, Trail::START];
        $count = count($this->lines);
        for ($h = 0; $h <= $count; $h++) {
            $missing = Costs::LEFT_OUT * Costs::LEFT_OUT_AT_END * min(3, $count - $h);
            foreach ([Hubs::SAID => 0.0, Hubs::BROKEN => Costs::LOST] as $kind => $lost) {
                $cost = $this->hubs->cost($kind, $h) + $missing + $lost;
                if ($cost < $best) {
                    [$best, $last] = [$cost, $this->hubs->hit($kind, $h)];
                }
            }
        }

        return new SearchResult($best, $this->trail->upTo($last));
    }

    /**
     * @param  list<ReferenceLine>  $lines
     * @return list<list<float>> some frames of all lines
     */
    private static function sample(array $lines): array
    {
        $all = array_sum(array_map(fn (ReferenceLine $l): int => $l->length(), $lines));
        $each = max(1, intdiv($all, self::SAMPLE));
        $sample = [];
        $at = 0;
        foreach ($lines as $line) {
            for (; $at < $line->length(); $at += $each) {
                $sample[] = $line->frames[$at];
            }
            $at -= $line->length();
        }

        return $sample;
    }
}
