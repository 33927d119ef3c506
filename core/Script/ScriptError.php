<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

use OpenReel\Core\Kernel\DomainError;

final class ScriptError extends DomainError
{
    public static function empty(): self
    {
        return new self('The script is empty. Start it with "# Title", then "## Section" and the words to be spoken.', 'script');
    }
}
