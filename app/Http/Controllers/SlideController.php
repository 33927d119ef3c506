<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Script\SaveScript;
use App\Actions\Slides\AddSlide;
use App\Actions\Slides\FillSlides;
use App\Actions\Slides\LinkSlides;
use App\Actions\Slides\RenameSlide;
use App\Actions\Slides\RequestDeck;
use App\Http\MediaResponse;
use App\Http\Requests\SlidePictureRequest;
use App\Http\Requests\StoreSlideRequest;
use App\Http\Requests\UpdateSlideRequest;
use App\Http\Resources\DeckResource;
use App\Http\Resources\SlideResource;
use App\Jobs\PrepareLessonJob;
use App\Media\ImportedFile;
use App\Models\Lesson;
use App\Models\Slide;
use App\OperationRejected;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Arr;
use Symfony\Component\HttpFoundation\Response;

final class SlideController
{
    public function index(Lesson $lesson): JsonResponse
    {
        return new JsonResponse($lesson->slides()->get()->map(fn (Slide $s): array => (new SlideResource($s))->toArray())->all());
    }

    /** Takes any number of pictures and decks; those that are refused are named and do not stop the others. */
    public function store(StoreSlideRequest $request, Lesson $lesson, FillSlides $fill, RequestDeck $requestDeck): JsonResponse
    {
        $all = Arr::flatten($request->allFiles());
        /** @var list<UploadedFile> $files */
        $files = array_values(array_filter($all, fn (mixed $f): bool => $f instanceof UploadedFile));
        if ($files === []) {
            throw OperationRejected::badInput('No file arrived. Choose pictures (PNG, JPEG, WebP, SVG), a PDF, a presentation or a film.');
        }
        usort($files, fn (UploadedFile $a, UploadedFile $b): int => strnatcasecmp(
            $a->getClientOriginalName(), $b->getClientOriginalName(),
        ));
        $decks = $pictures = $refused = [];
        $section = $request->string('section')->value() ?: null;
        foreach ($files as $file) {
            $kind = strtolower($file->getClientOriginalExtension());
            $isSingle = in_array($kind, RequestDeck::SINGLE, true);
            if (! $isSingle && ! in_array($kind, RequestDeck::KINDS, true)) {
                $pictures[] = self::brought($file);

                continue;
            }
            try {
                if (! $file->isValid()) {
                    throw OperationRejected::badInput(
                        "\"{$file->getClientOriginalName()}\" did not arrive whole, or is larger than 200 MB.",
                    );
                }
                $decks[] = (new DeckResource(
                    $requestDeck(
                        $lesson,
                        $file->getPathname(),
                        $file->getClientOriginalName(),
                        $isSingle ? 'add' : ($request->string('purpose')->value() ?: 'add'),
                        $isSingle ? ['fill' => $request->boolean('fill', true), 'section' => $section] : [],
                    ),
                ))->toArray();
                // The next ones go on to the sections that follow, as pictures do.
                $section = $isSingle ? null : $section;
            } catch (OperationRejected $refusal) {
                $refused[] = $refusal->getMessage();
            }
        }
        $answer =
            $pictures === []
                ? ['added' => 0, 'names' => [], 'refused' => []]
                : $fill($lesson, $pictures, $request->string('section')->value() ?: null, $request->boolean('fill', true));

        return new JsonResponse(
            [
                'added' => $answer['added'],
                'names' => $answer['names'],
                'refused' => [...$refused, ...$answer['refused']],
                'decks' => $decks,
            ],
            201,
        );
    }

    /** The slide complete, or with as many of its steps as the address says. */
    public function picture(Request $request, Slide $slide): Response
    {
        $version = $request->string('v')->value();
        foreach ($version === '' ? [] : $slide->steps as $step) {
            if (str_starts_with($step['hash'], $version)) {
                return MediaResponse::of($step['path'], 'image/png');
            }
        }

        return MediaResponse::of($slide->path, $slide->mime);
    }

    public function film(Slide $slide): Response
    {
        return MediaResponse::of($slide->film['path'] ?? null, 'video/mp4');
    }

    /** Another picture for this slide; every tie to it holds. A drawing or a film is made meanwhile: `deck` tells when. */
    public function replace(SlidePictureRequest $request, Slide $slide, AddSlide $addSlide, RequestDeck $requestDeck): JsonResponse
    {
        $file = $request->upload();
        $lesson = Lesson::query()->findOrFail($slide->lesson_id);
        $name = $file->getClientOriginalName();
        if (in_array(strtolower($file->getClientOriginalExtension()), RequestDeck::SINGLE, true)) {
            $deck = $requestDeck($lesson, $file->getPathname(), $name, 'add', ['slide' => $slide->id]);

            return new JsonResponse(
                ['deck' => (new DeckResource($deck))->toArray()] + (new SlideResource($slide->refresh()))->toArray(), 202,
            );
        }
        $addSlide->replace($slide, $lesson, $file->getPathname(), $name);
        PrepareLessonJob::dispatch($lesson->id);

        return new JsonResponse(['deck' => null] + (new SlideResource($slide))->toArray());
    }

    public function update(UpdateSlideRequest $request, Slide $slide, RenameSlide $rename): SlideResource
    {
        return new SlideResource($rename($slide, trim($request->string('name')->value())));
    }

    /** Takes a slide out of the deck; cues that call it are pointed out until they are changed. */
    public function destroy(Slide $slide, SaveScript $save, LinkSlides $link): Response
    {
        $lesson = Lesson::query()->findOrFail($slide->lesson_id);
        $save($lesson, LinkSlides::named($lesson));
        $slide->delete();
        $link($lesson);
        PrepareLessonJob::dispatch($slide->lesson_id);

        return response()->noContent();
    }

    public function restore(Slide $slide, LinkSlides $link): SlideResource
    {
        $slide->restore();
        $link(Lesson::query()->findOrFail($slide->lesson_id));
        PrepareLessonJob::dispatch($slide->lesson_id);

        return new SlideResource($slide);
    }

    private static function brought(UploadedFile $file): ImportedFile
    {
        $name = $file->getClientOriginalName();
        $isTooLarge = in_array($file->getError(), [UPLOAD_ERR_INI_SIZE, UPLOAD_ERR_FORM_SIZE], true);

        return new ImportedFile(
            $file->getPathname(),
            $name,
            match (true) {
                $file->isValid() => null,
                $isTooLarge => "\"{$name}\" is larger than 200 MB. Save it smaller and try again.",
                default => "\"{$name}\" did not arrive whole. Try again.",
            },
        );
    }
}
