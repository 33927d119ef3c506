<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** The lines of a changed script, with the identities they had before. */
final readonly class MatchedLines
{
    /**
     * @param  list<MatchedLine>  $lines  in order
     * @param  array<string, string>  $sectionOf  section id by line id, as it was before
     * @param  array<int, list<string>>  $known  ids from before by index of the section
     */
    public function __construct(public array $lines, public array $sectionOf, public array $known)
    {
    }
}
