<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class MarkCommentRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['done' => ['sometimes', 'boolean'], 'hidden' => ['sometimes', 'boolean']];
    }
}
