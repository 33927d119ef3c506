<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Kernel\CacheKey;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Render\AdtsFrames;
use OpenReel\Core\Render\FilmCommand;
use OpenReel\Core\Sound\GainSearch;
use OpenReel\Core\Sound\Loudness;
use OpenReel\Core\Sound\LoudnessReport;
use OpenReel\Core\Soundtrack\BedFiles;
use OpenReel\Core\Soundtrack\MusicClip;
use OpenReel\Core\Soundtrack\SoundCommand;
use OpenReel\Core\Soundtrack\SoundMix;
use OpenReel\Core\Soundtrack\SoundPart;
use OpenReel\Core\Soundtrack\SoundPiece;

/**
 * Makes the soundtrack: pieces of takes at their loudness, parts of the track mixed from them and encoded, the whole put
 * together.
 */
final class SoundRenderer
{
    public function __construct(
        private readonly Encoder $encoder,
        private readonly RenderCache $cache,
        private readonly MediaStore $media,
        private readonly VoiceCleaner $cleaner,
    ) {
    }

    public function hasPart(SoundPart $part): bool
    {
        return $this->cache->has('part', $this->key($part), 'aac');
    }

    public function key(SoundPart $part): string
    {
        return $part->key($this->encoder->version());
    }

    /** @param  array<string, string>  $files  path on the media disk by hash */
    public function piece(SoundPiece $piece, array $files): Rendered
    {
        return $this->cache->findOrMake('sound', $piece->key($this->encoder->version()), 'pcm', function (string $draft) use (
            $piece,
            $files,
        ): array {
            $path = fn (?string $hash): ?string => $hash === null
                ? null
                : $this->media->original($files[$hash] ?? throw MissingFile::named($hash), $hash);
            $sound = $path($piece->sound);
            if ($sound !== null && $piece->clean !== null) {
                $sound = $this->cleaner->make($piece->clean, $sound);
            }
            $computer = $path($piece->computer?->sound);
            $search = GainSearch::start($piece->target, $sound === null ? null : $piece->loudness);
            do {
                $gain = $search->gain;
                $report = LoudnessReport::parse(
                    $this->encoder->run(SoundCommand::piece($piece, $sound, $gain, $draft, $computer)),
                );
                $search = $report->lufs === null || $search->done ? $search : $search->next($report->lufs);
                // The best try may not have been the last one: then it is made once more.
            } while ($report->lufs !== null && $search->gain !== $gain);

            return ['gain' => $gain, 'lufs' => $report->lufs];
        });
    }

    /**
     * A part of the track as AAC frames, and what can be heard in it: the loudness of its blocks, its highest peak.
     *
     * @param  array<string, string>  $files
     */
    public function part(SoundPart $part, array $files): Rendered
    {
        return $this->cache->findOrMake('part', $part->key($this->encoder->version()), 'aac', function (string $draft) use (
            $part,
            $files,
        ): array {
            $pcm = $this->media->draft('pcm');
            $whole = $this->media->draft('aac');
            try {
                $this->mix($part, $files, $pcm);
                if ($part->beds !== []) {
                    $this->addBeds($part, $files, $pcm);
                }
                $this->encoder->run(SoundCommand::part($pcm, $whole));
                $this->media->fill($draft, AdtsFrames::slice((string) file_get_contents($whole), ...$part->frames()));
                $log = $this->encoder->run(SoundCommand::measure($whole));
            } finally {
                @unlink($pcm);
                @unlink($whole);
            }

            return [
                'blocks' => Loudness::blocks($log, ($part->from - $part->leadFrom()) / Tick::RATE),
                'peak' => LoudnessReport::parse($log)->peak,
            ];
        });
    }

    /**
     * @param  list<SoundPart>  $parts  of the whole film, in order
     * @param  array<string, string>  $files
     */
    public function soundtrack(array $parts, array $files): Rendered
    {
        $version = $this->encoder->version();
        $keys = array_map(fn (SoundPart $part): string => $part->key($version), $parts);
        $key = CacheKey::of('soundtrack', ['parts' => $keys, 'recipe' => FilmCommand::VERSION], $version);

        return $this->cache->findOrMake('soundtrack', $key, 'm4a', function (string $draft) use ($parts, $files): array {
            $made = array_map(fn (SoundPart $part): Rendered => $this->part($part, $files), $parts);
            $frames = $this->media->draft('aac');
            try {
                $this->append($made, $frames);
                $this->encoder->run(FilmCommand::soundtrack($frames, $draft));
            } finally {
                @unlink($frames);
            }
            $peaks = array_filter(
                array_map(fn (Rendered $r): ?float => $r->meta['peak'] ?? null, $made),
                fn (?float $p): bool => $p !== null,
            );

            /** @var list<float> $blocks */
            $blocks = array_merge([], ...array_map(fn (Rendered $r): array => $r->meta['blocks'], $made));

            return [
                'lufs' => Loudness::ofBlocks($blocks),
                'peak' => $peaks === [] ? null : max($peaks),
            ];
        });
    }

