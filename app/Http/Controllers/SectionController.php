<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Script\ChangeSection;
use App\Actions\Script\EditScript;
use App\Http\Requests\SectionRequest;
use App\Http\Resources\LinePictureResource;
use App\Http\Resources\SectionResource;
use App\Models\Lesson;
use App\Models\Section;
use App\Readers\SectionPicture;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenReel\Core\Picture\Shape;

final class SectionController
{
    public function store(Request $request, Lesson $lesson, EditScript $edit): JsonResponse
    {
        $request->validate(['after' => ['nullable', 'string']], ['*' => 'Name the section that the new one follows.']);
        $section = Section::query()->findOrFail($edit->add($lesson, $request->string('after')->value() ?: null));

        return (new SectionResource($section->load('slide', 'takes.tracks')))->response()->setStatusCode(201);
    }

    public function update(SectionRequest $request, Section $section, ChangeSection $change): SectionResource
    {
        $change($section, $request->validated());

        return new SectionResource($section->refresh()->load('slide', 'takes.tracks'));
    }

    /** What is where in the frame, line by line, when a camera of the given size records this section; none without a size. */
    public function picture(Request $request, Section $section): JsonResponse
    {
        $request->validate(
            [
                'width' => ['required_with:height', 'integer', 'between:1,16384'],
                'height' => ['required_with:width', 'integer', 'between:1,16384'],
            ],
            ['*' => 'That is not the size of a camera picture.'],
        );
        $camera = $request->has('width') ? Shape::of($request->integer('width'), $request->integer('height')) : null;

        return new JsonResponse(
            array_map(fn (array $p): array => (new LinePictureResource($p))->toArray(), SectionPicture::of($section, $camera)),
        );
    }

    public function destroy(Section $section, EditScript $edit): Response
    {
        $edit->remove($section);

        return response()->noContent();
    }

    public function restore(Section $section, EditScript $edit): SectionResource
    {
        $edit->bringBack($section);

        return new SectionResource($section->refresh()->load('slide', 'takes.tracks'));
    }
}
