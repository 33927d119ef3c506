<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Section;
use App\Models\Slide;
use App\Models\Take;
use App\Readers\LearnedPace;
use App\Readers\LessonStyle;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\Pace;
use OpenReel\Core\Script\Section as ScriptSection;
use OpenReel\Core\Script\SpeakingTime;
use OpenReel\Core\Style\HouseStyle;

/** @mixin Section */
final class SectionResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        $lines = DB::table('lines')->where('section_id', $this->id)->whereNotNull('position')->orderBy('position')->get()->all();
        $takes = array_values($this->takes->map(fn (Take $take): array => (new TakeResource($take))->toArray())->all());

        return self::whole($this->resource, array_values($lines), $takes, LessonStyle::of($this->lesson), LearnedPace::of($this->lesson));
    }

    /**
     * @param  list<\stdClass>  $lines  rows of the table `lines`, in order
     * @param  list<array<string, mixed>>  $takes  as TakeResource gives them
     * @param  array<string, true>  $spoken  ids of the lines that kept takes of the lesson speak
     * @return array<string, mixed>
     */
    public static function whole(Section $section, array $lines, array $takes, HouseStyle $style, Pace $pace, array $spoken = []): array
    {
        // Without a bracket there is no cue, and nothing else is wanted of the text here.
        $text = ScriptSection::ofText(str_contains($section->script, '[') ? $section->script : '');
        $own = $text->layout();
        $inset = $style->inset();
        $card = $text->card();

        return [
            'id' => $section->id,
            'heading' => $section->heading,
            'script' => $section->script,
            'lines' => array_map(fn (\stdClass $l): array => ['id' => $l->id, 'number' => (int) $l->position, 'paragraph' => (int) $l->paragraph, 'text' => $l->text], $lines),
            'estimate_ms' => SpeakingTime::ofTimed($text->cues, array_map(fn (\stdClass $l): array => [(int) $l->paragraph, (int) $l->spoken_ms], $lines), $pace)->milliseconds(),
            'target_ms' => $text->target()?->milliseconds(),
            'card' => $card === null ? null : ['kind' => $card->kind->value, 'length_ms' => $card->length->milliseconds()],
            'slide' => $section->slide === null ? null : self::slide($section->slide),
            'layout' => ($own->layout ?? $style->layout())->value,
            'inset_corner' => ($own->corner ?? $inset->corner)->value,
            'inset_size' => ($own->size ?? $inset->size)->value,
            'own_layout' => $own->write() !== '',
            'spoken_elsewhere' => $card === null && $lines !== [] && ! in_array('kept', array_column($takes, 'verdict'), true)
                && array_filter($lines, fn (\stdClass $l): bool => ! isset($spoken[$l->id])) === [],
            'takes' => $takes,
        ];
    }

    /** @return array<string, mixed> */
    private static function slide(Slide $slide): array
    {
        return (new SlideResource($slide))->toArray();
    }
}
