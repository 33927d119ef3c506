<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

/** Music that can lie under speech, or a small sound. */
final readonly class MusicTrack
{
    /**
     * @param  string  $name  as cues call it, in any letter case
     * @param  string  $hash  SHA-256 of its file: stereo, 48 kHz
     * @param  int  $samples  of its file
     * @param  float  $lufs  how loud it is as a whole
     * @param  string|null  $loop  hash of the file that goes round instead; null when its own does
     * @param  int  $loopFrom  sample of that file at which it goes on behind its last
     */
    public function __construct(
        public string $name,
        public string $hash,
        public int $samples,
        public float $lufs,
        public ?string $loop = null,
        public int $loopFrom = 0,
    ) {
    }

    public function isCalled(string $name): bool
    {
        return mb_strtolower(trim($name)) === mb_strtolower($this->name);
    }

    /**
     * @param  list<self>  $beds
     */
    public static function named(string $name, array $beds): ?self
    {
        foreach ($beds as $bed) {
            if ($bed->isCalled($name)) {
                return $bed;
            }
        }

        return null;
    }
}
