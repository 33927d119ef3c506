<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment;

/** Says lines aloud, so that what a take holds can be compared with them. */
interface ReferenceVoice
{
    /**
     * @param  list<string>  $texts  as they are spoken
     * @param  bool  $high  a high voice, or a low one
     * @param  int  $rate  words a minute
     * @param  bool  $apart  with silence of about 0.4 s between words
     * @return list<string> the sound of each: signed 16-bit little-endian, mono, 16 kHz, in whole steps of 20 ms
     */
    public function say(array $texts, bool $high, int $rate, bool $apart = false): array;
}
