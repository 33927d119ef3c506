<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class PresenceRequest extends FormRequest
{
    private const ROOMS = ['script', 'record', 'review', 'finish', 'handover', 'captions', 'people'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'room' => ['required', Rule::in(self::ROOMS)],
            'section' => ['nullable', 'string', 'max:26'],
            'recording' => ['required', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say in which room that is.'];
    }
}
