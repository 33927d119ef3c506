<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class AddMemberRequest extends RoleRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['email' => ['required', 'string', 'max:200']] + parent::rules();
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['email.*' => 'Say whose e-mail address it is.'] + parent::messages();
    }
}
