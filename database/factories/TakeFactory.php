<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\Section;
use App\Models\Take;
use App\Queries\Script\SpokenLines;
use Illuminate\Database\Eloquent\Factories\Factory;
use OpenReel\Core\Take\TakeState;

/** @extends Factory<Take> */
final class TakeFactory extends Factory
{
    protected $model = Take::class;

    public function definition(): array
    {
        return [
            'section_id' => Section::factory(),
            'number' => 1,
            'state' => TakeState::Ready,
            'length_ticks' => 10 * 48_000,
            'speech_from' => 48_000,
            'speech_until' => 9 * 48_000,
        ];
    }

    /** It speaks what the section says. */
    public function configure(): static
    {
        return $this->afterCreating(function (Take $take): void {
            $said = SpokenLines::asTaken($take->section);
            $take->update(
                [
                    'recorded_in' => $take->recorded_in ?? $take->section_id,
                    'lines' => $take->lines === [] ? $said['lines'] : $take->lines,
                ] + $said,
            );
        });
    }
}
