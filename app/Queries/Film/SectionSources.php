<?php

declare(strict_types=1);

namespace App\Queries\Film;

use App\Models\Section;
use App\Queries\Lessons\LessonSnapshot;
use OpenReel\Core\Assembly\CueTimeline;
use OpenReel\Core\Assembly\MusicCueAt;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\Silences;
use OpenReel\Core\Assembly\SpeedCueAt;
use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Coverage\DraftOrder;
use OpenReel\Core\Coverage\UsedPart;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Script\CardKind;
use OpenReel\Core\Sound\MusicTrack;
use OpenReel\Core\Take\TakeView;

/** Puts together what each section of a lesson brings to the film: what is said, what is seen, and what is heard beside it. */
final class SectionSources
{
    /**
     * @param  array<string, TakeView>  $takes  that may be heard, by id
     * @param  array<string, TakeView>  $drafts  what a stand-in voice reads, by line id
     * @param  list<MusicTrack>  $beds  the music there is
     * @param  array<string, MusicTrack>  $sounds  small sounds, by name
     */
    public function __construct(
        private readonly LessonSnapshot $snapshot,
        private readonly PictureCues $cues,
        private readonly FrameSize $frame,
        private readonly Coverage $coverage,
        private readonly array $takes,
        private readonly array $drafts,
        private readonly array $beds,
        private readonly array $sounds,
    ) {
    }

    /** @return array<string, SectionSource> by section id, in the order of the lesson */
    public function all(): array
    {
        $sources = [];
        foreach ($this->snapshot->sections() as $index => $section) {
            $source = $this->of($section, $index);
            if ($source === null) {
                break;
            }
            $sources[$section->id] = $source;
        }

        return $sources;
    }

    /** @return SectionSource|null null when the script does not hold it any more */
    private function of(Section $section, int $index): ?SectionSource
    {
        $text = $this->snapshot->script()->sections[$index] ?? null;
        if ($text === null) {
            return null;
        }
        $card = CardPicture::of($text, $this->frame, $this->snapshot->style());
        $lines = array_column($this->snapshot->lines($section->id), 'id');
        $seen = $this->cues->of($text, $lines);
        $passages = $card === null ? $this->passages($section->id, $lines) : [];
        $speeds = SpeedCueAt::where(SpeedCueAt::in($text, $lines), CueTimeline::of($lines, $passages));
        $input = new SectionInput(
            $section->id,
            $section->heading,
            $seen->opening,
            array_map(fn (Passage $p): Passage => Silences::quicken($p, $speeds), $passages),
            $seen->changes,
            $card,
            $lines,
            join: $this->cues->join($text, $this->snapshot->rate()),
            overlays: $this->cues->overlays($text, $lines),
            emphases: $this->cues->emphases($text),
            music: MusicCueAt::in($text, $this->beds),
            sound: $this->sound($text->card()?->kind, $index),
        );
        $drawn = $card === null ? [] : [$card->picture, ...$card->counting];

        return new SectionSource(
            $input, Silences::idle($passages, $speeds), array_map(fn (Still $s): string => $s->hash, $drawn),
        );
    }

    /**
     * @param  list<string>  $lines  ids of the section's
     * @return list<Passage>
     */
    private function passages(string $section, array $lines): array
    {
        $covered = $this->coverage->sections[$section] ?? null;
        $passages = [];
        foreach ($covered === null ? [] : DraftOrder::of($lines, $covered) as $part) {
            $draft = is_string($part) ? $this->drafts[$part] ?? null : null;
            if ($part instanceof UsedPart) {
                $passages[] = new Passage($this->takes[$part->take], $part->span, $part->lines, goesOn: $part->goesOn);
            } elseif ($draft !== null) {
                $passages[] = new Passage($draft, $draft->extent(), [$part]);
            }
        }

        return $passages;
    }

    /** What is heard when a section begins. */
    private function sound(?CardKind $card, int $index): ?MusicTrack
    {
        $style = $this->snapshot->style();

        return match (true) {
            $card !== null => $style->cardSound
                ? $this->sounds[$card === CardKind::Question ? 'question' : 'card'] ?? null
                : null,
            default => $style->pageSound && $index > 0 ? $this->sounds['page'] ?? null : null,
        };
    }
}
