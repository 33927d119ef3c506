<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\Encoder;
use App\Media\MediaStore;
use App\Media\SlideMaker;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\WorkState;
use App\OperationRejected;
use App\Queries\Film\SidecarFile;
use App\Queries\Lessons\LessonStyle;
use OpenReel\Core\Assembly\Thumbnail;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Render\IngestCommand;
use OpenReel\Core\Style\ThumbnailDrawing;

/** Takes a picture out of a finished film, to be known by. */
final class MakeThumbnail
{
    private const SECONDS = 20.0;

    public function __construct(
        private readonly Encoder $encoder,
        private readonly SlideMaker $slides,
        private readonly MediaStore $media,
    ) {
    }

    /** @param  string  $film  path of the file */
    public function draw(Export $export, string $film, Tick $at): void
    {
        $width = min(Thumbnail::WIDTH, $export->edition()->frame->width ?? $export->lesson->width);
        $plain = $this->picture($film, $at, $width);
        $small = $this->picture($film, $at, min(Thumbnail::SMALL_WIDTH, $width));
        $titled = $this->titled($export->lesson, $plain);
        foreach (array_combine([SidecarFile::THUMBNAIL, ...SidecarFile::OTHER_THUMBNAILS], [$plain, $small, $titled]) as $kind => $draft) {
            $this->media->commit($draft, SidecarFile::path($export, $kind));
        }
    }

    /** @return string path of a draft */
    private function picture(string $from, Tick $at, int $width): string
    {
        $draft = $this->media->draft('jpg');
        $this->encoder->run(IngestCommand::poster($from, $at, $draft, width: $width), seconds: self::SECONDS);

        return $draft;
    }

    /** @return string path of a draft: the picture with the lesson's title over it */
    private function titled(Lesson $lesson, string $picture): string
    {
        $content = (string) file_get_contents($picture);
        [$width, $height] = (array) getimagesizefromstring($content) + [0, 0];
        $frame = FrameSize::of($width - $width % 2, $height - $height % 2);
        $drawing = new ThumbnailDrawing($lesson->title, (string) $lesson->course?->name, $frame, LessonStyle::of($lesson));
        $drawn = $this->media->draft('png');
        try {
            $this->slides->draw($drawing->svg('data:image/jpeg;base64,'.base64_encode($content)), $drawn);

            return $this->picture($drawn, Tick::of(0), $frame->width);
        } finally {
            @unlink($drawn);
        }
    }

    /**
     * Another one, which somebody chose.
     *
     * @throws OperationRejected
     */
    public function choose(Export $export, int $milliseconds): void
    {
        if ($export->state !== WorkState::Done || ! $this->media->exists($export->path)) {
            throw OperationRejected::conflict('Only a finished film has a thumbnail.');
        }
        $last = (int) (1000 * max(0, $export->frames - 1) / $export->lesson->fps);
        $this->draw($export, $this->media->path((string) $export->path), Tick::ofMilliseconds(min($milliseconds, $last)));
        $thumbnails = [SidecarFile::THUMBNAIL, ...SidecarFile::OTHER_THUMBNAILS];
        $export->update(['beside' => array_values(array_unique([...$export->beside ?? [], ...$thumbnails]))]);
    }
}
