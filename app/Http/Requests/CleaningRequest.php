<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Sound\NoiseReduction;

/** How a voice would be cleaned, as a query. */
final class CleaningRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'noise' => ['required', Rule::enum(NoiseReduction::class)],
            'hum' => ['required', 'boolean'],
            'low_cut' => ['required', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say how the sound is to be cleaned.'];
    }

    public function cleaning(): Cleaning
    {
        return new Cleaning(
            NoiseReduction::from($this->string('noise')->value()),
            $this->boolean('hum'),
            $this->boolean('low_cut'),
        );
    }
}
