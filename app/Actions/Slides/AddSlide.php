<?php

declare(strict_types=1);

namespace App\Actions\Slides;

use App\Media\ImageInfo;
use App\Media\MediaStore;
use App\Media\PictureReader;
use App\Media\StageClipReader;
use App\Models\Lesson;
use App\Models\Slide;
use App\Queries\Slides\SlideNames;
use Illuminate\Support\Str;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\FrameSize;

/** Checks a picture or a short film and keeps it as a slide of a lesson, or in place of one. */
final class AddSlide
{
    public function __construct(
        private readonly MediaStore $media,
        private readonly PictureReader $pictures,
        private readonly StageClipReader $films,
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
        return $this->add($lesson, $this->made($lesson, $file, $name), $as ?? pathinfo($name, PATHINFO_FILENAME));
    }

    /**
     * A slide of what was made of a file.
     *
     * @param  array<string, mixed>  $made
     */
    public function add(Lesson $lesson, array $made, string $as): Slide
    {
        return $lesson
            ->slides()
            ->create(
                [
                    'name' => SlideNames::of($lesson)->free($as),
                    'position' => 1 + (int) $lesson->slides()->max('position'),
                ] + $made,
            );
    }

    /** Another picture for a slide: everything that refers to it stays. */
    public function replace(Slide $slide, Lesson $lesson, string $file, string $name): Slide
    {
        return $this->show($slide, $this->made($lesson, $file, $name));
    }

    /**
     * Has a slide show what was made of a file.
     *
     * @param  array<string, mixed>  $made
     */
    public function show(Slide $slide, array $made): Slide
    {
        $slide->update(['deck_id' => null, 'page' => null] + $made);

        return $slide;
    }

    /**
     * Makes of a file what a slide shows; its files are in their places then, and nothing of the lesson has changed.
     *
     * @return array<string, mixed> what is known of it
     *
     * @throws \App\Media\UnreadableFile saying what is wrong with it
     */
    public function made(Lesson $lesson, string $file, string $name): array
    {
        return $this->read($lesson, strtolower((string) Str::ulid()), $file, $name);
    }

    /**
     * Removes the files of what was made and is not used.
     *
     * @param  array<string, mixed>  $made
     */
    public function forget(array $made): void
    {
        array_map(
            $this->media->delete(...), [$made['path'], ...array_column($made['steps'], 'path'), $made['film']['path'] ?? null],
        );
    }

    /** @return array<string, mixed> what is known of it */
    private function read(Lesson $lesson, string $id, string $file, string $name): array
    {
        if (! StageClipReader::isOne($name)) {
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
            $this->media->commit($film->path, $path);
        } finally {
            @unlink($film->path);
        }

        return $kept + ['film' => [
            'hash' => $this->media->hash($path), 'path' => $path, 'width' => $film->width, 'height' => $film->height,
            'ticks' => $film->length->count,
        ]];
    }

    /** @return array<string, mixed> */
    private function keep(Lesson $lesson, string $id, ImageInfo $picture): array
    {
        $steps = [];
        try {
            $this->media->mustHaveRoomFor((int) filesize($picture->path), 'the slide');
            $path = "lessons/{$lesson->id}/slides/{$id}.{$picture->extension}";
            $this->media->commit($this->media->copied($picture->path, $picture->extension), $path);
            foreach ($picture->steps as $n => $draft) {
                $step = "lessons/{$lesson->id}/slides/{$id}-step-{$n}.png";
                $this->media->commit($this->media->copied($draft, 'png'), $step);
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
