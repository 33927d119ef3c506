<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Picture\Motion;

/** Something that the encoder computes for each frame, as a filter's argument. */
final readonly class Expression
{
    private function __construct(private string $text)
    {
    }

    /** @param  string  $text  without quotes and colons */
    public static function of(string $text): self
    {
        return new self($text);
    }

    /**
     * A number of pixels on its way, rounded.
     *
     * @param  int  $skip  frames that are added to the number of the frame, `n`
     */
    public static function way(Motion $motion, int $from, int $to, int $skip): self
    {
        $part = $motion->ease->expression("min(1,(n+{$skip})/{$motion->frames})");

        return new self('round('.($from === $to ? (string) $to : "{$from}+(".($to - $from).")*{$part}").')');
    }

    /** In quotes, so that its commas part no filters. */
    public function quoted(): string
    {
        return "'{$this->text}'";
    }
}
