<?php

namespace App\Actions;

use App\Media\MediaStore;
use App\Models\Lesson;
use App\Models\Slide;
use Illuminate\Support\Str;

/** Checks a picture and keeps it as a slide of a lesson. */
final class AddSlide
{
    private const TYPES = [IMAGETYPE_PNG => 'png', IMAGETYPE_JPEG => 'jpg'];

    public function __construct(private readonly MediaStore $media)
    {
    }

    /**
     * @param  string  $file  path of the uploaded file
     * @param  string  $name  what it was called, for showing
     *
     * @throws Refusal saying what is wrong with the picture
     */
    public function __invoke(Lesson $lesson, string $file, string $name): Slide
    {
        $name = mb_substr(mb_scrub($name, 'UTF-8'), 0, 200);
        [$width, $height, $type] = $this->inspect($file, $name);
        $bytes = (int) filesize($file);
        $this->media->mustHaveRoomFor($bytes, 'the slide');

        $id = strtolower((string) Str::ulid());
        $path = "lessons/{$lesson->id}/slides/{$id}.".self::TYPES[$type];
        $this->media->write($path, (string) file_get_contents($file));

        return $lesson->slides()->create([
            'id' => $id, 'name' => $name, 'path' => $path, 'mime' => image_type_to_mime_type($type),
            'hash' => $this->media->hash($path), 'width' => $width, 'height' => $height,
        ]);
    }

    /** @return array{int, int, int} width, height, IMAGETYPE_* */
    private function inspect(string $file, string $name): array
    {
        $bytes = (int) @filesize($file);
        if ($bytes === 0) {
            throw Refusal::badInput("\"{$name}\" is empty.");
        }
        if ($bytes > config('reel.limits.slide_bytes')) {
            throw Refusal::badInput("\"{$name}\" is larger than 20 MB. Save it smaller and try again.");
        }
        $info = @getimagesize($file);
        if ($info === false || ! isset(self::TYPES[$info[2]])) {
            throw Refusal::badInput("\"{$name}\" is not a PNG or JPEG picture.");
        }
        if (config('reel.limits.slide_pixels') < $info[0] * $info[1]) {
            throw Refusal::badInput("\"{$name}\" has {$info[0]} x {$info[1]} pixels, more than can be drawn. 3840 x 2160 is plenty.");
        }
        $this->mustDecode((string) file_get_contents($file), $name);

        return [$info[0], $info[1], $info[2]];
    }

    /** A header can be right and the rest cut off: such a file would only fail in the middle of an export. */
    private function mustDecode(string $content, string $name): void
    {
        $warned = false;
        set_error_handler(function () use (&$warned): bool {
            return $warned = true;
        });
        try {
            $picture = imagecreatefromstring($content);
        } finally {
            restore_error_handler();
        }
        if ($picture === false || $warned) {
            throw Refusal::badInput("\"{$name}\" is damaged: it could not be drawn to its end.");
        }
    }
}
