<?php

declare(strict_types=1);

namespace App\Actions\Site;

use App\Actions\Film\FilesBeside;
use App\Media\MediaStore;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Publication;
use App\Models\Version;
use App\Models\WorkState;
use App\Refusal;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Puts a finished film on the course site: the first behind a new link, every other as the next version behind the same one. */
final class PublishFilm
{
    public function __construct(private readonly MediaStore $media)
    {
    }

    /**
     * @param  string  $note  what is new in it
     *
     * @throws Refusal
     */
    public function __invoke(Lesson $lesson, Export $export, string $note = ''): Version
    {
        if ($export->lesson_id !== $lesson->id || $export->state !== WorkState::Done) {
            throw Refusal::conflict('Only a finished film of this lesson can be published.');
        }
        if ($export->edition()->section !== null) {
            throw Refusal::conflict('This film is of one section only. Publish a film of the whole lesson.');
        }
        if (! $this->media->exists(FilesBeside::path($export, FilesBeside::LINES))) {
            throw Refusal::conflict('This film was made by an earlier Open Reel. Export the lesson again to publish it.');
        }

        return DB::transaction(function () use ($lesson, $export, $note): Version {
            /** @var Publication $publication */
            $publication = Publication::query()->firstOrCreate(['lesson_id' => $lesson->id], ['token' => Str::random(24)]);
            $publication->update(['withdrawn_at' => null]);
            /** @var Version|null $latest */
            $latest = $publication->versions()->first();
            if ($latest?->export_id === $export->id) {
                return $latest;
            }
            /** @var Version $version */
            $version = $publication->versions()->create([
                'export_id' => $export->id, 'number' => ($latest->number ?? 0) + 1, 'note' => $note,
            ]);
            $publication->comments()->whereNotNull('done_at')->whereNull('done_in')->update(['done_in' => $version->number]);

            return $version;
        });
    }
}
