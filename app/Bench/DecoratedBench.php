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
    /** What is put between the words of each section. */
    private const CUES = [
        'First' => '[join: dissolve, 0.5 s] [layout: slide with inset, circle] [name: Wenna, Shore instructor, 2 s] First',
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
        if (array_filter(['decorated_vs_plain', 'reexport_emphasis', 'watch_jump_ms'], $wanted) === []) {
            return;
        }
        $lesson = $this->twelve->make($folder);
        if ($wanted('decorated_vs_plain') || $wanted('reexport_emphasis')) {
            $plain = $this->fresh($lesson);
            $script = $this->decorated($lesson->script);
            ($this->save)($lesson, Script::read($script));
            $decorated = $this->fresh($lesson);
            yield 'decorated_vs_plain' => [round($decorated / $plain, 2), '<= 1.3'];

            $at = (int) strpos($script, '## Section 6');
            $changed = substr($script, 0, $at).preg_replace('/box 20 25/', 'box 22 25', substr($script, $at), 1);
            ($this->save)($lesson->refresh(), Script::read($changed));
            $again = $this->twelve->exportSeconds($lesson->refresh());
            yield 'reexport_emphasis' => [round($again / $decorated, 3), '<= 0.10'];
        }
        if ($wanted('watch_jump_ms')) {
            $milliseconds = Visit::run($folder, 'watch.mjs', "/lessons/{$lesson->id}/finish");
            yield 'watch_jump_ms' => [(int) round((float) $milliseconds), '<= 300'];
        }
    }

    /** Seconds of an export for which everything is made. */
    private function fresh(Lesson $lesson): float
    {
        $this->media->deleteFolder('renders');

        return $this->twelve->exportSeconds($lesson->refresh());
    }

    private function decorated(string $script): string
    {
        foreach (self::CUES as $word => $cue) {
            $script = (string) preg_replace('/(?<=\s)'.preg_quote($word, '/').'(?=\s)/', $cue, $script);
        }

        return (string) preg_replace('/(?=\[join)/', '[music: Slack water, -3 dB] ', $script, 1);
    }
}
