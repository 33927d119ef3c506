<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class FinishTakeRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'tracks' => [Rule::requiredIf(! $this->boolean('as_arrived')), 'array'],
            'tracks.*.id' => ['required', 'string'],
            'tracks.*.chunks' => ['required', 'integer', 'min:0'],
            'tracks.*.bytes' => ['required', 'integer', 'min:0'],
            'as_arrived' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say how much was recorded.'];
    }

    /** @return array<string, array{chunks: int, bytes: int}>|null by track id, what the recorder sent; null for what has arrived */
    public function sent(): ?array
    {
        $sent = null;
        foreach ($this->boolean('as_arrived') ? [] : $this->input('tracks') as $track) {
            $sent[$track['id']] = ['chunks' => (int) $track['chunks'], 'bytes' => (int) $track['bytes']];
        }

        return $sent;
    }
}
