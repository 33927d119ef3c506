<?php

declare(strict_types=1);

namespace OpenReel\Core\Archive;

/** The files of an archive, and which of them something in it speaks of. */
final class OwnFiles
{
    /** What a take has beside its tracks. */
    public const OF_TAKE = ['wave.json', 'levels.dat', 'heard.json', 'events.jsonl'];

    /** @var array<string, true> */
    private array $used = [];

    /** @param  array<string, string>  $known  SHA-256 by name */
    public function __construct(private readonly array $known)
    {
    }

    /** @throws ArchiveError when it is not there, or another one */
    public function mustHave(string $name, string $sha256): void
    {
        if (! isset($this->known[$name])) {
            throw ArchiveError::fileNotListed($name);
        }
        if ($this->known[$name] !== $sha256) {
            throw ArchiveError::fileDiffers($name);
        }
        $this->used[$name] = true;
    }

    /** @throws ArchiveError when it lacks one, or one lies in another lesson's folder */
    public function mustHaveAllOf(\stdClass $lesson): void
    {
        $must = function (string $folder, string $name, string $sha256): void {
            if (! str_starts_with($name, $folder)) {
                throw ArchiveError::strangeFile($name);
            }
            $this->mustHave($name, $sha256);
        };
        $home = "lessons/{$lesson->id}/";
        foreach ($lesson->slides as $slide) {
            $must("{$home}slides/", $slide->path, $slide->hash);
            foreach ($slide->steps as $step) {
                $must("{$home}slides/", $step->path, $step->hash);
            }
            if ($slide->film !== null) {
                $must("{$home}slides/", $slide->film->path, $slide->film->hash);
            }
        }
        foreach ($lesson->decks as $deck) {
            $must("{$home}decks/{$deck->id}.", $deck->path, $this->known[$deck->path] ?? '');
        }
        foreach ($lesson->music as $bed) {
            $this->mustHave($bed->path, $bed->hash);
            $this->mustHave($bed->loop_path, $bed->loop_hash);
        }
        foreach ($lesson->takes as $take) {
            $folder = "{$home}takes/{$take->id}/";
            foreach ($take->tracks as $track) {
                $must($folder, $track->file_path, $track->hash);
            }
            foreach (self::OF_TAKE as $beside) {
                if (isset($this->known[$folder.$beside])) {
                    $this->used[$folder.$beside] = true;
                }
            }
        }
    }

    /** @throws ArchiveError when nothing speaks of one of them */
    public function mustBeAll(): void
    {
        $strange = array_key_first(array_diff_key($this->known, $this->used));
        if ($strange !== null) {
            throw ArchiveError::strangeFile($strange);
        }
    }
}
