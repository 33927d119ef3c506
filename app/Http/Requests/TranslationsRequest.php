<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class TranslationsRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $rules = ['texts' => ['present', 'array', 'max:5000']];
        foreach (TranslationRequest::ONE as $name => $rule) {
            $rules["texts.*.{$name}"] = $rule;
        }

        return $rules;
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say which captions, and how they read in the other language.'];
    }
}
