<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Render\IngestCommand;

/** Whether files made of a recording are as long as it: what is cut short must not take its place. */
final class WholeFiles
{
    /** How much shorter than the recording its files may be: the last frame of the picture, the last block of the sound. */
    private const SLACK = 0.25;

    /** With less room than this, a file that came out short was cut short by the disk. */
    private const ROOM = 64 * 1024 * 1024;

    public function __construct(
        private readonly Encoder $encoder,
        private readonly Prober $prober,
        private readonly MediaStore $media,
    ) {
    }

    /**
     * Plays what was made of a recording to its end.
     *
     * @param  list<string>  $made  paths
     * @param  string  $raw  path of the recording
     * @return bool false when one is damaged, or shorter than what it was made from
     *
     * @throws ProgramMissing|ProgramKilled
     */
    public function replaces(array $made, string $raw): bool
    {
        try {
            $reached =
                $made === []
                    ? 0
                    : min(
                        array_map(
                            fn (string $file): int => self::reached($this->encoder->run(IngestCommand::decode($file))),
                            $made,
                        ),
                    );
            $meant = $this->prober->recording($raw)->seconds;
        } catch (ProgramFailed) {
            return false;
        }

        return $reached / Tick::RATE >= self::least($meant);
    }

    /**
     * What a full disk leaves may look like a finished file and be empty.
     *
     * @param  string|null  $file  null: there is none, and nothing is wrong
     * @param  float  $seconds  that it was made of
     *
     * @throws DiskFull|ProgramFailed when it is shorter
     */
    public function mustBeWhole(?string $file, float $seconds): void
    {
        if ($file === null) {
            return;
        }
        $made = is_file($file) ? $this->prober->seconds($file) : 0.0;
        if ($made < self::least($seconds)) {
            $this->media->mustHaveRoomFor(self::ROOM, 'the take');
            throw ProgramFailed::cutShort($file, $made, $seconds);
        }
    }

    /** How long at least a file made of so many seconds is. */
    private static function least(float $seconds): float
    {
        return 0.98 * $seconds - self::SLACK;
    }

    /** The last time the encoder reported, in ticks: the length of the longest output. */
    public static function reached(string $log): int
    {
        if (preg_match('/.*time=(\d+):(\d+):(\d+(?:\.\d+)?)/s', $log, $m) !== 1) {
            return 0;
        }

        return (int) round(((int) $m[1] * 3600 + (int) $m[2] * 60 + (float) $m[3]) * Tick::RATE);
    }
}
