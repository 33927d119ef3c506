<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use App\Media\MediaStore;
use App\Models\Take;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\EventLog;

/** What was noted while a take was recorded. */
final class TakeEvents
{
    public function __construct(private readonly MediaStore $media)
    {
    }

    /** @return list<TakeEvent> in order of time; none of a take that came from elsewhere without a log */
    public function of(Take $take): array
    {
        return EventLog::parse($this->text($take));
    }

    /** As it lies on the disk. */
    public function text(Take $take): string
    {
        $log = $take->folder().'/events.jsonl';
        // What has just been recorded lies here, whatever the shared disk says.
        $isThere = $take->summary->length_ticks === 0 ? is_file($this->media->here($log)) : $this->media->exists($log);

        return $isThere ? (string) file_get_contents($this->media->path($log)) : '';
    }
}
