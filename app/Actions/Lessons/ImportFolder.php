<?php

declare(strict_types=1);

namespace App\Actions\Lessons;

use App\Actions\Script\SaveScript;
use App\Actions\Slides\AddSlide;
use App\Actions\Takes\IngestTake;
use App\Media\FiberPool;
use App\Media\MediaStore;
use App\Media\ScriptReader;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Take;
use App\OperationRejected;
use App\Queries\Script\SpokenLines;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptError;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\Verdict;

/**
 * Makes a lesson from a folder: `script.md`, `slides/01.png`... by section, `takes/SECTION-TAKE.ext`. The highest take of
 * a section is kept; `-discard` before the extension sets one aside, `-undecided` leaves it for review. Described in
 * docs/formats.md.
 *
 * @phpstan-type TakeEntry array{section: int, number: int, lines: list<int>, mark: string, file: string,
 *     beside: array<string, string>}
 */
final class ImportFolder
{
    private const TAKE_NAME = '/^(\d{1,4})-(\d{1,4})(-lines(?:-\d{1,4})+)?(-discard|-undecided)?\.([a-z0-9]{2,5})$/i';

    /** What was recorded beside a take: its screen, and the log of what happened meanwhile. */
    private const BESIDE =
        '/^(\d{1,4}-\d{1,4}(?:-lines(?:-\d{1,4})+)?(?:-discard|-undecided)?)\.(screen\.[a-z0-9]{2,5}|events\.jsonl)$/i';

    private const SLIDES = ['png', 'jpg', 'jpeg', 'webp', 'svg'];

    public function __construct(
        private readonly AddSlide $addSlide,
        private readonly SaveScript $save,
        private readonly IngestTake $ingest,
        private readonly MediaStore $media,
        private readonly ScriptReader $scripts,
    ) {
    }

    /**
     * @param  array{width: int, height: int, fps: int}  $frame
     * @param  bool  $whole  use takes from their first to their last moment, untrimmed
     * @param  (callable(string): void)|null  $say  told what is being done
     *
     * @throws OperationRejected naming the file that is wrong
     */
    public function __invoke(string $folder, array $frame, bool $whole = false, ?callable $say = null): Lesson
    {
        $say ??= fn (string $text) => null;
        $script = $this->script($folder);
        $takes = $this->takeFiles($folder, count($script->sections));
        $slides = $this->slideFiles($folder, count($script->sections));

        $lesson = Lesson::query()->create(
            ['title' => mb_substr($script->title ?? basename((string) realpath($folder)), 0, 200)] + $frame,
        );
        try {
            ($this->save)($lesson, $script);
            foreach ($slides as $number => $file) {
                $say('Slide '.basename($file));
                $slide = ($this->addSlide)(
                    $lesson,
                    $file,
                    basename($file),
                    self::slideName($file, $script->sections[$number - 1]->heading),
                );
                $script = $this->tied($script, $number - 1, $slide->name);
            }
            ($this->save)($lesson, $script);
            $sections = [];
            foreach ($lesson->sections()->get() as $index => $section) {
                $sections[$index + 1] = $section;
            }
            $this->takes($sections, $takes, $whole, $say);
        } catch (\Throwable $e) {
            $this->undo($lesson);
            throw $e;
        }

        return $lesson;
    }

    /**
     * What lies in a folder, without making anything of it.
     *
     * @return array{Script, list<array{int, string, list<int>}>} the script, and of each take the number of its section (0: it
     *    may hold all of the script), its file, and numbers of the lines it was recorded for (none: all)
     *
     * @throws OperationRejected naming the file that is wrong
     */
    public function look(string $folder): array
    {
        $script = $this->script($folder);
        $takes = $this->takeFiles($folder, count($script->sections), 0);

        return [$script, array_map(fn (array $take): array => [$take['section'], $take['file'], $take['lines']], $takes)];
    }

    /** Leaves nothing of it behind. */
    public function undo(Lesson $lesson): void
    {
        $lesson->forceDelete();
        $this->media->deleteFolder("lessons/{$lesson->id}");
    }

    /** A file that is called by its number alone is named after what it shows. */
    private static function slideName(string $file, string $heading): string
    {
        $name = pathinfo($file, PATHINFO_FILENAME);

        return ctype_digit($name) && $heading !== '' ? $heading : $name;
    }

