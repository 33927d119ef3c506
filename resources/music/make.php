<?php

declare(strict_types=1);

/**
 * Makes the music beds and small sounds that ship with the application: php resources/music/make.php
 *
 * Everything is computed from the notes below and free of rights. A bed is written on a ring: what still sounds at its end
 * is heard at its beginning, so that it goes round without a seam.
 */
const RATE = 48_000;

/** A stretch of sound whose end is its beginning, or that simply ends. */
final class Ring
{
    /** @var array{SplFixedArray<float>, SplFixedArray<float>} left and right */
    private array $sides;

    public function __construct(private readonly int $samples, private readonly bool $goesRound)
    {
        $this->sides = [self::silence($samples), self::silence($samples)];
    }

    /**
     * A note.
     *
     * @param  float  $at  seconds
     * @param  int  $note  MIDI number; 69 is 440 Hz
     * @param  float  $length  seconds until it is let go, or for a plucked one until it has died away
     * @param  array<int, float>  $partials  loudness by multiple of its pitch
     * @param  float  $pan  -1 left, 1 right
     */
    public function note(
        float $at,
        int $note,
        float $length,
        float $loud,
        array $partials,
        float $attack,
        float $pan = 0.0,
        bool $isPlucked = false,
    ): void {
        $hertz = 440 * 2 ** (($note - 69) / 12);
        $release = $isPlucked ? 0.0 : 1.6;
        $begin = (int) round($at * RATE);
        $count = (int) round(($length + $release) * RATE);
        [$left, $right] = [cos(($pan + 1) * M_PI_4) * $loud, sin(($pan + 1) * M_PI_4) * $loud];
        for ($i = 0; $i < $count; $i++) {
            $t = $i / RATE;
            $shape = min(1.0, $t / $attack) * ($isPlucked
                ? exp(-5 * $t / $length)
                : ($t < $length ? 1.0 : (1 + cos(M_PI * ($t - $length) / $release)) / 2));
            $value = 0.0;
            foreach ($partials as $multiple => $part) {
                // High partials of a pluck die away first.
                $value += $part * sin(2 * M_PI * $hertz * $multiple * $t) * ($isPlucked ? exp(-1.5 * ($multiple - 1) * $t) : 1.0);
            }
            $n = $begin + $i;
            if (! $this->goesRound && $n >= $this->samples) {
                return;
            }
            $n %= $this->samples;
            $this->sides[0][$n] += $left * $shape * $value;
            $this->sides[1][$n] += $right * $shape * $value;
        }
    }

    /** A breath of noise whose pitch falls, as a page that is turned. */
    public function breath(float $at, float $length, float $loud): void
    {
        mt_srand(7);
        $low = 0.0;
        $lower = 0.0;
        for ($i = 0, $count = (int) round($length * RATE); $i < $count; $i++) {
            $part = $i / $count;
            $open = 0.22 - 0.17 * $part;
            $low += $open * ((mt_rand() / mt_getrandmax() * 2 - 1) - $low);
            $lower += 0.03 * ($low - $lower);
            $value = ($low - $lower) * sin(M_PI * $part ** 0.6) ** 2 * $loud;
            $n = (int) round($at * RATE) + $i;
            $this->sides[0][$n] += $value * (1 - 0.4 * $part);
            $this->sides[1][$n] += $value * (0.6 + 0.4 * $part);
        }
    }

    /** A room around it: echoes that cross from side to side. */
    public function room(float $amount): void
    {
        [$left, $right] = [clone $this->sides[0], clone $this->sides[1]];
        foreach ([0.031, 0.047, 0.071, 0.109, 0.163, 0.241, 0.353] as $k => $delay) {
            $shift = (int) round($delay * RATE);
            $gain = $amount * 0.78 ** $k;
            for ($i = 0; $i < $this->samples; $i++) {
                $from = $i - $shift;
                if ($from < 0) {
                    if (! $this->goesRound) {
                        continue;
                    }
                    $from += $this->samples;
                }
                $this->sides[0][$i] += $gain * ($k % 2 ? $left[$from] : $right[$from]);
                $this->sides[1][$i] += $gain * ($k % 2 ? $right[$from] : $left[$from]);
            }
        }
    }

    /** As Ogg Vorbis, with its highest sample at -6 dBFS. */
    public function write(string $file): void
    {
        $peak = 0.0;
        foreach ($this->sides as $side) {
            foreach ($side as $value) {
                $peak = max($peak, abs($value));
            }
        }
        $scale = 0.5 / max(1e-9, $peak);
        $encoder = proc_open(
            ['ffmpeg', '-v', 'error', '-y', '-f', 'f32le', '-ar', (string) RATE, '-ac', '2', '-i', '-', '-map_metadata', '-1',
                '-fflags', '+bitexact', '-flags:a', '+bitexact', '-c:a', 'libvorbis', '-q:a', '5', $file],
            [0 => ['pipe', 'r'], 1 => STDOUT, 2 => STDERR],
            $pipes,
        ) ?: throw new RuntimeException('ffmpeg does not start.');
        $bytes = '';
        for ($i = 0; $i < $this->samples; $i++) {
            $bytes .= pack('g2', $scale * $this->sides[0][$i], $scale * $this->sides[1][$i]);
        }
        fwrite($pipes[0], $bytes);
        fclose($pipes[0]);
        if (proc_close($encoder) !== 0) {
            throw new RuntimeException("{$file} was not written.");
        }
    }

    /** @return SplFixedArray<float> */
    private static function silence(int $samples): SplFixedArray
    {
        return SplFixedArray::fromArray(array_fill(0, $samples, 0.0));
    }
}

