<?php

namespace App\Media;

final class Cancelled extends Trouble
{
    public static function byPresenter(): self
    {
        return new self('The export was cancelled.');
    }
}
