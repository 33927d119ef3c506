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
        'bt709' => 'bt709', 'smpte170m' => 'bt601', 'bt470bg' => 'bt601', 'bt601' => 'bt601', 'fcc' => 'fcc',
        'smpte240m' => 'smpte240m', 'bt2020nc' => 'bt2020', 'bt2020c' => 'bt2020', 'bt2020_ncl' => 'bt2020', 'bt2020_cl' => 'bt2020',
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
    public static function told(?string $range, ?string $matrix, int $height): self
    {
        return new self(
            in_array($range, ['pc', 'full', 'jpeg'], true),
            self::MATRICES[$matrix ?? ''] ?? ($height > self::STANDARD_DEFINITION ? 'bt709' : 'bt601'),
        );
    }

    /** Options of ffmpeg's `scale` filter that say how its input is to be understood. */
    public function asInput(): string
    {
        return 'in_range='.($this->isFull ? 'pc' : 'tv').":in_color_matrix={$this->matrix}";
    }

    /**
     * Options of the `scale` filter that make of it what HD has: BT.709 in limited range. From another matrix it is
     * calculated exactly: the scaler's usual short cuts are off by four levels in light colours.
     */
    public function toHd(): string
    {
        return $this->asInput().':out_range=tv:out_color_matrix=bt709'.($this->matrix === 'bt709' ? '' : ':flags=bicubic+accurate_rnd+full_chroma_int');
    }
}
