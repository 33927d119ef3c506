<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People\WriteHistory;
use App\Actions\Site\PublishFilm;
use App\Http\Resources\PublicationResource;
use App\Models\Comment;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Publication;
use App\People\Whoever;
use App\Readers\LessonStyle;
use App\Refusal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use OpenReel\Core\People\Deed;

/** A lesson on the course site, for whoever made it: publishing, who may watch, what was said of it. */
final class PublicationController
{
    public function show(Lesson $lesson): JsonResponse
    {
        return $this->answer($lesson);
    }

    public function store(Request $request, Lesson $lesson, PublishFilm $publish): JsonResponse
    {
        $request->validate([
            'export_id' => ['required', 'string'],
            'note' => ['sometimes', 'nullable', 'string', 'max:500'],
        ], ['*' => 'Say which film is to be published.']);
        /** @var Export $export */
        $export = $lesson->exports()->findOrFail($request->string('export_id')->value());
        $publish($lesson, $export, trim($request->string('note')->value()));

        return $this->answer($lesson);
    }

    public function update(Request $request, Lesson $lesson, WriteHistory $write): JsonResponse
    {
        $request->validate([
            'password' => ['sometimes', 'nullable', 'string', 'min:4', 'max:200'],
            'ends_on' => ['sometimes', 'nullable', 'date_format:Y-m-d'],
            'withdrawn' => ['sometimes', 'boolean'],
        ], [
            'password.min' => 'A password needs at least four characters.',
            'ends_on.*' => 'Give the last day as a date.',
        ]);
        $publication = Publication::of($lesson) ?? throw Refusal::notYet('This lesson is not published yet.');
        $publication->update(array_filter([
            'password' => $request->has('password') ? self::hashed($request->input('password')) : false,
            'ends_on' => $request->has('ends_on') ? ($request->input('ends_on') ?: null) : false,
            'withdrawn_at' => $request->has('withdrawn') ? ($request->boolean('withdrawn') ? now() : null) : false,
        ], fn (mixed $v): bool => $v !== false));
        if ($request->has('withdrawn')) {
            $write($request->boolean('withdrawn') ? Deed::Withdrawn : Deed::ShownAgain, $lesson);
        }

        return $this->answer($lesson);
    }

    /** Done, hidden, or neither any more. */
    public function mark(Request $request, Comment $comment): JsonResponse
    {
        $request->validate(['done' => ['sometimes', 'boolean'], 'hidden' => ['sometimes', 'boolean']]);
        if ($request->has('done')) {
            $done = $request->boolean('done');
            $comment->update(['done_at' => $done ? now() : null, 'done_in' => null]);
        }
        if ($request->has('hidden')) {
            $comment->update(['hidden_at' => $request->boolean('hidden') ? now() : null]);
        }

        return $this->answer($comment->publication->lesson);
    }

    public function reply(Request $request, Comment $comment): JsonResponse
    {
        $says = 'Write an answer of at most 2000 characters.';
        $request->validate(['text' => ['required', 'string', 'max:2000']], ['*' => $says]);
        $publication = $comment->publication;
        $publication->comments()->create($comment->only(['at_ms', 'section_id', 'line_id', 'line_text', 'version']) + [
            'answers' => $comment->answers ?? $comment->id,
            'name' => Whoever::asks()->name ?? LessonStyle::of($publication->lesson)->presenter ?? 'The presenter',
            'by_presenter' => true,
            'text' => trim($request->string('text')->value()),
        ]);

        return $this->answer($publication->lesson);
    }

    private function answer(Lesson $lesson): JsonResponse
    {
        return new JsonResponse(PublicationResource::of($lesson));
    }

    private static function hashed(mixed $password): ?string
    {
        return is_string($password) && $password !== '' ? Hash::make($password) : null;
    }
}
