<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People\WriteHistory;
use App\Actions\Site\PublishFilm;
use App\Http\Requests\MarkCommentRequest;
use App\Http\Requests\PublicationRequest;
use App\Http\Requests\ReplyRequest;
use App\Http\Requests\SettleHeldCommentsRequest;
use App\Http\Requests\StorePublicationRequest;
use App\Http\Resources\PublicationResource;
use App\Models\Comment;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Publication;
use App\OperationRejected;
use App\People\CurrentUser;
use App\People\Memberships;
use App\Queries\Lessons\LessonStyle;
use Illuminate\Http\JsonResponse;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\People\Right;

/** A lesson on the course site, for whoever made it: publishing, who may watch, what was said of it. */
final class PublicationController
{
    public function show(Lesson $lesson): JsonResponse
    {
        return $this->answer($lesson);
    }

    public function store(StorePublicationRequest $request, Lesson $lesson, PublishFilm $publish): JsonResponse
    {
        /** @var Export $export */
        $export = $lesson->exports()->findOrFail($request->string('export_id')->value());
        $publish($lesson, $export, trim($request->string('note')->value()), show: $request->boolean('show'));

        return $this->answer($lesson);
    }

    public function update(PublicationRequest $request, Lesson $lesson, WriteHistory $write): JsonResponse
    {
        $publication = Publication::of($lesson) ?? throw OperationRejected::notYet('This lesson is not published yet.');
        $publication->update($request->changes());
        if ($request->has('withdrawn')) {
            $write($request->boolean('withdrawn') ? AuditAction::Withdrawn : AuditAction::ShownAgain, $lesson);
        }
        if ($request->boolean('renew')) {
            $write(AuditAction::LinkRenewed, $lesson);
        }

        return $this->answer($lesson);
    }

    /** Comments that came all at once are shown to viewers, or thrown away. */
    public function settleHeld(SettleHeldCommentsRequest $request, Lesson $lesson): JsonResponse
    {
        $held = Comment::query()->whereNotNull('held_at')->whereIn(
            'publication_id', Publication::query()->where('lesson_id', $lesson->id)->select('id'),
        );
        $request->boolean('show') ? $held->update(['held_at' => null]) : $held->delete();

        return $this->answer($lesson);
    }

    /** Done, hidden, or neither any more. */
    public function mark(MarkCommentRequest $request, Comment $comment): JsonResponse
    {
        if ($request->has('done')) {
            $done = $request->boolean('done');
            $comment->update(['done_at' => $done ? now() : null, 'done_in' => null]);
        }
        if ($request->has('hidden')) {
            // What viewers may not read is for those to say whose lesson it is.
            abort_unless(Memberships::may(Right::Write, $comment->publication->lesson), 403, Right::Write->refusal());
            $comment->update(['hidden_at' => $request->boolean('hidden') ? now() : null]);
        }

        return $this->answer($comment->publication->lesson);
    }

    public function reply(ReplyRequest $request, Comment $comment): JsonResponse
    {
        $publication = $comment->publication;
        $publication->comments()->create($comment->only(['at_ms', 'section_id', 'line_id', 'line_text', 'version']) + [
            'answers' => $comment->answers ?? $comment->id,
            'name' => CurrentUser::asks()->name ?? LessonStyle::of($publication->lesson)->presenter ?? 'The presenter',
            // A reviewer answers as who they are.
            'by_presenter' => Memberships::may(Right::Write, $publication->lesson),
            'text' => trim($request->string('text')->value()),
        ]);

        return $this->answer($publication->lesson);
    }

    private function answer(Lesson $lesson): JsonResponse
    {
        return new JsonResponse(PublicationResource::of($lesson));
    }
}
