<?php

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\FrameSize;
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
     * @param  list<SectionSource>  $missing  sections without a kept take, in order
     */
    private function __construct(
        public FrameSize $frame,
        public FrameRate $rate,
        public array $segments,
        public array $missing,
    ) {
    }

    /** @param  list<SectionSource>  $sections  in lesson order */
    public static function of(FrameSize $frame, FrameRate $rate, array $sections): self
    {
        $segments = $missing = [];
        $start = 0;
        foreach ($sections as $index => $section) {
            if ($section->take === null) {
                $missing[] = $section;

                continue;
            }
            $frames = max(1, $section->take->used->length()->framesToHold($rate));
            $picture = PicturePlan::for($frame, $section->layout, $section->inset, $section->slide?->shape, $section->take->camera);
            $title = trim($section->heading) === '' ? 'Section '.($index + 1) : $section->heading;
            $segments[] = new Segment($section->id, $index + 1, $title, $start, $frames, $section->take, $section->slide, $picture);
            $start += $frames;
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

    /** @return list<Chapter> one a segment, without gaps, ending where the lesson ends */
    public function chapters(): array
    {
        return array_map(fn (Segment $s): Chapter => new Chapter(
            $s->title,
            Tick::ofFrames($s->startFrame, $this->rate),
            Tick::ofFrames($s->startFrame + $s->frames, $this->rate),
        ), $this->segments);
    }
}
