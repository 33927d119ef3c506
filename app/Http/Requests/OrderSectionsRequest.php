<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class OrderSectionsRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['sections' => ['required', 'array'], 'sections.*' => ['string']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Name the sections in their new order.'];
    }
}
