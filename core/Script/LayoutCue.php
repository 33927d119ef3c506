<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\InsetSize;
use OpenReel\Core\Picture\Layout;

/** What a layout cue says; what it leaves open comes from the house style. */
final readonly class LayoutCue
{
    public function __construct(public ?Layout $layout = null, public ?Corner $corner = null, public ?InsetSize $size = null)
    {
    }

    /** @return self|null null when a word of it is unknown or nothing is said */
    public static function read(string $value): ?self
    {
        $layout = $corner = $size = null;
        foreach (explode(',', $value) as $part) {
            $word = str_replace(' ', '-', strtolower(trim((string) preg_replace('/\s+/', ' ', $part))));
            $found = Layout::tryFrom($word) ?? Corner::tryFrom($word) ?? InsetSize::tryFrom($word);
            if ($found === null) {
                return null;
            }
            $layout = $found instanceof Layout ? $found : $layout;
            $corner = $found instanceof Corner ? $found : $corner;
            $size = $found instanceof InsetSize ? $found : $size;
        }

        return new self($layout, $corner, $size);
    }

    /** What it says and, where it is silent, what the other says. */
    public function over(self $other): self
    {
        return new self($this->layout ?? $other->layout, $this->corner ?? $other->corner, $this->size ?? $other->size);
    }

    public function write(): string
    {
        return implode(', ', array_map(
            fn (\BackedEnum $e): string => str_replace('-', ' ', (string) $e->value),
            array_filter([$this->layout, $this->corner, $this->size]),
        ));
    }
}
