<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Picture\PicturePlan;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Time\FrameRate;
use OpenReel\Core\Time\Tick;

/**
 * The picture of one shot, complete: what it shows, from which files (by hash), for how many frames. Two equal specs
 * make the same picture, wherever in the lesson they stand.
 */
final readonly class ShotSpec
{
    /**
     * @param  string|null  $camera  hash of the camera's file, null when it is not shown
     * @param  Tick  $in  where in the camera's file the segment starts
     * @param  string|null  $slide  hash of the slide's file, null when it is not shown
     * @param  SourceColour|null  $colour  how the camera's colours are meant, when it is shown
     */
    private function __construct(
        public PicturePlan $picture,
        public FrameRate $rate,
        public int $frames,
        public ?string $camera,
        public Tick $in,
        public ?string $slide,
        public ?SourceColour $colour,
    ) {
    }

    public static function of(Segment $segment, Shot $shot, FrameRate $rate): self
    {
        $take = $segment->take;
        $camera = $shot->picture->camera === null ? null : $take?->mediaHash;

        return new self(
            $shot->picture,
            $rate,
            $shot->frames,
            $camera,
            $camera === null || $take === null ? Tick::zero() : $take->used->from->plus(Tick::ofFrames($shot->offset, $rate)),
            $shot->picture->slide === null ? null : $shot->slide?->hash,
            $camera === null ? null : $take?->colour,
        );
    }

    /** @return list<self> all of a segment's shots, in order */
    public static function all(Segment $segment, FrameRate $rate): array
    {
        return array_map(fn (Shot $shot): self => self::of($segment, $shot, $rate), $segment->shots);
    }

    /** @return list<string> hashes of the files it is made from */
    public function files(): array
    {
        return array_values(array_filter([$this->camera, $this->slide, $this->picture->logo?->hash]));
    }

    public function length(): Tick
    {
        return Tick::ofFrames($this->frames, $this->rate);
    }

    public function key(string $encoder): string
    {
        return CacheKey::of('segment', [
            'picture' => $this->picture->toArray(),
            'fps' => $this->rate->fps,
            'frames' => $this->frames,
            'camera' => $this->camera,
            'in' => $this->in->count,
            'slide' => $this->slide,
            'logo' => $this->picture->logo?->hash,
            'colour' => $this->colour?->asInput(),
            'recipe' => ShotCommand::RECIPE,
        ], $encoder);
    }

    /** Where the camera goes, when there is one to show. */
    public function cameraRect(): ?PixelRect
    {
        return $this->camera === null ? null : $this->picture->camera;
    }

    /** Where the slide goes, when there is one to show. */
    public function slideRect(): ?PixelRect
    {
        return $this->slide === null ? null : $this->picture->slide;
    }
}
