<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Site\ApproveDraft;
use App\Actions\Site\PublishFilm;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Publication;
use App\Models\User;
use App\People\Standings;
use App\People\Whoever;
use App\Readers\ReviewState;
use App\Refusal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenReel\Core\People\Right;

/** A lesson as a draft that others look at and approve, before it is published. */
final class DraftController
{
    public function __construct(private readonly ReviewState $state)
    {
    }

    public function show(Lesson $lesson): JsonResponse
    {
        return $this->answer($lesson);
    }

    /** The film that was made last, or the one that is named, becomes the draft to look at. */
    public function store(Request $request, Lesson $lesson, PublishFilm $publish): JsonResponse
    {
        $request->validate([
            'export_id' => ['sometimes', 'string', 'max:26'],
            'note' => ['sometimes', 'nullable', 'string', 'max:500'],
        ], ['*' => 'Say which film is to be looked at.']);
        /** @var Export $film */
        $film = $request->has('export_id')
            ? $lesson->exports()->findOrFail($request->string('export_id')->value())
            : ReviewState::newestFilm($lesson) ?? throw Refusal::notYet('There is no film yet. Export the lesson first.');
        $publish($lesson, $film, trim($request->string('note')->value()), forReview: true);

        return $this->answer($lesson);
    }

    /** Whether it is published only when it is approved (the owner says so), and whether the draft's link works. */
    public function update(Request $request, Lesson $lesson): JsonResponse
    {
        $request->validate(['needs_approval' => ['sometimes', 'boolean'], 'withdrawn' => ['sometimes', 'boolean']]);
        if ($request->has('needs_approval')) {
            abort_unless(Standings::may(Right::Own, $lesson), 403, Right::Own->refusal());
            $lesson->update(['needs_approval' => $request->boolean('needs_approval')]);
        }
        if ($request->has('withdrawn')) {
            $publication = Publication::of($lesson, forReview: true) ?? throw Refusal::notYet('There is no draft yet.');
            $publication->update(['withdrawn_at' => $request->boolean('withdrawn') ? now() : null]);
        }

        return $this->answer($lesson);
    }

    public function approve(Request $request, Lesson $lesson, ApproveDraft $approve): JsonResponse
    {
        $request->validate(['version' => ['required', 'integer', 'min:1']], ['*' => 'Say which version you looked at.']);
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
        return Whoever::asks() ?? throw Refusal::conflict('Approving needs a name: it is there where people sign in.');
    }
}
