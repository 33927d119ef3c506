<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

use OpenReel\Core\Kernel\Span;

/** A take's sound as the search sees it. */
final readonly class Speech
{
    /** Frames. */
    private const PAUSE = 41;

    /**
     * @param  Frames  $frames  of Cepstra::SIZE numbers
     * @param  string  $mask  a byte a frame: "1" where somebody speaks
     * @param  list<float>  $noise  energy of the noise in each band as a part of the speech's, 0..1
     */
    public function __construct(public Frames $frames, public string $mask, public array $noise)
    {
    }

    public static function of(Frames $spectrum): self
    {
        $mask = VoiceActivity::of($spectrum);
        $sums = ['0' => array_fill(0, MelBank::BANDS, 0.0), '1' => array_fill(0, MelBank::BANDS, 0.0)];
        for ($frame = 0; $frame < $spectrum->count; $frame++) {
            foreach ($spectrum->at($frame) as $band => $energy) {
                $sums[$mask[$frame]][$band] += $energy;
            }
        }
        $counts = ['0' => max(1, substr_count($mask, '0')), '1' => max(1, substr_count($mask, '1'))];
        $noise = [];
        foreach ($sums['0'] as $band => $sum) {
            $quiet = $sum / $counts['0'];
            $noise[] = min(1.0, $quiet / max(1.0, $sums['1'][$band] / $counts['1'] - $quiet));
        }

        return new self(Cepstra::withChange(Cepstra::of($spectrum, $mask)), $mask, $noise);
    }

    public function count(): int
    {
        return $this->frames->count;
    }

    /** How long somebody speaks. */
    public function milliseconds(): int
    {
        return substr_count($this->mask, '1') * Frames::STEP_MS;
    }

    public function isSpeech(int $frame): bool
    {
        return ($this->mask[$frame] ?? '0') === '1';
    }

    public function slice(int $from, int $until): self
    {
        return new self($this->frames->slice($from, $until), substr($this->mask, $from, $until - $from), $this->noise);
    }

    /** The frame in the middle of the longest silence that begins in a stretch; its end where there is none. */
    public function pauseNear(int $from, int $until): int
    {
        preg_match_all('/0+/', substr($this->mask, $from, $until - $from), $runs, PREG_OFFSET_CAPTURE);
        $longest = 0;
        $middle = $until;
        foreach ($runs[0] as [$run, $at]) {
            if (strlen($run) > $longest) {
                $longest = strlen($run);
                $middle = $from + $at + intdiv($longest + 1, 2);
            }
        }

        return $middle;
    }

    /** @return list<Span> silence between speech that is longer than 0.8 s */
    public function pauses(): array
    {
        $longest = self::PAUSE;
        preg_match_all("/(?<=1)0{{$longest},}(?=1)/", $this->mask, $runs, PREG_OFFSET_CAPTURE);

        return array_map(fn (array $run): Span => Frames::span($run[1], $run[1] + strlen($run[0])), $runs[0]);
    }

    /**
     * Speech that lies in none of some attempts.
     *
     * @param  list<SearchHit>  $attempts
     * @param  int  $gap  frames of silence that may lie inside of one stretch
     * @param  int  $least  frames of speech that it has at least
     * @return list<array{int, int}> first frame and the frame behind the last of each stretch
     */
    public function outside(array $attempts, int $gap, int $least): array
    {
        $mask = $this->mask;
        foreach ($attempts as $attempt) {
            $length = $attempt->until - $attempt->from;
            $mask = substr_replace($mask, str_repeat('-', $length), $attempt->from, $length);
        }
        preg_match_all("/1+(?:0{1,{$gap}}1+)*/", $mask, $runs, PREG_OFFSET_CAPTURE);
        $found = [];
        foreach ($runs[0] as [$run, $from]) {
            if (substr_count($run, '1') >= $least) {
                $found[] = [$from, $from + strlen($run)];
            }
        }

        return $found;
    }

    /**
     * @param  int  $gap  frames of silence behind which nothing follows any more
     * @return list<int> the frames behind the last of each run of speech from a frame on
     */
    public function ends(int $from, int $until, int $gap): array
    {
        $ends = [];
        $silent = 0;
        for ($at = $from; $at < $until && $silent <= $gap; $at++) {
            $silent = $this->isSpeech($at) ? 0 : $silent + 1;
            if ($silent === 0 && ($at + 1 === $until || ! $this->isSpeech($at + 1))) {
                $ends[] = $at + 1;
            }
        }

        return $ends;
    }

    /** Frames with speech in a stretch. */
    public function spoken(int $from, int $until): int
    {
        return substr_count(substr($this->mask, $from, max(0, $until - $from)), '1');
    }
}
