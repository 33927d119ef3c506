<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\PlainText;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Render\StageClipCommand;

/** Looks over somebody's short film, and makes one for the stage out of it: MP4, WebM, or a GIF that moves. */
final class StageClipReader
{
    /** What lasts longer is no slide any more: it is brought in as a recording. */
    public const LONGEST_SECONDS = 120;

    /** A film is read in this time, or it is none. */
    private const PATIENCE = 240.0;

    /** By the name's ending: what is in the file is found by its content. */
    public const KINDS = ['mp4', 'm4v', 'mov', 'webm', 'gif'];

    public function __construct(
        private readonly Encoder $encoder,
        private readonly Prober $prober,
        private readonly PictureReader $pictures,
        private readonly MediaStore $media,
    ) {
    }

    public static function isOne(string $name): bool
    {
        return in_array(strtolower(pathinfo($name, PATHINFO_EXTENSION)), self::KINDS, true);
    }

    /**
     * @param  string  $name  what the file was called, for messages
     *
     * @throws UnreadableFile
     */
    public function read(string $file, string $name, FrameSize $frame, FrameRate $rate): StageClip
    {
        $name = mb_substr(PlainText::row($name), 0, 200);
        $isGif = str_starts_with((string) @file_get_contents($file, length: 6), 'GIF8');
        $this->mustBeFilm($file, $name, $isGif);
        $draft = $this->media->draft('mp4');
        $poster = $this->media->draft('png');
        $made = null;
        try {
            $this->encoder->run(
                StageClipCommand::arguments($file, $draft, $frame, $rate->fps, $isGif),
                seconds: self::PATIENCE,
            );
            $facts = $this->prober->recording($draft);
            if ($facts->pictureSeconds > self::LONGEST_SECONDS + 1) {
                throw self::tooLong($name, $facts->pictureSeconds);
            }
            $this->encoder->run(StageClipCommand::poster($draft, $poster), seconds: self::PATIENCE);
            $first = $this->pictures->read($poster, $name, $frame->width, $frame->height);

            return $made = new StageClip(
                $draft, $facts->width, $facts->height, Tick::ofSeconds($facts->pictureSeconds),
                new ImageInfo($poster, 'png', 'image/png', $first->width, $first->height, $first->look, isDraft: true),
            );
        } catch (ProgramFailed $e) {
            throw UnreadableFile::because("\"{$name}\" is damaged: it cannot be played to its end.", $e->getMessage());
        } finally {
            foreach ($made === null ? [$draft, $poster] : [] as $left) {
                @unlink($left);
            }
        }
    }

    /** @throws UnreadableFile */
    private function mustBeFilm(string $file, string $name, bool $isGif): void
    {
        if ((int) @filesize($file) === 0) {
            throw UnreadableFile::because("\"{$name}\" is empty.");
        }
        if ($isGif) {
            [$width, $height] = (array) @getimagesize($file) + [0, 0];
            if (config('reel.limits.slide_pixels') < (int) $width * (int) $height) {
                throw UnreadableFile::because("\"{$name}\" has more pixels than can be drawn.");
            }

            return;
        }
        try {
            $facts = $this->prober->recording($file);
        } catch (ProgramFailed $e) {
            throw UnreadableFile::because("\"{$name}\" is no film. Choose an MP4, WebM or GIF file.", $e->getMessage());
        }
        if ($facts->videoCodec === null) {
            throw UnreadableFile::because("\"{$name}\" is no film: nothing is seen in it.");
        }
        if ($facts->seconds > self::LONGEST_SECONDS + 1) {
            throw self::tooLong($name, $facts->seconds);
        }
    }

    private static function tooLong(string $name, float $seconds): UnreadableFile
    {
        return UnreadableFile::because(sprintf(
            '"%s" lasts %d seconds. A film for the stage can last up to %d: cut it shorter, or bring it in as a recording.',
            $name, (int) round($seconds), self::LONGEST_SECONDS,
        ));
    }
}
