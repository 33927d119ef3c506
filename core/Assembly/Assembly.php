<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Logo;
use OpenReel\Core\Picture\PicturePlan;
use OpenReel\Core\Time\FrameRate;
use OpenReel\Core\Time\Tick;

/**
 * The ordered, trimmed whole. Preview and export both read this value, so they cannot disagree.
 *
 * Times are rounded to frames here and nowhere else: a segment holds its take's used part whole, rounded up to the next
 * frame, and its sound has exactly as many samples as its frames have ticks.
 */
final readonly class Assembly
{
    /**
     * @param  list<Segment>  $segments  in order
     * @param  list<SectionSource>  $missing  sections that are not heard, in order
     */
    private function __construct(
        public FrameSize $frame,
        public FrameRate $rate,
        public array $segments,
        public array $missing,
    ) {
    }

    /**
     * @param  list<SectionSource>  $sections  in lesson order
     * @param  string  $ground  RRGGBB, what is seen where nothing lies
     */
    public static function of(FrameSize $frame, FrameRate $rate, array $sections, ?Logo $logo = null, string $ground = PicturePlan::GROUND): self
    {
        $plan = new ShotPlan($frame, $rate, $logo, $ground);
        $segments = $missing = [];
        $start = 0;
        foreach ($sections as $index => $section) {
            $made = self::segments($section, $index + 1, $start, $rate, $plan);
            if ($made === [] && ! $section->isSpokenElsewhere) {
                $missing[] = $section;
            }
            foreach ($made as $segment) {
                $segments[] = $segment;
                $start += $segment->frames;
            }
        }

        return new self($frame, $rate, $segments, $missing);
    }

    public function frames(): int
    {
        return array_sum(array_map(fn (Segment $s): int => $s->frames, $this->segments));
    }

    public function length(): Tick
    {
        return Tick::ofFrames($this->frames(), $this->rate);
    }

    /** @return list<Chapter> one a section, without gaps, ending where the lesson ends */
    public function chapters(): array
    {
        $opening = array_values(array_filter($this->segments, fn (Segment $s): bool => $s->opensSection));

        return array_map(fn (Segment $s, int $i): Chapter => new Chapter(
            $s->title,
            Tick::ofFrames($s->startFrame, $this->rate),
            Tick::ofFrames($opening[$i + 1]->startFrame ?? $this->frames(), $this->rate),
        ), $opening, array_keys($opening));
    }

    /** @return list<Segment> */
    private static function segments(SectionSource $section, int $position, int $start, FrameRate $rate, ShotPlan $plan): array
    {
        $title = trim($section->heading) === '' ? "Section {$position}" : $section->heading;
        if ($section->card !== null) {
            $frames = max(1, $section->card->length->framesToHold($rate));

            return [new Segment($section->id, $position, $title, $start, $frames, null, [$plan->card($section->card, $frames)])];
        }
        $segments = [];
        $choice = $section->opening;
        foreach ($section->takes as $take) {
            $frames = max(1, $take->used->length()->framesToHold($rate));
            [$shots, $choice] = $plan->of($choice, $section->changes, $take, $frames);
            $segments[] = new Segment($section->id, $position, $title, $start, $frames, $take, $shots, $segments === []);
            $start += $frames;
        }

        return $segments;
    }
}
