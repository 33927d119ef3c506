<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class StoreArchiveRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['name' => ['required', 'string']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say what the file is called.'];
    }
}
