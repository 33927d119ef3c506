<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Rows of a take's event log, as the body: one JSON object a row. */
final class EventRowsRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [];
    }

    /** @return list<string> those that are not empty, as they came */
    public function rows(): array
    {
        return array_values(array_filter(
            preg_split('/\R/', mb_scrub($this->getContent(), 'UTF-8')) ?: [], fn (string $row): bool => trim($row) !== '',
        ));
    }
}
