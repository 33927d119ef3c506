<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use OpenReel\Core\Handout\HandoutLayout;

final class HandoutRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['layout' => ['sometimes', Rule::enum(HandoutLayout::class)]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'A handout has the layout one or three.'];
    }
}
