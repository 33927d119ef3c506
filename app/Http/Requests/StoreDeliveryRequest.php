<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class StoreDeliveryRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['export_id' => ['required', 'string']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say which film is to be sent.'];
    }
}
