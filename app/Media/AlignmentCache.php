<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Alignment\Alignment;
use OpenReel\Core\Alignment\AlignmentRequest;

/** What was heard in sounds, each listened to once, by whatever machine. */
final class AlignmentCache
{
    public const KIND = 'heard';

    public function __construct(
        private readonly TakeAligner $listener,
        private readonly RenderCache $cache,
        private readonly MediaStore $media,
        private readonly Encoder $encoder,
    ) {
    }

    public function key(AlignmentRequest $order): string
    {
        return $order->key($this->encoder->version());
    }

    /**
     * @param  string  $path  of the sound, on the media disk
     * @param  callable(float): mixed|null  $progress  told how much is done, 0..1
     *
     * @throws ProgramMissing|ProgramKilled|ProgramFailed|DiskFull
     */
    public function hear(AlignmentRequest $order, string $path, ?callable $progress = null): Alignment
    {
        $made = $this->cache->findOrMake(self::KIND, $this->key($order), self::KIND, function (string $draft) use (
            $order,
            $path,
            $progress,
        ): array {
            $sound = $this->media->original($path, $order->sound);
            $heard = $this->listener->hear($sound, $order->lines, $order->language, $progress);
            $this->media->fill($draft, json_encode($heard->toArray(), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));

            return [];
        });

        return Alignment::parse((array) json_decode((string) file_get_contents($made->path), true, flags: JSON_THROW_ON_ERROR));
    }
}
