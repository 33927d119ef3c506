<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class CaptionFileRequest extends FileRequest
{
    protected const MISSING = 'No captions arrived. Choose a WebVTT or SubRip file of at most 2 MB.';

    protected const MOST_KILOBYTES = 2048;
}
