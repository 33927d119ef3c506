<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\FrameSize;

/**
 * What of a film's picture is rendered already, and what that tells of the rest.
 *
 * The constants were measured on the demo lesson (slides with a presenter, 1280 x 720 at 25 frames, x264 and libvpx as Debian 12
 * has them).
 */
final readonly class RenderEstimate
{
    /** Below this much of what is to be seen, it tells nothing. */
    private const ENOUGH = 0.2;

    /** The sound of an MP4, and of a WebM, in bytes a second. */
    private const SOUND = ['mp4' => 20_000, 'webm' => 16_000];

    /** Bits grow slower than pixels: with their number to this power. */
    private const OF_PIXELS = 0.75;

    /** So many steps of the rate factor halve the bits. */
    private const HALVES = 6.0;

    /** Bytes of VP9 at each quality, in parts of those of H.264 at the same. */
    private const VP9 = ['small' => 1.0, 'balanced' => 0.92, 'sharp' => 0.94];

    /** Milliseconds of one processor for a million pixels of a piece, when none was timed here. */
    private const PIECE = 31.0;

    /** To decode and encode the whole film once more, in parts of that. */
    private const PASS = ['mp4' => 0.58, 'webm' => 0.55];

    /**
     * @param  int  $of  frames of the whole film
     * @param  int  $frames  that are rendered
     * @param  int  $bytes  of these
     * @param  int  $timed  frames of which it is known how long they took
     * @param  int  $milliseconds  that these took
     */
    public function __construct(
        public FrameSize $frame,
        public FilmQuality $quality,
        public int $of,
        public FrameRate $rate,
        public int $frames,
        public int $bytes,
        public int $timed,
        public int $milliseconds,
    ) {
    }

    /**
     * @param  self  $like  the same lesson in another size or quality
     * @return int|null bytes of the finished film; null when too little is rendered of either
     */
    public function expectedBytes(self $like, ExportPreset $edition): ?int
    {
        $own = $this->bytesAFrame();
        $other = $like->bytesAFrame();
        if ($own === null && $other === null) {
            return null;
        }
        $picture = $own !== null
            ? $this->bytes + ($this->of - $this->frames) * $own
            : $this->of * (float) $other * $this->againstSize($like) * $this->againstQuality($like);
        $picture *= $edition->format === FilmFormat::WebM ? self::VP9[$edition->quality->value] : 1.0;

        return (int) round($picture + $this->of / $this->rate->fps * self::SOUND[$edition->format->value]);
    }

    /** @return int seconds until it is made */
    public function expectedSeconds(self $like, ExportPreset $edition, int $slots): int
    {
        $pixels = $this->frame->width * $this->frame->height / 1e6;
        $speed = $this->perMillion() ?? $like->perMillion() ?? self::PIECE;
        $pass = $edition->needsAnotherPass() ? $this->of * self::PASS[$edition->format->value] : 0.0;
        $frames = $this->of - $this->frames + $pass;

        return (int) ceil($frames * $pixels * $speed / max(1, $slots) / 1000);
    }

    private function bytesAFrame(): ?float
    {
        return $this->of > 0 && $this->frames >= self::ENOUGH * $this->of ? $this->bytes / $this->frames : null;
    }

    private function perMillion(): ?float
    {
        $pixels = $this->timed * $this->frame->width * $this->frame->height / 1e6;

        return $pixels > 0 ? $this->milliseconds / $pixels : null;
    }

    private function againstSize(self $other): float
    {
        $pixels = fn (FrameSize $f): int => $f->width * $f->height;

        return ($pixels($this->frame) / $pixels($other->frame)) ** self::OF_PIXELS;
    }

    private function againstQuality(self $other): float
    {
        return 2 ** (($other->quality->x264() - $this->quality->x264()) / self::HALVES);
    }
}
