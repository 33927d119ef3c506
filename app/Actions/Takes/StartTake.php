<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Media\MediaStore;
use App\Models\Section;
use App\Models\Take;
use App\Models\TakeState;
use App\Models\Track;
use App\Readers\SpokenLines;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Take\TrackKind;

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
     */
    public function __invoke(Section $section, array $tracks, ?Crop $framing = null, ?Crop $area = null): Take
    {
        $this->media->mustHaveRoomFor((int) min(self::EXPECTED_BYTES, config('reel.reserve_bytes')), 'a new take');

        return DB::transaction(function () use ($section, $tracks, $framing, $area): Take {
            $take = $section->takes()->create(
                [
                    'recorded_in' => $section->id,
                    'number' => (int) Take::query()->where('recorded_in', $section->id)->max('number') + 1,
                    'state' => TakeState::Recording,
                    'framing' => $framing?->toArray(),
                    'area' => $area?->toArray(),
                ] + SpokenLines::asTaken($section),
            );
            foreach ($tracks as $kind => $mime) {
                $take
                    ->tracks()
                    ->create([
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
