<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class FinishArchiveRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['bytes' => ['required', 'integer', 'min:1']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say how many bytes the archive has.'];
    }
}
