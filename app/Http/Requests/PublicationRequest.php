<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

/** Who may see what is published, or a draft: with which password, until when, behind which link. */
class PublicationRequest extends FormRequest
{
    public const TOKEN = 24;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'password' => ['sometimes', 'nullable', 'string', 'min:8', 'max:200'],
            'ends_on' => ['sometimes', 'nullable', 'date_format:Y-m-d'],
            'withdrawn' => ['sometimes', 'boolean'],
            'renew' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'password.min' => 'A password needs at least eight characters. A few words that do not belong together are easy '
                .'to say.',
            'ends_on.*' => 'Give the last day as a date.',
        ];
    }

    /** @return array<string, mixed> by column */
    public function changes(): array
    {
        $changes = [];
        if ($this->has('password')) {
            $password = $this->input('password');
            $changes['password'] = is_string($password) && $password !== '' ? Hash::make($password) : null;
        }
        if ($this->has('ends_on')) {
            $changes['ends_on'] = $this->input('ends_on') ?: null;
        }
        if ($this->has('withdrawn')) {
            $changes['withdrawn_at'] = $this->boolean('withdrawn') ? now() : null;
        }

        return $changes + ($this->boolean('renew') ? ['token' => Str::random(self::TOKEN)] : []);
    }
}
