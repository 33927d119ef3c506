<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Media\MediaStore;
use App\Models\Section;
use App\Models\Take;
use App\Models\Track;
use App\OperationRejected;
use App\People\CurrentUser;
use App\People\Presences;
use App\Queries\Script\SpokenLines;
use App\Queries\Takes\TakeNumbers;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\TakeState;

/** Opens the next take of a section, ready for its chunks. */
final class StartTake
{
    /** Room for half an hour of camera at 6 Mbit/s. */
    private const EXPECTED_BYTES = 1_350_000_000;

    public function __construct(private readonly MediaStore $media)
    {
    }

    /**
     * @param  array<string, string>  $tracks  MIME type by kind, see TrackKind
     * @param  Crop|null  $framing  part of the camera's picture that is to be shown
     * @param  Crop|null  $area  part of the screen
     * @param  list<string>|null  $lines  ids of those that are recorded, when it is a pickup; null for all of the section
     * @param  bool  $whole  it holds all of the lesson: a recording that was made elsewhere
     *
     * @throws OperationRejected when none of these lines is there any more
     */
    public function __invoke(
        Section $section,
        array $tracks,
        ?Crop $framing = null,
        ?Crop $area = null,
        ?array $lines = null,
        bool $whole = false,
    ): Take {
        $this->media->mustHaveRoomFor((int) min(self::EXPECTED_BYTES, config('reel.reserve_bytes')), 'a new take');

        $words = $whole ? SpokenLines::ofLesson($section->lesson) : SpokenLines::asTaken($section, $lines);
        if ($lines !== null && $words['lines'] === []) {
            throw OperationRejected::conflict('These lines are not in the section any more. Record it as it is now.');
        }

        $person = CurrentUser::asks();
        $busy = $person === null ? null : Presences::records($section->lesson_id, $section->id, $person);
        if ($busy !== null) {
            throw OperationRejected::conflict("{$busy} is recording this section. Record another one meanwhile, or wait until they stop.");
        }

        return DB::transaction(function () use ($section, $tracks, $framing, $area, $words, $person): Take {
            $take = $section->takes()->create(
                [
                    'recorded_in' => $section->id,
                    'user_id' => $person?->id,
                    'number' => TakeNumbers::next($section),
                    'state' => TakeState::Recording,
                    'framing' => $framing?->toArray(),
                    'area' => $area?->toArray(),
                ] + $words,
            );
            foreach ($tracks as $kind => $mime) {
                $take->tracks()->create([
                    'kind' => $kind,
                    'mime' => Track::mimeOf($mime) ?? 'application/octet-stream',
                    'path' => $take->folder().'/'.TrackKind::from($kind)->value.'.part',
                ]);
            }
            $section->touch();

            return $take;
        });
    }
}
