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
                'began_at' => $last->created_at->toIso8601ZuluString(),
            ],
        ];
    }
}
