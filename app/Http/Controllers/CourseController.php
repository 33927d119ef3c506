<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Lessons\ChangeCourseStyle;
use App\Actions\People\WriteHistory;
use App\Http\MediaResponse;
use App\Http\Requests\CardSampleRequest;
use App\Http\Requests\CourseRequest;
use App\Http\Requests\LogoRequest;
use App\Http\Resources\CourseResource;
use App\Http\Resources\LogoResource;
use App\Http\Resources\PictureResource;
use App\Media\MediaStore;
use App\Media\PictureReader;
use App\Models\Course;
use App\Models\Logo;
use App\People\Memberships;
use App\Queries\Film\CardPicture;
use App\Queries\Lessons\LessonStyle;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use OpenReel\Core\Kernel\PlainText;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Style\BackdropDrawing;
use OpenReel\Core\Style\CardDrawing;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Style\StyleSettings;
use Symfony\Component\HttpFoundation\Response;

final class CourseController
{
    /** A logo is drawn at most this large; no frame shows more of it. */
    private const LOGO_PIXELS = 1200;

    public function index(): JsonResponse
    {
        $courses = Memberships::courses(Course::query()->withCount('lessons'))->get()->sortBy('name')->values();

        return new JsonResponse($courses->map(fn (Course $c): array => (new CourseResource($c))->toArray())->all());
    }

    public function store(CourseRequest $request): JsonResponse
    {
        return (new CourseResource(
            Course::query()->create([
                'name' => trim($request->string('name')->value()),
                'style' => HouseStyle::of($request->style())->chosen(),
            ]),
        ))
            ->response()
            ->setStatusCode(201);
    }

    public function show(Course $course): CourseResource
    {
        return new CourseResource($course);
    }

    public function update(CourseRequest $request, Course $course, ChangeCourseStyle $change): JsonResponse
    {
        if ($request->has('name')) {
            $course->update(['name' => trim($request->string('name')->value())]);
        }
        $outdated = $request->style() === [] ? [] : $change($course, $request->style());

        return new JsonResponse((new CourseResource($course))->toArray() + ['outdated' => $outdated]);
    }

    /** A link to its page on the course site; the same one each time. */
    public function page(Course $course): CourseResource
    {
        if ($course->token === null) {
            $course->update(['token' => Str::random(24)]);
        }

        return new CourseResource($course);
    }

    /** Its lessons stay on the shelf, and look as they did. */
    public function destroy(Course $course, WriteHistory $write): Response
    {
        $course->delete();
        $write(AuditAction::Deleted, $course, ['title' => $course->name]);

        return response()->noContent();
    }

    public function restore(Course $course, WriteHistory $write): CourseResource
    {
        $course->restore();
        $write(AuditAction::Restored, $course, ['title' => $course->name]);

        return new CourseResource($course);
    }

    public function addLogo(LogoRequest $request, Course $course, PictureReader $pictures, MediaStore $media): JsonResponse
    {
        $file = $request->upload();
        $name = mb_substr(PlainText::row($file->getClientOriginalName()), 0, 200);
        $picture = $pictures->read($file->getPathname(), $name, self::LOGO_PIXELS, self::LOGO_PIXELS);
        try {
            $hash = (string) hash_file('sha256', $picture->path);
            $path = "logos/{$hash}.{$picture->extension}";
            $media->commit($media->copied($picture->path, $picture->extension), $path);
        } finally {
            $picture->forget();
        }
        $logo = $course
            ->logos()
            ->create([
                'name' => $name,
                'path' => $path,
                'mime' => $picture->mime,
                'hash' => $hash,
                'width' => $picture->width,
                'height' => $picture->height,
            ]);

        return (new LogoResource($logo))->response()->setStatusCode(201);
    }

    public function logo(string $hash): Response
    {
        $logo = Memberships::logos(Logo::query()->where('hash', $hash))->first();

        return MediaResponse::of($logo?->path, $logo->mime ?? 'image/png');
    }

    /** How a slide with a presenter would look: the same rules as in preview and export. */
    public function samplePicture(Request $request): JsonResponse
    {
        $defaults = StyleSettings::defaults();
        $values = array_intersect_key((array) $request->query(), $defaults);
        foreach ($values as $name => $value) {
            // Addresses carry text; numbers of the style are numbers.
            $values[$name] = is_int($defaults[$name]) && is_numeric($value) ? (int) $value : $value;
        }
        $style = HouseStyle::of($values);
        $backdrop = BackdropDrawing::usual($style, $style->frame);
        $picture = Picture::of(
            $style->frame,
            $style->layout,
            $style->inset,
            new Still(StillKind::Slide, 'sample', Shape::of(1600, 900), 'sample'),
            TrackAt::live(TrackKind::Camera, Shape::of(1600, 900)),
            LessonStyle::logo($style, LessonStyle::logoRow($style)),
            $style->colours->ground->hex,
            backdrop: $backdrop?->still(),
        );
        $seen = PictureResource::of($picture);
        foreach ($seen['layers'] as $n => $layer) {
            // What is drawn for a sample is kept nowhere.
            if ($layer['shows'] === StillKind::Backdrop->value) {
                $seen['layers'][$n]['url'] = 'data:image/svg+xml;base64,'.base64_encode($backdrop?->svg() ?? '');
            }
        }

        return new JsonResponse($seen);
    }

    /** How a card would look: drawn by the same path as in preview and export, and kept nowhere. */
    public function sampleCard(CardSampleRequest $request, CardPicture $cards): Response
    {
        $query = array_intersect_key(
            (array) $request->query(),
            array_flip(['card', 'ink', 'paper', 'accent', 'heading_face', 'text_face']),
        );
        $size = [$request->integer('width', 1280), $request->integer('height', 720)];
        $frames = array_merge(...array_values(HouseStyle::FRAMES));
        $frame = in_array($size, $frames, true) ? FrameSize::of(...$size) : FrameSize::of(1280, 720);
        $drawing = CardDrawing::of(
            $frame,
            HouseStyle::of($query),
            mb_substr($request->string('title')->value(), 0, 200),
            mb_substr($request->string('text')->value(), 0, 300),
        );

        return response($cards->sample($drawing->svg()), 200, [
            'Content-Type' => 'image/png',
            'Cache-Control' => 'private, max-age=86400',
        ]);
    }

    /** Not there while it is being drawn: ask again. */
    public function card(string $hash): Response
    {
        return MediaResponse::of(preg_match('/^[0-9a-f]{64}$/D', $hash) === 1 ? CardPicture::path($hash) : null, 'image/png');
    }
}
