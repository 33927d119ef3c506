<?php

declare(strict_types=1);

namespace App\Work;

/** The queues of background work; a value is what `queue:work --queue` is told. */
enum QueueName: string
{
    /** Recordings become takes. */
    case Ingest = 'listen';

    /** Exports, decks, archives, deliveries: what somebody asked for and waits for. */
    case Main = 'default';

    /** What is made ahead of need, and put in order. */
    case Background = 'background';

    /** Pieces of picture and sound, and pages of decks; need no database. */
    case Pieces = 'pieces';

    /** Pieces of takes on which nobody has decided yet. */
    case Ahead = 'ahead';

    /** Which words a take says, and what it looks and sounds like. */
    case Alignment = 'hear';

    /** The same for machines without the database; none need take it. */
    case RemoteAlignment = 'hearing';

    /** @return list<self> those that every installation needs a worker for */
    public static function needed(): array
    {
        return array_values(array_filter(self::cases(), fn (self $q): bool => $q !== self::RemoteAlignment));
    }

    /** What presenters miss without a worker on it. */
    public function purpose(): string
    {
        return match ($this) {
            self::Ingest => 'takes are not processed',
            self::Main => 'videos are not made',
            self::Background => 'videos are not prepared',
            self::Pieces => 'nothing is rendered ahead',
            self::Ahead => 'new takes are not prepared',
            self::Alignment, self::RemoteAlignment => 'the words of takes are not found',
        };
    }
}
