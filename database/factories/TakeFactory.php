<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Actions\Takes\KeepResult;
use App\Models\Section;
use App\Models\Take;
use App\Queries\Script\SpokenLines;
use Illuminate\Database\Eloquent\Factories\Factory;
use OpenReel\Core\Take\FormerTake;
use OpenReel\Core\Take\TakeState;

/**
 * A take of ten seconds that speaks from the first second to the ninth. What was found out about it may be said by the names of
 * `FormerTake`: `length_ticks`, `speech_from`, `flags`, `spoken` and so on.
 *
 * @extends Factory<Take>
 */
final class TakeFactory extends Factory
{
    /** What is found out, as FormerTake reads it. */
    private const FOUND = [
        'length_ticks', 'speech_from', 'speech_until', 'flags', 'line_ticks', 'cut_ticks', 'marks', 'fluffs', 'markers', 'reached',
        'hearing', 'heard', 'spoken', 'left', 'flawed', 'inspected',
    ];

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

    /**
     * @param  array<string, mixed>  $attributes
     * @return Take
     */
    public function newModel(array $attributes = [])
    {
        $take = new Take(array_diff_key($attributes, array_flip(self::FOUND)));
        $take->setRelation('found', array_intersect_key($attributes, array_flip(self::FOUND)));

        return $take;
    }

    /** It speaks what the section says. */
    public function configure(): static
    {
        return $this->afterCreating(function (Take $take): void {
            $said = SpokenLines::asTaken($take->section);
            $found = (array) $take->getRelation('found');
            $take->unsetRelation('found');
            $take->update(
                [
                    'recorded_in' => $take->recorded_in ?? $take->section_id,
                    'lines' => $take->lines === [] ? $said['lines'] : $take->lines,
                ] + $said,
            );
            self::found($take, $found);
        });
    }

    /** @param  array<string, mixed>  $found  by the names of FormerTake */
    public static function found(Take $take, array $found): void
    {
        $former = new FormerTake((array) json_decode((string) json_encode($found + ['lines' => $take->lines]), true));
        $results = app(KeepResult::class);
        $ingest = $former->ingest();
        $ingest === null || $results->ingest($take, $ingest, hash('sha256', $take->id));
        $alignment = $former->alignment();
        $alignment === null || $results->alignment($take, $alignment);
        $analysis = $former->analysis();
        $analysis === null || $results->analysis($take, $analysis);
    }
}
