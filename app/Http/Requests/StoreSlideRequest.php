<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class StoreSlideRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'purpose' => ['sometimes', 'in:add,replace'],
            'fill' => ['sometimes', 'boolean'],
            'section' => ['nullable', 'string'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say whether the slides are added or replace those there are.'];
    }
}
