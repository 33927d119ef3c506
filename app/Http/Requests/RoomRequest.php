<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class RoomRequest extends FormRequest
{
    /** As the recorder calls them (resources/js/recorder/sessionStates.ts). */
    private const STATES = ['idle', 'armed', 'counting', 'rolling', 'paused', 'finishing', 'failed'];

    private const LONGEST_LINE = 4000;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'section' => ['present', 'string', 'max:400'],
            'state' => ['required', Rule::in(self::STATES)],
            'line' => ['required', 'integer', 'between:0,10000'],
            'lines' => ['required', 'integer', 'between:0,10000'],
            'now' => ['present', 'string', 'max:'.self::LONGEST_LINE],
            'next' => ['present', 'string', 'max:'.self::LONGEST_LINE],
            'elapsed_ms' => ['required', 'integer', 'between:0,86400000'],
            'count_left' => ['required', 'integer', 'between:0,60'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'The room said something that other devices cannot show.'];
    }

    /** @return array<string, mixed> what it shows */
    public function shown(): array
    {
        return [
            'section' => $this->string('section')->value(),
            'state' => $this->string('state')->value(),
            'line' => $this->integer('line'),
            'lines' => $this->integer('lines'),
            'now' => $this->string('now')->value(),
            'next' => $this->string('next')->value(),
            'elapsed_ms' => $this->integer('elapsed_ms'),
            'count_left' => $this->integer('count_left'),
        ];
    }
}
