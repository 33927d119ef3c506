<?php

declare(strict_types=1);

namespace App\Actions\Storage;

use App\Actions\Film\Sidecars;
use App\Actions\People\WriteHistory;
use App\Media\MediaStore;
use App\Models\Export;
use App\Models\Lesson;
use App\Queries\Film\OlderFilms;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\People\AuditAction;

/** Removes the films of a lesson that a newer one has replaced, and that are not published. */
final class DeleteOlderFilms
{
    public function __construct(
        private readonly MediaStore $media,
        private readonly Sidecars $beside,
        private readonly WriteHistory $write,
    ) {
    }

    /** @return int how many films are gone */
    public function __invoke(Lesson $lesson): int
    {
        /** @var list<Export> $films */
        $films = DB::transaction(function () use ($lesson): array {
            $films = OlderFilms::of($lesson->id);
            Export::query()->whereKey(array_column($films, 'id'))->delete();

            return $films;
        });
        foreach ($films as $film) {
            $this->media->delete($film->path);
            $this->beside->forget($film);
        }

        $films === [] || ($this->write)(AuditAction::FilmsDeleted, $lesson, ['count' => count($films)]);

        return count($films);
    }
}
