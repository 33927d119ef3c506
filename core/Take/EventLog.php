<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Mark\Box;
use OpenReel\Core\Take\Event\BoxDrawn;
use OpenReel\Core\Take\Event\Finished;
use OpenReel\Core\Take\Event\LineShown;
use OpenReel\Core\Take\Event\Paused;
use OpenReel\Core\Take\Event\Resumed;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\Event\TrackStarted;
use OpenReel\Core\Take\Event\UnknownEvent;

/** A take's events as JSON lines: `{"at_ms": 1200, "kind": "line", ...}`. Described in docs/formats.md. */
final class EventLog
{
    /** Longer than any take, in milliseconds: a day. */
    private const LATEST_MS = 86_400_000;

    /**
     * Rows that cannot be read (cut off by a crash) are passed over.
     *
     * @return list<TakeEvent> in order of time, events of the same moment in the order written
     */
    public static function read(string $jsonLines): array
    {
        $events = [];
        foreach (preg_split('/\R/', $jsonLines) ?: [] as $row) {
            $entry = json_decode($row, true);
            if (is_array($entry) && is_numeric($entry['at_ms'] ?? null) && is_string($entry['kind'] ?? null)) {
                $events[] = self::event(
                    (int) round(max(0.0, min(self::LATEST_MS, (float) $entry['at_ms']))),
                    array_diff_key($entry, ['at_ms' => 1]),
                );
            }
        }
        usort($events, fn (TakeEvent $a, TakeEvent $b): int => $a->atMs <=> $b->atMs);

        return $events;
    }

    /** @param  list<TakeEvent>  $events */
    public static function write(array $events): string
    {
        return implode(
            '',
            array_map(
                fn (TakeEvent $e): string => json_encode(
                    ['at_ms' => $e->atMs] + $e->toArray(),
                    JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
                )."\n",
                $events,
            ),
        );
    }

    /** @param  array<string, mixed>  $data */
    private static function event(int $at, array $data): TakeEvent
    {
        return match ($data['kind']) {
            'line' => is_int($data['line'] ?? null) && $data['line'] > 0 ? new LineShown($at, $data['line']) : null,
            'pause' => new Paused($at),
            'resume' => new Resumed($at),
            'finish' => new Finished($at),
            'start' => self::started($at, $data['track'] ?? null),
            'box' => self::box($at, $data),
            default => null,
        } ?? new UnknownEvent($at, $data);
    }

    private static function started(int $at, mixed $track): ?TrackStarted
    {
        $kind = is_string($track) ? TrackKind::tryFrom($track) : null;

        return $kind === null ? null : new TrackStarted($at, $kind);
    }

    /** @param  array<string, mixed>  $data */
    private static function box(int $at, array $data): ?BoxDrawn
    {
        $box = Box::read($data);
        $for = $data['for_ms'] ?? null;

        return $box !== null && is_int($for) && $for > 0 && $for <= self::LATEST_MS ? new BoxDrawn($at, $box, $for) : null;
    }
}
