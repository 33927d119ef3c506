<?php

declare(strict_types=1);

namespace App\Readers;

use App\Models\Take;
use App\Models\TakeState as State;
use OpenReel\Core\Coverage\TakeState;
use OpenReel\Core\Time\Span;
use OpenReel\Core\Time\Tick;

/** Reads what the core wants to know off a take's row. */
final class TakeSpan
{
    /** What the presenter chose, or else the speech found, or else all of it. */
    public static function used(Take $take): Span
    {
        return Span::between(
            Tick::of($take->used_from ?? $take->speech_from ?? 0),
            Tick::of($take->used_until ?? $take->speech_until ?? $take->length_ticks),
        );
    }

    public static function state(Take $take): TakeState
    {
        return new TakeState($take->id, $take->number, $take->verdict, $take->state === State::Ready && $take->length_ticks > 0, array_column($take->lines, 'id'));
    }
}
