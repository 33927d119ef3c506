<?php

declare(strict_types=1);

namespace OpenReel\Core\Archive;

/**
 * What an archive says of itself: a course or none, lessons, and the files that belong to them. Its form is
 * `resources/schemas/archive-2.json`; what a schema cannot say is held here.
 *
 * Rows are kept as they are decoded, so that they are written again byte for byte.
 */
final readonly class Manifest
{
    public const NAME = 'manifest.json';

    public const FORMAT = 'open-reel-archive';

    public const VERSION = 2;

    /** The first version kept everything of a take in one row; see FormerTake. */
    public const FIRST = 1;

    /** Two thousand takes with all that was heard in them have half as many bytes, objects and lists. */
    public const MOST_BYTES = 48 * 1024 * 1024;

    private const MOST_OBJECTS = 400_000;

    private const MOST_LISTS = 1_500_000;

    private const MOST_VALUES = 4_000_000;

    private const DEPTH = 64;

    /** A course of more is taken out, and brought in, in parts. */
    public const MOST_LESSONS = 500;

    private const FLAGS = JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR;

    /**
     * @param  \stdClass|null  $course  `id`, `name`, `style`, `logos`, `music`
     * @param  list<\stdClass>  $lessons  each with `sections`, `slides`, `decks`, `lines`, `takes`, `choices`, `captions`,
     *    `translations`, `music`
     * @param  list<ArchiveFile>  $files
     */
    public function __construct(public ?\stdClass $course, public array $lessons, public array $files)
    {
    }

    /**
     * Reads the outermost form only, so that a schema of the right version can be asked about the rest. What a few bytes make of
     * the memory is limited before anything is made of them.
     *
     * @throws ArchiveError
     */
    public static function decoded(string $json): \stdClass
    {
        if (strlen($json) > self::MOST_BYTES || substr_count($json, '{') > self::MOST_OBJECTS
            || substr_count($json, '[') > self::MOST_LISTS || substr_count($json, ':') > self::MOST_VALUES) {
            throw ArchiveError::tooMuch('manifest');
        }
        $said = json_decode($json, depth: self::DEPTH);
        if (! ($said instanceof \stdClass) || ($said->format ?? null) !== self::FORMAT || ! is_int($said->version ?? null)
            || $said->version < self::FIRST) {
            throw ArchiveError::unreadable();
        }
        if ($said->version > self::VERSION) {
            throw ArchiveError::newer($said->version);
        }
        if (count((array) ($said->lessons ?? [])) > self::MOST_LESSONS) {
            throw ArchiveError::tooMuch('lessons');
        }

        return $said;
    }

    /**
     * @param  \stdClass  $said  as the schema has it
     *
     * @throws ArchiveError when its parts do not belong together
     */
    public static function of(\stdClass $said): self
    {
        $files = array_map(fn (\stdClass $f): ArchiveFile => new ArchiveFile($f->name, $f->bytes, $f->sha256), $said->files);
        $manifest = new self($said->course, $said->lessons, array_values($files));
        $manifest->mustHold();

        return $manifest;
    }

    public function json(string $made): string
    {
        return json_encode([
            'format' => self::FORMAT, 'version' => self::VERSION, 'made' => $made, 'course' => $this->course,
            'lessons' => $this->lessons, 'files' => $this->files,
        ], self::FLAGS | JSON_PRETTY_PRINT);
    }

    /** @return int of all its files */
    public function bytes(): int
    {
        return array_sum(array_map(fn (ArchiveFile $f): int => $f->bytes, $this->files));
    }

    /** @return list<string> of everything in it, in the order in which they were given */
    public function ids(): array
    {
        $ids = self::idsOf($this->course === null ? [] : [$this->course, ...$this->course->logos, ...$this->course->music]);
        foreach ($this->lessons as $lesson) {
            $rows = [$lesson, ...$lesson->sections, ...$lesson->slides, ...$lesson->decks, ...$lesson->lines, ...$lesson->takes,
                ...$lesson->captions, ...$lesson->translations, ...$lesson->music];
            array_push($ids, ...self::idsOf($rows));
            foreach ($lesson->takes as $take) {
                array_push($ids, ...self::idsOf($take->tracks));
            }
        }
        sort($ids, SORT_STRING);

        return $ids;
    }

    /**
     * The same with other ids, everywhere they stand: in rows, in what is kept with them, in the names of files.
     *
     * @param  array<string, string>  $to  by the id that was
     */
    public function renamed(array $to): self
    {
        $said = json_decode(strtr(json_encode(['course' => $this->course, 'lessons' => $this->lessons], self::FLAGS), $to));
        $files = array_map(
            fn (ArchiveFile $f): ArchiveFile => new ArchiveFile(strtr($f->name, $to), $f->bytes, $f->sha256),
            $this->files,
        );

        return new self($said->course, $said->lessons, $files);
    }

    /** @throws ArchiveError */
    private function mustHold(): void
    {
        $ids = $this->ids();
        if (count(array_unique($ids)) !== count($ids)) {
            throw ArchiveError::strangeId('twice');
        }
        $known = [];
        foreach ($this->files as $file) {
            $file->mustBelong();
            $known[$file->name] = $file->sha256;
        }
        $own = new OwnFiles($known);
        foreach ([...($this->course->music ?? []), ...($this->course->logos ?? [])] as $row) {
            $own->mustHave($row->path, $row->hash);
        }
        foreach ($this->course->music ?? [] as $bed) {
            $own->mustHave($bed->loop_path, $bed->loop_hash);
        }
        foreach ($this->lessons as $lesson) {
            self::mustBelong($lesson);
            $own->mustHaveAllOf($lesson);
        }
        $own->mustBeAll();
    }

    /**
     * Nothing in a lesson hangs on what is in another.
     *
     * @throws ArchiveError
     */
    private static function mustBelong(\stdClass $lesson): void
    {
        $ids = array_map(
            fn (string $kind): array => array_flip(self::idsOf($lesson->{$kind})),
            array_combine($kinds = ['sections', 'slides', 'decks', 'lines', 'takes'], $kinds),
        );
        $must = function (?string $id, string $kind) use ($ids): void {
            if ($id !== null && ! isset($ids[$kind][$id])) {
                throw ArchiveError::strangeId($id);
            }
        };
        foreach ($lesson->sections as $row) {
            $must($row->slide_id, 'slides');
        }
        foreach ($lesson->slides as $row) {
            $must($row->deck_id, 'decks');
        }
        foreach ($lesson->lines as $row) {
            $must($row->section_id, 'sections');
        }
        foreach ($lesson->takes as $row) {
            $must($row->section_id, 'sections');
            // A take outlives the section it was recorded for; its number must not be another lesson's.
            $must($row->recorded_in, 'sections');
        }
        foreach ($lesson->choices as $row) {
            $must($row->line_id, 'lines');
            $must($row->take_id, 'takes');
        }
        foreach ([...$lesson->captions, ...$lesson->translations] as $row) {
            $must($row->line_id, 'lines');
        }
    }

    /**
     * @param  array<int, \stdClass>  $rows
     * @return list<string>
     */
    private static function idsOf(array $rows): array
    {
        return array_map(fn (\stdClass $row): string => $row->id, array_values($rows));
    }
}
