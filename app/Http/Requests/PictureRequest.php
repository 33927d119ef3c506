<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Script\Cue;

/** Sizes of camera and screen, and the parts of them that are to be shown. */
final class PictureRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $side = fn (string $other): array => ["required_with:{$other}", 'integer', 'between:1,16384'];

        return [
            'width' => $side('height'),
            'height' => $side('width'),
            'screen_width' => $side('screen_height'),
            'screen_height' => $side('screen_width'),
            'framing' => ['sometimes', 'string', 'max:200'],
            'area' => ['sometimes', 'string', 'max:200'],
            'cue' => ['sometimes', 'array', 'max:4'],
            'cue.*' => ['string', 'max:300'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => 'That is not the size of a camera or screen picture.'];
    }

    /** @return list<Cue> */
    public function cues(): array
    {
        $cues = array_map(fn (string $said): ?Cue => Cue::parse($said, 0), array_values((array) $this->input('cue', [])));

        return array_values(array_filter($cues));
    }

    /**
     * @param  string  $prefix  of the names of its sides
     * @param  string  $part  name of the part that is shown: x, y, width and height in parts of the sides, parted by commas
     */
    public function track(TrackKind $kind, string $prefix, string $part): ?TrackAt
    {
        if (! $this->has("{$prefix}width")) {
            return null;
        }
        $sides = array_map(floatval(...), explode(',', $this->string($part)->value()));
        $crop = count($sides) === 4 ? Crop::parse(array_combine(['x', 'y', 'width', 'height'], $sides)) : null;

        return TrackAt::live($kind, Shape::of($this->integer("{$prefix}width"), $this->integer("{$prefix}height")), $crop);
    }
}
