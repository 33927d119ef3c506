<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Film\AssembleLesson;
use App\Actions\Film\FilesBeside;
use App\Actions\Film\MakeThumbnail;
use App\Actions\Film\PackEdit;
use App\Actions\Film\PackFilm;
use App\Actions\Film\RequestExport;
use App\Http\MediaResponse;
use App\Http\Resources\ExportResource;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\WorkState;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenReel\Core\Formats\FileName;
use Symfony\Component\HttpFoundation\Response;

final class ExportController
{
    public function __construct(private readonly AssembleLesson $assemble)
    {
    }

    public function index(Lesson $lesson): JsonResponse
    {
        $exports = $lesson->exports()->with('lesson')->get()->take(20);
        $plan = $this->plan($lesson, false);
        // Drafts are few, and what they are made from is computed only where there is one.
        $draft = $exports->contains('draft', true) ? $this->plan($lesson, true) : null;

        return new JsonResponse(
            $exports->map(fn (Export $e): array => (new ExportResource($e, $e->draft ? $draft : $plan))->toArray())->all(),
        );
    }

    public function store(Request $asked, Lesson $lesson, RequestExport $request): JsonResponse
    {
        return $this->resource($request($lesson, $asked->boolean('draft'))->refresh())->response()->setStatusCode(202);
    }

    public function show(Export $export): ExportResource
    {
        return $this->resource($export);
    }

    public function cancel(Export $export): ExportResource
    {
        $export->become(WorkState::Cancelled, WorkState::OPEN, ['doing' => null]);

        return $this->resource($export);
    }

    /** Captions, chapters or the transcript of a film. */
    public function beside(Request $request, Export $export, string $kind): Response
    {
        $isThere = $export->state === WorkState::Done && in_array($kind, $export->beside ?? [], true);

        return MediaResponse::of(
            $isThere ? FilesBeside::path($export, $kind) : null,
            FilesBeside::mime($kind),
            unchanging: $kind !== MakeThumbnail::KIND,
            downloadAs: $request->has('download') ? pathinfo($export->file_name, PATHINFO_FILENAME)." {$kind}" : null,
        );
    }

    /** The film and all beside it. */
    public function pack(Export $export, PackFilm $pack): Response
    {
        abort_unless($export->state === WorkState::Done, 404);

        return MediaResponse::once($pack($export), 'application/zip', pathinfo($export->file_name, PATHINFO_FILENAME).'.zip');
    }

    /** The same as a package for course sites. */
    public function packScorm(Export $export, PackFilm $pack): Response
    {
        abort_unless($export->state === WorkState::Done, 404);
        $name = pathinfo($export->file_name, PATHINFO_FILENAME);

        return MediaResponse::once($pack($export, forCourseSite: true), 'application/zip', "{$name} (SCORM 1.2).zip");
    }

    /** For those who edit with another program. */
    public function packEdit(Lesson $lesson, PackEdit $pack): Response
    {
        return MediaResponse::once($pack($lesson), 'application/zip', FileName::of("{$lesson->title} (edit)", 'zip'));
    }

    /** Another picture of it to be known by. */
    public function thumbnail(Request $request, Export $export, MakeThumbnail $thumbnail): ExportResource
    {
        $request->validate(['at_ms' => ['required', 'integer', 'between:0,86400000']], ['*' => 'Say which moment of the film.']);
        $thumbnail->choose($export, $request->integer('at_ms'));

        return $this->resource($export);
    }

    public function file(Request $request, Export $export): Response
    {
        return MediaResponse::of(
            $export->state === WorkState::Done ? $export->path : null,
            'video/mp4',
            downloadAs: $request->has('download') ? $export->file_name : null,
        );
    }

    private function resource(Export $export): ExportResource
    {
        // Until it is done nobody asks whether it still shows what the lesson says, and finding out costs an assembly.
        return new ExportResource(
            $export,
            $export->state === WorkState::Done ? $this->plan($export->lesson, $export->draft) : $export->plan_hash,
        );
    }

    private function plan(Lesson $lesson, bool $asDraft): string
    {
        return ($this->assemble)($lesson, asDraft: $asDraft)->hash();
    }
}
