<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

/** Somebody's recording as input of the encoder or the prober: opened without trusting it. */
final class RecordingInput
{
    /** Kinds of files that hold recordings. Playlists and scripts of cuts are not among them: they name other files. */
    private const KINDS = 'matroska,webm,mov,mp4,m4a,3gp,3g2,mj2,avi,mpegts,mpeg,flv,asf,'
        .'wav,w64,aiff,caf,flac,ogg,mp3,aac,amr,ac3';

    /** The kind is found by the content; nothing but this one file is opened, whatever it refers to. */
    public const GUARD = ['-protocol_whitelist', 'file,pipe', '-format_whitelist', self::KINDS];

    /** A lesson is shorter: six hours. */
    private const LONGEST_SECONDS = 6 * 3600;

    /** Recordings longer than this have some bytes for every second; where they have not, the times in them jump. */
    private const PLAUSIBLE_SECONDS = 600;

    private const LEAST_BYTES_A_SECOND = 100;

    /**
     * @param  float  $seconds  how long it says it is
     * @return string|null a sentence about what is wrong with its length
     */
    public static function problem(float $seconds, int $bytes): ?string
    {
        return match (true) {
            $seconds > self::LONGEST_SECONDS => 'This recording is longer than six hours. Cut it into parts and bring them '
                .'in one by one.',
            $seconds > self::PLAUSIBLE_SECONDS && $bytes < $seconds * self::LEAST_BYTES_A_SECOND => 'The times in this '
                .'recording jump: it says that it is much longer than what is in it. It is kept as it came; record the '
                    .'section again.',
            default => null,
        };
    }
}
