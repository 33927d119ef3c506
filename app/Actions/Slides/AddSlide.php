<?php

declare(strict_types=1);

namespace App\Actions\Slides;

use App\Media\MediaStore;
use App\Media\Picture;
use App\Media\PictureReader;
use App\Models\Lesson;
use App\Models\Slide;
use App\Readers\SlideNames;
use Illuminate\Support\Str;

/** Checks a picture and keeps it as a slide of a lesson, or in place of one. */
final class AddSlide
{
    public function __construct(private readonly MediaStore $media, private readonly PictureReader $pictures)
    {
    }

    /**
     * @param  string  $file  path of the uploaded file
     * @param  string  $name  what it was called
     * @param  string|null  $as  what the slide is called, when that is not its file's name
     *
     * @throws \App\Media\UnreadableFile saying what is wrong with the picture
     */
    public function __invoke(Lesson $lesson, string $file, string $name, ?string $as = null): Slide
    {
        $picture = $this->pictures->read($file, $name, 2 * $lesson->width, 2 * $lesson->height);
        $id = strtolower((string) Str::ulid());

        return $lesson
            ->slides()
            ->create(
                [
                    'id' => $id,
                    'name' => SlideNames::of($lesson)->free($as ?? pathinfo($name, PATHINFO_FILENAME)),
                    'position' => 1 + (int) $lesson->slides()->max('position'),
                ] + $this->keep($lesson, $id, $picture),
            );
    }

    /** Another picture for a slide: everything that refers to it stays. */
    public function replace(Slide $slide, Lesson $lesson, string $file, string $name): Slide
    {
        $picture = $this->pictures->read($file, $name, 2 * $lesson->width, 2 * $lesson->height);
        $slide->update(['deck_id' => null, 'page' => null] + $this->keep($lesson, strtolower((string) Str::ulid()), $picture));

        return $slide;
    }

    /** @return array<string, mixed> */
    private function keep(Lesson $lesson, string $id, Picture $picture): array
    {
        try {
            $this->media->mustHaveRoomFor((int) filesize($picture->path), 'the slide');
            $path = "lessons/{$lesson->id}/slides/{$id}.{$picture->extension}";
            $this->media->settle($this->media->copied($picture->path, $picture->extension), $path);
        } finally {
            $picture->forget();
        }

        return [
            'path' => $path,
            'mime' => $picture->mime,
            'hash' => $this->media->hash($path),
            'width' => $picture->width,
            'height' => $picture->height,
            'text' => $picture->text,
            'look' => $picture->look,
        ];
    }
}