    /** A slide given to a section by its file name is the one it begins with, unless the script says otherwise. */
    private function tied(Script $script, int $index, string $slide): Script
    {
        $section = $script->sections[$index];

        return $section->openingCues(CueKind::Slide) !== []
            ? $script
            : $script->withSection($index, $section->heading, $section->textWithOpening(CueKind::Slide, $slide));
    }

    private function script(string $folder): Script
    {
        if (! is_dir($folder)) {
            throw OperationRejected::badInput("There is no folder {$folder}.");
        }
        if (! is_file("{$folder}/script.md") || ! is_readable("{$folder}/script.md")) {
            throw OperationRejected::badInput(
                "There is no script.md in {$folder} that can be read. It holds the title (# ...), the sections (## ...) and ".
                    'their words.',
            );
        }
        $script = Script::parse($this->scripts->read("{$folder}/script.md", 'script.md'));

        return $script->sections === [] ? throw ScriptError::empty() : $script;
    }

    /** @return array<int, string> path by section number */
    private function slideFiles(string $folder, int $sections): array
    {
        $slides = [];
        foreach (self::filesIn("{$folder}/slides") as $file) {
            if (! in_array(strtolower(pathinfo($file, PATHINFO_EXTENSION)), self::SLIDES, true)) {
                throw OperationRejected::badInput('The slide '.basename($file).' is no PNG, JPEG, WebP or SVG picture.');
            }
            $number = (int) basename($file);
            if ($number < 1 || $number > $sections) {
                throw OperationRejected::badInput(
                    'Slide '.
                        basename($file).
                        " belongs to no section: the script has {$sections}. Name slides 01.png, 02.png and so on.",
                );
            }
            if (isset($slides[$number])) {
                throw OperationRejected::badInput(
                    'Two slides belong to section '.
                        $number.
                        ': '.
                        basename($slides[$number]).
                        ' and '.
                        basename($file).
                        '. Keep one.',
                );
            }
            $slides[$number] = $file;
        }

        return $slides;
    }

    /**
     * Its files; folders' names may hold anything, so they are read and not searched by a pattern.
     *
     * @return list<string> paths, by name
     *
     * @throws OperationRejected naming what is no file, or cannot be read
     */
    private static function filesIn(string $folder): array
    {
        $files = [];
        foreach (is_dir($folder) ? (scandir($folder) ?: []) : [] as $name) {
            if (str_starts_with($name, '.')) {
                continue;
            }
            $path = "{$folder}/{$name}";
            if (! is_file($path) || ! is_readable($path)) {
                throw OperationRejected::badInput(
                    basename($folder).
                        "/{$name} ".
                        (is_dir($path) ? 'is a folder' : 'cannot be read').
                        '. Take it out, or put a file in its place.',
                );
            }
            $files[] = $path;
        }

        return $files;
    }

    /**
     * @return list<TakeEntry> by section, then number
     */
    private function takeFiles(string $folder, int $sections, int $least = 1): array
    {
        $takes = $numbers = $beside = [];
        foreach (self::filesIn("{$folder}/takes") as $file) {
            if (preg_match(self::BESIDE, basename($file), $name) === 1) {
                $beside[strtolower($name[1])][str_starts_with(strtolower($name[2]), 'screen') ? 'screen' : 'events'] = $file;

                continue;
            }
            if (preg_match(self::TAKE_NAME, basename($file), $name) !== 1) {
                throw OperationRejected::badInput('The take '.basename($file).' is not named SECTION-TAKE.ext, for example 03-1.webm.');
            }
            if ((int) $name[1] < $least || (int) $name[1] > $sections) {
                throw OperationRejected::badInput('The take '.basename($file)." belongs to no section: the script has {$sections}.");
            }
            $same = $numbers[(int) $name[1]][(int) $name[2]] ?? null;
            if ($same !== null) {
                throw OperationRejected::badInput(
                    'Two takes have the same number: '.
                        basename($same).
                        ' and '.
                        basename($file).
                        '. Give one of them another.',
                );
            }
            $numbers[(int) $name[1]][(int) $name[2]] = $file;
            $takes[] = [
                'section' => (int) $name[1],
                'number' => (int) $name[2],
                'lines' => array_map(intval(...), array_slice(explode('-', $name[3]), 2)),
                'mark' => strtolower($name[4]),
                'file' => $file,
            ];
        }
        foreach ($takes as $i => $take) {
            $name = strtolower(pathinfo($take['file'], PATHINFO_FILENAME));
            $takes[$i]['beside'] = $beside[$name] ?? [];
            unset($beside[$name]);
        }
        if ($beside !== []) {
            $alone = basename((string) current((array) current($beside)));
            throw OperationRejected::badInput("{$alone} belongs to no take: put the take of the same name beside it.");
        }
        usort($takes, fn (array $a, array $b): int => [$a['section'], $a['number']] <=> [$b['section'], $b['number']]);

        return $takes;
    }

