<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

use OpenReel\Core\Problem;

final class ScriptProblem extends Problem
{
    public static function empty(): self
    {
        return new self('The script is empty. Start it with "# Title", then "## Section" and the words to be spoken.', 'script');
    }
}
