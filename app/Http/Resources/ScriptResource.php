<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Jobs\DrawCardsJob;
use App\Models\Lesson;
use App\Queries\Film\CardPicture;
use App\Queries\Lessons\LessonStyle;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Deck\ShownSlides;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\SourceMap;

/**
 * A lesson's script as text, and where in it sections and lines stand, for drawing beside it. Places are counted in
 * UTF-16 units, as browsers count.
 *
 * @mixin Lesson
 */
final class ScriptResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        $script = Script::parse($this->script);
        $map = new SourceMap($this->script);
        $sections = $this->sections()->get();
        $slides = $this->slides()->get(['id', 'name', 'lesson_id']);
        $shown = ShownSlides::of($script, array_values($slides->pluck('name')->all()));
        $ids = DB::table('lines')
            ->where('lesson_id', $this->id)
            ->whereNotNull('position')
            ->orderBy('position')
            ->get(['id', 'section_id'])
            ->groupBy('section_id');
        $places = [];
        foreach ($script->sections as $i => $section) {
            $row = $sections[$i] ?? null;
            if ($row === null) {
                break;
            }
            $places[] = [
                'id' => $row->id,
                'from' => $map->utf16($section->from),
                'slides' => self::slidePlaces($section, $shown, $slides, $map),
                'lines' => self::linePlaces($section, array_values($ids->get($row->id)?->pluck('id')->all() ?? []), $map),
                'until' => $map->utf16($section->until()),
                'card_url' => $this->card($section),
                'stage' => self::stage($section),
            ];
        }

        return ['text' => $this->script, 'revision' => $this->revision, 'title' => $this->title, 'sections' => $places];
    }

    /**
     * @param  Collection<int, \App\Models\Slide>  $slides
     * @return list<array{slide: string|null, from: int}> the slide each cue calls
     */
    private static function slidePlaces(ScriptSection $section, ShownSlides $shown, Collection $slides, SourceMap $map): array
    {
        $found = [];
        foreach ($section->cues as $cue) {
            if ($cue->kind === CueKind::Slide) {
                $found[] = ['slide' => $slides[$shown->at($cue) ?? -1]->id ?? null, 'from' => $map->utf16($cue->from)];
            }
        }

        return $found;
    }

    /** @return array{kind: string, says: string}|null what it begins with, when that is no slide */
    private static function stage(ScriptSection $section): ?array
    {
        $stage = null;
        foreach ($section->cues as $cue) {
            if ($cue->kind->isStage() && $cue->line === 1 && $cue->within === 0.0) {
                $stage = $cue->kind === CueKind::Slide ? null : ['kind' => $cue->kind->value, 'says' => $cue->value];
            }
        }

        return $stage;
    }

    /**
     * @param  list<string>  $ids
     * @return list<array{id: string, from: int, until: int}>
     */
    private static function linePlaces(ScriptSection $section, array $ids, SourceMap $map): array
    {
        $lines = [];
        foreach ($section->lines as $n => $line) {
            if (isset($ids[$n])) {
                $lines[] = ['id' => $ids[$n], 'from' => $map->utf16($line->from), 'until' => $map->utf16($line->until)];
            }
        }

        return $lines;
    }

    private function card(ScriptSection $section): ?string
    {
        $card =
            $section->card() === null
                ? null
                : CardPicture::of($section, FrameSize::of($this->width, $this->height), LessonStyle::of($this->resource));

        if ($card !== null && ! app(CardPicture::class)->isDrawn($card->picture->hash)) {
            DrawCardsJob::dispatch($this->id);
        }

        return $card === null ? null : "/api/cards/{$card->picture->hash}";
    }
}
