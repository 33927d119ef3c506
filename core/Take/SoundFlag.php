<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

/** Something to look at in the sound of a take. */
enum SoundFlag: string
{
    case Silent = 'silent';
    case VeryQuiet = 'very-quiet';
    case Clipped = 'clipped';
    case Noisy = 'noisy';
    case Hum = 'mains-hum';
    case Telephone = 'telephone-quality';
}
