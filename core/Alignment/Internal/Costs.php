<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/**
 * What the search pays for what. The unit is the distance of a frame of the take to what the garbage level says any frame is like
 * (1 a frame). Set by trying on takes whose words are known; docs/figures.md names the figures.
 */
final class Costs
{
    /** A frame of the line lasts one frame longer, or is left out. */
    public const STAY = 0.12;

    public const SKIP = 0.12;

    /** A frame of silence inside a line. */
    public const PAUSE = 0.25;

    /** A frame of speech that is no line, or that is taken for silence; of silence between such speech; and to begin with it. */
    public const STRAY = 1.0;

    public const STRAY_SILENT = 0.15;

    public const SPEECH_AS_SILENCE = 1.6;

    public const BEGIN_STRAY = 5.0;

    /** To say a line again, and for each line farther back. */
    public const AGAIN = 6.0;

    public const BACK = 1.5;

    /** To leave a line out; at the end of a take (a part of that), since a take may end early. */
    public const LEFT_OUT = 14.0;

    public const LEFT_OUT_AT_END = 0.8;

    /** To jump to the beginning of a section far ahead. */
    public const JUMP = 34.0;

    /** To break a line off, and to go on with the next one instead of saying it again. */
    public const BREAK_OFF = 4.0;

    public const LOST = 16.0;

    /** A read that sounds as if it came to the line's end, or nearly so, is not broken off. */
    public const HARDLY_BROKEN = 8.0;

    /** A line begins or ends in the middle of speech. */
    public const IN_SPEECH = 3.0;

    /** For each frame of a line's last three that is missing. */
    public const CLIPPED_END = 0.5;

    /** For a read that lasts otherwise than the line: times the logarithm of the ratio, beyond what is free. */
    public const DURATION = 60.0;

    /** What is inside a line has not paid yet for what lies ahead: for its length, or for being broken off. */
    public const IN_LINE = 40.0;

    /** What is worse than the best by more is given up. */
    public const BEAM = 60.0;
}
