<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Script\ChangeSection;
use App\Actions\Script\EditScript;
use App\Http\Requests\PictureRequest;
use App\Http\Requests\SectionRequest;
use App\Http\Requests\StoreSectionRequest;
use App\Http\Resources\LinePictureResource;
use App\Http\Resources\SectionResource;
use App\Http\Resources\TakeResource;
use App\Models\Lesson;
use App\Models\Section;
use App\Queries\Film\AssembleLesson;
use App\Queries\Film\SectionPicture;
use App\Queries\Takes\SectionContinuity;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenReel\Core\Assembly\BoardPages;
use OpenReel\Core\Picture\TrackKind;

final class SectionController
{
    public function store(StoreSectionRequest $request, Lesson $lesson, EditScript $edit): JsonResponse
    {
        $section = Section::query()->findOrFail($edit->add($lesson, $request->string('after')->value() ?: null));

        return (new SectionResource($section->load('slide')))->response()->setStatusCode(201);
    }

    public function update(SectionRequest $request, Section $section, ChangeSection $change): SectionResource
    {
        $change($section, $request->validated());

        return new SectionResource($section->refresh()->load('slide'));
    }

    /**
     * What is where in the frame, line by line, when a camera and a screen of the given sizes record this section; none without
     * a size.
     */
    public function picture(PictureRequest $request, Section $section, AssembleLesson $assemble): JsonResponse
    {
        // Only a board shows what was written on it before.
        $boards = str_contains(strtolower($section->script.implode('', (array) $request->input('cue', []))), '[board')
            ? $assemble($section->lesson)->assembly->boardsBefore($section->id)
            : BoardPages::blank();
        $pictures = SectionPicture::of(
            $section,
            $request->track(TrackKind::Camera, '', 'framing'),
            $request->track(TrackKind::Screen, 'screen_', 'area'),
            $boards,
            $request->cues(),
        );

        return new JsonResponse(array_map(fn (array $p): array => (new LinePictureResource($p))->toArray(), $pictures));
    }

    /** All that was ever recorded of it. */
    public function takes(Section $section): JsonResponse
    {
        return new JsonResponse(TakeResource::ofSection($section));
    }

    /** Where takes that follow each other in the film are heard or seen not to go together. */
    public function continuity(Section $section): JsonResponse
    {
        return new JsonResponse(
            array_map(
                fn (array $m): array => [
                    'before' => [
                        'take_id' => $m['before']->id,
                        'number' => $m['before']->number,
                        'section_id' => $m['before']->section_id,
                    ],
                    'take_id' => $m['take']->id,
                    'number' => $m['take']->number,
                    'line' => $m['line'],
                    'changes' => array_column($m['changes'], 'value'),
                ],
                SectionContinuity::of($section),
            ),
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

        return new SectionResource($section->refresh()->load('slide'));
    }
}
