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
        $segments = $missing = $guests = [];
        foreach ($sections as $index => $section) {
            if ($section->spokenIn !== null) {
                $guests[$section->spokenIn][$index + 1] = $section;
            }
        }
        $start = 0;
        foreach ($sections as $index => $section) {
            $made = self::segments($section, $index + 1, $guests[$section->id] ?? [], $start, $rate, $plan);
            if ($made === [] && $section->spokenIn === null) {
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
        $titles = [];
        foreach ($this->segments as $segment) {
            foreach ($segment->chapters as $mark) {
                $titles[$segment->startFrame + $mark->offset] = $mark->title;
            }
        }
        $starts = array_keys($titles);

        return array_map(fn (int $start, int $i): Chapter => new Chapter(
            $titles[$start], Tick::ofFrames($start, $this->rate), Tick::ofFrames($starts[$i + 1] ?? $this->frames(), $this->rate),
        ), $starts, array_keys($starts));
    }

    /**
     * @param  array<int, SectionSource>  $guests  sections that are heard in this one's takes, by their position
     * @return list<Segment>
     */
    private static function segments(SectionSource $section, int $position, array $guests, int $start, FrameRate $rate, ShotPlan $plan): array
    {
        $title = $section->title($position);
        if ($section->card !== null) {
            $frames = max(1, $section->card->length->framesToHold($rate));

            return [new Segment($section->id, $position, $title, $start, $frames, null, [$plan->card($section->card, $frames)], [new ChapterMark($title, 0)])];
        }
        $segments = [];
        $choice = $section->opening;
        $changes = [$section->changesIn($section->takes), ...array_map(fn (SectionSource $guest): array => self::asGuest($guest, $section->takes), array_values($guests))];
        foreach ($section->takes as $take) {
            $frames = max(1, $take->used->length()->framesToHold($rate));
            [$shots, $choice] = $plan->of($choice, $changes, $take, $frames);
            $chapters = [...($segments === [] ? [new ChapterMark($title, 0)] : []), ...self::guestChapters($guests, $take, $frames, $plan)];
            $segments[] = new Segment($section->id, $position, $title, $start, $frames, $take, $shots, $chapters);
            $start += $frames;
        }

        return $segments;
    }

    /**
     * What a section shows that is heard in another one's takes: what it begins with comes up where its first line does.
     *
     * @param  list<TakeSource>  $takes
     * @return list<PictureChange>
     */
    private static function asGuest(SectionSource $guest, array $takes): array
    {
        return [...array_map(fn (string $line): PictureChange => new PictureChange($line, 0.0, $guest->opening), array_slice($guest->lines, 0, 1)), ...$guest->changesIn($takes)];
    }

    /**
     * @param  array<int, SectionSource>  $guests
     * @return list<ChapterMark> in order of time
     */
    private static function guestChapters(array $guests, TakeSource $take, int $frames, ShotPlan $plan): array
    {
        $marks = [];
        foreach ($guests as $position => $guest) {
            $frame = isset($guest->lines[0]) ? $plan->frameOf($take, $guest->lines[0]) : null;
            if ($frame !== null && $frame < $frames) {
                $marks[] = new ChapterMark($guest->title($position), $frame);
            }
        }
        usort($marks, fn (ChapterMark $a, ChapterMark $b): int => $a->offset <=> $b->offset);

        return $marks;
    }
}
