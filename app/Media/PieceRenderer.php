<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Formats\ConcatList;
use OpenReel\Core\Listening\GainSearch;
use OpenReel\Core\Render\CacheKey;
use OpenReel\Core\Render\JoinCommand;
use OpenReel\Core\Render\LoudnessReport;
use OpenReel\Core\Render\ShotCommand;
use OpenReel\Core\Render\ShotFiles;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Render\SoundCommand;
use OpenReel\Core\Render\SoundSpec;

/** Makes the pieces of a lesson that are worth keeping: a segment's picture, a segment's sound, the whole soundtrack. */
final class PieceRenderer
{
    public function __construct(
        private readonly Encoder $encoder,
        private readonly Prober $prober,
        private readonly SlideMaker $slides,
        private readonly RenderCache $cache,
        private readonly MediaStore $media,
    ) {
    }

    public function hasSegment(ShotSpec $spec): bool
    {
        return $this->cache->find('segment', $spec->key($this->encoder->version()), 'mp4') !== null;
    }

    /**
     * @param  array<string, string>  $files  path on the media disk by hash
     * @param  (callable(int $frames): void)|null  $progress
     */
    public function segment(ShotSpec $spec, array $files, ?callable $progress = null): Rendered
    {
        return $this->cache->findOrMake('segment', $spec->key($this->encoder->version()), 'mp4', function (string $draft) use ($spec, $files, $progress): array {
            $this->encoder->run(ShotCommand::arguments($spec, $this->filesOf($spec, $files), $draft), $progress);

            return ['frames' => $spec->frames, 'setup' => $this->prober->setup($draft)];
        });
    }

    /** @param  array<string, string>  $files  path on the media disk by hash */
    public function sound(SoundSpec $spec, array $files): Rendered
    {
        return $this->cache->findOrMake('sound', $spec->key($this->encoder->version()), 'wav', function (string $draft) use ($spec, $files): array {
            $sound = $this->pathOf($spec->sound, $files);
            $search = GainSearch::start($spec->target, $sound === null ? null : $spec->loudness);
            do {
                $gain = $search->gain;
                $report = LoudnessReport::read($this->encoder->run(SoundCommand::segment($spec, $sound, $gain, $draft)));
                $search = $report->lufs === null || $search->done ? $search : $search->next($report->lufs);
                // The best try may not have been the last one: then it is made once more.
            } while ($report->lufs !== null && $search->gain !== $gain);

            return ['gain' => $gain, 'lufs' => $report->lufs];
        });
    }

    /**
     * @param  list<SoundSpec>  $specs  in lesson order
     * @param  array<string, string>  $files
     */
    public function soundtrack(array $specs, array $files): Rendered
    {
        $version = $this->encoder->version();
        $keys = array_map(fn (SoundSpec $spec): string => $spec->key($version), $specs);
        $key = CacheKey::of('soundtrack', ['sounds' => $keys, 'recipe' => JoinCommand::RECIPE], $version);

        return $this->cache->findOrMake('soundtrack', $key, 'm4a', function (string $draft) use ($specs, $files): array {
            $list = $this->list(array_map(
                fn (SoundSpec $spec): array => ['path' => $this->sound($spec, $files)->path, 'length' => $spec->length],
                $specs,
            ));
            try {
                $this->encoder->run(JoinCommand::soundtrack($list, $draft));
                $report = LoudnessReport::read($this->encoder->run(SoundCommand::measureFile($draft)));
            } finally {
                @unlink($list);
            }

            return ['lufs' => $report->lufs, 'peak' => $report->peak];
        });
    }

    /**
     * @param  list<array{path: string, length: \OpenReel\Core\Time\Tick}>  $entries
     * @return string path of a list to be removed after use
     */
    public function list(array $entries): string
    {
        $list = $this->media->draft('txt');
        $this->media->fill($list, ConcatList::write($entries));

        return $list;
    }

    /** @param  array<string, string>  $files */
    private function filesOf(ShotSpec $spec, array $files): ShotFiles
    {
        $cut = $spec->cameraRect() === null ? null : $spec->picture->insetFrame;

        return new ShotFiles(
            $this->pathOf($spec->camera, $files),
            $this->pathOf($spec->slide, $files),
            $this->pathOf($spec->picture->logo?->hash, $files),
            $cut === null || $cut->radius === 0 ? null : $this->drawing($cut->maskSvg()),
            $cut === null || $cut->border === 0 ? null : $this->drawing($cut->borderSvg()),
        );
    }

    private function drawing(string $svg): string
    {
        return $this->cache->findOrMake('drawing', CacheKey::of('drawing', ['svg' => $svg], ''), 'png', function (string $draft) use ($svg): array {
            $this->slides->draw($svg, $draft);

            return [];
        })->path;
    }

    /** @param  array<string, string>  $files */
    private function pathOf(?string $hash, array $files): ?string
    {
        return $hash === null ? null : $this->media->path($files[$hash]);
    }
}
