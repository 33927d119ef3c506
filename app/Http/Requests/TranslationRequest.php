<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class TranslationRequest extends FormRequest
{
    /** Of one caption. */
    public const ONE = [
        'line' => ['required', 'string', 'max:26'],
        'word' => ['required', 'integer', 'between:0,10000'],
        'was' => ['required', 'string', 'max:4000'],
        'text' => ['nullable', 'string', 'max:400'],
    ];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return self::ONE;
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say which caption, and how it reads in the other language.'];
    }
}
