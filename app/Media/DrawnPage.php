<?php

declare(strict_types=1);

namespace App\Media;

/** A page of a deck, drawn. */
final readonly class DrawnPage
{
    /**
     * @param  int  $number  counted from 1
     * @param  string  $draft  path of its picture
     * @param  list<int>  $look  see OpenReel\Core\Deck\Page
     * @param  string  $notes  what the speaker's notes say, paragraphs parted by blank lines
     */
    public function __construct(
        public int $number,
        public string $draft,
        public string $text,
        public array $look,
        public string $notes,
    ) {
    }

    /** Its first row is usually its title. */
    public function title(): string
    {
        $row = trim((string) strtok($this->text, "\n"));

        return $row === '' ? "Page {$this->number}" : $row;
    }
}
