<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use OpenReel\Core\People\Role;

class RoleRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['role' => ['required', Rule::enum(Role::class)]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'Say which role it is.'];
    }
}
