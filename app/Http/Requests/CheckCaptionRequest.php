<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class CheckCaptionRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['was' => ['present', 'array', 'max:5000'], 'was.*' => ['string', 'max:4000']];
    }
}
