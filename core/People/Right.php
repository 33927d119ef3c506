<?php

declare(strict_types=1);

namespace OpenReel\Core\People;

/** What a role allows in a lesson or course. */
enum Right: string
{
    /** Looking at everything in it. */
    case See = 'see';

    /** Answering and ticking off comments, and approving. */
    case Comment = 'comment';

    /** Changing script, slides, takes' verdicts, captions, the look of the lesson; making films. */
    case Write = 'write';

    /** Recording takes. */
    case Record = 'record';

    /** Publishing, sending to a site, the house style of a course. */
    case Publish = 'publish';

    /** Saying who takes part, deleting, handing over. */
    case Own = 'own';

    /** What is said to somebody who takes part and may not do that. */
    public function refusal(): string
    {
        return match ($this) {
            self::See, self::Comment => 'You do not take part in this lesson.',
            self::Write => 'You can look at this and comment on it, but not change it. Its owner can give you another role.',
            self::Record => 'Your role here does not include recording. The owner can give you another role.',
            self::Publish => 'Publishing and the house style are for editors and the owner.',
            self::Own => 'Only the owner can do that.',
        };
    }
}
