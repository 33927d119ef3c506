<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Kernel\Tick;

/** A line of the script as it is said in a film. */
final readonly class TimedLine
{
    /**
     * @param  string  $line  id
     * @param  string  $section  id
     * @param  string  $chapter  title of the section
     * @param  Tick  $from  when in the film its first word begins
     */
    public function __construct(
        public string $line,
        public string $section,
        public string $chapter,
        public string $text,
        public Tick $from,
    ) {
    }

    /** @param  array<string, mixed>  $stored  as `toArray` gives it */
    public static function parse(array $stored): self
    {
        return new self(
            (string) ($stored['line'] ?? ''),
            (string) ($stored['section'] ?? ''),
            (string) ($stored['chapter'] ?? ''),
            (string) ($stored['text'] ?? ''),
            Tick::ofMilliseconds(max(0, (int) ($stored['from_ms'] ?? 0))),
        );
    }

    /** @return array<string, string|int> */
    public function toArray(): array
    {
        return [
            'line' => $this->line, 'section' => $this->section, 'chapter' => $this->chapter, 'text' => $this->text,
            'from_ms' => $this->from->milliseconds(),
        ];
    }
}
