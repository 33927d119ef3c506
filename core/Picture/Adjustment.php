<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** How a camera's picture is changed: each part from -50 to 50, 0 as it was recorded. */
final readonly class Adjustment
{
    public const NAMES = ['brightness', 'contrast', 'warmth', 'saturation'];

    public const MOST = 50;

    /** So much of the whole range, or of a channel, is changed by one step. */
    private const BRIGHTNESS = 0.005;

    private const CONTRAST = 0.012;

    private const WARMTH = 0.004;

    private const SATURATION = 0.02;

    /** How bright each channel is (ITU-R BT.709). */
    private const LUMA = [0.2126, 0.7152, 0.0722];

    /** What red and blue gain for a step of the colour differences Cr and Cb (ITU-R BT.709). */
    private const RED = 1.5748;

    private const BLUE = 1.8556;

    private function __construct(
        public int $brightness,
        public int $contrast,
        public int $warmth,
        public int $saturation,
    ) {
    }

    /** @return self|null null when nothing is changed; parts that are beyond what is possible count as the nearest that is */
    public static function of(int $brightness = 0, int $contrast = 0, int $warmth = 0, int $saturation = 0): ?self
    {
        $parts = array_map(
            fn (int $part): int => max(-self::MOST, min(self::MOST, $part)),
            [$brightness, $contrast, $warmth, $saturation],
        );

        return $parts === [0, 0, 0, 0] ? null : new self(...$parts);
    }

    /** @param  mixed  $data  as `toArray` gives it */
    public static function parse(mixed $data): ?self
    {
        $part = fn (string $name): int => is_array($data) && is_numeric($data[$name] ?? null) ? (int) $data[$name] : 0;

        return self::of(...array_map($part, self::NAMES));
    }

    /** What makes one camera's picture as bright and as warm as others are in the middle. */
    public static function matching(CameraLook $own, CameraLook ...$others): ?self
    {
        if ($others === []) {
            return null;
        }
        $mean = fn (\Closure $of): float => array_sum(array_map($of, $others)) / count($others);
        $brighter = $mean(fn (CameraLook $l): float => $l->brightness) - $own->brightness;
        $redder = self::RED * ($mean(fn (CameraLook $l): float => $l->red) - $own->red);
        $bluer = self::BLUE * ($mean(fn (CameraLook $l): float => $l->blue) - $own->blue);

        return self::of(
            brightness: (int) round($brighter / 255 / self::BRIGHTNESS),
            warmth: (int) round(($redder - $bluer) / 2 / max(32.0, $own->brightness) / self::WARMTH),
        );
    }

    /**
     * What each channel becomes, from red, green and blue (0..1, as they are stored), and an offset.
     *
     * @return list<array{float, float, float, float}> rows for red, green and blue
     */
    public function matrix(): array
    {
        $saturation = 1 + $this->saturation * self::SATURATION;
        $contrast = 1 + $this->contrast * self::CONTRAST;
        $gains = [1 + $this->warmth * self::WARMTH, 1.0, 1 - $this->warmth * self::WARMTH];
        $offset = 0.5 * (1 - $contrast) + $this->brightness * self::BRIGHTNESS;
        $rows = [];
        foreach ($gains as $channel => $gain) {
            $row = [];
            foreach (self::LUMA as $from => $luma) {
                $mixed = (1 - $saturation) * $luma + ($from === $channel ? $saturation : 0.0);
                $row[] = round($contrast * $gain * $mixed, 5);
            }
            $rows[] = [$row[0], $row[1], $row[2], round($offset, 5)];
        }

        return $rows;
    }

    /** Filters of the encoder for a picture in HD colours and limited range. */
    public function filters(): string
    {
        // By halves and in twelve bits, so that nothing is cut off before the offset is added.
        $half = array_map(fn (array $row): array => array_map(fn (float $part): float => $part / 2, $row), $this->matrix());
        [$r, $g, $b] = $half;
        $whole = sprintf("'clip(2*val+%.5F*maxval,0,maxval)'", 2 * $r[3]);

        return 'scale=in_range=tv:in_color_matrix=bt709,format=gbrp12,'.
            "colorchannelmixer=rr={$r[0]}:rg={$r[1]}:rb={$r[2]}:gr={$g[0]}:gg={$g[1]}:gb={$g[2]}:".
            "br={$b[0]}:bg={$b[1]}:bb={$b[2]},lutrgb=r={$whole}:g={$whole}:b={$whole},".
            'scale=out_range=tv:out_color_matrix=bt709,format=yuv420p';
    }

    /** @return array{brightness: int, contrast: int, warmth: int, saturation: int} */
    public function toArray(): array
    {
        return [
            'brightness' => $this->brightness, 'contrast' => $this->contrast, 'warmth' => $this->warmth,
            'saturation' => $this->saturation,
        ];
    }
}
