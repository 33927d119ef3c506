<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\InsetSize;
use OpenReel\Core\Picture\Layout;

final class SectionRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'heading' => ['sometimes', 'string', 'max:200'],
            'script' => ['sometimes', 'string', 'max:50000'],
            'layout' => ['sometimes', 'nullable', Rule::enum(Layout::class)],
            'inset_corner' => ['sometimes', 'nullable', Rule::enum(Corner::class)],
            'inset_size' => ['sometimes', 'nullable', Rule::enum(InsetSize::class)],
            'slide_id' => [
                'sometimes',
                'nullable',
                'string',
                Rule::exists('slides', 'id')->where('lesson_id', $this->route('section')->lesson_id ?? null),
            ],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'heading.max' => 'A heading has at most 200 characters.',
            'script.max' => 'The script of one section has at most 50,000 characters. Split it into more sections.',
            'slide_id.*' => 'That slide does not belong to this lesson.',
            '*' => 'That is not one of the choices.',
        ];
    }
}
