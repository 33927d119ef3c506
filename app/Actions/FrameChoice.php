<?php

namespace App\Actions;

/** The frames a lesson can be made in. */
final class FrameChoice
{
    public const SIZES = [[1920, 1080], [1280, 720]];

    public const RATES = [25, 30];
}
