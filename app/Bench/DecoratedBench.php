<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Script\SaveScript;
use App\Media\MediaStore;
use App\Models\Lesson;
use OpenReel\Core\Script\Script;

/** What a lesson with every cue costs beside the same lesson without, another emphasis in it, and a jump while it is watched. */
final class DecoratedBench implements Bench
{
    /** What is put between the words of the sections, by turns; music plays under all of them, and all dissolve. */
    private const BY_TURNS = [
        [
            'First' => '[layout: slide with inset, circle] [name: Wenna, Shore instructor, 2 s] First',
            'At' => '[layout: side by side, 0.6 s] At',
        ],
        ['words.' => '[zoom: 10 10 60, 0.6 s] words.', 'At' => '[zoom: out] At'],
        [
            'Then' => '[emphasis: box 20 25 30 20, hand-drawn, drawn in 0.5 s] Then',
            'more' => '[label: The sill, at 30 60] more',
            'At' => '[emphasis: none] At',
        ],
    ];

    /** The most that a section of twenty seconds may want: all of it in each. */
    private const CROWDED = [
        'First' => '[layout: slide with inset, circle] [name: Wenna, Shore instructor, 2 s] First',
        'words.' => '[zoom: 10 10 60, 0.6 s] words.',
        'Then' => '[emphasis: box 20 25 30 20, hand-drawn, drawn in 0.5 s] Then',
        'more' => '[label: The sill, at 30 60] more',
        'At' => '[zoom: out] [emphasis: none] [layout: side by side, 0.6 s] At',
    ];

    public function __construct(
        private readonly TwelveSections $twelve,
        private readonly SaveScript $save,
        private readonly MediaStore $media,
    ) {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        $figures = ['decorated_vs_plain', 'crowded_vs_plain', 'reexport_emphasis', 'watch_jump_ms', 'watch_click_ms'];
        if (array_filter($figures, $wanted) === []) {
            return;
        }
        $lesson = $this->twelve->make($folder);
        if ($wanted('decorated_vs_plain') || $wanted('crowded_vs_plain') || $wanted('reexport_emphasis')) {
            $plain = $this->fresh($lesson);
            $bare = $lesson->script;
            if ($wanted('decorated_vs_plain')) {
                ($this->save)($lesson, Script::parse(self::decorated($bare, self::BY_TURNS)));
                yield 'decorated_vs_plain' => [round($this->fresh($lesson) / $plain, 2), '<= 1.3'];
            }
            if ($wanted('crowded_vs_plain') || $wanted('reexport_emphasis')) {
                $script = self::decorated($bare, [self::CROWDED]);
                ($this->save)($lesson->refresh(), Script::parse($script));
                $crowded = $this->fresh($lesson);
                yield 'crowded_vs_plain' => [round($crowded / $plain, 2), ''];

                $at = (int) strpos($script, '## Section 6');
                $changed = substr($script, 0, $at).preg_replace('/box 20 25/', 'box 22 25', substr($script, $at), 1);
                ($this->save)($lesson->refresh(), Script::parse($changed));
                yield 'reexport_emphasis' => [round($this->twelve->exportSeconds($lesson->refresh()) / $crowded, 3), '<= 0.10'];
            }
        }
        if ($wanted('watch_jump_ms') || $wanted('watch_click_ms')) {
            $printed = Visit::run($folder, 'watch.mjs', "/lessons/{$lesson->id}/finish", quiet: true);
            [$jump, $click] = array_map(round(...), array_map(floatval(...), explode("\n", trim($printed))));
            yield 'watch_jump_ms' => [(int) $jump, '<= 300'];
            yield 'watch_click_ms' => [(int) $click, '<= 150'];
        }
    }

    /** Seconds of an export for which everything is made. */
    private function fresh(Lesson $lesson): float
    {
        $this->media->deleteFolder('renders');

        return $this->twelve->exportSeconds($lesson->refresh());
    }

    /** @param  list<array<string, string>>  $turns  what words become, for one section after the other */
    private static function decorated(string $script, array $turns): string
    {
        $made = '';
        foreach (preg_split('/(?=^## )/m', $script) ?: [] as $n => $section) {
            foreach ($n === 0 ? [] : $turns[($n - 1) % count($turns)] as $word => $cue) {
                $section = (string) preg_replace('/(?<=\s)'.preg_quote($word, '/').'(?=\s)/', $cue, $section, 1);
            }
            $music = $n === 1 ? '[music: Slack water, -3 dB] ' : '';
            $opening = "{$music}[join: dissolve, 0.5 s] ";
            $made .= $n === 0 ? $section : (string) preg_replace('/^(## .*\n\n)/', "\\1{$opening}", $section);
        }

        return $made;
    }
}
