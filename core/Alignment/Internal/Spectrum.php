<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

use OpenReel\Core\Sound\Fourier;

/**
 * How a sound's energy is parted among the bands of the ear, every 20 ms in windows of 32 ms: the first step of hearing words.
 */
final class Spectrum
{
    /** Samples a second of the sound that is read. */
    public const RATE = 16_000;

    /** Samples from one frame to the next, and in a frame. */
    private const STEP = 320;

    private const WINDOW = 512;

    /** Each sample less so much of the one before: evens out the fall of a voice's spectrum towards high frequencies. */
    private const EMPHASIS = 0.95;

    private readonly Fourier $fourier;

    private readonly MelBank $bank;

    /** @var list<float> Hamming's window */
    private readonly array $window;

    /** Sound that is not in a frame yet, and bytes of it that are. */
    private string $held;

    private string $packed = '';

    public function __construct()
    {
        $this->fourier = new Fourier(self::WINDOW);
        $this->bank = new MelBank(self::WINDOW, self::RATE);
        $this->window = array_map(
            fn (int $i): float => 0.54 - 0.46 * cos((2 * M_PI * $i) / (self::WINDOW - 1)),
            range(0, self::WINDOW - 1),
        );
        // Frames are centred: the first begins before the sound does.
        $this->held = str_repeat("\0", self::WINDOW - self::STEP);
    }

    /**
     * @param  iterable<string>  $pcm  signed 16-bit little-endian, mono, 16 kHz, in pieces of any length
     * @return Frames energies of MelBank::BANDS bands, as many frames as there are whole steps of 20 ms
     */
    public static function read(iterable $pcm): Frames
    {
        $reader = new self();
        $bytes = 0;
        foreach ($pcm as $piece) {
            $bytes += strlen($piece);
            $reader->add($piece);
        }
        $frames = intdiv($bytes >> 1, self::STEP);
        $reader->add(str_repeat("\0", 4 * self::WINDOW));

        return Frames::packed(substr($reader->packed, 0, $frames * 4 * MelBank::BANDS), MelBank::BANDS);
    }

    private function add(string $pcm): void
    {
        $this->held .= $pcm;
        $needed = 2 * (self::WINDOW + self::STEP + 1);
        $at = 0;
        for ($left = strlen($this->held); $left - $at >= $needed; $at += 4 * self::STEP) {
            foreach ($this->pair($at) as $energies) {
                $this->packed .= pack('g*', ...$energies);
            }
        }
        $this->held = substr($this->held, $at);
    }

    /** @return array{list<float>, list<float>} energies of the frame that begins at a byte, and of the next */
    private function pair(int $at): array
    {
        $samples = (array) unpack('s'.(self::WINDOW + self::STEP + 1), $this->held, $at);
        $order = $this->fourier->order;
        $first = $second = array_fill(0, self::WINDOW, 0.0);
        foreach ($this->window as $i => $weight) {
            $to = $order[$i];
            $first[$to] = $weight * ($i > 0 ? $samples[$i + 1] - self::EMPHASIS * $samples[$i] : 0.05 * $samples[1]);
            $second[$to] = $weight * ($samples[$i + self::STEP + 1] - self::EMPHASIS * $samples[$i + self::STEP]);
        }
        [$one, $other] = $this->fourier->powers($first, $second);

        return [$this->bank->of($one), $this->bank->of($other)];
    }
}
