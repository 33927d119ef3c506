<?php

declare(strict_types=1);

namespace App\Web;

/**
 * Groups of PHP processes, so that none waits for another: whoever watches or works never keeps a chunk of a recording waiting.
 */
enum Pool: string
{
    /** Chunks, events, begin and end of takes. */
    case Recording = 'recording';

    /** Films, pictures and sounds, and the course site: whether somebody may have them; the web server sends them. */
    case Viewers = 'viewers';

    /** All else. */
    case People = 'people';

    /** Devices that follow a room: one process each, for as long as they do. */
    case Devices = 'devices';

    /** Most processes at once. On few cores more would only take turns. */
    public function processes(): int
    {
        return match ($this) {
            self::Recording => 8,
            self::Viewers => 6,
            self::People => 8,
            self::Devices => 16,
        };
    }

    /** Whether processes are there before anybody asks. */
    public function isReady(): bool
    {
        return $this !== self::Devices;
    }

    /** @return list<array{string, list<string>}> methods of HTTP, `*` for any, and the paths for which they come here, `*` for anything */
    public function requests(): array
    {
        return match ($this) {
            self::Recording => [
                ['PUT', ['api/tracks/*/chunks/*', 'api/takes/*/events/*', 'api/lessons/*/room']],
                ['POST', ['api/sections/*/takes', 'api/takes/*/finish']],
                ['GET', ['api/here']],
            ],
            self::Viewers => [
                ['*', ['watch/*', 'oembed']],
                ['GET', [
                    'api/takes/*/media', 'api/takes/*/tracks/*', 'api/takes/*/poster', 'api/takes/*/wave', 'api/takes/*/cleaned/sound',
                    'api/exports/*/file', 'api/exports/*/beside/*', 'api/slides/*/picture', 'api/slides/*/film',
                    'api/logos/*', 'api/cards/*', 'api/music/*', 'api/draft-voices/*',
                ]],
            ],
            self::People => [],
            self::Devices => [['GET', ['device/events']]],
        };
    }
}
