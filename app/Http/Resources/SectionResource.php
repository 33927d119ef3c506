<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Section;
use App\Models\Slide;
use App\Queries\Lessons\LessonStyle;
use App\Queries\Script\LearnedPace;
use App\Queries\Takes\LessonCoverage;
use App\Queries\Takes\TakesBeside;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Coverage\SectionCoverage;
use OpenReel\Core\Coverage\SectionState;
use OpenReel\Core\Coverage\UsedPart;
use OpenReel\Core\Script\Pace;
use OpenReel\Core\Script\ScriptSection as ScriptSection;
use OpenReel\Core\Script\SpeakingTime;
use OpenReel\Core\Script\SpokenLength;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Take\TakeView;

/** @mixin Section */
final class SectionResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        $lines = DB::table('lines')->where('section_id', $this->id)->whereNotNull('position')->orderBy('position')->get()->all();

        return self::whole(
            $this->resource,
            array_values($lines),
            TakesBeside::of([$this->id]),
            LessonStyle::of($this->lesson),
            LearnedPace::of($this->lesson),
            LessonCoverage::of($this->lesson),
        );
    }

    /**
     * @param  list<\stdClass>  $lines  rows of the table `lines`, in order
     * @param  TakesBeside  $takes  its own, and those it may be heard in
     * @return array<string, mixed>
     */
    public static function whole(
        Section $section,
        array $lines,
        TakesBeside $takes,
        HouseStyle $style,
        Pace $pace,
        Coverage $coverage,
    ): array {
        // Without a bracket there is no cue, and nothing else is wanted of the text here.
        $text = ScriptSection::ofText(str_contains($section->script, '[') ? $section->script : '');
        $own = $text->layout();
        $inset = $style->inset;
        $card = $text->card();

        $estimate = SpeakingTime::ofTimed(
            $text->cues,
            array_map(fn (\stdClass $l): SpokenLength => new SpokenLength((int) $l->paragraph, (int) $l->spoken_ms), $lines),
            $pace,
        )->milliseconds();

        return [
            'id' => $section->id,
            'heading' => $section->heading,
            'script' => $section->script,
            'lines' => array_map(
                fn (\stdClass $l): array => [
                    'id' => $l->id,
                    'number' => (int) $l->position,
                    'paragraph' => (int) $l->paragraph,
                    'text' => $l->text,
                    'spoken_ms' => (int) round((int) $l->spoken_ms * $pace->factor),
                ],
                $lines,
            ),
            'estimate_ms' => $estimate,
            'target_ms' => $text->target()?->milliseconds(),
            'card' => $card === null ? null : ['kind' => $card->kind->value, 'length_ms' => $card->length->milliseconds()],
            'slide' => $section->slide === null ? null : self::slide($section->slide),
            'layout' => ($own->layout ?? $style->layout)->value,
            'inset_corner' => ($own->corner ?? $inset->corner)->value,
            'inset_size' => ($own->size ?? $inset->size)->value,
            'own_layout' => $own->write() !== '',
            'coverage' => self::coverage($section->id, $lines, $coverage),
            'progress' => $card === null
                    ? self::state($section->id, $coverage, $takes->views, $estimate, $text->target()?->milliseconds())
                    : SectionState::ofCard($card->kind->value, $card->length->milliseconds())->toArray(),
            'takes' => self::takes($section->id, $takes),
            'take_count' => $takes->numbers($section->id)['count'],
            'last_take' => $takes->numbers($section->id)['last'],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function takes(string $section, TakesBeside $takes): array
    {
        return array_map(TakeResource::glance(...), $takes->rows[$section] ?? []);
    }

    /**
     * @param  list<\stdClass>  $lines
     * @return array<string, mixed>
     */
    private static function coverage(string $section, array $lines, Coverage $coverage): array
    {
        $of = $coverage->sections[$section] ?? null;

        return [
            'heard' => $of?->isHeard() ?? false,
            'elsewhere' => $of->isElsewhere ?? false,
            'takes' => array_values(array_unique(array_map(fn (UsedPart $p): string => $p->take, $of->parts ?? []))),
            'missing' => $of->missing ?? [],
            'lines' => array_values(
                array_filter(
                    array_map(function (\stdClass $line) use ($coverage): ?array {
                        $one = $coverage->lines[$line->id] ?? null;

                        return $one === null
                            ? null
                            : [
                                'id' => $line->id,
                                'take' => $one->take,
                                'why' => $one->why?->value,
                                'others' => $one->others,
                                'was' => $one->was,
                                'was_take' => $one->wasTake,
                            ];
                    }, $lines),
                ),
            ),
        ];
    }

    /**
     * @param  array<string, list<TakeView>>  $views
     * @return array<string, mixed>
     */
    private static function state(string $section, Coverage $coverage, array $views, int $estimate, ?int $target): array
    {
        $of = $coverage->sections[$section] ?? new SectionCoverage([], [], false);
        $isHeard = array_flip(array_map(fn (UsedPart $p): string => $p->take, $of->parts));
        $own = $views[$section] ?? [];
        $heard = array_filter(
            $of->isElsewhere ? array_merge([], ...array_values($views)) : $own,
            fn (TakeView $t): bool => isset($isHeard[$t->id]),
        );

        return SectionState::of($of, $own, array_column($heard, null, 'id'), $estimate, $target)->toArray();
    }

    /** @return array<string, mixed> */
    private static function slide(Slide $slide): array
    {
        return (new SlideResource($slide))->toArray();
    }
}
