<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

/** Power spectra by the fast Fourier transform (radix 2, Cooley and Tukey 1965), of two real signals at once. */
final readonly class Fourier
{
    /** @var list<float> */
    private array $cos;

    /** @var list<float> */
    private array $sin;

    /** @var list<int> where each sample goes before the first step */
    public array $order;

    /** @param  int<2, max>  $size  samples a frame, a power of two */
    public function __construct(public int $size)
    {
        $cos = $sin = $order = [];
        for ($i = 0; $i < $size / 2; $i++) {
            $cos[] = cos((2 * M_PI * $i) / $size);
            $sin[] = -sin((2 * M_PI * $i) / $size);
        }
        $bits = (int) round(log($size, 2));
        for ($i = 0; $i < $size; $i++) {
            $order[] = (int) bindec(strrev(str_pad(decbin($i), $bits, '0', STR_PAD_LEFT)));
        }
        [$this->cos, $this->sin, $this->order] = [$cos, $sin, $order];
    }

    /**
     * One signal as the real part and the other as the imaginary one; what belongs to which follows from the symmetry of a real
     * signal's spectrum.
     *
     * @param  array<int, float>  $re  the first signal, in the order of `order`
     * @param  array<int, float>  $im  the second
     * @return array{list<float>, list<float>} power at each of size / 2 frequencies, times 4; of frequency 0 always none
     */
    public function powers(array $re, array $im): array
    {
        $size = $this->size;
        $half = $size >> 1;
        $cos = $this->cos;
        $sin = $this->sin;
        for ($span = 1; $span < $size; $span <<= 1) {
            $turn = intdiv($half, $span);
            for ($k = 0; $k < $span; $k++) {
                $c = $cos[$k * $turn];
                $d = $sin[$k * $turn];
                for ($i = $k; $i < $size; $i += $span << 1) {
                    $j = $i + $span;
                    $x = $re[$j];
                    $y = $im[$j];
                    $a = $x * $c - $y * $d;
                    $b = $x * $d + $y * $c;
                    $re[$j] = $re[$i] - $a;
                    $im[$j] = $im[$i] - $b;
                    $re[$i] += $a;
                    $im[$i] += $b;
                }
            }
        }
        $first = $second = [0.0];
        for ($k = 1; $k < $half; $k++) {
            $j = $size - $k;
            $p = $re[$k] + $re[$j];
            $q = $im[$k] - $im[$j];
            $first[] = $p * $p + $q * $q;
            $p = $im[$k] + $im[$j];
            $q = $re[$j] - $re[$k];
            $second[] = $p * $p + $q * $q;
        }

        return [$first, $second];
    }
}
