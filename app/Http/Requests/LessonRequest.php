<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Course;
use App\Models\Lesson;
use App\People\Memberships;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\People\Right;
use OpenReel\Core\Style\HouseStyle;

/** A new lesson, or a change to one: frame and rate are chosen once. */
final class LessonRequest extends FormRequest
{
    private const NO_FRAME = 'That frame size is not offered. Choose one of the list, for example 1920 x 1080.';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $once = $this->isMethod('POST') ? ['sometimes'] : ['prohibited'];

        // Both or neither: "sometimes" would leave one alone.
        $frame = $this->isMethod('POST') ? ['integer'] : ['prohibited'];

        return [
            'title' => ['required', 'string', 'max:200', 'regex:/\S/u'],
            'width' => [...$frame, 'required_with:height'],
            'height' => [...$frame, 'required_with:width', $this->isOffered(...)],
            'course_id' => ['sometimes', 'nullable', 'string', $this->isAllowed(Course::class, Right::Write)],
            'like' => [...$once, 'nullable', 'string', $this->isAllowed(Lesson::class, Right::See)],
            'fps' => [...$once, 'integer', Rule::in(FrameRate::OFFERED)],
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
            'prohibited' => 'Frame size and rate are chosen when the lesson is created.',
            'width.*' => self::NO_FRAME,
            'height.*' => self::NO_FRAME,
            'fps.*' => 'Choose 24, 25, 30, 50 or 60 frames per second.',
            'course_id.*' => 'There is no such course. It may have been deleted.',
            'like.*' => 'There is no such lesson. It may have been deleted.',
        ];
    }

    /**
     * What somebody may not see is for them as if it were not there.
     *
     * @param  class-string<Course>|class-string<Lesson>  $kind
     */
    private function isAllowed(string $kind, Right $right): \Closure
    {
        return function (string $attribute, mixed $id, \Closure $fail) use ($kind, $right): void {
            $place = is_string($id) ? $kind::query()->where('id', $id)->first() : null;
            // Where it is already it may stay, whatever one is there.
            $lesson = $this->route('lesson');
            $stays = $place instanceof Course && $lesson instanceof Lesson && $lesson->course_id === $id;
            if ($place === null || (! $stays && ! Memberships::may($right, $place))) {
                $fail('');
            }
        };
    }

    private function isOffered(string $attribute, mixed $height, \Closure $fail): void
    {
        $width = $this->input('width');
        if (
            ! is_numeric($width) ||
            ! is_numeric($height) ||
            ! in_array([(int) $width, (int) $height], array_merge(...array_values(HouseStyle::FRAMES)), true)
        ) {
            $fail(self::NO_FRAME);
        }
    }
}
