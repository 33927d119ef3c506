<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\Encoder;
use App\Media\MediaStore;
use App\Models\Export;
use App\Models\WorkState;
use App\Refusal;
use OpenReel\Core\Assembly\Thumbnail;
use OpenReel\Core\Render\IngestCommand;
use OpenReel\Core\Time\Tick;

/** Takes a picture out of a finished film, to be known by. */
final class MakeThumbnail
{
    private const SECONDS = 20.0;

    public const KIND = 'thumbnail.jpg';

    public function __construct(private readonly Encoder $encoder, private readonly MediaStore $media)
    {
    }

    /** @param  string  $film  path of the file */
    public function draw(Export $export, string $film, Tick $at): void
    {
        $draft = $this->media->draft('jpg');
        $this->encoder->run(
            IngestCommand::poster($film, $at, $draft, width: min(Thumbnail::WIDTH, $export->lesson->width)),
            seconds: self::SECONDS,
        );
        $this->media->settle($draft, FilesBeside::path($export, self::KIND));
    }

    /**
     * Another one, which somebody chose.
     *
     * @throws Refusal
     */
    public function choose(Export $export, int $milliseconds): void
    {
        if ($export->state !== WorkState::Done || ! $this->media->exists($export->path)) {
            throw Refusal::conflict('Only a finished film has a thumbnail.');
        }
        $last = (int) (1000 * max(0, $export->frames - 1) / $export->lesson->fps);
        $this->draw($export, $this->media->path((string) $export->path), Tick::ofMilliseconds(min($milliseconds, $last)));
        $kinds = $export->beside ?? [];
        $export->update(['beside' => in_array(self::KIND, $kinds, true) ? $kinds : [...$kinds, self::KIND]]);
    }
}
