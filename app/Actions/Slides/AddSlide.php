<?php

declare(strict_types=1);

namespace App\Actions\Slides;

use App\Media\MediaStore;
use App\Media\Picture;
use App\Media\PictureReader;
use App\Media\StageFilmReader;
use App\Models\Lesson;
use App\Models\Slide;
use App\Readers\SlideNames;
use Illuminate\Support\Str;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Time\FrameRate;

/** Checks a picture or a short film and keeps it as a slide of a lesson, or in place of one. */
final class AddSlide
{
    public function __construct(
        private readonly MediaStore $media,
        private readonly PictureReader $pictures,
        private readonly StageFilmReader $films,
    ) {
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
        $id = strtolower((string) Str::ulid());
        $kept = $this->read($lesson, $id, $file, $name);

        return $lesson
            ->slides()
            ->create(
                [
                    'id' => $id,
                    'name' => SlideNames::of($lesson)->free($as ?? pathinfo($name, PATHINFO_FILENAME)),
                    'position' => 1 + (int) $lesson->slides()->max('position'),
                ] + $kept,
            );
    }

    /** Another picture for a slide: everything that refers to it stays. */
    public function replace(Slide $slide, Lesson $lesson, string $file, string $name): Slide
    {
        $kept = $this->read($lesson, strtolower((string) Str::ulid()), $file, $name);
        $slide->update(['deck_id' => null, 'page' => null] + $kept);

        return $slide;
    }

    /** @return array<string, mixed> what is known of it */
    private function read(Lesson $lesson, string $id, string $file, string $name): array
    {
        if (! StageFilmReader::isOne($name)) {
            $picture = $this->pictures->read($file, $name, 2 * $lesson->width, 2 * $lesson->height);

            return ['film' => null] + $this->keep($lesson, $id, $picture);
        }
        $frame = FrameSize::of($lesson->width, $lesson->height);
        $film = $this->films->read($file, $name, $frame, FrameRate::of($lesson->fps));
        try {
            $kept = $this->keep($lesson, $id, $film->poster);
            if (! $film->moves()) {
                return $kept + ['film' => null];
            }
            $this->media->mustHaveRoomFor((int) filesize($film->path), 'the film');
            $path = "lessons/{$lesson->id}/slides/{$id}.mp4";
            $this->media->settle($film->path, $path);
        } finally {
            @unlink($film->path);
        }

        return $kept + ['film' => [
            'hash' => $this->media->hash($path), 'path' => $path, 'width' => $film->width, 'height' => $film->height,
            'ticks' => $film->length->count,
        ]];
    }

    /** @return array<string, mixed> */
    private function keep(Lesson $lesson, string $id, Picture $picture): array
    {
        $steps = [];
        try {
            $this->media->mustHaveRoomFor((int) filesize($picture->path), 'the slide');
            $path = "lessons/{$lesson->id}/slides/{$id}.{$picture->extension}";
            $this->media->settle($this->media->copied($picture->path, $picture->extension), $path);
            foreach ($picture->steps as $n => $draft) {
                $step = "lessons/{$lesson->id}/slides/{$id}-step-{$n}.png";
                $this->media->settle($this->media->copied($draft, 'png'), $step);
                $steps[] = ['hash' => $this->media->hash($step), 'path' => $step];
            }
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
            'steps' => $steps,
        ];
    }
}
