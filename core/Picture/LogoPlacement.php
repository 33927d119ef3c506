<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** A logo over the picture: which, in which corner, how large. */
final readonly class LogoPlacement
{
    /** Part of the frame's area that the logo's box may take, by size: about a tenth of its width for a square logo. */
    private const AREAS = ['small' => 0.004, 'medium' => 0.009, 'large' => 0.018];

    /** No logo is wider or taller than this part of the frame. */
    private const MOST = 0.3;

    /** @param  string  $hash  SHA-256 of its file */
    public function __construct(
        public string $hash,
        public Shape $shape,
        public Corner $corner = Corner::TopLeft,
        public InsetSize $size = InsetSize::Small,
    ) {
    }

    public function rect(FrameSize $frame): PixelRect
    {
        $area = self::AREAS[$this->size->value] * $frame->width * $frame->height;
        $width = min(
            sqrt($area * $this->shape->aspect()),
            self::MOST * $frame->width,
            self::MOST * $frame->height * $this->shape->aspect(),
        );
        $margin = PixelRect::even(Inset::MARGIN * min($frame->width, $frame->height));

        return $this->corner->place(
            max(2, PixelRect::even($width)),
            max(2, PixelRect::even($width / $this->shape->aspect())),
            $margin,
            $frame,
        );
    }
}
