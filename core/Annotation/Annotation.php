<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/** Something drawn over a picture for some frames of a shot. */
final readonly class Annotation
{
    /**
     * @param  int  $from  first frame, counted in the shot
     * @param  int  $until  the frame behind the last
     */
    public function __construct(public Figure $figure, public int $from, public int $until)
    {
    }

    /**
     * What is seen of it between two frames, counted from the first of them.
     *
     * @return self|null null when nothing is
     */
    public function within(int $from, int $until): ?self
    {
        [$first, $behind] = [max($from, $this->from), min($until, $this->until)];
        if ($first >= $behind) {
            return null;
        }
        $length = $this->until - $this->from;
        $figure =
            $behind - $first === $length
                ? $this->figure
                : $this->figure->part(($first - $this->from) / $length, ($behind - $this->from) / $length);

        return new self($figure, $first - $from, $behind - $from);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['from' => $this->from, 'until' => $this->until] + $this->figure->toArray();
    }
}
