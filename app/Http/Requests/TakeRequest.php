<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Actions\Takes\ChangeTake;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Adjustment;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Sound\NoiseReduction;
use OpenReel\Core\Take\Verdict;

/**
 * A verdict, or the part of a take to be used; null goes back to the part found by listening.
 *
 * @phpstan-import-type Asked from ChangeTake
 */
final class TakeRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'verdict' => ['sometimes', Rule::enum(Verdict::class)],
            'used_from_ms' => ['sometimes', 'nullable', 'integer', 'min:0'],
            'used_until_ms' => ['sometimes', 'nullable', 'integer', 'min:0'],
            'snap' => ['sometimes', 'boolean'],
            'cuts' => ['sometimes', 'array', 'max:500'],
            'cuts.*.from_ms' => ['required', 'integer', 'min:0', 'max:86400000'],
            'cuts.*.until_ms' => ['required', 'integer', 'min:0', 'max:86400000'],
            'silences' => ['sometimes', 'array', 'max:500'],
            'silences.*.from_ms' => ['required', 'integer', 'min:0', 'max:86400000'],
            'silences.*.until_ms' => ['required', 'integer', 'min:0', 'max:86400000'],
            'cleaning' => ['sometimes', 'nullable', 'array'],
            'cleaning.noise' => ['required_with:cleaning', Rule::enum(NoiseReduction::class)],
            'cleaning.hum' => ['required_with:cleaning', 'boolean'],
            'cleaning.low_cut' => ['required_with:cleaning', 'boolean'],
            'adjustment' => ['sometimes', 'nullable', 'array'],
            'adjustment.*' => ['integer', 'between:-50,50'],
            'framing' => ['sometimes', 'nullable', 'array'],
            'area' => ['sometimes', 'nullable', 'array'],
            'for' => ['sometimes', Rule::in(['take', 'section', 'lesson'])],
            'marker' => ['sometimes', 'array'],
            'marker.id' => ['required_with:marker', 'integer'],
            'marker.says' => ['present_with:marker', 'nullable', 'string', 'max:500'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'adjustment*' => 'Brightness, contrast, warmth and saturation go from -50 to 50.',
            'for.*' => 'A part of the picture is chosen for a take, a section or the lesson.',
            'marker.*' => 'Say which marker it is, and in at most 500 characters what is to be written there.',
            'cuts.*' => 'What is left out has a start and an end, in milliseconds from the start of the take.',
            'silences.*' => 'What is silent has a start and an end, in milliseconds from the start of the take.',
            'cleaning.*' => 'Noise is taken out not at all, lightly or strongly; hum and rumble are filtered or not.',
            'verdict.*' => 'A take is kept, discarded or undecided.',
            '*' => 'Start and end are whole milliseconds from the start of the take.',
        ];
    }

    /** @return Asked */
    public function asked(): array
    {
        $says = [
            'cuts' => $this->stretches('cuts'),
            'silences' => $this->stretches('silences'),
            'cleaning' => $this->input('cleaning') === null ? null : Cleaning::parse((array) $this->input('cleaning')),
            'framing' => Crop::parse($this->input('framing')),
            'area' => Crop::parse($this->input('area')),
            'adjustment' => Adjustment::parse($this->input('adjustment')),
            'marker' => [$this->integer('marker.id'), $this->string('marker.says')->value()],
            'verdict' => Verdict::tryFrom($this->string('verdict')->value()) ?? Verdict::Undecided,
        ];
        $trim = [$this->ticks('used_from_ms'), $this->ticks('used_until_ms'), $this->boolean('snap')];

        return array_filter($says, $this->has(...), ARRAY_FILTER_USE_KEY) +
            ($this->hasAny(['used_from_ms', 'used_until_ms']) ? ['trim' => $trim] : []);
    }

    /**
     * @param  string  $name  `cuts` or `silences`
     * @return list<array{Tick, Tick}>
     */
    private function stretches(string $name): array
    {
        return array_values(array_map(
            fn (array $cut): array => [Tick::ofMilliseconds((int) $cut['from_ms']), Tick::ofMilliseconds((int) $cut['until_ms'])],
            (array) $this->input($name, []),
        ));
    }

    private function ticks(string $field): ?Tick
    {
        return $this->input($field) === null ? null : Tick::ofMilliseconds((int) $this->input($field));
    }
}
