<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class ThumbnailRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['at_ms' => ['required', 'integer', 'between:0,86400000']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say which moment of the film.'];
    }
}
