<?php

declare(strict_types=1);

namespace OpenReel\Core\Analysis;

use OpenReel\Core\Kernel\CacheKey;
use OpenReel\Core\Picture\SourceColour;

/** Which camera's picture is to be looked at, in plain values: all that a machine needs which knows nothing of takes. */
final readonly class CameraRequest
{
    /** Part of its key: change it when a look comes out otherwise. */
    private const VERSION = 2;

    /**
     * @param  string  $camera  SHA-256 of its file
     * @param  string|null  $range  how the file says that its numbers mean colours, as for SourceColour::tagged
     * @param  int  $height  of its picture
     */
    public function __construct(public string $camera, public ?string $range, public ?string $matrix, public int $height)
    {
    }

    public function colour(): SourceColour
    {
        return SourceColour::tagged($this->range, $this->matrix, $this->height);
    }

    /** @param  string  $encoder  version of what decodes the picture */
    public function key(string $encoder): string
    {
        return CacheKey::of('look', $this->toArray() + ['recipe' => self::VERSION], $encoder);
    }

    /** @return array{camera: string, range: string|null, matrix: string|null, height: int} arguments for another one */
    public function toArray(): array
    {
        return ['camera' => $this->camera, 'range' => $this->range, 'matrix' => $this->matrix, 'height' => $this->height];
    }
}
