<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class UpdateSlideRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:60', 'not_regex:/[\[\]\r\n]/']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'A slide\'s name has 1 to 60 characters and no brackets.'];
    }
}
