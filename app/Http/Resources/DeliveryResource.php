<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\Film\FilmFolder;
use App\Media\SiteFolder;
use App\Models\Delivery;
use App\Models\Lesson;
use App\Models\WorkState;
use Illuminate\Database\Eloquent\Builder;

/** What the presenter sees of a lesson in the course site's folder. */
final class DeliveryResource
{
    /** @return array{folder: string|null, there: array<string, mixed>|null, last: array<string, mixed>|null} */
    public static function of(Lesson $lesson): array
    {
        /** @var Builder<Delivery> $deliveries */
        $deliveries = Delivery::query()->where('lesson_id', $lesson->id)->orderByDesc('id');
        $there = (clone $deliveries)->where('state', WorkState::Done)->first();
        $last = $deliveries->first();
        $site = app(SiteFolder::class);

        return [
            'folder' => $site->name(),
            'there' => $there === null ? null : [
                'export_id' => $there->export_id,
                'number' => $there->number,
                'path' => $there->folder,
                'url' => $site->address("{$there->folder}/".FilmFolder::PAGE),
                'sent_at' => $there->updated_at->toIso8601ZuluString(),
            ],
            'last' => $last === null ? null : [
                'id' => $last->id,
                'export_id' => $last->export_id,
                'state' => $last->state->value,
                'done' => $last->done,
                'total' => $last->total,
                'problem' => $last->problem,
                'seconds_left' => self::secondsLeft($last),
            ],
        ];
    }

    /** At the pace so far, which counts after a few seconds. */
    private static function secondsLeft(Delivery $delivery): ?int
    {
        $spent = (int) $delivery->created_at->diffInSeconds(now());
        $isKnown = $delivery->state === WorkState::Running && $delivery->done > 0 && $spent > 3;

        return $isKnown ? (int) ceil($spent * ($delivery->total - $delivery->done) / $delivery->done) : null;
    }
}
