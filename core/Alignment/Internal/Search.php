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
    private const NEVER = 1e9;

    /** Lines back and ahead that can be reached; in the middle of speech only near ones. */
    private const REACH = [30, 5];

    private const REACH_IN_SPEECH = [4, 2];

    /** Frames of silence at which a line can be broken off (100 ms), and of a line that have to be said before. */
    private const BREAK = 5;

    private const LEAST = 18;

    /** What is said so far of a line is all of it: nobody breaks off at the last sound. */
    private const ALL = 0.92;

    /** Frames of silence before a jump to another section. */
    private const JUMP_AFTER = 15;

    /** A line counts as said when at most so many of its frames are missing. */
    private const END = 4;

    /** The garbage level is taken from so many frames of all lines. */
    private const SAMPLE = 128;

    /** @var list<int> */
    private array $recLine = [];

    /** @var list<int> */
    private array $recFrom = [];

    /** @var list<int> */
    private array $recUntil = [];

    /** @var list<int> */
    private array $recReached = [];

    /** @var list<bool> */
    private array $recComplete = [];

    /** @var list<int> the record before, -1 for none */
    private array $recBefore = [];

    /** @var list<int> frame and record of each entry into a line */
    private array $entFrom = [];

    /** @var list<int> */
    private array $entBefore = [];

    /** @var list<float> */
    private array $entCost = [];

    /** @var list<float> what each record cost, without how it was come to and what its length costs */
    private array $recCost = [];

    /** @var list<ReferenceLine> */
    private readonly array $lines;

    /** @var list<int> the number in the script of each of these lines; those that do not follow each other lie apart */
    private readonly array $numbers;

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
    }

    /** @return array{float, list<SearchHit>} cost, and what was found, in order */
    public function __invoke(Speech $speech): array
    {
        $count = count($this->lines);
        $frames = $speech->count();
        $lengths = array_map(fn (ReferenceLine $l): int => $l->length(), $this->lines);
        $sample = $this->sample();
        $silent = self::silences($speech->mask);
        $spoken = self::counted($speech->mask);
        // In a row of each line: score and entry of each of its frames, and between which of them tokens live.
        $score = array_map(fn (int $l): array => array_fill(0, $l, self::NEVER), $lengths);
        $entry = array_map(fn (int $l): array => array_fill(0, $l, -1), $lengths);
        $low = $lengths;
        $high = array_fill(0, $count, -1);
        // Hubs: 0 lies before all lines. Waiting in silence or in stray speech, behind a line said (0) or broken off (1).
        $hub = array_fill(0, 4, array_fill(0, $count + 1, self::NEVER));
        $rec = array_fill(0, 4, array_fill(0, $count + 1, -1));
        $sections = array_keys(array_intersect($this->numbers, $this->window->sections));
        $begin = (int) array_search($this->window->next, $this->numbers, true);
        $hub[0][$begin] = 0.0;
        [$hubLow, $hubHigh] = [$begin, $begin];
        $mask = $speech->mask;

        $bestInLine = self::NEVER;
        for ($t = 0; $t < $frames; $t++) {
            $isSpeech = $mask[$t] === '1';
            $best = self::NEVER;
            for ($h = $hubLow; $h <= $hubHigh; $h++) {
                $best = min($best, $hub[0][$h], $hub[1][$h], $hub[2][$h], $hub[3][$h]);
            }
            $limit = min($best, $bestInLine + Costs::IN_LINE) + Costs::BEAM;
            $bestInLine = self::NEVER;
            $scale = 1.0;
            $x = [];
            $enter = $enterBefore = [];
            if ($isSpeech) {
                $x = $speech->frames->at($t);
                $distances = Distance::row($sample, $x, 0, count($sample));
                sort($distances);
                $scale = 1 / max(1e-6, $distances[(int) (count($distances) * $this->quantile)]);
                $jump =
                    $t === 0 ||
                    substr($mask, max(0, $t - self::JUMP_AFTER), self::JUMP_AFTER) === str_repeat('0', self::JUMP_AFTER);
                [$back, $ahead] = $jump || $t < 5 || substr($mask, $t - 5, 5) !== '11111' ? self::REACH : self::REACH_IN_SPEECH;
                for ($h = $hubLow; $h <= $hubHigh; $h++) {
                    foreach ([0, 2] as $kind) {
                        [$cost, $before] =
                            $hub[$kind + 1][$h] < $hub[$kind][$h]
                                ? [$hub[$kind + 1][$h], $rec[$kind + 1][$h]]
                                : [$hub[$kind][$h], $rec[$kind][$h]];
                        if ($cost >= $limit) {
                            continue;
                        }
                        $said = $h - 1;
                        $number = $this->numbers[$said] ?? $this->numbers[0] - 1;
                        $last = min($count - 1, $said + $ahead);
                        for ($s = max(0, $said - $back); $s <= $last; $s++) {
                            $line = $this->numbers[$s];
                            $to =
                                $cost + ($kind === 0 ? self::behindSaid($number, $line) : self::behindBroken($number, $line));
                            if ($to < $limit && $to < ($enter[$s] ?? self::NEVER)) {
                                [$enter[$s], $enterBefore[$s]] = [$to, $before];
                            }
                        }
                        if ($jump) {
                            foreach ($sections as $s) {
                                $to = $cost + Costs::JUMP;
                                if ($s > $said && $to < $limit && $to < ($enter[$s] ?? self::NEVER)) {
                                    [$enter[$s], $enterBefore[$s]] = [$to, $before];
                                }
                            }
                        }
                    }
                }
            }
            $breaks = ($silent[$t] >= self::BREAK || $t === $frames - 1) && $t > 0 && $mask[$t - 1] === '1';
            $begins = $isSpeech && $t > 3 && substr($mask, $t - 3, 3) === '111' ? Costs::IN_SPEECH : 0.0;
            $ends =
                $isSpeech && $t > 0 && $t + 3 < $frames && $mask[$t - 1].substr($mask, $t + 1, 2) === '111'
                    ? Costs::IN_SPEECH
                    : 0.0;

            for ($s = 0; $s < $count; $s++) {
                if ($high[$s] < 0 && ! isset($enter[$s])) {
                    continue;
                }
                $length = $lengths[$s];
                if ($length === 0) {
                    continue;
                }
                if ($high[$s] >= 0) {
                    $this->leave($s, $t, $score[$s], $entry[$s], $low[$s], $high[$s], $spoken, $breaks, $ends, $hub, $rec);
                    if ($hub[0][$s + 1] < self::NEVER || $hub[2][$s + 1] < self::NEVER) {
                        $hubLow = min($hubLow, $s + 1);
                        $hubHigh = max($hubHigh, $s + 1);
                    }
                }
                $row = $score[$s];
                $from = $low[$s];
                $until = $high[$s];
                $newLow = $length;
                $newHigh = -1;
                if (! $isSpeech) {
                    for ($j = $from; $j <= $until; $j++) {
                        $row[$j] += Costs::PAUSE;
                        if ($row[$j] < $limit) {
                            $bestInLine = min($bestInLine, $row[$j]);
                            $newLow = $newHigh < 0 ? $j : $newLow;
                            $newHigh = $j;
                        } else {
                            $row[$j] = self::NEVER;
                        }
                    }
                } else {
                    $entries = $entry[$s];
                    $cost = isset($enter[$s]) ? $enter[$s] + $begins : self::NEVER;
                    $from = $cost < $limit ? 0 : $from;
                    $until = min($length - 1, max($until, -2) + 2);
                    $until = max($until, 0);
                    $distances = Distance::row($this->lines[$s]->frames, $x, $from, $until + 1);
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
                        } elseif ($cost < $to) {
                            $to = $cost;
                            $entries[0] = count($this->entFrom);
                            $this->entFrom[] = $t;
                            $this->entBefore[] = $enterBefore[$s];
                            $this->entCost[] = $cost;
                        }
                        $to += $distances[$j - $from] * $scale;
                        if ($to < $limit) {
                            $bestInLine = $to < $bestInLine ? $to : $bestInLine;
                            $row[$j] = $to;
                            $newLow = $j;
                            $newHigh = max($newHigh, $j);
                        } else {
                            $row[$j] = self::NEVER;
                        }
                    }
                    $entry[$s] = $entries;
                }
                $score[$s] = $row;
                $low[$s] = $newLow;
                $high[$s] = $newHigh;
            }
            $this->wait($isSpeech, $hub, $rec, $hubLow, $hubHigh, $limit);
        }

        return $this->finish($frames, $score, $entry, $low, $high, $hub, $rec);
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

    /**
     * Tokens leave a line behind the frame before this one: at its end, or where it is broken off.
     *
     * @param  array<int, float>  $score
     * @param  array<int, int>  $entry
     * @param  list<int>  $spoken
     * @param  array<int, array<int, float>>  $hub
     * @param  array<int, array<int, int>>  $rec
     */
    private function leave(
        int $line,
        int $t,
        array $score,
        array $entry,
        int $low,
        int $high,
        array $spoken,
        bool $breaks,
        float $ends,
        array &$hub,
        array &$rec,
    ): void {
        $length = count($score);
        $end = self::NEVER;
        if ($high >= $length - self::END) {
            $best = self::NEVER;
            $at = -1;
            for ($j = max($low, $length - self::END); $j <= $high; $j++) {
                $cost = $score[$j] + Costs::CLIPPED_END * ($length - 1 - $j) + $ends;
                if ($cost < $best) {
                    [$best, $at] = [$cost, $j];
                }
            }
            $end = $best;
            if ($at >= 0) {
                $best += $this->duration($spoken[$t] - $spoken[$this->entFrom[$entry[$at]]], $at);
                if ($best < $hub[0][$line + 1]) {
                    $rec[0][$line + 1] = $this->record($line, $entry[$at], $t, $at, true, $score[$at]);
                    $hub[0][$line + 1] = $best;
                }
            }
        }
        if (! $breaks) {
            return;
        }
        $best = self::NEVER;
        $at = -1;
        for ($j = max($low, self::LEAST); $j <= min($high, (int) (self::ALL * $length)); $j++) {
            if ($score[$j] < $best) {
                [$best, $at] = [$score[$j], $j];
            }
        }
        if ($at >= 0 && $best + Costs::HARDLY_BROKEN < $end) {
            $best += Costs::BREAK_OFF + $this->duration($spoken[$t] - $spoken[$this->entFrom[$entry[$at]]], $at);
            if ($best < $hub[2][$line + 1]) {
                $rec[2][$line + 1] = $this->record($line, $entry[$at], $t, $at, false, $score[$at]);
                $hub[2][$line + 1] = $best;
            }
        }
    }

    private function duration(int $spoken, int $reached): float
    {
        $off = abs(log((max(1, $spoken) * $this->tempo) / ($reached + 1)));

        return Costs::DURATION * max(0.0, $off - $this->free);
    }

    private function record(int $line, int $entry, int $until, int $reached, bool $complete, float $score): int
    {
        $this->recLine[] = $line;
        $this->recFrom[] = $this->entFrom[$entry];
        $this->recUntil[] = $until;
        $this->recReached[] = $reached;
        $this->recComplete[] = $complete;
        $this->recBefore[] = $this->entBefore[$entry];
        $this->recCost[] = $score - $this->entCost[$entry];

        return count($this->recLine) - 1;
    }

    /**
     * Tokens in hubs wait for one frame.
     *
     * @param  array<int, array<int, float>>  $hub
     * @param  array<int, array<int, int>>  $rec
     */
    private function wait(bool $isSpeech, array &$hub, array &$rec, int &$low, int &$high, float $limit): void
    {
        $silence = $isSpeech ? Costs::SPEECH_AS_SILENCE : 0.0;
        $stray = $isSpeech ? Costs::STRAY : Costs::STRAY_SILENT;
        [$newLow, $newHigh] = [$high, $low];
        for ($h = $low; $h <= $high; $h++) {
            $lives = false;
            foreach ([0, 2] as $kind) {
                $quiet = $hub[$kind][$h];
                $loud = $hub[$kind + 1][$h];
                if ($quiet >= self::NEVER && $loud >= self::NEVER) {
                    continue;
                }
                $quietRec = $rec[$kind][$h];
                $loudRec = $rec[$kind + 1][$h];
                if ($loud < $quiet) {
                    $hub[$kind][$h] = $loud + $silence;
                    $rec[$kind][$h] = $loudRec;
                } else {
                    $hub[$kind][$h] = $quiet + $silence;
                }
                if ($quiet + Costs::BEGIN_STRAY < $loud) {
                    $hub[$kind + 1][$h] = $quiet + Costs::BEGIN_STRAY + $stray;
                    $rec[$kind + 1][$h] = $quietRec;
                } else {
                    $hub[$kind + 1][$h] = $loud + $stray;
                }
                if (min($hub[$kind][$h], $hub[$kind + 1][$h]) < $limit + Costs::BEAM) {
                    $lives = true;
                } else {
                    $hub[$kind][$h] = $hub[$kind + 1][$h] = self::NEVER;
                }
            }
            if ($lives) {
                $newLow = min($newLow, $h);
                $newHigh = max($newHigh, $h);
            }
        }
        [$low, $high] = [$newLow, $newHigh];
    }

    /**
     * @param  array<int, array<int, float>>  $score
     * @param  array<int, array<int, int>>  $entry
     * @param  array<int, int>  $low
     * @param  array<int, int>  $high
     * @param  array<int, array<int, float>>  $hub
     * @param  array<int, array<int, int>>  $rec
     * @return array{float, list<SearchHit>}
     */
    private function finish(int $frames, array $score, array $entry, array $low, array $high, array $hub, array $rec): array
    {
        $count = count($this->lines);
        for ($s = 0; $s < $count; $s++) {
            $best = self::NEVER;
            $at = -1;
            $length = $this->lines[$s]->length();
            for ($j = max($low[$s], $length - self::END); $j <= $high[$s]; $j++) {
                if ($score[$s][$j] < $best) {
                    [$best, $at] = [$score[$s][$j], $j];
                }
            }
            if ($at >= 0 && $best < $hub[0][$s + 1]) {
                $rec[0][$s + 1] = $this->record($s, $entry[$s][$at], $frames, $at, true, $score[$s][$at]);
                $hub[0][$s + 1] = $best;
            }
        }
        $best = self::NEVER;
        $last = -1;
        for ($h = 0; $h <= $count; $h++) {
            $missing = Costs::LEFT_OUT * Costs::LEFT_OUT_AT_END * min(3, $count - $h);
            foreach ([0, 1, 2, 3] as $kind) {
                $cost = $hub[$kind][$h] + $missing + ($kind < 2 ? 0.0 : Costs::LOST);
                if ($cost < $best) {
                    [$best, $last] = [$cost, $rec[$kind][$h]];
                }
            }
        }
        $found = [];
        for (; $last >= 0; $last = $this->recBefore[$last]) {
            $found[] = new SearchHit(
                $this->numbers[$this->recLine[$last]],
                $this->recFrom[$last],
                $this->recUntil[$last],
                $this->recReached[$last],
                $this->recComplete[$last],
                $this->recCost[$last],
            );
        }

        return [$best, array_reverse($found)];
    }

    /** @return list<list<float>> some frames of all lines */
    private function sample(): array
    {
        $all = array_sum(array_map(fn (ReferenceLine $l): int => $l->length(), $this->lines));
        $each = max(1, intdiv($all, self::SAMPLE));
        $sample = [];
        $at = 0;
        foreach ($this->lines as $line) {
            for (; $at < $line->length(); $at += $each) {
                $sample[] = $line->frames[$at];
            }
            $at -= $line->length();
        }

        return $sample;
    }

    /** @return list<int> frames of silence from each frame on */
    private static function silences(string $mask): array
    {
        $silent = array_fill(0, strlen($mask) + 1, 0);
        for ($t = strlen($mask) - 1; $t >= 0; $t--) {
            $silent[$t] = $mask[$t] === '1' ? 0 : $silent[$t + 1] + 1;
        }

        return array_values($silent);
    }

    /** @return list<int> frames of speech before each frame */
    private static function counted(string $mask): array
    {
        $counts = [0];
        for ($t = 0; $t < strlen($mask); $t++) {
            $counts[] = $counts[$t] + ($mask[$t] === '1' ? 1 : 0);
        }

        return $counts;
    }
}
