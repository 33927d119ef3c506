<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/**
 * How the numbers in a recording's picture mean colours: their range and the matrix between RGB and luma with colour
 * differences. Decoders do not always pass on what the file says (VP8 and VP9 have no place for it in the picture itself),
 * so it is told to every command that reads the picture.
 */
final readonly class SourceColour
{
    /** Names that containers use, and what ffmpeg's scaler calls the matrix. */
    private const MATRICES = [
        'bt709' => 'bt709',
        'smpte170m' => 'bt601',
        'bt470bg' => 'bt601',
        'bt601' => 'bt601',
        'fcc' => 'fcc',
        'smpte240m' => 'smpte240m',
        'bt2020nc' => 'bt2020',
        'bt2020c' => 'bt2020',
        'bt2020_ncl' => 'bt2020',
        'bt2020_cl' => 'bt2020',
    ];

    /** What the `colorspace` filter calls the matrices. */
    private const SPACES = [
        'bt709' => 'bt709',
        'bt601' => 'smpte170m',
        'fcc' => 'fcc',
        'smpte240m' => 'smpte240m',
        'bt2020' => 'bt2020ncl',
    ];

    /** Pictures up to this height are standard definition (ITU-R BT.601 has 576 rows at most), larger ones HD (BT.709). */
    private const STANDARD_DEFINITION = 576;

    private function __construct(public bool $isFull, public string $matrix)
    {
    }

    /**
     * @param  string|null  $range  `pc` (0..255) or `tv` (16..235), as the container says; null when it does not
     * @param  string|null  $matrix  as the container says; what is unknown or not said follows from the height
     */
    public static function tagged(?string $range, ?string $matrix, int $height): self
    {
        return new self(
            in_array($range, ['pc', 'full', 'jpeg'], true),
            self::MATRICES[$matrix ?? ''] ?? ($height > self::STANDARD_DEFINITION ? 'bt709' : 'bt601'),
        );
    }

    /** Options of ffmpeg's `scale` filter that say how its input is to be understood. */
    public function asInput(): string
    {
        return "in_range={$this->range()}:in_color_matrix={$this->matrix}";
    }

    /**
     * Filters that bring a picture to a size and to the colours of HD: BT.709 in limited range. The scaler only scales; it
     * would be slow or four levels off in light colours, where the `colorspace` filter is neither.
     *
     * @param  string  $size  what the `scale` filter is told of the size
     */
    public function toHd(string $size): string
    {
        $scaled = "scale={$size}:{$this->asInput()}:out_range={$this->range()}:out_color_matrix={$this->matrix}";
        if (! $this->isFull && $this->matrix === 'bt709') {
            return "{$scaled},format=yuv420p";
        }
        $space = self::SPACES[$this->matrix];

        return "{$scaled},format=yuv420p,colorspace=ispace={$space}:iprimaries=bt709:itrc=bt709:irange={$this->range()}".
            ':space=bt709:primaries=bt709:trc=bt709:range=tv:format=yuv420p:fast=1';
    }

    private function range(): string
    {
        return $this->isFull ? 'pc' : 'tv';
    }
}
