<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Kernel\CacheKey;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\Picture;

/**
 * The picture of one shot, complete: its layers, from which files (by hash), for how many frames. Two equal specs make the same
 * picture, wherever in the lesson they stand.
 */
final readonly class ShotSpec
{
    /**
     * @param  int  $skip  frames of the picture that are left out at its start
     * @param  string|null  $fade  `in`: it comes from the ground in all its frames, `out`: it goes to it
     */
    public function __construct(
        public Picture $picture,
        public FrameRate $rate,
        public int $frames,
        public int $skip = 0,
        public ?string $fade = null,
        public FilmQuality $quality = FilmQuality::Balanced,
    ) {
    }

    public static function of(Shot $shot, FrameRate $rate, FilmQuality $quality = FilmQuality::Balanced): self
    {
        return new self($shot->picture, $rate, $shot->frames, quality: $quality);
    }

    /** A part of it, at least one frame long. */
    public function part(int $from, int $frames): self
    {
        return $from === 0 && $frames === $this->frames
            ? $this
            : new self($this->picture, $this->rate, $frames, $this->skip + $from, quality: $this->quality);
    }

    /** @param  string  $fade  `in` or `out` */
    public function fading(string $fade): self
    {
        return new self($this->picture, $this->rate, $this->frames, $this->skip, $fade, $this->quality);
    }

    public function length(): Tick
    {
        return Tick::ofFrames($this->frames, $this->rate);
    }

    /** @return list<string> hashes of the files it is made from */
    public function files(): array
    {
        return $this->picture->files();
    }

    /** @return list<string> SVG drawings that it is made from: masks, borders and shadows */
    public function drawings(): array
    {
        $drawings = [];
        foreach ($this->picture->layers as $layer) {
            if ($layer->edge !== null && $layer->edge->radius > 0) {
                $drawings[] = $layer->edge->maskSvg($layer->rect);
            }
            if ($layer->edge !== null && $layer->edge->border > 0) {
                $drawings[] = $layer->edge->borderSvg($layer->rect);
            }
            if ($layer->edge !== null && $layer->edge->shadow > 0) {
                $drawings[] = $layer->edge->shadowSvg($layer->rect);
            }
        }

        return array_values(array_unique($drawings));
    }

    /** @return list<string> subtitle scripts that draw its marks */
    public function scripts(): array
    {
        $scripts = [];
        foreach ($this->picture->layers as $layer) {
            if ($layer->source instanceof AnnotationLayer) {
                $scripts[] = MarkScript::ofLayer($layer, $layer->source, $this);
            }
        }

        return $scripts;
    }

    public function key(string $encoder): string
    {
        return CacheKey::of('shot', $this->inputs(), $encoder);
    }

    /** @return array<string, mixed> */
    public function inputs(): array
    {
        return [
            'picture' => $this->picture->key(),
            'fps' => $this->rate->fps,
            'frames' => $this->frames,
            'skip' => $this->skip,
            'recipe' => ShotCommand::VERSION,
        ]
            + ($this->fade === null ? [] : ['fade' => $this->fade])
            + ($this->quality === FilmQuality::Balanced ? [] : ['quality' => $this->quality->value]);
    }
}
