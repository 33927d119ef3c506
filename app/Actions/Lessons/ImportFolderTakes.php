<?php

declare(strict_types=1);

namespace App\Actions\Lessons;

use App\Actions\Takes\IngestTake;
use App\Media\FiberPool;
use App\Media\FolderTake;
use App\Media\MediaStore;
use App\Models\Section;
use App\Models\Take;
use App\OperationRejected;
use App\Queries\Script\SpokenLines;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\Verdict;

/** Makes takes of files that lie in a folder. The highest of a section is kept, unless its name says otherwise. */
final class ImportFolderTakes
{
    public function __construct(private readonly IngestTake $ingest, private readonly MediaStore $media)
    {
    }

    /**
     * @param  array<int, Section>  $sections  by number
     * @param  list<FolderTake>  $files
     * @param  bool  $whole  use takes from their first to their last moment, untrimmed
     * @param  callable(string): void  $say  told what is being done
     *
     * @throws OperationRejected naming the file that is wrong
     */
    public function __invoke(array $sections, array $files, bool $whole, callable $say): void
    {
        $work = [];
        foreach ($files as $file) {
            $take = $this->take($sections[$file->section], $file);
            $work[] = function () use ($take, $file, $whole, $say): void {
                $say("Take {$file->name()}");
                ($this->ingest)($take);
                if ($take->state === TakeState::Unusable) {
                    throw OperationRejected::badInput("{$file->name()}: {$take->problem}");
                }
                $take->update($whole ? ['trim' => [[0, $take->summary->length_ticks]]] : []);
            };
        }
        FiberPool::run($work, (int) config('reel.render_slots'));
        $this->keepHighest($files, $sections);
    }

    private function take(Section $section, FolderTake $file): Take
    {
        $bytes = (int) @filesize($file->file);
        if ($bytes === 0) {
            throw OperationRejected::badInput("The take {$file->name()} is empty.");
        }
        $this->media->mustHaveRoomFor($bytes, 'the takes');
        $take = $section->takes()->create(
            [
                'recorded_in' => $section->id,
                'number' => $file->number,
                'state' => TakeState::Ingesting,
                'verdict' => $file->verdict(),
            ] + SpokenLines::asTaken($section, self::lineIds($section, $file)),
        );
        if ($file->events !== null) {
            $this->media->write($take->folder().'/events.jsonl', (string) file_get_contents($file->events));
        }
        foreach (array_filter(['camera' => $file->file, 'screen' => $file->screen]) as $kind => $recorded) {
            $path = $take->folder()."/{$kind}.part";
            $this->media->commit($this->media->copied($recorded, 'part'), $path);
            $take->tracks()->create([
                'kind' => $kind,
                'mime' => 'application/octet-stream',
                'path' => $path,
                'bytes' => (int) filesize($recorded),
                'next_chunk' => 1,
            ]);
        }

        return $take;
    }

    /**
     * @param  list<FolderTake>  $files  by section, then number
     * @param  array<int, Section>  $sections
     */
    private function keepHighest(array $files, array $sections): void
    {
        $kept = [];
        foreach ($files as $file) {
            if ($file->isOpen()) {
                // A pickup is kept beside the take that it mends.
                $before = $file->lines === [] ? [] : $kept[$file->section] ?? [];
                $kept[$file->section] = [...$before, $file->number];
            }
        }
        foreach ($kept as $section => $numbers) {
            foreach ($numbers as $order => $number) {
                $sections[$section]
                    ->takes()
                    ->where('number', $number)
                    ->update(['verdict' => Verdict::Kept, 'kept_order' => $order + 1]);
            }
        }
    }

    /** @return list<string>|null null for all of its section */
    private static function lineIds(Section $section, FolderTake $file): ?array
    {
        if ($file->lines === []) {
            return null;
        }
        $ids = DB::table('lines')->where('section_id', $section->id)->whereNotNull('position')->orderBy('position')->pluck('id');
        $found = array_filter(array_map(fn (int $line): ?string => $ids[$line - 1] ?? null, $file->lines));

        return count($found) === count($file->lines)
            ? array_values($found)
            : throw OperationRejected::badInput(
                "The take {$file->name()} names a line that its section does not have: it has {$ids->count()}.",
            );
    }
}
