<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/** Where in a stretch somebody speaks and is silent: where lines may begin, end and be broken off. */
final readonly class Breath
{
    /** Frames of silence at which a line can be broken off (100 ms). */
    private const BREAK = 5;

    /** Frames of silence before a jump to another section. */
    private const JUMP_AFTER = 15;

    /** @var list<int> frames of silence from each frame on */
    private array $silent;

    /** @var list<int> frames of speech before each frame */
    private array $spoken;

    /** @param  string  $mask  a `1` for each frame in which somebody speaks, else a `0` */
    public function __construct(private string $mask)
    {
        $frames = strlen($mask);
        $silent = array_fill(0, $frames + 1, 0);
        for ($t = $frames - 1; $t >= 0; $t--) {
            $silent[$t] = $mask[$t] === '1' ? 0 : $silent[$t + 1] + 1;
        }
        $spoken = [0];
        for ($t = 0; $t < $frames; $t++) {
            $spoken[] = $spoken[$t] + ($mask[$t] === '1' ? 1 : 0);
        }
        $this->silent = array_values($silent);
        $this->spoken = $spoken;
    }

    public function isSpeech(int $t): bool
    {
        return $this->mask[$t] === '1';
    }

    /** Frames in which somebody speaks, from one on until before another. */
    public function spoken(int $from, int $until): int
    {
        return $this->spoken[$until] - $this->spoken[$from];
    }

    /** Whether somebody has been silent long enough to go on anywhere. */
    public function mayJump(int $t): bool
    {
        return $t === 0
            || substr($this->mask, max(0, $t - self::JUMP_AFTER), self::JUMP_AFTER) === str_repeat('0', self::JUMP_AFTER);
    }

    /** Whether somebody has been speaking for a while without a stop. */
    public function isInSpeech(int $t): bool
    {
        return $t >= 5 && substr($this->mask, $t - 5, 5) === '11111';
    }

    /** Whether a line may be broken off before a frame. */
    public function mayBreak(int $t): bool
    {
        return $t > 0 && $this->mask[$t - 1] === '1'
            && ($this->silent[$t] >= self::BREAK || $t === strlen($this->mask) - 1);
    }

    /** What it costs to begin a line with a frame of speech. */
    public function beginning(int $t): float
    {
        return $t > 3 && substr($this->mask, $t - 3, 3) === '111' ? Costs::IN_SPEECH : 0.0;
    }

    /** What it costs to end a line before a frame. */
    public function ending(int $t): float
    {
        $isInside = $this->isSpeech($t) && $t > 0 && $t + 3 < strlen($this->mask);

        return $isInside && $this->mask[$t - 1].substr($this->mask, $t + 1, 2) === '111' ? Costs::IN_SPEECH : 0.0;
    }
}
