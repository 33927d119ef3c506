<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class WatchedRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['parts' => ['required', 'array', 'max:720'], 'parts.*' => ['integer', 'between:0,20000']];
    }
}