const SOFT = [1 => 1.0, 2 => 0.32, 3 => 0.12, 4 => 0.05];
const WOOD = [1 => 1.0, 2 => 0.5, 3 => 0.25, 5 => 0.08];
const GLASS = [1 => 1.0, 3 => 0.3, 6 => 0.12];

/** Wide chords that come and go: the tide standing. */
function slackWater(): Ring
{
    $ring = new Ring(24 * RATE, true);
    foreach ([[48, 60, 64, 67, 71], [45, 57, 64, 67, 72], [41, 57, 60, 65, 69], [43, 55, 62, 65, 71]] as $bar => $chord) {
        foreach ($chord as $k => $note) {
            $ring->note(6 * $bar, $note, 5.2, $k === 0 ? 0.9 : 0.5, SOFT, 1.8, ($k - 2) / 3);
        }
        $ring->note(6 * $bar + 3, $chord[3] + 12, 2.4, 0.16, GLASS, 0.02, 0.5 - $bar / 3, true);
    }
    $ring->room(0.3);

    return $ring;
}

/** Plucked thirds in an even walk: the water going out. */
function morningEbb(): Ring
{
    $beat = 0.625;
    $ring = new Ring((int) round(32 * $beat * RATE), true);
    foreach ([[50, 57, 62, 66], [47, 54, 62, 66], [43, 55, 59, 62], [45, 52, 61, 64]] as $bar => $chord) {
        for ($round = 0; $round < 2; $round++) {
            foreach ([0, 1, 2, 3, 2, 1, 3, 2] as $step => $k) {
                $at = (8 * $bar + 4 * $round + $step / 2) * $beat;
                $ring->note($at, $chord[$k] + 12, 1.5, $step % 4 === 0 ? 0.6 : 0.42, WOOD, 0.004, ($k - 1.5) / 2.5, true);
            }
        }
        $ring->note(8 * $bar * $beat, $chord[0], 8 * $beat - 1.2, 0.5, SOFT, 0.9);
        $ring->note(8 * $bar * $beat, $chord[2], 8 * $beat - 1.2, 0.16, SOFT, 1.6, -0.4);
    }
    $ring->room(0.22);

    return $ring;
}

/** A bass that steps, with bright notes over it: oars in time. */
function steadyStroke(): Ring
{
    $beat = 60 / 108;
    $ring = new Ring((int) round(32 * $beat * RATE), true);
    foreach ([[40, 64, 67, 71], [36, 64, 67, 72], [43, 62, 67, 71], [38, 62, 66, 69]] as $bar => $chord) {
        for ($n = 0; $n < 8; $n++) {
            $at = (8 * $bar + $n) * $beat;
            $ring->note($at, $chord[0] + ($n % 4 === 3 ? 7 : 0), 0.9, $n % 2 ? 0.5 : 0.75, WOOD, 0.006, 0.0, true);
            $ring->note($at + $beat / 2, $chord[1 + $n % 3], 0.8, 0.3, GLASS, 0.003, $n % 2 ? 0.6 : -0.6, true);
        }
        foreach (array_slice($chord, 1) as $k => $note) {
            $ring->note(8 * $bar * $beat, $note, 8 * $beat - 0.8, 0.14, SOFT, 0.6, $k - 1.0);
        }
    }
    $ring->room(0.16);

    return $ring;
}

function chime(int ...$notes): Ring
{
    $ring = new Ring((int) (1.8 * RATE), false);
    foreach ($notes as $n => $note) {
        $ring->note(0.14 * $n, $note, 1.4, 0.5, GLASS, 0.004, ($n - 1) / 3, true);
    }
    $ring->room(0.25);

    return $ring;
}

function page(): Ring
{
    $ring = new Ring((int) (0.5 * RATE), false);
    $ring->breath(0.0, 0.4, 1.0);

    return $ring;
}

$made = [
    ['file' => 'slack-water.ogg', 'name' => 'Slack water', 'says' => 'calm, wide chords', 'ring' => slackWater(...)],
    ['file' => 'morning-ebb.ogg', 'name' => 'Morning ebb', 'says' => 'plucked, an even walk', 'ring' => morningEbb(...)],
    ['file' => 'steady-stroke.ogg', 'name' => 'Steady stroke', 'says' => 'brisk, a bass that steps', 'ring' => steadyStroke(...)],
    ['file' => 'card.ogg', 'name' => 'card', 'ring' => fn (): Ring => chime(67, 74)],
    ['file' => 'question.ogg', 'name' => 'question', 'ring' => fn (): Ring => chime(64, 69, 76)],
    ['file' => 'page.ogg', 'name' => 'page', 'ring' => page(...)],
];
$index = [];
foreach ($made as $one) {
    $path = __DIR__.'/'.$one['file'];
    $one['ring']()->write($path);
    exec('ffmpeg -nostats -i '.escapeshellarg($path).' -af ebur128 -f null - 2>&1', $log);
    preg_match_all('/I:\s+(-[\d.]+) LUFS/', implode("\n", $log), $loudness);
    $pcm = (string) shell_exec('ffmpeg -v error -i '.escapeshellarg($path).' -f s16le -ac 2 -ar 48000 -');
    unset($one['ring']);
    $index[] = $one + [
        'hash' => hash_file('sha256', $path),
        'samples' => intdiv(strlen($pcm), 4),
        'lufs' => (float) (end($loudness[1]) ?: -30.0),
    ];
    $log = [];
}
file_put_contents(__DIR__.'/index.json', json_encode($index, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES)."\n");