    /** @param  array<string, string>  $files */
    private function mix(SoundPart $part, array $files, string $pcm): void
    {
        $open = [];
        $out = $this->opened($pcm, 'w');
        try {
            $mix = new SoundMix($part->places, $part->isLast ? $part->until : PHP_INT_MAX, function (SoundPiece $piece) use (
                &$open,
                $files,
            ) {
                $path = $this->piece($piece, $files)->path;

                return $open[$path] ??= $this->opened($path, 'r');
            });
            $mix->write($part->leadFrom(), $part->tailUntil(), $out);
        } finally {
            array_map(fclose(...), $open);
            fclose($out);
        }
        clearstatcache(true, $pcm);
        if (filesize($pcm) !== SoundMix::BYTES * ($part->tailUntil() - $part->leadFrom())) {
            throw DiskFull::writing('the soundtrack');
        }
    }

    /**
     * Puts music and small sounds beside what is spoken.
     *
     * @param  array<string, string>  $files
     */
    private function addBeds(SoundPart $part, array $files, string $pcm): void
    {
        [$from, $until] = [$part->leadFrom(), $part->tailUntil()];
        $drafts = [$mixed = $this->media->draft('pcm')];
        try {
            $beds = [];
            foreach ($part->beds as $place) {
                $drafts[] = $bed = $this->media->draft('pcm');
                $drafts[] = $loud = $this->media->draft('pcm');
                $this->copyBed($place, $files, $from, $until, $bed);
                $this->media->fill($loud, $place->loud->bytes($from, $until));
                $beds[] = new BedFiles($bed, $loud);
            }
            $this->encoder->run(SoundCommand::withBeds($pcm, $beds, $until - $from, $mixed));
            clearstatcache(true, $mixed);
            if (filesize($mixed) !== SoundMix::BYTES * ($until - $from) || ! @rename($mixed, $pcm)) {
                throw DiskFull::writing('the soundtrack');
            }
        } finally {
            array_map(fn (string $draft): bool => @unlink($draft), $drafts);
        }
    }

    /**
     * What is heard of a bed from one sample of the film to another, as loud as its file is.
     *
     * @param  array<string, string>  $files
     */
    private function copyBed(MusicClip $place, array $files, int $from, int $until, string $to): void
    {
        $in = $this->opened($this->bed($place->file(), $files)->path, 'r');
        $out = $this->opened($to, 'w');
        try {
            foreach ($place->stretches($from, $until) as [$at, $samples]) {
                $bytes = SoundMix::BYTES * $samples;
                if ($at !== null) {
                    fseek($in, SoundMix::BYTES * $at);
                    $bytes -= (int) stream_copy_to_stream($in, $out, $bytes);
                }
                fwrite($out, str_repeat("\0", $bytes));
            }
        } finally {
            fclose($in);
            fclose($out);
        }
    }

    /**
     * @param  string  $hash  of its file
     * @param  array<string, string>  $files
     */
    private function bed(string $hash, array $files): Rendered
    {
        $version = $this->encoder->version();
        $key = CacheKey::of('bed', ['file' => $hash, 'recipe' => SoundCommand::BED_VERSION], $version);

        return $this->cache->findOrMake('bed', $key, 'pcm', function (string $draft) use ($hash, $files): array {
            $file = ShippedMusic::path($hash) ?? $this->media->path($files[$hash] ?? throw MissingFile::named($hash));
            $this->encoder->run(SoundCommand::bed($file, $draft));

            return [];
        });
    }

    /** @param  list<Rendered>  $parts */
    private function append(array $parts, string $to): void
    {
        $out = $this->opened($to, 'w');
        try {
            foreach ($parts as $part) {
                $in = $this->opened($part->path, 'r');
                $copied = stream_copy_to_stream($in, $out);
                fclose($in);
                if ($copied !== filesize($part->path)) {
                    throw DiskFull::writing('the soundtrack');
                }
            }
        } finally {
            fclose($out);
        }
    }

    /** @return resource */
    private function opened(string $path, string $mode)
    {
        return @fopen($path, $mode) ?: throw DiskFull::writing('the soundtrack');
    }
}
