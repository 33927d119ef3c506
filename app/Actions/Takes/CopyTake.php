<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\TakesWaitForAlignment;
use App\Media\MediaStore;
use App\Models\Section;
use App\Models\Take;
use App\Models\Track;
use App\OperationRejected;
use App\Queries\Script\SpokenLines;
use App\Queries\Takes\TakeFindings;
use App\Queries\Takes\TakeNumbers;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use OpenReel\Core\Take\LineTimings;
use OpenReel\Core\Take\ResultStage;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\Verdict;

/** Copies a take, of another lesson perhaps, to a section: it is listened to against the words there. The other one stays. */
final class CopyTake
{
    /** Made of the recording, beside its tracks. */
    private const BESIDE = ['wave.json', 'levels.dat', 'events.jsonl'];

    /** What the copy has as the other one: what belongs to the recording, not to a place in a script. */
    private const SAME = ['adjustment', 'framing', 'area', 'marker_notes'];

    public function __construct(private readonly MediaStore $media, private readonly KeepResult $results)
    {
    }

    /** @throws OperationRejected|\App\Media\DiskFull */
    public function __invoke(Section $section, Take $take): Take
    {
        if ($take->state !== TakeState::Ready) {
            throw OperationRejected::conflict('This take cannot be used yet.');
        }
        $tracks = array_values($take->tracks->filter(fn (Track $t): bool => $t->file_path !== null)->all());
        $bytes = array_sum(array_map(fn (Track $t): int => $this->media->bytes($t->file_path), $tracks));
        $this->media->mustHaveRoomFor($bytes, 'the copy of the take');
        $folder = "lessons/{$section->lesson_id}/takes/".($id = strtolower((string) Str::ulid()));
        foreach ($tracks as $track) {
            $this->copy((string) $track->file_path, $folder.'/'.basename((string) $track->file_path));
        }
        foreach (self::BESIDE as $name) {
            if ($this->media->exists("{$take->folder()}/{$name}")) {
                $this->copy("{$take->folder()}/{$name}", "{$folder}/{$name}");
            }
        }
        $copy = DB::transaction(function () use ($section, $take, $tracks, $folder, $id): Take {
            $copy = $section->takes()->create(
                [
                    'id' => $id,
                    'recorded_in' => $section->id,
                    'number' => TakeNumbers::next($section),
                    'state' => TakeState::Ready,
                    'verdict' => Verdict::Undecided,
                    'recording_kept' => false,
                ] +
                    $take->only(self::SAME) +
                    SpokenLines::asTaken($section),
            );
            foreach ($tracks as $track) {
                $copy->tracks()->create(
                    [
                        'file_path' => $folder.'/'.basename((string) $track->file_path),
                        'path' => null,
                    ] +
                        collect($track->getAttributes())
                            ->except(['id', 'take_id', 'created_at', 'updated_at'])
                            ->all(),
                );
            }
            $this->copyResults($take, $copy->refresh());
            $section->touch();

            return $copy;
        });
        if (config('reel.hear')) {
            TakesWaitForAlignment::dispatch();
        }

        return $copy->refresh();
    }

    /** What was found out about the recording holds for the copy; when its lines begin is not known there. */
    private function copyResults(Take $take, Take $copy): void
    {
        $found = TakeFindings::of($take);
        if ($found->ingest !== null) {
            $ingest = $found->ingest->withTimes($found->ingest->speech, new LineTimings());
            $this->results->ingest($copy, $ingest, (string) $take->results()->where('stage', ResultStage::Ingest)->value('input_hash'));
        }
        if ($found->analysis !== null) {
            $this->results->analysis($copy, $found->analysis);
        }
    }

    private function copy(string $from, string $to): void
    {
        $draft = $this->media->copied($this->media->path($from), pathinfo($to, PATHINFO_EXTENSION));
        $this->media->commit($draft, $to);
    }
}
