<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;

/** A phone that follows a recording room: how long after the room it shows the next line, and is right again after silence. */
final class DeviceBench implements Bench
{
    public function __construct(private readonly MakeLesson $make)
    {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('device_shows_ms') && ! $wanted('device_back_ms')) {
            return;
        }
        $lesson = ($this->make)('Followed');
        /** @var array{shows: int, back: int} $found */
        $found = json_decode(Visit::run($folder, 'device.mjs', more: [$lesson->id]), true, flags: JSON_THROW_ON_ERROR);

        yield 'device_shows_ms' => [$found['shows'], '<= 300'];
        yield 'device_back_ms' => [$found['back'], '<= 2000'];
    }
}
