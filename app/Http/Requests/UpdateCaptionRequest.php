<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class UpdateCaptionRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'was' => ['required', 'string', 'max:4000'],
            'text' => ['nullable', 'string', 'max:400'],
            'checked' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say which caption, and how it should read.'];
    }
}
