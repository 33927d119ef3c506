<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

/** A take's events as JSON lines: `{"at_ms": 1200, "kind": "line", ...}`. Described in docs/formats.md. */
final class EventLog
{
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
            if (! is_array($entry) || ! is_numeric($entry['at_ms'] ?? null) || ! is_string($entry['kind'] ?? null)) {
                continue;
            }
            $data = array_diff_key($entry, ['at_ms' => 1, 'kind' => 1]);
            $events[] = new TakeEvent(max(0, (int) round((float) $entry['at_ms'])), $entry['kind'], $data);
        }
        usort($events, fn (TakeEvent $a, TakeEvent $b): int => $a->atMs <=> $b->atMs);

        return $events;
    }
}
