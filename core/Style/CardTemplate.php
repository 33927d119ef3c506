<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

/** Three ways to set a card, all with the style's type and colours. */
enum CardTemplate: string
{
    /** Paper, the title set as on a typed page, a short accent rule above it. */
    case Page = 'page';
    /** Paper above, a wide accent field below that carries the small print, parted by a long slow wave. */
    case Shore = 'shore';
    /** The whole frame in the accent colour, everything centred. */
    case Field = 'field';
}
