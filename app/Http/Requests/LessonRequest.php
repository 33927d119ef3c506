<?php

namespace App\Http\Requests;

use App\Actions\FrameChoice;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A new lesson, or a change to one: frame and rate are chosen once. */
final class LessonRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $once = $this->isMethod('POST') ? ['required'] : ['prohibited'];

        return [
            'title' => ['required', 'string', 'max:200', 'regex:/\S/u'],
            'width' => [...$once, 'integer', Rule::in(array_column(FrameChoice::SIZES, 0))],
            'height' => [...$once, 'integer', Rule::in(array_column(FrameChoice::SIZES, 1)), $this->isOffered(...)],
            'fps' => [...$once, 'integer', Rule::in(FrameChoice::RATES)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'title.required' => 'Give the lesson a title.',
            'title.string' => 'Give the lesson a title.',
            'title.regex' => 'Give the lesson a title.',
            'title.max' => 'A title has at most 200 characters.',
            'prohibited' => 'Frame size and rate are chosen when the lesson is made.',
            'width.*' => 'Choose 1920 x 1080 or 1280 x 720.',
            'height.*' => 'Choose 1920 x 1080 or 1280 x 720.',
            'fps.*' => 'Choose 25 or 30 frames a second.',
        ];
    }

    private function isOffered(string $attribute, mixed $height, \Closure $fail): void
    {
        if (! in_array([(int) $this->input('width'), (int) $height], FrameChoice::SIZES, true)) {
            $fail('Choose 1920 x 1080 or 1280 x 720.');
        }
    }
}
