<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Comment;
use App\Models\Lesson;
use App\Models\Publication;
use App\Models\Version;
use App\Queries\Film\FilmTranscript;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Publishing\RetentionCurve;

/** What the presenter sees of a lesson on the course site. */
final class PublicationResource
{
    /** @return array{site: array<string, mixed>|null, comments: list<array<string, mixed>>, held: int} */
    public static function of(Lesson $lesson): array
    {
        $publications = Publication::query()->where('lesson_id', $lesson->id)->select('id');
        /** @var Collection<int, Comment> $comments */
        $comments = Comment::query()
            ->with('publication')
            ->whereIn('publication_id', $publications)
            ->whereNull('held_at')
            ->orderBy('at_ms')
            ->orderBy('id')
            ->get();
        $publication = Publication::of($lesson);

        return [
            'site' => $publication === null ? null : self::site($publication),
            'comments' => CommentResource::forPresenter($comments),
            'held' => Comment::query()->whereIn('publication_id', $publications)->whereNotNull('held_at')->count(),
        ];
    }

    /** @return array<string, mixed> */
    private static function site(Publication $publication): array
    {
        $versions = $publication->versions()->with('export')->get();

        return [
            'id' => $publication->id,
            'path' => "/watch/{$publication->token}",
            'shown' => $publication->isShown(),
            'withdrawn' => $publication->withdrawn_at !== null,
            'ends_on' => $publication->ends_on?->toDateString(),
            'password' => $publication->password !== null,
            'versions' => array_values($versions->map(fn (Version $v): array => [
                'number' => $v->number, 'export_id' => $v->export_id, 'note' => $v->note, 'draft' => $v->export->draft,
                'published_at' => $v->created_at->toIso8601ZuluString(),
            ])->all()),
            'watched' => self::watched($versions->first()),
        ];
    }

    /** @return list<array{title: string, seen: float}> how much of each chapter of the film shown now was seen */
    private static function watched(?Version $version): array
    {
        /** @var array<int, int> $times */
        $times = $version === null ? [] : DB::table('watched')->where('version_id', $version->id)->pluck('times', 'part')->all();
        if ($version === null || $times === []) {
            return [];
        }
        $export = $version->export;

        $chapters = app(FilmTranscript::class)->of($export)['chapters'];
        $curve = RetentionCurve::byChapter(array_column($chapters, 'from_ms'), $export->milliseconds(), $times);

        return array_map(fn (array $c, float $seen): array => ['title' => $c['title'], 'seen' => $seen], $chapters, $curve);
    }
}
