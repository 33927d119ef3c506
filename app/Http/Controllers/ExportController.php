<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Film\MakeHandout;
use App\Actions\Film\MakeThumbnail;
use App\Actions\Film\PackEdit;
use App\Actions\Film\PackFilm;
use App\Actions\Film\RequestExport;
use App\Http\MediaResponse;
use App\Http\Requests\ExportRequest;
use App\Http\Requests\HandoutRequest;
use App\Http\Requests\ThumbnailRequest;
use App\Http\Resources\ExportResource;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\WorkState;
use App\Queries\Film\AssembleLesson;
use App\Queries\Film\ChangesSinceExport;
use App\Queries\Film\ExpectedFilm;
use App\Queries\Film\FilmNames;
use App\Queries\Film\SidecarFile;
use App\Queries\Film\UsualPresets;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenReel\Core\Handout\HandoutLayout;
use OpenReel\Core\Kernel\FileName;
use OpenReel\Core\Packages\PackageKind;
use OpenReel\Core\Render\ExportPreset;
use Symfony\Component\HttpFoundation\Response;

final class ExportController
{
    public function __construct(private readonly AssembleLesson $assemble)
    {
    }

    public function index(Lesson $lesson): JsonResponse
    {
        $plans = [];
        // What a film is made from is computed once for all that are made of the same.
        $plan = function (Export $export) use ($lesson, &$plans): string {
            $as = $export->edition()->planned();

            return $plans[json_encode($as->toArray())] ??= $this->plan($lesson, $as);
        };

        return new JsonResponse(
            $lesson->exports()->with('lesson')->get()->take(20)
                ->map(fn (Export $e): array => (new ExportResource($e, $plan($e)))->toArray())
                ->all(),
        );
    }

    public function store(ExportRequest $asked, Lesson $lesson, RequestExport $request): JsonResponse
    {
        $export = $request($lesson, $asked->edition($lesson), $asked->batch());

        return $this->resource($export->refresh())->response()->setStatusCode(202);
    }

    /** As what the lessons of this course are exported. */
    public function usual(Lesson $lesson): JsonResponse
    {
        return new JsonResponse(array_map(fn (ExportPreset $e): array => $e->toArray(), UsualPresets::of($lesson)));
    }

    /** How large a film would be, and how long it would take. */
    public function expected(ExportRequest $asked, Lesson $lesson, ExpectedFilm $expected): JsonResponse
    {
        $as = $asked->edition($lesson);

        return new JsonResponse(
            ['file_name' => FilmNames::of($lesson, $as)]
                + $expected->of($as, ($this->assemble)($lesson, as: $as), ($this->assemble)($lesson)),
        );
    }

    public function show(Export $export): ExportResource
    {
        return $this->resource($export);
    }

    /** What has changed in the lesson since. */
    public function since(Export $export, ChangesSinceExport $changed): JsonResponse
    {
        abort_unless($export->state === WorkState::Done, 404);
        $usual = ($this->assemble)($export->lesson);

        return new JsonResponse($changed->of($export, ($this->assemble)($export->lesson, as: $export->edition()), $usual));
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
            $isThere ? SidecarFile::path($export, $kind) : null,
            SidecarFile::mime($kind),
            unchanging: ! in_array($kind, [SidecarFile::THUMBNAIL, ...SidecarFile::OTHER_THUMBNAILS], true),
            downloadAs: $request->has('download') ? pathinfo($export->file_name, PATHINFO_FILENAME)." {$kind}" : null,
        );
    }

    /** The film and all beside it, with a page that may tell a course site how much was watched. */
    public function pack(Export $export, string $kind, PackFilm $pack): Response
    {
        abort_unless($export->state === WorkState::Done, 404);
        $kind = $kind === 'all' ? PackageKind::Folder : PackageKind::from($kind);
        $name = pathinfo($export->file_name, PATHINFO_FILENAME).$kind->suffix();

        return MediaResponse::once($pack($export, $kind), 'application/zip', "{$name}.zip");
    }

    /** For those who edit with another program. */
    public function packEdit(Lesson $lesson, PackEdit $pack): Response
    {
        return MediaResponse::once($pack($lesson), 'application/zip', FileName::of("{$lesson->title} (edit)", 'zip'));
    }

    /** The slides with their words, as a PDF file. */
    public function handout(HandoutRequest $request, Lesson $lesson, MakeHandout $make): Response
    {
        $layout = HandoutLayout::from($request->string('layout', 'one')->value());

        return MediaResponse::once($make($lesson, $layout), 'application/pdf', FileName::of("{$lesson->title} (handout)", 'pdf'));
    }

    /** Another picture of it to be known by. */
    public function thumbnail(ThumbnailRequest $request, Export $export, MakeThumbnail $thumbnail): ExportResource
    {
        $thumbnail->choose($export, $request->integer('at_ms'));

        return $this->resource($export);
    }

    public function file(Request $request, Export $export): Response
    {
        return MediaResponse::of(
            $export->state === WorkState::Done ? $export->path : null,
            $export->edition()->format->mime(),
            downloadAs: $request->has('download') ? $export->file_name : null,
        );
    }

    private function resource(Export $export): ExportResource
    {
        // Until it is done nobody asks whether it still shows what the lesson says, and finding out costs an assembly.
        return new ExportResource(
            $export,
            $export->state === WorkState::Done ? $this->plan($export->lesson, $export->edition()) : $export->plan_hash,
        );
    }

    private function plan(Lesson $lesson, ExportPreset $as): string
    {
        return ($this->assemble)($lesson, as: $as)->hash();
    }
}
