<?php

declare(strict_types=1);

namespace OpenReel\Core\Analysis;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\CutPlacement;
use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Take\Event\MarkerDropped;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\IngestResult;
use OpenReel\Core\Take\LineTimes;
use OpenReel\Core\Take\LineTimings;
use OpenReel\Core\Take\Retakes;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\TakeAnnotations;
use OpenReel\Core\Take\TakeClock;

/** What a take's levels and its event log tell, before anybody listens to its words. */
final readonly class Ingest
{
    /** So long is looked at what was written last. */
    private const AFTER_WRITING_MS = 600;

    private Levels $levels;

    private CutPlacement $cuts;

    /**
     * @param  Tick  $length  of the take
     * @param  Levels|null  $voice  of its voice; null of a take without sound
     * @param  Tick  $voiceFrom  moment of the take at which its voice begins
     * @param  list<SpokenLine>  $lines  that it was recorded for
     * @param  list<TakeEvent>  $events  in order of time
     */
    public function __construct(
        private Tick $length,
        private ?Levels $voice,
        private Tick $voiceFrom,
        private array $lines,
        private array $events,
    ) {
        $this->levels = $voice ?? new Levels([], [], 0, 0);
        $this->cuts = new CutPlacement($voice, $voiceFrom);
    }

    public function result(): IngestResult
    {
        $drawn = TakeAnnotations::of($this->events);
        $speech = $this->speech($drawn);
        $retakes = $this->retakes();

        return new IngestResult(
            $this->length,
            $speech,
            $this->timings($speech, $retakes),
            $retakes,
            $this->voice === null ? ['no-sound'] : array_column(SoundChecks::of($this->voice), 'value'),
            $drawn->marks,
            $drawn->wipes,
            $this->markers(),
        );
    }

    /** From the first sound of a voice to the last; what was written behind the last word is meant to be seen. */
    private function speech(TakeAnnotations $drawn): ?Span
    {
        $found = SpeechFinder::find($this->levels);
        if ($found === null) {
            return null;
        }
        [$from, $until] = [$found->from->plus($this->voiceFrom), $found->until->plus($this->voiceFrom)];
        $written = $drawn->written()?->plus(Tick::ofMilliseconds(self::AFTER_WRITING_MS));

        return Span::between(
            $from, $written === null ? $until : Tick::later($until, Tick::earlier($written, $this->length)),
        );
    }

    /** @return list<Span> */
    private function retakes(): array
    {
        $retakes = [];
        foreach (Retakes::of($this->events) as $span) {
            [$from, $until] = [$this->cuts->nearPrompter($span->from), $this->cuts->nearPrompter($span->until)];
            if ($from->isBefore($until)) {
                $retakes[] = Span::between($from, $until);
            }
        }

        return $retakes;
    }

    /** @param  list<Span>  $retakes */
    private function timings(?Span $speech, array $retakes): LineTimings
    {
        if ($this->length->count === 0) {
            return new LineTimings();
        }
        $used = Spans::minus([$speech ?? Span::between(Tick::zero(), $this->length)], $retakes);
        $times = $used === [] ? [] : LineTimes::of(
            $this->lines, $this->events, Span::between($used[0]->from, $used[count($used) - 1]->until),
        );

        return new LineTimings($times, array_map($this->cuts->nearPrompter(...), $times), LineTimes::reached($this->lines, $this->events));
    }

    /** @return array<int, Tick> by number */
    private function markers(): array
    {
        $clock = TakeClock::fromEvents($this->events);
        $markers = [];
        foreach ($this->events as $event) {
            if ($event instanceof MarkerDropped) {
                $markers[count($markers) + 1] = $clock->at($event->atMs);
            }
        }

        return $markers;
    }
}
