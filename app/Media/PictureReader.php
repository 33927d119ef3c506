<?php

declare(strict_types=1);

namespace App\Media;

/** Looks over somebody's picture: PNG, JPEG, WebP, or an SVG drawing, which is drawn. */
final class PictureReader
{
    private const TYPES = [IMAGETYPE_PNG => 'png', IMAGETYPE_JPEG => 'jpg', IMAGETYPE_WEBP => 'webp'];

    public function __construct(private readonly SlideMaker $slides, private readonly MediaStore $media)
    {
    }

    /**
     * @param  string  $name  what the file was called, for messages
     * @param  int  $width  of the box that a drawing is made to fill
     *
     * @throws UnreadableFile
     */
    public function read(string $file, string $name, int $width, int $height): Picture
    {
        $name = mb_substr(mb_scrub($name, 'UTF-8'), 0, 200);
        $bytes = (int) @filesize($file);
        if ($bytes === 0) {
            throw UnreadableFile::because("\"{$name}\" is empty.");
        }
        if ($bytes > config('reel.limits.slide_bytes')) {
            throw UnreadableFile::because("\"{$name}\" is larger than 20 MB. Save it smaller and try again.");
        }
        $start = (string) file_get_contents($file, length: 1024);
        if (preg_match('/^(\xEF\xBB\xBF)?\s*(<\?xml|<!--|<!DOCTYPE svg|<svg)/i', $start) === 1) {
            return $this->drawing($file, $name, $width, $height);
        }
        $info = @getimagesize($file);
        if ($info === false || ! isset(self::TYPES[$info[2]])) {
            throw UnreadableFile::because("\"{$name}\" is not a PNG, JPEG, WebP or SVG picture.");
        }
        if (config('reel.limits.slide_pixels') < $info[0] * $info[1]) {
            throw UnreadableFile::because("\"{$name}\" has {$info[0]} x {$info[1]} pixels, more than can be drawn. 3840 x 2160 is plenty.");
        }

        return new Picture($file, self::TYPES[$info[2]], image_type_to_mime_type($info[2]), $info[0], $info[1], $this->look((string) file_get_contents($file), $name));
    }

    private function drawing(string $file, string $name, int $width, int $height): Picture
    {
        $svg = (string) file_get_contents($file);
        if (preg_match('/<!ENTITY|<script|<foreignObject|\bon[a-z]+\s*=|xml-stylesheet|(?:href|src)\s*=\s*["\']\s*(?!#|data:image\/)[^"\'\s]/i', $svg) === 1) {
            throw UnreadableFile::because("\"{$name}\" contains scripts or refers to other files. Save it as a plain drawing, or as PNG, and try again.");
        }
        $draft = $this->media->draft('png');
        try {
            $this->slides->drawFile($file, $width, $height, $draft);
        } catch (ProgramFailed $failure) {
            throw UnreadableFile::because("\"{$name}\" is damaged: it could not be drawn.", $failure->detail);
        }
        [$w, $h] = (array) getimagesize($draft) + [0, 0];
        preg_match_all('/<(?:text|tspan|title)\b[^>]*>([^<]+)/i', $svg, $words);

        return new Picture($draft, 'png', 'image/png', (int) $w, (int) $h, $this->look((string) file_get_contents($draft), $name), trim(html_entity_decode(implode(' ', $words[1]), ENT_QUOTES | ENT_XML1)), true);
    }

    /**
     * A header can be right and the rest cut off: such a file would only fail in the middle of an export.
     *
     * @return list<int>
     */
    private function look(string $content, string $name): array
    {
        $warned = false;
        set_error_handler(function () use (&$warned): bool {
            return $warned = true;
        });
        try {
            $picture = imagecreatefromstring($content);
            $small = $picture === false ? false : imagescale($picture, 8, 8, IMG_BILINEAR_FIXED);
        } finally {
            restore_error_handler();
        }
        if ($small === false || $warned) {
            throw UnreadableFile::because("\"{$name}\" is damaged: it could not be drawn to its end.");
        }
        $look = [];
        for ($i = 0; $i < 64; $i++) {
            $colour = (int) imagecolorat($small, $i % 8, intdiv($i, 8));
            $rgb = (array) imagecolorsforindex($small, $colour);
            $look[] = (int) round(0.299 * $rgb['red'] + 0.587 * $rgb['green'] + 0.114 * $rgb['blue']);
        }

        return $look;
    }
}
