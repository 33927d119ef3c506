<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\Course;
use App\Models\HistoryEntry;
use App\Models\Lesson;
use App\Models\Take;
use App\People\CurrentUser;
use OpenReel\Core\Kernel\PlainText;
use OpenReel\Core\People\AuditAction;

/** Notes who did what, for the history of a lesson or course. */
final class WriteHistory
{
    /** Headings and titles are shown this long. */
    private const SHOWN = 80;

    /** @param  array<string, string|int>  $about  see AuditAction::says */
    public function __invoke(AuditAction $deed, Lesson|Course $place, array $about = []): void
    {
        $person = CurrentUser::asks();
        HistoryEntry::query()->create([
            'lesson_id' => $place instanceof Lesson ? $place->id : null,
            'course_id' => $place instanceof Lesson ? $place->course_id : $place->id,
            'user_id' => $person?->id,
            'person' => $person?->name,
            'deed' => $deed,
            'about' => array_map(
                fn (string|int $said): string|int => is_int($said) ? $said : mb_substr(PlainText::row($said), 0, self::SHOWN),
                $about,
            ),
        ]);
    }

    /** @param  array<string, string|int>  $about  beside its number and section */
    public function ofTake(AuditAction $deed, Take $take, array $about = []): void
    {
        $this($deed, $take->lesson(), ['take' => $take->number, 'section' => $take->section->heading] + $about);
    }
}
