<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Render\FlacHeader;
use OpenReel\Core\Sound\CleanCommand;
use OpenReel\Core\Sound\CleanVoice;

/** Makes cleaned voices; each is a piece of the render cache. */
final class VoiceCleaner
{
    /** A pass takes a hundredth of the voice's length; one that takes longer than this has run wild. */
    private const SECONDS = 1_800.0;

    public function __construct(
        private readonly Encoder $encoder,
        private readonly RenderCache $cache,
        private readonly MediaStore $media,
    ) {
    }

    /** @return string|null its path on the media disk, when it was made already */
    public function find(CleanVoice $voice): ?string
    {
        $key = $voice->key($this->encoder->version());

        return $this->cache->find('voice', $key, 'flac') === null ? null : $this->cache->nameOf('voice', $key, 'flac');
    }

    /**
     * @param  string  $path  of the sound it is made from
     * @return string its path
     *
     * @throws ProgramMissing|ProgramKilled|ProgramFailed|DiskFull
     */
    public function make(CleanVoice $voice, string $path): string
    {
        $key = $voice->key($this->encoder->version());

        return $this->cache->findOrMake('voice', $key, 'flac', function (string $draft) use ($voice, $path): array {
            [$wave, $reduced] = [$this->media->draft('wav'), $this->media->draft('wav')];
            $profile = $this->media->draft('txt');
            try {
                $samples = FlacHeader::samples((string) file_get_contents($path, length: FlacHeader::BYTES));
                $this->media->mustHaveRoomFor(6 * $samples, 'the cleaned voice');
                $this->encoder->run(CleanCommand::filtered($voice, $path, $wave), seconds: self::SECONDS);
                if ($voice->room !== null) {
                    $this->sox(CleanCommand::learned($voice->room, $wave, $profile));
                    $this->sox(CleanCommand::reduced($wave, $profile, $reduced));
                }
                $mixed = CleanCommand::mixed($voice, $wave, $voice->room === null ? null : $reduced, $samples, $draft);
                $this->encoder->run($mixed, seconds: self::SECONDS);

                return [];
            } finally {
                array_map(fn (string $file): bool => @unlink($file), [$wave, $reduced, $profile]);
            }
        })->path;
    }

    /** @param  list<string>  $arguments */
    private function sox(array $arguments): void
    {
        Program::run([(string) config('reel.programs.sox'), ...$arguments], seconds: self::SECONDS);
    }
}
