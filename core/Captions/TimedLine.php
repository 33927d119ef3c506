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

    /** @return array{line: string, section: string, chapter: string, text: string, from_ms: int} */
    public function toArray(): array
    {
        return [
            'line' => $this->line, 'section' => $this->section, 'chapter' => $this->chapter, 'text' => $this->text,
            'from_ms' => $this->from->milliseconds(),
        ];
    }
}
