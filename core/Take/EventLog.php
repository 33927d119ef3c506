<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Annotation\Box;
use OpenReel\Core\Annotation\Click;
use OpenReel\Core\Annotation\PointerPath;
use OpenReel\Core\Annotation\Stroke;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Take\Event\BoardErased;
use OpenReel\Core\Take\Event\BoxDrawn;
use OpenReel\Core\Take\Event\CueGiven;
use OpenReel\Core\Take\Event\Drawn;
use OpenReel\Core\Take\Event\Finished;
use OpenReel\Core\Take\Event\LineRestarted;
use OpenReel\Core\Take\Event\LineShown;
use OpenReel\Core\Take\Event\MarkerDropped;
use OpenReel\Core\Take\Event\Paused;
use OpenReel\Core\Take\Event\Resumed;
use OpenReel\Core\Take\Event\StepReached;
use OpenReel\Core\Take\Event\StrokeUndone;
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
    public static function parse(string $jsonLines): array
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
            'line' => self::isCount($data['line'] ?? null) ? new LineShown($at, $data['line']) : null,
            'step' => self::step($at, $data),
            'again' => self::isCount($data['line'] ?? null) ? new LineRestarted($at, $data['line']) : null,
            'marker' => new MarkerDropped($at),
            'cue' => self::cue($at, $data['cue'] ?? null),
            'pause' => new Paused($at),
            'resume' => new Resumed($at),
            'finish' => new Finished($at),
            'start' => self::started($at, $data),
            'box' => self::box($at, $data),
            'stroke', 'pointer', 'click' => self::drawn($at, $data),
            'take-back' => self::isCount($data['id'] ?? null) ? new StrokeUndone($at, $data['id']) : null,
            'wipe' => self::isSurface($data['on'] ?? null) ? new BoardErased($at, $data['on']) : null,
            default => null,
        } ?? new UnknownEvent($at, $data);
    }

    /** @param  array<string, mixed>  $data */
    private static function step(int $at, array $data): ?StepReached
    {
        $within = $data['within'] ?? null;

        return self::isCount($data['line'] ?? null) && (is_int($within) || is_float($within)) && $within >= 0 && $within < 1
            ? new StepReached($at, $data['line'], (float) $within)
            : null;
    }

    private static function isCount(mixed $said): bool
    {
        return is_int($said) && $said > 0;
    }

    /** Whether it names a surface, see OpenReel\Core\Picture\Stage::surface. */
    private static function isSurface(mixed $said): bool
    {
        return is_string($said) && preg_match('/^(slide:[\w-]{1,64}|screen|board:\d{1,2})$/D', $said) === 1;
    }

    private static function cue(int $at, mixed $said): ?CueGiven
    {
        $cue = is_string($said) ? Cue::parse($said, 0) : null;

        return $cue === null || $cue->problem() !== null ? null : new CueGiven($at, Cue::write($cue->kind, $cue->value));
    }

    /** @param  array<string, mixed>  $data */
    private static function drawn(int $at, array $data): ?Drawn
    {
        $on = $data['on'] ?? null;
        $drawing = match ($data['kind']) {
            'stroke' => Stroke::parse($data),
            'pointer' => PointerPath::parse($data),
            default => Click::parse($data),
        };

        return $drawing === null || ! is_string($on) || ! self::isSurface($on)
            ? null
            : new Drawn($at, $on, $drawing, self::isCount($data['id'] ?? null) ? $data['id'] : null);
    }

    /** @param  array<string, mixed>  $data */
    private static function started(int $at, array $data): ?TrackStarted
    {
        $kind = is_string($data['track'] ?? null) ? TrackKind::tryFrom($data['track']) : null;
        $surface = in_array($data['surface'] ?? null, ['monitor', 'window', 'browser'], true) ? $data['surface'] : null;

        return $kind === null ? null : new TrackStarted($at, $kind, ($data['in_step'] ?? false) === true, $surface);
    }

    /** @param  array<string, mixed>  $data */
    private static function box(int $at, array $data): ?BoxDrawn
    {
        $box = Box::parse($data);
        $for = $data['for_ms'] ?? null;

        return $box !== null && is_int($for) && $for > 0 && $for <= self::LATEST_MS ? new BoxDrawn($at, $box, $for) : null;
    }
}
