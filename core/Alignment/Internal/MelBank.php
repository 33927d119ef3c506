<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

use OpenReel\Core\Sound\Fourier;

/**
 * Triangular bands of equal width on the mel scale, as the ear parts frequencies: 2595 log10(1 + f / 700)
 * (D. O'Shaughnessy, Speech Communication, 1987).
 */
final readonly class MelBank
{
    public const BANDS = 26;

    /** Hz: below lies hum, above little of a voice. */
    private const LOWEST = 100.0;

    private const HIGHEST = 6800.0;

    /** Added to every band, in squared 16-bit samples, so that digital silence has a logarithm. */
    private const FLOOR = 1e4;

    /** @var list<array{int, list<float>}> first frequency and the weights from it on */
    private array $bands;

    /**
     * @param  int  $size  samples a frame
     * @param  int  $rate  samples a second
     */
    public function __construct(int $size, int $rate)
    {
        $low = self::mel(self::LOWEST);
        $each = (self::mel(self::HIGHEST) - $low) / (self::BANDS + 1);
        $edges = array_map(
            fn (int $i): float => (self::hertz($low + $i * $each) * $size) / $rate,
            range(0, self::BANDS + 1),
        );
        $bands = [];
        for ($band = 0; $band < self::BANDS; $band++) {
            [$from, $centre, $until] = [$edges[$band], $edges[$band + 1], $edges[$band + 2]];
            $weights = [];
            for ($k = (int) ceil($from); $k <= (int) floor($until); $k++) {
                $weights[] = $k < $centre ? ($k - $from) / ($centre - $from) : ($until - $k) / max(1e-9, $until - $centre);
            }
            $bands[] = [(int) ceil($from), $weights ?: [1.0]];
        }
        $this->bands = $bands;
    }

    /**
     * @param  list<float>  $powers  as of Fourier::powers
     * @return list<float> energy of each band
     */
    public function of(array $powers): array
    {
        $energies = [];
        foreach ($this->bands as [$first, $weights]) {
            $sum = self::FLOOR;
            foreach ($weights as $k => $weight) {
                $sum += $weight * $powers[$first + $k];
            }
            $energies[] = $sum;
        }

        return $energies;
    }

    public static function mel(float $hertz): float
    {
        return 2595 * log10(1 + $hertz / 700);
    }

    public static function hertz(float $mel): float
    {
        return 700 * (10 ** ($mel / 2595) - 1);
    }
}
