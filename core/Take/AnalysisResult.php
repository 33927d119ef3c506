<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Picture\CameraLook;

/** What a take sounds and looks like as a whole. */
final readonly class AnalysisResult
{
    /** Change it whenever the same recording gives another result. */
    public const VERSION = 1;

    /**
     * @param  float|null  $voice  dBFS while somebody speaks; null when nobody does
     * @param  float|null  $noise  dBFS of the room
     * @param  int|null  $hum  Hz of the mains where it is heard; null when it is not
     * @param  Span|null  $room  of the voice's file, in which only the room is heard; a tick is a sample
     * @param  array<string, Span>  $places  where each flag is heard or seen best, in take time
     * @param  CameraLook|null  $camera  null without a camera
     * @param  list<string>  $flags  values of SoundFlag and PictureFlag
     */
    public function __construct(
        public ?float $voice = null,
        public ?float $noise = null,
        public ?int $hum = null,
        public ?Span $room = null,
        public array $places = [],
        public ?CameraLook $camera = null,
        public array $flags = [],
    ) {
    }

    /** @param  array<string, mixed>  $stored  as toArray gives it */
    public static function parse(array $stored): self
    {
        $camera = $stored['camera'] ?? null;
        $number = fn (string $name): ?float => isset($stored[$name]) ? (float) $stored[$name] : null;

        return new self(
            $number('voice'),
            $number('noise'),
            isset($stored['hum']) ? (int) $stored['hum'] : null,
            Spans::ofPairs(array_filter([$stored['room'] ?? null]))[0] ?? null,
            array_filter(array_map(
                fn (array $p): ?Span => Spans::ofPairs([[(int) $p[0], (int) $p[1]]])[0] ?? null, (array) ($stored['places'] ?? []),
            )),
            $camera === null ? null : new CameraLook(
                (float) $camera['brightness'],
                (float) $camera['blue'],
                (float) $camera['red'],
                self::bytes((string) $camera['cells']),
                self::bytes((string) $camera['moves']),
            ),
            array_map(strval(...), array_values((array) ($stored['flags'] ?? []))),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'voice' => $this->voice,
            'noise' => $this->noise,
            'hum' => $this->hum,
            'room' => $this->room === null ? null : Spans::pairs([$this->room])[0],
            'places' => array_map(fn (Span $s): array => [$s->from->count, $s->until->count], $this->places),
            'camera' => $this->camera === null ? null : [
                'brightness' => round($this->camera->brightness, 1),
                'blue' => round($this->camera->blue, 1),
                'red' => round($this->camera->red, 1),
                'cells' => base64_encode(pack('C*', ...$this->camera->cells)),
                'moves' => base64_encode(pack('C*', ...array_map(fn (int $m): int => min(255, $m), $this->camera->moves))),
            ],
            'flags' => $this->flags,
        ];
    }

    /** @return list<int> */
    private static function bytes(string $packed): array
    {
        return array_values((array) unpack('C*', (string) base64_decode($packed, true)));
    }
}
