<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** Turns bytes of a UTF-8 text into the places that browsers count: UTF-16 units. Asked in rising order it is quick. */
final class SourceMap
{
    private int $byte = 0;

    private int $unit = 0;

    private readonly bool $isPlain;

    public function __construct(private readonly string $text)
    {
        $this->isPlain = preg_match('/[\x80-\xFF]/', $text) !== 1;
    }

    public function utf16(int $byte): int
    {
        if ($this->isPlain) {
            return $byte;
        }
        if ($byte < $this->byte) {
            $this->byte = $this->unit = 0;
        }
        $this->unit += intdiv(
            strlen(mb_convert_encoding(substr($this->text, $this->byte, $byte - $this->byte), 'UTF-16LE', 'UTF-8')),
            2,
        );
        $this->byte = $byte;

        return $this->unit;
    }
}
