<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Track;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use OpenReel\Core\Picture\TrackKind;

final class StoreTakeRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'tracks' => ['required', 'array', 'min:1'],
            'framing' => ['sometimes', 'nullable', 'array'],
            'area' => ['sometimes', 'nullable', 'array'],
            'lines' => ['sometimes', 'nullable', 'array', 'min:1', 'max:2000'],
            'lines.*' => ['string', 'max:64'],
            'brought' => ['sometimes', 'boolean'],
            'whole' => ['sometimes', 'boolean'],
            'tracks.*.kind' => ['required', 'distinct', Rule::enum(TrackKind::class)],
            'tracks.*.mime' => [
                'required',
                'string',
                'max:100',
                // What a file made elsewhere is, its content tells.
                fn (string $name, mixed $said, \Closure $fail) => $this->boolean('brought')
                    ? null
                    : Track::mimeOf((string) $said) ?? $fail(''),
            ],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say which devices are recorded.'];
    }
}
