<?php

declare(strict_types=1);

namespace App\Actions\Script;

use App\Models\Lesson;
use App\Models\Slide;
use OpenReel\Core\Deck\Page;
use OpenReel\Core\Deck\ShownSlides;
use OpenReel\Core\Deck\SlideTies;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\SourceMap;

/** Proposes where the slides of a lesson come up, leaving out what the script says already. */
final class ProposeTies
{
    /**
     * @return list<array{slide: Slide, at: int, section: int, line: string, because: string}> places counted in UTF-16 units;
     *    sections from 1
     */
    public function __invoke(Lesson $lesson): array
    {
        $script = Script::parse($lesson->script);
        $slides = $lesson->slides()->get();
        $used = ShownSlides::of($script, array_values($slides->pluck('name')->all()))->all();
        $ties = SlideTies::propose(
            $script,
            array_values($slides->map(fn (Slide $s): Page => new Page($s->id, $s->text, $s->look, $s->name))->all()),
        );
        $map = new SourceMap($lesson->script);
        $proposals = [];
        foreach ($ties as $tie) {
            $index = $slides->search(fn (Slide $s): bool => $s->id === $tie->slide);
            $slide = $index === false ? null : $slides[$index];
            if ($slide === null || in_array($index, $used, true)) {
                continue;
            }
            $section = $script->sections[$tie->section];
            $line = $section->lines[$tie->line - 1] ?? null;
            $proposals[] = [
                'slide' => $slide,
                'at' => $map->utf16($line->from ?? $section->from + strlen($section->headingRow)),
                'section' => $tie->section + 1,
                'line' => $line->text ?? $section->heading,
                'because' => $tie->because(),
            ];
        }

        return $proposals;
    }
}
