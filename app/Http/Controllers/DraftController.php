<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People\WriteHistory;
use App\Actions\Site\ApproveDraft;
use App\Actions\Site\PublishFilm;
use App\Http\Requests\ApproveDraftRequest;
use App\Http\Requests\StoreDraftRequest;
use App\Http\Requests\UpdateDraftRequest;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Publication;
use App\Models\User;
use App\OperationRejected;
use App\People\CurrentUser;
use App\People\Memberships;
use App\Queries\Publishing\ReviewState;
use Illuminate\Http\JsonResponse;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\People\Right;

/** A lesson as a draft that others look at and approve, before it is published. */
final class DraftController
{
    private const NOT_TO_OPEN = 'Who may open a draft is for editors and the owner to say, as publishing is.';

    public function __construct(private readonly ReviewState $state)
    {
    }

    public function show(Lesson $lesson): JsonResponse
    {
        return $this->answer($lesson);
    }

    /** The film that was made last, or the one that is named, becomes the draft to look at. */
    public function store(StoreDraftRequest $request, Lesson $lesson, PublishFilm $publish): JsonResponse
    {
        /** @var Export $film */
        $film = $request->has('export_id')
            ? $lesson->exports()->findOrFail($request->string('export_id')->value())
            : ReviewState::newestFilm($lesson) ?? throw OperationRejected::notYet('There is no film yet. Export the lesson first.');
        $publish($lesson, $film, trim($request->string('note')->value()), forReview: true);

        return $this->answer($lesson);
    }

    /** Whether it is published only when it is approved (the owner says so), and who may open the draft (who may publish). */
    public function update(UpdateDraftRequest $request, Lesson $lesson, WriteHistory $write): JsonResponse
    {
        if ($request->has('needs_approval')) {
            abort_unless(Memberships::may(Right::Own, $lesson), 403, Right::Own->refusal());
            $lesson->update(['needs_approval' => $request->boolean('needs_approval')]);
        }
        $changes = $request->changes() + ($request->has('open') ? ['open_to_links' => $request->boolean('open')] : []);
        if ($changes !== []) {
            $publication = Publication::of($lesson, forReview: true) ?? throw OperationRejected::notYet('There is no draft yet.');
            $closes = $request->boolean('withdrawn') && count($changes) === 1;
            abort_unless($closes || Memberships::may(Right::Publish, $lesson), 403, self::NOT_TO_OPEN);
            $publication->update($changes);
            $request->has('open') && $write($request->boolean('open') ? AuditAction::DraftOpened : AuditAction::DraftClosed, $lesson);
        }

        return $this->answer($lesson);
    }

    public function approve(ApproveDraftRequest $request, Lesson $lesson, ApproveDraft $approve): JsonResponse
    {
        $approve($lesson, self::person(), $request->integer('version'));

        return $this->answer($lesson);
    }

    public function takeBack(Lesson $lesson, ApproveDraft $approve): JsonResponse
    {
        $approve->takeBack($lesson, self::person());

        return $this->answer($lesson);
    }

    private function answer(Lesson $lesson): JsonResponse
    {
        return new JsonResponse($this->state->of($lesson));
    }

    private static function person(): User
    {
        return CurrentUser::asks() ?? throw OperationRejected::conflict('Approving needs a name: it is there where people sign in.');
    }
}
