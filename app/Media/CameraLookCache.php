<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Analysis\CameraRequest;
use OpenReel\Core\Picture\CameraLook;

/** What cameras show, each looked at once, by whatever machine. */
final class CameraLookCache
{
    public const KIND = 'look';

    public function __construct(
        private readonly TakeInspector $inspector,
        private readonly RenderCache $cache,
        private readonly MediaStore $media,
        private readonly Encoder $encoder,
    ) {
    }

    public function key(CameraRequest $order): string
    {
        return $order->key($this->encoder->version());
    }

    /**
     * @param  string  $path  of the camera's file, on the media disk
     * @return CameraLook|null null without a picture
     *
     * @throws ProgramMissing|ProgramKilled|ProgramFailed|DiskFull
     */
    public function look(CameraRequest $order, string $path): ?CameraLook
    {
        $made = $this->cache->findOrMake(self::KIND, $this->key($order), self::KIND, function (string $draft) use (
            $order,
            $path,
        ): array {
            $look = $this->inspector->camera($this->media->original($path, $order->camera), $order->colour());
            $this->media->fill($draft, json_encode($look?->toArray(), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));

            return [];
        });
        $values = json_decode((string) file_get_contents($made->path), true, flags: JSON_THROW_ON_ERROR);

        return $values === null ? null : CameraLook::parse($values);
    }
}
