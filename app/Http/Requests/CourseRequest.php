<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A course's name, and parts of its house style; the core says what these can be. */
final class CourseRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => [...$this->isMethod('POST') ? [] : ['sometimes'], 'required', 'string', 'max:200', 'regex:/\S/u'],
            'style' => ['sometimes', 'array'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.max' => 'A name has at most 200 characters.',
            'name.*' => 'Give the course a name.',
            '*' => 'That is not a house style.',
        ];
    }

    /** @return array<string, mixed> */
    public function style(): array
    {
        return (array) $this->input('style', []);
    }
}
