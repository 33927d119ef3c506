<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Comment;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Comments with their answers, in the order of the film. */
final class CommentResource
{
    /**
     * As viewers see them.
     *
     * @param  Collection<int, Comment>  $comments  of one film
     * @return list<array<string, mixed>>
     */
    public static function forViewers(Collection $comments): array
    {
        $shown = $comments->whereNull('hidden_at');

        return array_values($shown->whereNull('answers')->map(fn (Comment $c): array => self::said($c) + [
            'at_ms' => $c->at_ms,
            'version' => $c->version,
            'done_in' => $c->done_in,
            'answers' => array_values($shown->where('answers', $c->id)->sortBy('id')->map(self::said(...))->all()),
        ])->all());
    }

    /** @return array<string, mixed> one that waits to be looked at, for whoever has just said it */
    public static function held(Comment $comment): array
    {
        return self::said($comment) + [
            'at_ms' => $comment->at_ms, 'version' => $comment->version, 'done_in' => null, 'answers' => [], 'held' => true,
        ];
    }

    /**
     * As the presenter sees them: with the line they are about, as the script says it now.
     *
     * @param  Collection<int, Comment>  $comments  of one lesson
     * @return list<array<string, mixed>>
     */
    public static function forPresenter(Collection $comments): array
    {
        $ids = $comments->pluck('line_id')->filter()->unique()->all();
        $rows = DB::table('lines')->whereIn('id', $ids)->whereNotNull('position')->get(['id', 'section_id', 'text']);
        $lines = $rows->keyBy('id');

        return array_values($comments->whereNull('answers')->map(function (Comment $c) use ($comments, $lines): array {
            $line = $lines->get((string) $c->line_id);

            return self::said($c) + [
                'at_ms' => $c->at_ms,
                'version' => $c->version,
                'of_draft' => $c->publication->for_review,
                'section_id' => $line->section_id ?? $c->section_id,
                'line_id' => $line->id ?? null,
                'line_was' => $c->line_text,
                // Null: nobody says it any more.
                'line_now' => $line->text ?? null,
                'done' => $c->done_at !== null,
                'done_in' => $c->done_in,
                'hidden' => $c->hidden_at !== null,
                'answers' => array_values($comments->where('answers', $c->id)->sortBy('id')->map(
                    fn (Comment $a): array => self::said($a) + ['hidden' => $a->hidden_at !== null],
                )->all()),
            ];
        })->all());
    }

    /** @return array{id: string, name: string, by_presenter: bool, text: string, said_at: string} */
    private static function said(Comment $comment): array
    {
        return [
            'id' => $comment->id,
            'name' => $comment->name,
            'by_presenter' => $comment->by_presenter,
            'text' => $comment->text,
            'said_at' => $comment->created_at->toIso8601ZuluString(),
        ];
    }
}
