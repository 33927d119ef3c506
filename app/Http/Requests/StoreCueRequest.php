<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class StoreCueRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'revision' => ['required', 'integer'],
            'cue' => ['required', 'string', 'max:400'],
            'from' => ['nullable', 'array'],
            'from.line' => ['required_with:from', 'string'],
            'from.word' => ['required_with:from', 'integer', 'min:0'],
            'until' => ['nullable', 'array'],
            'until.line' => ['required_with:until', 'string'],
            'until.word' => ['required_with:until', 'integer', 'min:0'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say which cue, for which words.'];
    }
}
