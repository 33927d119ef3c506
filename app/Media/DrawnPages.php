<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Deck\PageRequest;

/** Pages of decks as pictures, each drawn once, by whatever machine. */
final class DrawnPages
{
    public const KIND = 'page';

    public function __construct(
        private readonly SlideMaker $slides,
        private readonly RenderCache $cache,
        private readonly MediaStore $media,
    ) {
    }

    /**
     * @param  string  $path  of the PDF file, on the media disk
     *
     * @throws ProgramMissing|ProgramFailed
     */
    public function draw(PageRequest $order, string $path): Rendered
    {
        return $this->cache->findOrMake(self::KIND, $order->key(), 'png', function (string $draft) use ($order, $path): array {
            $this->slides->page($this->media->path($path), $order->page, $order->width, $order->height, $draft);

            return [];
        });
    }
}
