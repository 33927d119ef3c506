<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Kernel\CacheKey;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Script\Spoken;
use OpenReel\Core\Sound\LevelReader;
use OpenReel\Core\Sound\LoudnessReport;
use OpenReel\Core\Take\RecordedTrack;

/** Reads single lines in a stand-in voice, for a draft of the film; the same words are read once. */
final class DraftVoice
{
    /** Part of the key: change it when the voice or its way of reading changes. */
    private const VERSION = 1;

    /** Silence before and behind a line, seconds: lines follow each other as somebody says them. */
    private const BEFORE = 0.15;

    private const BEHIND = 0.35;

    /** espeak-ng's names of its voices, and words a minute: the pace of someone explaining. */
    private const VOICES = ['en' => 'en-us', 'de' => 'de', 'fr' => 'fr-fr', 'es' => 'es'];

    private const RATE = '145';

    public function __construct(
        private readonly Voice $english,
        private readonly Encoder $encoder,
        private readonly RenderCache $cache,
        private readonly MediaStore $media,
    ) {
    }

    /** @return array{RecordedTrack, string}|null the sound as a take's only track, and where it lies on the media disk; null before */
    public function find(string $text, Language $language): ?array
    {
        $key = $this->key($text, $language);
        $made = $this->cache->find('draft', $key, 'flac');

        return $made === null ? null : [
            new RecordedTrack(
                TrackKind::Microphone,
                $key,
                Tick::of((int) $made->meta['samples']),
                Tick::zero(),
                loudness: $made->meta['loudness'],
                peak: $made->meta['peak'],
            ),
            $this->cache->nameOf('draft', $key, 'flac'),
        ];
    }

    /** @throws ProgramMissing|ProgramKilled|ProgramFailed|DiskFull */
    public function make(string $text, Language $language): void
    {
        $this->cache->findOrMake('draft', $this->key($text, $language), 'flac', function (string $draft) use (
            $text,
            $language,
        ): array {
            [$wave, $pcm] = [$this->media->draft('wav'), $this->media->draft('pcm')];
            try {
                $this->speak(Spoken::of($text, $language), $language, $wave);
                $silence = sprintf('adelay=%d:all=1,apad=pad_dur=%.2F', 1000 * self::BEFORE, self::BEHIND);
                $log = $this->encoder->run([
                    '-i', $wave, '-filter_complex',
                    "[0:a]aresample=48000,aformat=channel_layouts=mono,{$silence},asplit=3[keep][listen][meter];".
                        '[meter]pan=stereo|c0=c0|c1=c0,ebur128=framelog=verbose,anullsink',
                    '-map', '[keep]', '-c:a', 'flac', '-sample_fmt', 's16', '-f', 'flac', $draft,
                    '-map', '[listen]', '-c:a', 'pcm_s16le', '-f', 's16le', $pcm,
                ]);
                $stream = fopen($pcm, 'rb') ?: throw DiskFull::writing('the draft');
                $levels = LevelReader::read($stream);
                fclose($stream);

                return [
                    'samples' => $levels->samples,
                    'loudness' => LoudnessReport::parse($log)->lufs,
                    'peak' => $levels->peak(),
                ];
            } finally {
                @unlink($wave);
                @unlink($pcm);
            }
        });
    }

    /** Where a sound lies on the media disk, by its key; null when there is none of that name. */
    public function path(string $key): ?string
    {
        return preg_match('/^[0-9a-f]{64}$/D', $key) === 1 && $this->cache->find('draft', $key, 'flac') !== null
            ? $this->cache->nameOf('draft', $key, 'flac')
            : null;
    }

    private function speak(string $text, Language $language, string $wave): void
    {
        if ($language === Language::English) {
            $this->english->speak($text, $wave);
        } else {
            $program = (string) config('reel.programs.reference_voice');
            $voice = self::VOICES[$language->value];
            Program::run([$program, '-v', $voice, '-s', self::RATE, '-w', $wave, '--stdin'], input: $text);
        }
    }

    private function key(string $text, Language $language): string
    {
        return CacheKey::of(
            'draft',
            ['text' => $text, 'language' => $language->value, 'recipe' => self::VERSION],
            $this->encoder->version(),
        );
    }
}
