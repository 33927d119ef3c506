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

    /** Most bytes by what a file is called, in the order in which they are looked at. */
    private const MOST = [
        'wave.json' => 1024 * 1024,
        'heard.json' => 8 * 1024 * 1024,
        'events.jsonl' => 24 * 1024 * 1024,
        'levels.dat' => 4 * 1024 * 1024,
        '.png' => 128 * 1024 * 1024,
        '.jpg' => 64 * 1024 * 1024,
        '.webp' => 64 * 1024 * 1024,
        '.pdf' => 200 * 1024 * 1024,
        '.pptx' => 200 * 1024 * 1024,
        '.odp' => 200 * 1024 * 1024,
    ];

    /** Of films and sounds: as much as a recording may have. */
    private const MOST_MEDIA = 8 * 1024 * 1024 * 1024;

    /** @param  string  $sha256  of its content, in hexadecimal */
    public function __construct(public string $name, public int $bytes, public string $sha256)
    {
    }

    /** @throws ArchiveError when no file of a lesson or a course is called so, or none of its kind is that large */
    public function mustBelong(): void
    {
        if ($this->bytes > self::most($this->name)) {
            throw ArchiveError::tooMuch($this->name);
        }
        $isShared = preg_match(self::SHARED, $this->name, $found) === 1;
        $content = $isShared ? ($found['bed'] ?? $found['logo']) : $this->sha256;
        if ((! $isShared && preg_match(self::OF_LESSON, $this->name) !== 1) || $content !== $this->sha256) {
            throw ArchiveError::strangeFile($this->name);
        }
    }

    private static function most(string $name): int
    {
        foreach (self::MOST as $end => $most) {
            if (str_ends_with($name, $end)) {
                return $most;
            }
        }

        return self::MOST_MEDIA;
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
