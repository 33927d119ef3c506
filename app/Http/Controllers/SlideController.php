<?php

namespace App\Http\Controllers;

use App\Actions\FillSlides;
use App\Actions\Refusal;
use App\Http\MediaResponse;
use App\Models\Lesson;
use App\Models\Slide;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Arr;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

final class SlideController
{
    /** Takes any number of pictures; those that are refused are named and do not stop the others. */
    public function store(Request $request, Lesson $lesson, FillSlides $fill): JsonResponse
    {
        /** @var list<UploadedFile> $files */
        $files = array_values(array_filter(Arr::flatten($request->allFiles()), fn (mixed $f): bool => $f instanceof UploadedFile));
        if ($files === []) {
            throw Refusal::badInput('No picture arrived. Choose PNG or JPEG files of at most 20 MB each.');
        }

        return new JsonResponse($fill($lesson, $files, $request->string('section')->value() ?: null), 201);
    }

    public function picture(Slide $slide): BinaryFileResponse
    {
        return MediaResponse::of($slide->path, $slide->mime);
    }
}
