<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use OpenReel\Core\Take\Verdict;

final class UndoVerdictRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'takes' => ['required', 'array', 'max:500'],
            'takes.*.id' => ['required', 'string'],
            'takes.*.verdict' => ['required', Rule::enum(Verdict::class)],
            'takes.*.kept_order' => ['required', 'integer', 'min:0'],
            'takes.*.given' => ['present', 'array', 'max:500'],
            'takes.*.given.*.line' => ['required', 'string'],
            'takes.*.given.*.within' => ['required', 'numeric', 'between:0,1'],
            'takes.*.given.*.cue' => ['required', 'string', 'max:300'],
            'script' => ['nullable', 'array'],
            'script.text' => ['required_with:script', 'nullable', 'string'],
            'script.revision' => ['required_with:script', 'integer'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'That is not how the takes were before.'];
    }
}
