<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class SlidePictureRequest extends FileRequest
{
    protected const MISSING = 'No picture arrived. Choose a PNG, JPEG, WebP or SVG file of at most 20 MB.';
}
