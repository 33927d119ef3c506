<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Stretch;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeMap;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Transition;

/**
 * The ordered, trimmed whole. Preview and export both read this value, so they cannot disagree.
 *
 * Times are rounded to frames here and nowhere else: a segment holds its passage whole, rounded up to the next frame, and its
 * sound has exactly as many samples as its frames have ticks. Where a take goes on without a gap from one segment to the
 * next, the first ends on its own last whole frame, so that nothing is heard twice or not at all.
 */
final readonly class Assembly
{
    /**
     * @param  list<Segment>  $segments  in order
     * @param  list<SectionInput>  $missing  sections that are not heard, in order
     * @param  list<MusicSpan>  $music  heard beside what is spoken
     * @param  int  $fadeIn  frames in which it comes from the ground
     * @param  int  $fadeOut  frames in which it goes to the ground
     * @param  array<string, BoardPages>  $pages  what stands on the board when each section begins, by its id
     */
    private function __construct(
        public FrameSize $frame,
        public FrameRate $rate,
        public array $segments,
        public array $missing,
        public array $music,
        public int $fadeIn,
        public int $fadeOut,
        private array $pages,
    ) {
    }

    /**
     * @param  list<SectionInput>  $sections  in lesson order
     * @param  string|null  $only  id of the only section that is wanted; what stands on its board comes from those before
     */
    public static function of(
        FrameSize $frame,
        FrameRate $rate,
        array $sections,
        FilmStyle $look = new FilmStyle(),
        ?string $only = null,
    ): self {
        $plan = new ShotPlan($frame, $rate, $look);
        $maps = self::maps($sections, $rate);
        $segments = $missing = $pages = [];
        $boards = BoardPages::blank();
        foreach ($sections as $index => $section) {
            $pages[$section->id] = $boards;
            $isWanted = $only === null || $section->id === $only;
            if ($isWanted && $section->card === null && $section->passages === []) {
                $missing[] = $section;
            }
            foreach ($isWanted ? self::seen(
                $section, $maps[$index] ?? [], $plan, $rate, $boards,
            ) : [] as $n => $seen) {
                $frames = $seen->frames();
                $last = end($segments) ?: null;
                $join = $n > 0 || $last === null
                    ? Transition::cut()
                    : ($section->join ?? Transition::cut())->within($last->frames, $frames);
                $start = ($last?->endFrame() ?? 0) - $join->overlap();
                $segments[] = new Segment(
                    $section->id,
                    $index + 1,
                    $section->title($index + 1),
                    $start,
                    $frames,
                    $seen->passage,
                    $seen->map,
                    $seen->shots,
                    $join,
                    $n === 0,
                );
            }
            $boards = array_reduce($section->passages, fn (BoardPages $b, Passage $p): BoardPages => $b->after($p), $boards);
        }

        $last = $segments[count($segments) - 1] ?? null;
        $fade = fn (?Shot $shot, int $ms): int => min($rate->frames($ms), intdiv($shot->frames ?? 0, 2));

        return new self(
            $frame,
            $rate,
            $segments,
            $missing,
            MusicPlan::of($segments, self::wanted($sections, $only), $rate),
            // So short that neither meets a join or the other.
            $fade($segments[0]->shots[0] ?? null, $look->fadeInMs),
            $fade($last === null ? null : $last->shots[count($last->shots) - 1], $look->fadeOutMs),
            $pages,
        );
    }

    /**
     * @param  list<SectionInput>  $sections
     * @return list<SectionInput>
     */
    private static function wanted(array $sections, ?string $only): array
    {
        return $only === null ? $sections : array_values(array_filter(
            $sections, fn (SectionInput $s): bool => $s->id === $only,
        ));
    }

    /** What stands on the board when a section begins. */
    public function boardsBefore(string $section): BoardPages
    {
        return $this->pages[$section] ?? BoardPages::blank();
    }

    public function frames(): int
    {
        return $this->segments === [] ? 0 : $this->segments[count($this->segments) - 1]->endFrame();
    }

    public function length(): Tick
    {
        return Tick::ofFrames($this->frames(), $this->rate);
    }

    /** @return list<Chapter> one a section, without gaps, ending where the lesson ends */
    public function chapters(): array
    {
        $opening = array_values(array_filter($this->segments, fn (Segment $s): bool => $s->opens));

        return array_map(
            fn (Segment $s, int $i): Chapter => new Chapter(
                $s->title,
                Tick::ofFrames($s->startFrame, $this->rate),
                Tick::ofFrames($opening[$i + 1]->startFrame ?? $this->frames(), $this->rate),
            ),
            $opening,
            array_keys($opening),
        );
    }

    /**
     * @param  list<TimeMap>  $maps  of its passages
     * @return list<SeenPassage>
     */
    private static function seen(
        SectionInput $section,
        array $maps,
        ShotPlan $plan,
        FrameRate $rate,
        BoardPages $boards,
    ): array {
        if ($section->card !== null) {
            $frames = max(1, $section->card->length->framesToHold($rate));

            return [new SeenPassage($plan->card($section->card, $frames))];
        }
        $style = $section->opening;
        $isCloser = false;
        $staged = 0;
        $seen = [];
        foreach ($section->passages as $n => $passage) {
            $before = $section->passages[$n - 1] ?? null;
            // Where a take goes on nobody is seen to jump.
            $isCloser = $before === null || $passage->continues($before) ? $isCloser : ! $isCloser;
            $shots = $plan->of($style, new PassageView($section, $passage, $maps[$n], $boards, $isCloser), $staged);
            [$style, $staged] = [$shots->last, $shots->staged];
            $seen[] = new SeenPassage($shots->shots, $passage, $maps[$n]);
            $boards = $boards->after($passage);
        }

        return $seen;
    }

    /**
     * @param  list<SectionInput>  $sections
     * @return array<int, list<TimeMap>> by section and passage
     */
    private static function maps(array $sections, FrameRate $rate): array
    {
        $order = [];
        foreach ($sections as $index => $section) {
            foreach ($section->card === null ? $section->passages : [] as $passage) {
                $order[] = [$index, $passage];
            }
            if ($section->card !== null) {
                $order[] = null;
            }
        }
        $maps = [];
        $in = null;
        foreach ($order as $n => $one) {
            if ($one === null) {
                $in = null;

                continue;
            }
            [$index, $passage] = $one;
            $next = $order[$n + 1] ?? null;
            $joined =
                $next !== null &&
                $next[1]->continues($passage) &&
                ($next[0] === $index || ($sections[$next[0]]->join ?? null) === null);
            $maps[$index][] = $map = self::map($passage, $in ?? $passage->span->from, $joined, $rate);
            $in = $joined ? $map->timeOf($map->frames) : null;
        }

        return $maps;
    }

    /**
     * @param  Tick  $from  moment of the take that its first frame shows
     * @param  bool  $isJoined  the take goes on in the next segment: it ends with its last whole frame
     */
    private static function map(Passage $passage, Tick $from, bool $isJoined, FrameRate $rate): TimeMap
    {
        $each = $rate->ticksPerFrame();
        $stretches = [];
        $go = function (Tick $until, int $times, bool $isWhole) use (&$stretches, &$from, $each): void {
            $ticks = $until->minusOrZero($from)->count / ($each * $times);
            $frames = (int) ($isWhole ? floor($ticks) : ceil($ticks));
            if ($frames > 0) {
                $stretches[] = new Stretch($frames, $from, $each * $times);
                $from = Tick::of($from->count + $frames * $each * $times);
            }
        };
        foreach ($passage->quick as $quick) {
            $go($quick->span->from, 1, true);
            if ($quick->times === null) {
                $from = Tick::later($from, $quick->span->until);
            } else {
                $go($quick->span->until, $quick->times, true);
            }
        }
        $go($passage->span->until, 1, $isJoined);

        return TimeMap::of($stretches === [] ? [new Stretch(1, $from, $each)] : $stretches);
    }
}
