<?php

declare(strict_types=1);

namespace OpenReel\Core\Kernel;

final class FormatError extends DomainError
{
    public static function noTimedText(): self
    {
        return new self('There are no captions in this file. Choose a WebVTT (.vtt) or SubRip (.srt) file.', 'timed text');
    }
}
