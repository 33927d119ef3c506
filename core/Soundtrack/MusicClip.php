<?php

declare(strict_types=1);

namespace OpenReel\Core\Soundtrack;

use OpenReel\Core\Sound\Envelope;
use OpenReel\Core\Sound\MusicTrack;

/** A stretch of the film in which music or a small sound is heard. */
final readonly class MusicClip
{
    /**
     * @param  int  $at  sample of the film on which it begins
     * @param  int  $until  sample behind its last
     * @param  bool  $loops  it goes round
     * @param  Envelope  $loud  how loud its file is heard, on samples of the film
     */
    public function __construct(public MusicTrack $bed, public int $at, public int $until, public bool $loops, public Envelope $loud)
    {
    }

    /** @return string hash of the file that is heard */
    public function file(): string
    {
        return $this->loops ? $this->bed->loop ?? $this->bed->hash : $this->bed->hash;
    }

    /**
     * Which stretches of its file are heard from one sample of the film to another.
     *
     * @return list<array{int|null, int}> sample of the file (null for silence) and how many
     */
    public function stretches(int $from, int $until): array
    {
        $stretches = [];
        for ($at = $from; $at < $until;) {
            $offset = $at - $this->at;
            if ($offset < 0 || $at >= $this->until) {
                $count = ($offset < 0 ? min($until, $this->at) : $until) - $at;
                $stretches[] = [null, $count];
            } else {
                $in = $this->inFile($offset);
                $count = min($until, $this->until) - $at;
                $count = $in === null ? $count : min($count, $this->bed->samples - $in);
                $stretches[] = [$in, $count];
            }
            $at += $count;
        }

        return $stretches;
    }

    /** @return int|null sample of the file; null behind its end */
    private function inFile(int $offset): ?int
    {
        if ($offset < $this->bed->samples) {
            return $offset;
        }
        $from = $this->bed->loopFrom;

        return $this->loops ? $from + ($offset - $this->bed->samples) % max(1, $this->bed->samples - $from) : null;
    }

    /** @return array<string, mixed> with places counted from a sample of the film */
    public function inputs(int $from, int $until): array
    {
        return [
            'file' => $this->file(),
            'at' => $this->at - $from,
            'until' => min($this->until, $until) - $from,
            'round' => $this->loops ? [$this->bed->samples, $this->bed->loopFrom] : null,
            'loud' => $this->loud->within($from, $until)->delayed(-$from)->points,
        ];
    }

    /** @param  array<string, mixed>  $place  as `toArray` gives it */
    public static function parse(array $place): self
    {
        return new self(
            new MusicTrack(...$place['bed']), $place['at'], $place['until'], $place['loops'], new Envelope($place['loud']),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'bed' => get_object_vars($this->bed),
            'at' => $this->at,
            'until' => $this->until,
            'loops' => $this->loops,
            'loud' => $this->loud->points,
        ];
    }
}