    /**
     * @param  array<int, Section>  $sections
     * @param  list<TakeEntry>  $files
     * @param  callable(string): void  $say
     */
    private function takes(array $sections, array $files, bool $whole, callable $say): void
    {
        $work = [];
        foreach ($files as $entry) {
            $take = $this->take($sections[$entry['section']], $entry);
            $work[] = function () use ($take, $entry, $whole, $say): void {
                $say('Take '.basename($entry['file']));
                ($this->ingest)($take);
                if ($take->state === TakeState::Unusable) {
                    throw OperationRejected::badInput(basename($entry['file']).': '.$take->problem);
                }
                $take->update($whole ? ['trim' => [[0, $take->summary->length_ticks]]] : []);
            };
        }
        FiberPool::run($work, (int) config('reel.render_slots'));
        $this->keepHighest($files, $sections);
    }

    /** @param  TakeEntry  $entry */
    private function take(Section $section, array $entry): Take
    {
        $bytes = (int) @filesize($entry['file']);
        if ($bytes === 0) {
            throw OperationRejected::badInput('The take '.basename($entry['file']).' is empty.');
        }
        $this->media->mustHaveRoomFor($bytes, 'the takes');
        $take = $section->takes()->create(
            [
                'recorded_in' => $section->id,
                'number' => $entry['number'],
                'state' => TakeState::Ingesting,
                'verdict' => $entry['mark'] === '-discard' ? Verdict::Discarded : Verdict::Undecided,
            ] + SpokenLines::asTaken($section, $this->lineIds($section, $entry)),
        );
        if (isset($entry['beside']['events'])) {
            $this->media->write($take->folder().'/events.jsonl', (string) file_get_contents($entry['beside']['events']));
        }
        foreach (array_filter(['camera' => $entry['file'], 'screen' => $entry['beside']['screen'] ?? null]) as $kind => $file) {
            $path = $take->folder()."/{$kind}.part";
            $this->media->commit($this->media->copied($file, 'part'), $path);
            $take->tracks()->create([
                'kind' => $kind,
                'mime' => 'application/octet-stream',
                'path' => $path,
                'bytes' => (int) filesize($file),
                'next_chunk' => 1,
            ]);
        }

        return $take;
    }

    /**
     * @param  list<TakeEntry>  $files
     * @param  array<int, Section>  $sections
     */
    private function keepHighest(array $files, array $sections): void
    {
        $kept = [];
        foreach ($files as $entry) {
            if ($entry['mark'] === '') {
                // A pickup is kept beside the take that it mends.
                $before = $entry['lines'] === [] ? [] : $kept[$entry['section']] ?? [];
                $kept[$entry['section']] = [...$before, $entry['number']];
            }
        }
        foreach ($kept as $section => $numbers) {
            foreach ($numbers as $order => $number) {
                $sections[$section]
                    ->takes()
                    ->where('number', $number)
                    ->update(['verdict' => Verdict::Kept, 'kept_order' => $order + 1]);
            }
        }
    }

    /**
     * @param  TakeEntry  $entry
     * @return list<string>|null null for all of its section
     */
    private function lineIds(Section $section, array $entry): ?array
    {
        if ($entry['lines'] === []) {
            return null;
        }
        $ids = DB::table('lines')->where('section_id', $section->id)->whereNotNull('position')->orderBy('position')->pluck('id');
        $found = array_filter(array_map(fn (int $line): ?string => $ids[$line - 1] ?? null, $entry['lines']));

        return count($found) === count($entry['lines'])
            ? array_values($found)
            : throw OperationRejected::badInput(
                'The take '.basename($entry['file'])." names a line that its section does not have: it has {$ids->count()}.",
            );
    }
}
