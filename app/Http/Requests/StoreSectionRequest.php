<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class StoreSectionRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['after' => ['nullable', 'string']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Name the section that the new one follows.'];
    }
}
