<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Picture\FrameSize;

/** As what a lesson is exported. */
final readonly class ExportPreset
{
    /**
     * @param  FrameSize|null  $frame  null as the lesson has it; another shape has its layouts computed anew
     * @param  string|null  $section  id of the only one that is in it
     * @param  bool  $burned  captions are part of the picture
     * @param  bool  $draft  a stand-in voice reads what is not recorded yet
     */
    public function __construct(
        public ?FrameSize $frame = null,
        public FilmQuality $quality = FilmQuality::Balanced,
        public FilmFormat $format = FilmFormat::Mp4,
        public ?string $section = null,
        public bool $burned = false,
        public bool $draft = false,
    ) {
    }

    public static function draft(): self
    {
        return new self(draft: true);
    }

    /**
     * As it was kept, perhaps by another version of the program: what is not known here is as usual.
     *
     * @param  array<string, mixed>  $said
     */
    public static function parse(array $said): self
    {
        [$width, $height] = [$said['width'] ?? null, $said['height'] ?? null];

        return new self(
            is_int($width) && is_int($height) ? FrameSize::of($width, $height) : null,
            FilmQuality::tryFrom(self::word($said, 'quality')) ?? FilmQuality::Balanced,
            FilmFormat::tryFrom(self::word($said, 'format')) ?? FilmFormat::Mp4,
            is_string($said['section'] ?? null) ? $said['section'] : null,
            ($said['burned'] ?? false) === true,
            ($said['draft'] ?? false) === true,
        );
    }

    /** @param  array<string, mixed>  $said */
    private static function word(array $said, string $name): string
    {
        return is_string($said[$name] ?? null) ? $said[$name] : '';
    }

    /** @return array{
        width: int|null, height: int|null, quality: string, format: string, section: string|null, burned: bool,
        draft: bool,
    } */
    public function toArray(): array
    {
        return [
            'width' => $this->frame?->width,
            'height' => $this->frame?->height,
            'quality' => $this->quality->value,
            'format' => $this->format->value,
            'section' => $this->section,
            'burned' => $this->burned,
            'draft' => $this->draft,
        ];
    }

    /** The same film, whatever kind of file it is. */
    public function planned(): self
    {
        return new self($this->frame, $this->quality, FilmFormat::Mp4, $this->section, $this->burned, $this->draft);
    }

    /** Whether the film that is joined from pieces is not yet what was asked for. */
    public function needsAnotherPass(): bool
    {
        return $this->burned || $this->format !== FilmFormat::Mp4;
    }
}
