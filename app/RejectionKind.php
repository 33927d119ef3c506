<?php

declare(strict_types=1);

namespace App;

/** Why something cannot be done. */
enum RejectionKind
{
    /** Not as things stand: another state, another revision. */
    case Conflict;

    /** Not with what was given. */
    case BadInput;

    /** What it is about is not there, or not yet. */
    case NotThere;
}
