<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class UndoCaptionRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'added' => ['present', 'array', 'max:5000'],
            'added.*' => ['string', 'max:26'],
            'removed' => ['present', 'array', 'max:5000'],
            'removed.*.id' => ['required', 'ulid'],
            'removed.*.line' => ['required', 'string', 'max:26'],
            'removed.*.word' => ['required', 'integer', 'min:0'],
            'removed.*.was' => ['required', 'string', 'max:4000'],
            'removed.*.rows' => ['present', 'array', 'max:10'],
            'removed.*.rows.*' => ['string', 'max:400'],
            'removed.*.checked' => ['required', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'What should be taken back cannot be read.'];
    }
}
