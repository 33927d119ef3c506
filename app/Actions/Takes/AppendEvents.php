<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Media\AppendedFile;
use App\Media\MediaStore;
use App\Media\WorkLock;
use App\Models\Take;
use App\OperationRejected;
use OpenReel\Core\Take\TakeState;

/**
 * Adds rows to a take's event log while it is recorded. Safe to repeat: rows that are there already change nothing. Once this
 * returns, they have reached the disk.
 */
final class AppendEvents
{
    public function __construct(private readonly MediaStore $media)
    {
    }

    /**
     * @param  int  $from  how many rows come before the first of these
     * @param  list<string>  $rows  JSON objects
     * @return int how many rows have arrived
     *
     * @throws OperationRejected when rows before these are missing, the log is too long, or the take is finished
     * @throws \App\Media\DiskFull
     */
    public function __invoke(Take $take, int $from, array $rows): int
    {
        $lock = WorkLock::for("events/{$take->id}");
        try {
            $take->refresh();
            $new = array_slice($rows, max(0, $take->event_rows - $from));
            if ($from > $take->event_rows) {
                throw OperationRejected::conflict('Something of the log of this take is missing before this.', [
                    'next' => $take->event_rows,
                ]);
            }
            if ($new === []) {
                return $take->event_rows;
            }
            if ($take->state !== TakeState::Recording) {
                throw OperationRejected::conflict('This take is finished; its log cannot change.', ['next' => $take->event_rows]);
            }
            $log = $take->folder().'/events.jsonl';
            $text = implode('', array_map(fn (string $row): string => "{$row}\n", $new));
            if ($take->event_bytes + strlen($text) > config('reel.limits.events_bytes')) {
                throw OperationRejected::badInput('The log of this take is too long.');
            }
            $written = $this->written($take, $log);
            AppendedFile::add($this->media->pathToWrite($log), $written, $text);
            $take->update([
                'event_rows' => $take->event_rows + count($new),
                'event_bytes' => $written + strlen($text),
            ]);

            return $take->event_rows;
        } finally {
            $lock->release();
        }
    }

    /** Bytes of the rows that are known to have arrived: what a crash left behind them is cut off. */
    private function written(Take $take, string $log): int
    {
        if ($take->event_bytes > 0 || $take->event_rows === 0) {
            return $take->event_bytes;
        }
        // Begun by a version that counted rows only.
        $rows = explode("\n", (string) @file_get_contents($this->media->here($log)));

        return strlen(implode("\n", array_slice($rows, 0, $take->event_rows))) + 1;
    }
}
