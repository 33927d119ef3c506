<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Lesson;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Render\ExportPreset;
use OpenReel\Core\Render\FilmFormat;
use OpenReel\Core\Render\FilmQuality;
use OpenReel\Core\Style\HouseStyle;

/** As what a lesson is to be exported. */
final class ExportRequest extends FormRequest
{
    /** Smaller than the frames that lessons are made in. */
    public const SMALLER = [[854, 480], [640, 480], [480, 480], [480, 854]];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'width' => ['nullable', 'integer', 'required_with:height'],
            'height' => ['nullable', 'integer', 'required_with:width', $this->mustBeOffered(...)],
            'quality' => ['nullable', Rule::enum(FilmQuality::class)],
            'format' => ['nullable', Rule::enum(FilmFormat::class)],
            'section' => ['nullable', 'string', 'max:26'],
            'burned' => ['nullable', 'boolean'],
            'draft' => ['nullable', 'boolean'],
            'batch' => ['nullable', 'string', 'max:40'],
        ];
    }

    private function mustBeOffered(string $name, mixed $value, callable $fail): void
    {
        if (! in_array([$this->integer('width'), (int) $value], self::frames(), true)) {
            $fail('That size is not offered.');
        }
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'width.*' => 'That size is not offered.',
            'quality.*' => 'The quality is small, balanced or sharp.',
            'format.*' => 'A film is an MP4 or a WebM.',
            '*' => 'That cannot be exported.',
        ];
    }

    public function edition(Lesson $lesson): ExportPreset
    {
        $size = [$this->integer('width'), $this->integer('height')];
        $isOwn = $size === [0, 0] || $size === [$lesson->width, $lesson->height];

        return new ExportPreset(
            $isOwn ? null : FrameSize::of(...$size),
            FilmQuality::tryFrom($this->string('quality')->value()) ?? FilmQuality::Balanced,
            FilmFormat::tryFrom($this->string('format')->value()) ?? FilmFormat::Mp4,
            $this->filled('section') ? $this->string('section')->value() : null,
            $this->boolean('burned'),
            $this->boolean('draft'),
        );
    }

    public function batch(): ?string
    {
        return $this->filled('batch') ? $this->string('batch')->value() : null;
    }

    /** @return list<list<int>> */
    public static function frames(): array
    {
        return [...array_merge(...array_values(HouseStyle::FRAMES)), ...self::SMALLER];
    }
}
