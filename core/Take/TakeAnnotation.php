<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Annotation\Box;
use OpenReel\Core\Annotation\Click;
use OpenReel\Core\Annotation\Drawing;
use OpenReel\Core\Annotation\PointerPath;
use OpenReel\Core\Annotation\Stroke;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;

/** Something drawn over the stage while a take was recorded, and when, in take time. */
final readonly class TakeAnnotation
{
    /** @param  string  $on  the surface it was drawn on (see Stage::surface); empty when nobody said */
    public function __construct(public Drawing $drawing, public Span $seen, public string $on = '')
    {
    }

    /** Whether it stands on this surface. */
    public function isOn(string $surface): bool
    {
        return $this->on === '' || $this->on === $surface;
    }

    /**
     * @param  array<string, mixed>  $data  as `toArray` gives it
     * @return self|null null when it cannot be read
     */
    public static function parse(array $data): ?self
    {
        $drawing = match ($data['kind'] ?? 'box') {
            'box' => Box::parse($data),
            'stroke' => Stroke::parse($data),
            'pointer' => PointerPath::parse($data),
            'click' => Click::parse($data),
            default => null,
        };
        $from = (int) ($data['from'] ?? 0);
        $until = (int) ($data['until'] ?? 0);

        return $drawing === null || $from < 0 || $until <= $from
            ? null
            : new self($drawing, Span::between(Tick::of($from), Tick::of($until)), (string) ($data['on'] ?? ''));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['from' => $this->seen->from->count, 'until' => $this->seen->until->count, 'on' => $this->on] +
            $this->drawing->toArray();
    }
}
