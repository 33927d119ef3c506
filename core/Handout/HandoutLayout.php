<?php

declare(strict_types=1);

namespace OpenReel\Core\Handout;

/** How slides and words share a page. */
enum HandoutLayout: string
{
    /** A slide across the page, its words below it. */
    case One = 'one';
    /** Three slides a page, their words beside them. */
    case Three = 'three';
}
