<?php

declare(strict_types=1);

namespace App\Media;

use App\OperationRejected;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptError;

/** A lesson as a folder: `script.md`, `slides/01.png`... by section, `takes/SECTION-TAKE.ext`. Described in docs/formats.md. */
final class LessonFolder
{
    /** What was recorded beside a take: its screen, and the log of what happened meanwhile. */
    private const BESIDE =
        '/^(\d{1,4}-\d{1,4}(?:-lines(?:-\d{1,4})+)?(?:-discard|-undecided)?)\.(screen\.[a-z0-9]{2,5}|events\.jsonl)$/i';

    private const SLIDES = ['png', 'jpg', 'jpeg', 'webp', 'svg'];

    public function __construct(private readonly ScriptReader $scripts)
    {
    }

    /** @throws OperationRejected|UnreadableFile|ScriptError when there is no script to be read */
    public function script(string $folder): Script
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

    /**
     * @param  int  $sections  how many the script has
     * @return array<int, string> path by section number
     *
     * @throws OperationRejected naming the file that is wrong
     */
    public function slides(string $folder, int $sections): array
    {
        $slides = [];
        foreach (self::filesIn("{$folder}/slides") as $file) {
            $name = basename($file);
            if (! in_array(strtolower(pathinfo($file, PATHINFO_EXTENSION)), self::SLIDES, true)) {
                throw OperationRejected::badInput("The slide {$name} is no PNG, JPEG, WebP or SVG picture.");
            }
            $number = (int) $name;
            if ($number < 1 || $number > $sections) {
                throw OperationRejected::badInput(
                    "Slide {$name} belongs to no section: the script has {$sections}. Name slides 01.png, 02.png and so on.",
                );
            }
            if (isset($slides[$number])) {
                $other = basename($slides[$number]);
                throw OperationRejected::badInput("Two slides belong to section {$number}: {$other} and {$name}. Keep one.");
            }
            $slides[$number] = $file;
        }

        return $slides;
    }

    /**
     * @param  int  $sections  how many the script has
     * @param  int  $least  0 where a take may hold all of the script
     * @return list<FolderTake> by section, then number
     *
     * @throws OperationRejected naming the file that is wrong
     */
    public function takes(string $folder, int $sections, int $least = 1): array
    {
        $takes = $beside = [];
        foreach (self::filesIn("{$folder}/takes") as $file) {
            if (preg_match(self::BESIDE, basename($file), $name) === 1) {
                $beside[strtolower($name[1])][str_starts_with(strtolower($name[2]), 'screen') ? 'screen' : 'events'] = $file;

                continue;
            }
            $take = FolderTake::named($file) ?? throw OperationRejected::badInput(
                'The take '.basename($file).' is not named SECTION-TAKE.ext, for example 03-1.webm.',
            );
            if ($take->section < $least || $take->section > $sections) {
                throw OperationRejected::badInput("The take {$take->name()} belongs to no section: the script has {$sections}.");
            }
            $same = $takes["{$take->section}-{$take->number}"] ?? null;
            if ($same !== null) {
                throw OperationRejected::badInput(
                    "Two takes have the same number: {$same->name()} and {$take->name()}. Give one of them another.",
                );
            }
            $takes["{$take->section}-{$take->number}"] = $take;
        }
        $takes = self::withBeside(array_values($takes), $beside);
        usort($takes, fn (FolderTake $a, FolderTake $b): int => [$a->section, $a->number] <=> [$b->section, $b->number]);

        return $takes;
    }

    /**
     * @param  list<FolderTake>  $takes
     * @param  array<string, array<string, string>>  $beside  path by `screen` and `events`, by the take's stem
     * @return list<FolderTake>
     */
    private static function withBeside(array $takes, array $beside): array
    {
        $whole = array_map(
            fn (FolderTake $t): FolderTake => $t->beside(
                $beside[$t->stem()]['screen'] ?? null, $beside[$t->stem()]['events'] ?? null,
            ),
            $takes,
        );
        $alone = array_diff_key($beside, array_flip(array_map(fn (FolderTake $t): string => $t->stem(), $takes)));
        foreach ($alone as $files) {
            $name = basename((string) reset($files));
            throw OperationRejected::badInput("{$name} belongs to no take: put the take of the same name beside it.");
        }

        return $whole;
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
                $why = is_dir($path) ? 'is a folder' : 'cannot be read';
                throw OperationRejected::badInput(
                    basename($folder)."/{$name} {$why}. Take it out, or put a file in its place.",
                );
            }
            $files[] = $path;
        }

        return $files;
    }
}
