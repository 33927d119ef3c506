<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class CommentRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:60'],
            'text' => ['required', 'string', 'max:2000'],
            'at_ms' => ['required', 'integer', 'between:0,86400000'],
            'answers' => ['nullable', 'string', 'max:26'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.*' => 'Say who you are, in at most 60 characters.',
            'text.*' => 'Write a comment of at most 2000 characters.',
            '*' => 'Say which moment of the film it is about.',
        ];
    }
}
