<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class HistoryRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['before' => ['sometimes', 'string', 'max:26']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say before which entry.'];
    }
}
