<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** What a music cue says: which bed begins, how loud and how; or that the music ends. */
final readonly class MusicCue
{
    private const USUAL_IN_MS = 500;

    private const USUAL_OUT_MS = 2_000;

    private const LONGEST_FADE_MS = 30_000;

    /** dB. */
    private const LEVELS = [-40.0, 12.0];

    /**
     * @param  string|null  $name  of the bed; null when the music ends
     * @param  float  $level  dB over what the house style has
     * @param  int  $fadeInMs  until it is there
     * @param  int  $fadeOutMs  from where it ends until it is gone
     * @param  int|null  $endsInMs  of a cue that ends music: until it is gone; null as the music's own cue says
     * @param  bool  $loops  it begins again as often as it must; otherwise it is heard once
     */
    public function __construct(
        public ?string $name,
        public float $level = 0.0,
        public int $fadeInMs = self::USUAL_IN_MS,
        public int $fadeOutMs = self::USUAL_OUT_MS,
        public bool $loops = true,
        public ?int $endsInMs = null,
    ) {
    }

    /** @return self|null null when it cannot be followed; numbers beyond what is possible count as the nearest that is */
    public static function parse(string $value): ?self
    {
        $parts = array_map(trim(...), explode(',', $value));
        $name = array_shift($parts);
        if ($name === '') {
            return null;
        }
        $level = 0.0;
        [$in, $out, $loops] = [self::USUAL_IN_MS, null, true];
        foreach ($parts as $part) {
            if (preg_match('/^([+\-−]?)(\d{1,3}(?:\.\d{1,2})?)\s*dB$/iu', $part, $m) === 1) {
                $level = ($m[1] === '' || $m[1] === '+' ? 1 : -1) * (float) $m[2];
            } elseif (preg_match('/^in\s+(.+)$/i', $part, $m) === 1 && Length::milliseconds($m[1]) !== null) {
                $in = (int) Length::milliseconds($m[1]);
            } elseif (preg_match('/^out\s+(.+)$/i', $part, $m) === 1 && Length::milliseconds($m[1]) !== null) {
                $out = (int) Length::milliseconds($m[1]);
            } elseif (strtolower($part) === 'once') {
                $loops = false;
            } else {
                return null;
            }
        }

        $isEnd = strtolower($name) === 'none';

        return new self(
            $isEnd ? null : $name,
            max(self::LEVELS[0], min(self::LEVELS[1], $level)),
            min(self::LONGEST_FADE_MS, $in),
            min(self::LONGEST_FADE_MS, $out ?? self::USUAL_OUT_MS),
            $loops,
            $isEnd && $out !== null ? min(self::LONGEST_FADE_MS, $out) : null,
        );
    }
}
