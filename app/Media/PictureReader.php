<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Kernel\PlainText;

/** Looks over somebody's picture: PNG, JPEG, WebP, or an SVG drawing, which is drawn. */
final class PictureReader
{
    private const TYPES = [IMAGETYPE_PNG => 'png', IMAGETYPE_JPEG => 'jpg', IMAGETYPE_WEBP => 'webp'];

    /** For all of somebody's drawing, and as much more for each of its steps: one budget a file. */
    private const DRAWING_SECONDS = 5.0;

    private const STEP_SECONDS = 1.5;

    public function __construct(private readonly SlideMaker $slides, private readonly MediaStore $media)
    {
    }

    /**
     * @param  string  $name  what the file was called, for messages
     * @param  int  $width  of the box that a drawing is made to fill
     *
     * @throws UnreadableFile
     */
    public function read(string $file, string $name, int $width, int $height): ImageInfo
    {
        $name = mb_substr(PlainText::row($name), 0, 200);
        $bytes = (int) @filesize($file);
        if ($bytes === 0) {
            throw UnreadableFile::because("\"{$name}\" is empty.");
        }
        if ($bytes > config('reel.limits.slide_bytes')) {
            throw UnreadableFile::because("\"{$name}\" is larger than 20 MB. Save it smaller and try again.");
        }
        $info = @getimagesize($file);
        if ($info === false && SvgFile::isOne($file)) {
            return $this->drawing($file, $name, $width, $height);
        }
        if ($info === false || ! isset(self::TYPES[$info[2]])) {
            throw UnreadableFile::because("\"{$name}\" is not a PNG, JPEG, WebP or SVG picture.");
        }
        if (config('reel.limits.slide_pixels') < $info[0] * $info[1]) {
            throw UnreadableFile::because(
                "\"{$name}\" has {$info[0]} x {$info[1]} pixels, more than can be drawn. 3840 x 2160 is plenty.",
            );
        }

        $content = (string) file_get_contents($file);
        $turned = $info[2] === IMAGETYPE_JPEG ? $this->upright($file, $content, $name) : null;
        if ($turned !== null) {
            [$width, $height] = (array) getimagesize($turned) + [0, 0];

            return new ImageInfo(
                $turned,
                'png',
                'image/png',
                (int) $width,
                (int) $height,
                $this->look((string) file_get_contents($turned), $name),
                isDraft: true,
            );
        }

        return new ImageInfo(
            $file,
            self::TYPES[$info[2]],
            image_type_to_mime_type($info[2]),
            $info[0],
            $info[1],
            $this->look($content, $name),
        );
    }

    /**
     * A JPEG picture that was taken with the camera turned is turned here: not everything that shows slides looks for that.
     *
     * @return string|null path of a draft; null when it stands upright
     */
    private function upright(string $file, string $content, string $name): ?string
    {
        // The decoder fills up with grey what is missing and says nothing; the last scan has to be ended (ITU-T T.81, B.2.1).
        if ((int) strrpos($content, "\xFF\xD9") < (int) strrpos($content, "\xFF\xDA")) {
            throw UnreadableFile::because("\"{$name}\" is damaged: it could not be drawn to its end.");
        }
        $exif = @exif_read_data($file, 'IFD0');
        $orientation = is_array($exif) ? (int) ($exif['Orientation'] ?? 1) : 1;
        // Degrees against the clock, and whether it is mirrored first (EXIF 2.32, tag 0x0112).
        [$degrees, $mirrored] = [
            2 => [0, true],
            3 => [180, false],
            4 => [180, true],
            5 => [270, true],
            6 => [270, false],
            7 => [90, true],
            8 => [90, false],
        ][$orientation] ?? [0, false];
        if ($degrees === 0 && ! $mirrored) {
            return null;
        }
        $picture = @imagecreatefromstring($content);
        if ($picture === false) {
            throw UnreadableFile::because("\"{$name}\" is damaged: it could not be drawn to its end.");
        }
        if ($mirrored) {
            imageflip($picture, IMG_FLIP_HORIZONTAL);
        }
        $turned = $degrees === 0 ? $picture : imagerotate($picture, $degrees, 0);
        $draft = $this->media->draft('png');
        if ($turned === false || ! imagepng($turned, $draft, 3)) {
            throw DiskFull::writing('the picture');
        }

        return $draft;
    }

    private function drawing(string $file, string $name, int $width, int $height): ImageInfo
    {
        $svg = SvgFile::read($file, $name);
        $draft = $this->media->draft('png');
        $steps = [];
        try {
            $built = $svg->steps($name);
            $until = microtime(true) + self::DRAWING_SECONDS + self::STEP_SECONDS * count($built);
            $left = fn (): float => max(0.1, $until - microtime(true));
            $this->slides->drawFile($svg->source, $width, $height, $draft, $left());
            foreach ($built as $source) {
                $steps[] = $step = $this->media->draft('png');
                $this->slides->drawFile($source, $width, $height, $step, $left());
            }
        } catch (UnreadableFile $refused) {
            array_map(unlink(...), array_filter([$draft, ...$steps], is_file(...)));
            throw $refused;
        } catch (ProgramFailed $failure) {
            array_map(unlink(...), array_filter([$draft, ...$steps], is_file(...)));
            throw UnreadableFile::because(
                $failure->tookTooLong
                    ? "\"{$name}\" takes too long to draw. Save it with fewer effects, or as PNG, and try again."
                    : "\"{$name}\" is damaged: it could not be drawn.",
                $failure->detail,
            );
        }
        [$w, $h] = (array) getimagesize($draft) + [0, 0];

        return new ImageInfo(
            $draft,
            'png',
            'image/png',
            (int) $w,
            (int) $h,
            $this->look((string) file_get_contents($draft), $name),
            $svg->words,
            true,
            $steps,
        );
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
