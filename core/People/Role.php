<?php

declare(strict_types=1);

namespace OpenReel\Core\People;

/** What somebody is in a lesson or course. */
enum Role: string
{
    case Owner = 'owner';
    case Presenter = 'presenter';
    case Editor = 'editor';
    case Reviewer = 'reviewer';

    /** @return list<Right> */
    public function rights(): array
    {
        return match ($this) {
            self::Owner => Right::cases(),
            self::Presenter => [Right::See, Right::Comment, Right::Write, Right::Record],
            self::Editor => [Right::See, Right::Comment, Right::Write, Right::Publish],
            self::Reviewer => [Right::See, Right::Comment],
        };
    }

    /** In a sentence, for whoever chooses. */
    public function description(): string
    {
        return match ($this) {
            self::Owner => 'does everything, and says who takes part',
            self::Presenter => 'writes and records',
            self::Editor => 'writes, chooses takes, finishes and publishes',
            self::Reviewer => 'looks, comments and approves',
        };
    }
}
