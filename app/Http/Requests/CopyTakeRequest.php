<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class CopyTakeRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['take' => ['required', 'string', 'max:64']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say which take is to be copied.'];
    }
}
