<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Take\Verdict;

/** A take as it lies in a folder: `SECTION-TAKE.ext`, with `-lines-2-3`, `-discard` or `-undecided` before the extension. */
final readonly class FolderTake
{
    private const NAME = '/^(\d{1,4})-(\d{1,4})(-lines(?:-\d{1,4})+)?(-discard|-undecided)?\.([a-z0-9]{2,5})$/i';

    /**
     * @param  int  $section  by number; 0 where it may hold all of the script
     * @param  list<int>  $lines  numbers of those it was recorded for; none for all of its section
     * @param  string  $mark  what is decided of it: empty, `-discard` or `-undecided`
     * @param  string|null  $screen  path of what was recorded of a screen meanwhile
     * @param  string|null  $events  path of the log of what happened meanwhile
     */
    private function __construct(
        public string $file,
        public int $section,
        public int $number,
        public array $lines,
        private string $mark,
        public ?string $screen = null,
        public ?string $events = null,
    ) {
    }

    /** @return self|null null when it is not named so */
    public static function named(string $file): ?self
    {
        if (preg_match(self::NAME, basename($file), $name) !== 1) {
            return null;
        }
        $lines = array_map(intval(...), array_slice(explode('-', $name[3]), 2));

        return new self($file, (int) $name[1], (int) $name[2], $lines, strtolower($name[4]));
    }

    /** The same with what lies beside it. */
    public function beside(?string $screen, ?string $events): self
    {
        return new self($this->file, $this->section, $this->number, $this->lines, $this->mark, $screen, $events);
    }

    public function name(): string
    {
        return basename($this->file);
    }

    /** Files that belong to it are called so too, before their extension. */
    public function stem(): string
    {
        return strtolower(pathinfo($this->file, PATHINFO_FILENAME));
    }

    /** Whether the highest of its section is kept. */
    public function isOpen(): bool
    {
        return $this->mark === '';
    }

    public function verdict(): Verdict
    {
        return $this->mark === '-discard' ? Verdict::Discarded : Verdict::Undecided;
    }
}
