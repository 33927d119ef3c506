<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

use OpenReel\Core\Kernel\CacheKey;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Spans;

/** A voice once it is cleaned: a file as long as the one it is made from. */
final readonly class CleanVoice
{
    /** Part of the key: change it whenever it comes out otherwise. */
    public const VERSION = 1;

    /**
     * @param  string  $sound  hash of the file it is made from
     * @param  int|null  $hum  Hz of the mains that is filtered out; null for none
     * @param  Span|null  $room  of the file, in which only the room is heard (a tick is a sample): what noise is, is learned there;
     *    null when no noise is taken out
     */
    private function __construct(
        public string $sound,
        public NoiseReduction $noise,
        public ?int $hum,
        public bool $lowCut,
        public ?Span $room,
    ) {
    }

    /**
     * @param  int|null  $hum  Hz of the mains where it is heard; null when it is not
     * @param  Span|null  $room  null when that is not known: then no noise is taken out
     * @return self|null null when nothing is to be done
     */
    public static function of(string $sound, Cleaning $cleaning, ?int $hum, ?Span $room): ?self
    {
        $noise = $room === null ? NoiseReduction::Off : $cleaning->noise;
        $hum = $cleaning->hum ? $hum : null;

        return $noise === NoiseReduction::Off && $hum === null && ! $cleaning->lowCut
            ? null
            : new self($sound, $noise, $hum, $cleaning->lowCut, $noise === NoiseReduction::Off ? null : $room);
    }

    /** @param  array<string, mixed>  $stored  as toArray gives it */
    public static function parse(array $stored): self
    {
        return new self(
            $stored['sound'],
            NoiseReduction::from($stored['noise']),
            $stored['hum'],
            $stored['low_cut'],
            Spans::ofPairs(array_filter([$stored['room']]))[0] ?? null,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'sound' => $this->sound,
            'noise' => $this->noise->value,
            'hum' => $this->hum,
            'low_cut' => $this->lowCut,
            'room' => $this->room === null ? null : Spans::pairs([$this->room])[0],
        ];
    }

    public function key(string $encoder): string
    {
        return CacheKey::of('voice', $this->toArray() + ['recipe' => self::VERSION], $encoder);
    }
}
