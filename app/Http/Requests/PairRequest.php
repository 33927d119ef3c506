<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What a device says that wants to be let in. */
final class PairRequest extends FormRequest
{
    private const LONGEST_NAME = 80;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [];
    }

    public function typed(): string
    {
        $code = $this->input('code');

        return is_string($code) ? mb_substr($code, 0, 40) : '';
    }

    public function deviceName(string $otherwise): string
    {
        $said = $this->input('name');
        $name = is_string($said) ? trim((string) preg_replace('/\s+/u', ' ', $said)) : '';

        return mb_substr($name === '' ? $otherwise : $name, 0, self::LONGEST_NAME);
    }
}
