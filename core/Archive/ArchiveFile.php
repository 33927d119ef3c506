<?php

declare(strict_types=1);

namespace OpenReel\Core\Archive;

/** A file of an archive. It is called there as on the media disk. */
final readonly class ArchiveFile
{
    private const ID = '[0-9a-hjkmnp-tv-z]{26}';

    /** What lies in a lesson's folder. */
    private const OF_LESSON = '#^lessons/'.self::ID.'/(?:'
        .'slides/[0-9a-z-]{1,80}\.(?:png|jpg|webp|mp4)|'
        .'decks/'.self::ID.'\.(?:pdf|pptx|odp)|'
        .'takes/'.self::ID.'/(?:media\.webm|media\.mp4|screen\.webm|screen\.mp4|sound\.flac|computer\.flac|'
        .'wave\.json|levels\.dat|heard\.json|events\.jsonl))$#D';

    /** What lessons may share is called by its content. */
    private const SHARED = '#^(?:logos/(?<logo>[0-9a-f]{64})\.(?:png|jpg|webp)|music/(?<bed>[0-9a-f]{64})\.flac)$#D';

    /** @param  string  $sha256  of its content, in hexadecimal */
    public function __construct(public string $name, public int $bytes, public string $sha256)
    {
    }

    /** @throws ArchiveProblem when no file of a lesson or a course is called so */
    public function mustBelong(): void
    {
        $isShared = preg_match(self::SHARED, $this->name, $found) === 1;
        $content = $isShared ? ($found['bed'] ?? $found['logo']) : $this->sha256;
        if ((! $isShared && preg_match(self::OF_LESSON, $this->name) !== 1) || $content !== $this->sha256) {
            throw ArchiveProblem::strangeFile($this->name);
        }
    }

    public function isShared(): bool
    {
        return preg_match(self::SHARED, $this->name) === 1;
    }

    /** Whether ids stand in its text. */
    public function namesIds(): bool
    {
        return str_ends_with($this->name, '/heard.json') || str_ends_with($this->name, '/events.jsonl');
    }
}
