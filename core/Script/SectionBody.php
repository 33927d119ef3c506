<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** @internal of ScriptSection: what is read off a section's text, counted from its start */
final readonly class SectionBody
{
    /**
     * @param  list<Line>  $lines
     * @param  list<Cue>  $cues  in order
     */
    public function __construct(public array $lines, public array $cues)
    {
    }
}
