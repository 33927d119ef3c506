<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Kernel\CacheKey;
use OpenReel\Core\Render\PieceRequest;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Render\TransitionSpec;

/** Makes the pieces of picture that a film is joined from, each once. */
final class PieceRenderer
{
    /** Part of the key of what is made of texts: change it when drawings come out otherwise. */
    private const TEXT_VERSION = 1;

    public function __construct(
        private readonly Encoder $encoder,
        private readonly Prober $prober,
        private readonly SlideMaker $slides,
        private readonly RenderCache $cache,
        private readonly MediaStore $media,
    ) {
    }

    public function has(ShotSpec|TransitionSpec $spec): bool
    {
        return $this->cache->has($this->kind($spec), $spec->key($this->encoder->version()), 'mp4');
    }

    /** @phpstan-impure another process may make it at any time */
    public function find(ShotSpec|TransitionSpec $spec): ?Rendered
    {
        return $this->cache->find($this->kind($spec), $spec->key($this->encoder->version()), 'mp4');
    }

    public function order(ShotSpec|TransitionSpec $spec): PieceRequest
    {
        return PieceRequest::of($spec, $this->encoder->version());
    }

    /**
     * @param  array<string, string>  $files  path on the media disk by hash
     * @param  (callable(int $frames): void)|null  $progress
     *
     * @throws OtherEncoder when it was planned for another version of the encoder
     */
    public function make(PieceRequest $order, array $files, ?callable $progress = null): Rendered
    {
        if ($order->encoder !== $this->encoder->version()) {
            throw OtherEncoder::than($order->encoder);
        }

        return $this->cache->findOrMake($order->kind, $order->key, 'mp4', function (string $draft) use (
            $order,
            $files,
            $progress,
        ): array {
            $paths = $this->paths($order, $files);
            $start = hrtime(true);
            $this->encoder->run($order->arguments($paths, $draft), $progress);

            return [
                'frames' => $order->frames,
                'setup' => $this->prober->setup($draft),
                'ms' => intdiv(hrtime(true) - $start, 1_000_000),
            ];
        });
    }

    private function kind(ShotSpec|TransitionSpec $spec): string
    {
        return $spec instanceof ShotSpec ? 'shot' : 'join';
    }

    /**
     * @param  array<string, string>  $files
     * @return array<string, string> by hash
     */
    private function paths(PieceRequest $order, array $files): array
    {
        $paths = [];
        foreach ($order->files as $hash) {
            $paths[$hash] = $this->media->original($files[$hash] ?? throw MissingFile::named($hash), $hash);
        }
        foreach ($order->drawings as $hash => $svg) {
            $paths[$hash] = $this->text('drawing', $svg, 'png', fn (string $draft) => $this->slides->draw($svg, $draft));
        }
        foreach ($order->scripts as $hash => $script) {
            $paths[$hash] = $this->text('script', $script, 'ass', fn (string $draft) => $this->media->fill($draft, $script));
        }

        return $paths;
    }

    /** @param  callable(string $draft): mixed  $make */
    private function text(string $kind, string $text, string $extension, callable $make): string
    {
        return $this->cache->findOrMake(
            $kind,
            CacheKey::of($kind, ['text' => $text, 'recipe' => self::TEXT_VERSION], ''),
            $extension,
            function (string $draft) use ($make): array {
                $make($draft);

                return [];
            },
        )->path;
    }
}
