<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class LessonStyleRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['style' => ['present', 'array']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say what of the style is to be otherwise.'];
    }
}
