<?php

declare(strict_types=1);

namespace App\Queries\Publishing;

use App\Models\Approval;
use App\Models\Comment;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Publication;
use App\Models\Version;
use App\Models\WorkState;
use App\People\CurrentUser;
use App\Queries\Film\AssembleLesson;
use App\Queries\Film\ChangesSinceExport;
use Illuminate\Database\Eloquent\Collection;
use OpenReel\Core\Film\FilmPlan;
use OpenReel\Core\Render\ExportPreset;

/** How far the review of a lesson is: the draft that is looked at, who approved it, and what changed since. */
final class ReviewState
{
    public function __construct(private readonly AssembleLesson $assemble, private readonly ChangesSinceExport $changed)
    {
    }

    /** @return array<string, mixed> see resources/js/api/types.ts */
    public function of(Lesson $lesson): array
    {
        $publication = Publication::of($lesson, forReview: true);
        $draft = $publication?->versions()->with('export')->first();
        $usual = $draft === null ? null : ($this->assemble)($lesson);

        return [
            'needs_approval' => $lesson->needs_approval,
            'draft' => $publication === null || $draft === null ? null : [
                'path' => "/watch/{$publication->token}",
                'shown' => $publication->isShown(),
                'version' => $draft->number,
                'note' => $draft->note,
                'made_at' => $draft->created_at->toIso8601ZuluString(),
                'export_id' => $draft->export_id,
                'yours' => $draft->user_id !== null && $draft->user_id === CurrentUser::asks()?->id,
                'open' => $publication->open_to_links,
                'password' => $publication->password !== null,
                'ends_on' => $publication->ends_on?->toDateString(),
            ],
            'newest_film' => self::newestFilm($lesson)?->id,
            'approvals' => $draft === null ? [] : self::approvals($draft),
            'approved' => $draft !== null && self::isApproved($lesson, $usual?->hash()),
            'since' => $draft === null || $usual === null ? null : $this->since($lesson, $draft, $usual),
            'open_comments' => Comment::query()
                ->whereIn('publication_id', Publication::query()->where('lesson_id', $lesson->id)->select('id'))
                ->whereNull('answers')->whereNull('done_at')->whereNull('hidden_at')->whereNull('held_at')
                ->count(),
        ];
    }

    /**
     * Whether somebody approved exactly this: what is seen, heard and said.
     *
     * @param  string|null  $madeOf  see Export
     */
    public static function isApproved(Lesson $lesson, ?string $madeOf): bool
    {
        return $madeOf !== null && Approval::query()->where('lesson_id', $lesson->id)->where('made_of', $madeOf)->exists();
    }

    /** @return list<array{id: string, person: string, you: bool, at: string}> of a draft, the first first */
    private static function approvals(Version $draft): array
    {
        /** @var Collection<int, Approval> $all */
        $all = Approval::query()->where('version_id', $draft->id)->orderBy('id')->get();

        return array_values($all->map(fn (Approval $a): array => [
            'id' => $a->id,
            'person' => $a->person,
            'you' => $a->user_id === CurrentUser::asks()?->id,
            'at' => $a->created_at->toIso8601ZuluString(),
        ])->all());
    }

    /** @return array<string, mixed> */
    private function since(Lesson $lesson, Version $draft, FilmPlan $usual): array
    {
        $edition = $draft->export->edition();
        $same = $edition->toArray() === (new ExportPreset)->toArray();

        return $this->changed->of($draft->export, $same ? $usual : ($this->assemble)($lesson, as: $edition), $usual);
    }

    /** What would be sent for review next: of the whole lesson, with a stand-in voice perhaps. */
    public static function newestFilm(Lesson $lesson): ?Export
    {
        return $lesson->exports()->where('state', WorkState::Done)->get()
            ->first(fn (Export $e): bool => $e->edition()->section === null);
    }
}
