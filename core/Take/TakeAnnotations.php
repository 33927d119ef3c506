<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Annotation\Click;
use OpenReel\Core\Annotation\Drawing;
use OpenReel\Core\Annotation\PointerPath;
use OpenReel\Core\Annotation\Stroke;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\Event\BoardErased;
use OpenReel\Core\Take\Event\BoxDrawn;
use OpenReel\Core\Take\Event\Drawn;
use OpenReel\Core\Take\Event\StrokeUndone;
use OpenReel\Core\Take\Event\TakeEvent;

/** What was drawn while a take was recorded, and what was wiped off: from its events, in take time. */
final readonly class TakeAnnotations
{
    /** Until the take ends: a day, longer than any take. */
    private const FOREVER_MS = 86_400_000;

    /**
     * @param  list<TakeAnnotation>  $marks  in the order in which they lie over each other
     * @param  list<Erasure>  $wipes  in order
     */
    private function __construct(public array $marks, public array $wipes)
    {
    }

    /** @param  list<TakeEvent>  $events  in order of time */
    public static function of(array $events): self
    {
        $clock = TakeClock::fromEvents($events);
        $marks = $wipes = [];
        foreach ($events as $i => $event) {
            if ($event instanceof BoxDrawn) {
                $marks[] = self::mark($event->box, $clock, $event->atMs, $event->atMs + $event->forMs);
            } elseif ($event instanceof Drawn) {
                $until = self::until($event, array_slice($events, $i + 1));
                $marks[] = self::mark($event->drawing, $clock, $event->atMs, $until, $event->on);
            } elseif ($event instanceof BoardErased) {
                $wipes[] = new Erasure($event->on, $clock->at($event->atMs));
            }
        }

        return new self(array_values(array_filter($marks)), $wipes);
    }

    /** When the last stroke was drawn to its end; null when nothing was written. */
    public function written(): ?Tick
    {
        $last = null;
        foreach ($this->marks as $mark) {
            if ($mark->drawing instanceof Stroke) {
                $points = $mark->drawing->points;
                $end = $mark->seen->from->plus(Tick::ofMilliseconds($points[count($points) - 1]->ms));
                $last = $last === null ? $end : Tick::later($last, $end);
            }
        }

        return $last;
    }

    /**
     * Wall time at which it is gone.
     *
     * @param  list<TakeEvent>  $later
     */
    private static function until(Drawn $drawn, array $later): int
    {
        $length = match (true) {
            $drawn->drawing instanceof Click => Click::LENGTH_MS,
            $drawn->drawing instanceof PointerPath => $drawn->drawing->lengthMs(),
            default => null,
        };
        if ($length !== null) {
            return min($drawn->atMs + $length, self::nextPointer($drawn, $later) ?? PHP_INT_MAX);
        }
        foreach ($later as $event) {
            $isGone =
                $event instanceof StrokeUndone && $event->id === $drawn->id || $event instanceof BoardErased && $event->on === $drawn->on;
            if ($isGone) {
                return $event->atMs;
            }
        }

        return self::FOREVER_MS;
    }

    /**
     * There is one pointer: where it is seen anew, it is no longer seen where it was. Wall time.
     *
     * @param  list<TakeEvent>  $later
     */
    private static function nextPointer(Drawn $drawn, array $later): ?int
    {
        foreach ($drawn->drawing instanceof PointerPath ? $later : [] as $event) {
            if ($event instanceof Drawn && $event->drawing instanceof PointerPath) {
                return $event->atMs;
            }
        }

        return null;
    }

    private static function mark(Drawing $drawing, TakeClock $clock, int $from, int $until, string $on = ''): ?TakeAnnotation
    {
        $start = $clock->at($from);
        $end = $clock->at($until);

        return $start->isBefore($end) ? new TakeAnnotation($drawing, Span::between($start, $end), $on) : null;
    }
}
