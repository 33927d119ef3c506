<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\InsetBorder;
use OpenReel\Core\Picture\InsetPlace;
use OpenReel\Core\Picture\InsetShape;
use OpenReel\Core\Picture\InsetSize;
use OpenReel\Core\Picture\Layout;

/** What a layout cue says; what it leaves open comes from the house style. */
final readonly class LayoutCue
{
    /** Milliseconds: quicker moves are not seen as such, slower ones are waited for. */
    private const MOVES = [200, 2_000];

    private const BORDERS = ['no border' => 'none', 'thin border' => 'thin', 'thick border' => 'thick'];

    /**
     * @param  InsetPlace|null  $place  where the inset lies, in no corner
     * @param  int|null  $moveMs  how long the way from what was seen before takes; 0 is at once
     * @param  string|null  $border  of the inset, a key of InsetBorder::WIDTHS
     */
    public function __construct(
        public ?Layout $layout = null,
        public ?Corner $corner = null,
        public ?InsetSize $size = null,
        public ?InsetShape $shape = null,
        public ?InsetPlace $place = null,
        public ?int $moveMs = null,
        public ?string $border = null,
        public ?bool $hasShadow = null,
    ) {
    }

    /** @return self|null null when a word of it is unknown or nothing is said */
    public static function parse(string $value): ?self
    {
        $layout = $corner = $size = $shape = $place = $move = $border = $shadow = null;
        foreach (explode(',', $value) as $part) {
            $said = strtolower(trim((string) preg_replace('/\s+/', ' ', $part)));
            $word = str_replace(' ', '-', $said);
            $length = $said === 'at once' ? 0 : Length::milliseconds($said === '' ? 'none' : $said);
            $percents = str_starts_with($said, 'at ') ? Percents::parse(substr($said, 3), 3) : null;
            if ($length !== null) {
                $move = $length === 0 ? 0 : max(self::MOVES[0], min(self::MOVES[1], $length));
            } elseif ($percents !== null) {
                $place = InsetPlace::of(...array_map(fn (float $p): float => $p / 100, $percents));
            } elseif (isset(self::BORDERS[$said])) {
                $border = self::BORDERS[$said];
            } elseif (in_array($said, ['shadow', 'no shadow'], true)) {
                $shadow = $said === 'shadow';
            } elseif (($found = Layout::tryFrom($word)) !== null) {
                $layout = $found;
            } elseif (($found = Corner::tryFrom($word)) !== null) {
                $corner = $found;
            } elseif (($found = InsetSize::tryFrom($word)) !== null) {
                $size = $found;
            } elseif (($found = InsetShape::tryFrom($word)) !== null) {
                $shape = $found;
            } else {
                return null;
            }
        }

        return new self($layout, $corner, $size, $shape, $place, $move, $border, $shadow);
    }

    /** What it says and, where it is silent, what the other says; a corner or a size ends a place in no corner. */
    public function over(self $other): self
    {
        return new self(
            $this->layout ?? $other->layout,
            $this->corner ?? $other->corner,
            $this->size ?? $other->size,
            $this->shape ?? $other->shape,
            $this->place ?? ($this->corner === null && $this->size === null ? $other->place : null),
            $this->moveMs,
            $this->border ?? $other->border,
            $this->hasShadow ?? $other->hasShadow,
        );
    }

    /** The inset, as the house style has it where nothing is said. */
    public function inset(Inset $usual): Inset
    {
        return new Inset(
            $this->corner ?? $usual->corner,
            $this->size ?? $usual->size,
            $this->shape ?? $usual->shape,
            $this->border === null ? $usual->border : new InsetBorder($this->border, $usual->border->colour),
            $this->place ?? ($this->corner === null && $this->size === null ? $usual->place : null),
            $this->hasShadow ?? $usual->hasShadow,
        );
    }

    public function write(): string
    {
        $words = array_map(
            fn (\BackedEnum $e): string => str_replace('-', ' ', (string) $e->value),
            array_filter([$this->layout, $this->corner, $this->size, $this->shape]),
        );
        if ($this->place !== null) {
            $parts = [$this->place->x, $this->place->y, $this->place->width];
            $words[] = 'at '.implode(' ', array_map(fn (float $p): string => (string) round(100 * $p, 1), $parts));
        }
        if ($this->border !== null) {
            $words[] = array_search($this->border, self::BORDERS, true);
        }
        if ($this->hasShadow !== null) {
            $words[] = $this->hasShadow ? 'shadow' : 'no shadow';
        }
        if ($this->moveMs !== null) {
            $words[] = $this->moveMs === 0 ? 'at once' : round($this->moveMs / 1000, 2).' s';
        }

        return implode(', ', $words);
    }
}
