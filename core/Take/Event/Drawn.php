<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

use OpenReel\Core\Annotation\Drawing;

/** Something was drawn or shown over a surface: a stroke, a click, where the pointer went. */
final readonly class Drawn extends TakeEvent
{
    /**
     * @param  int  $atMs  when it began
     * @param  string  $on  the surface, see OpenReel\Core\Picture\Stage::surface
     * @param  int|null  $id  by which it can be taken back; counted from 1 in the take
     */
    public function __construct(int $atMs, public string $on, public Drawing $drawing, public ?int $id = null)
    {
        parent::__construct($atMs);
    }

    public function toArray(): array
    {
        return $this->drawing->toArray() + ['on' => $this->on] + ($this->id === null ? [] : ['id' => $this->id]);
    }
}
