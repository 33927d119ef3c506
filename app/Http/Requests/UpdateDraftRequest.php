<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** How a draft for review can be seen, and whether it has to be approved. */
final class UpdateDraftRequest extends PublicationRequest
{
    public function rules(): array
    {
        return ['needs_approval' => ['sometimes', 'boolean'], 'open' => ['sometimes', 'boolean']] + parent::rules();
    }
}
