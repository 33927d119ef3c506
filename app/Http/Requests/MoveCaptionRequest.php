<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class MoveCaptionRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'was' => ['required', 'string', 'max:4000'],
            'by' => ['required', 'integer', 'between:-40,40'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say which caption, and by how many words.'];
    }
}
