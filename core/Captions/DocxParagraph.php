<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

/** A paragraph of a text with headings. */
final readonly class DocxParagraph
{
    private function __construct(public string $style, public string $text)
    {
    }

    public static function title(string $text): self
    {
        return new self('Title', $text);
    }

    public static function heading(string $text): self
    {
        return new self('Heading1', $text);
    }

    public static function plain(string $text): self
    {
        return new self('Normal', $text);
    }
}
