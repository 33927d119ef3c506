<?php

declare(strict_types=1);

namespace App\Queries\Film;

use App\Media\PieceRenderer;
use OpenReel\Core\Film\FilmPlan;
use OpenReel\Core\Render\ExportPreset;
use OpenReel\Core\Render\RenderEstimate;
use OpenReel\Core\Render\ShotSpec;

/** How large a film will be, and how long it takes to make: told from what is rendered already,
of it or of the lesson as usual. */
final class ExpectedFilm
{
    public function __construct(private readonly PieceRenderer $pieces)
    {
    }

    /**
     * @param  FilmPlan  $plan  of the edition
     * @param  FilmPlan  $usual  of the lesson as it is shown in Watch
     * @return array{bytes: int|null, seconds: int, frames: int} null while nothing tells it
     */
    public function of(ExportPreset $edition, FilmPlan $plan, FilmPlan $usual): array
    {
        $own = $this->made($plan);
        $like = $this->made($usual);

        return [
            'bytes' => $own->expectedBytes($like, $edition),
            'seconds' => $own->expectedSeconds($like, $edition, (int) config('reel.render_slots')),
            'frames' => $plan->assembly->frames(),
        ];
    }

    private function made(FilmPlan $plan): RenderEstimate
    {
        $frames = $bytes = $milliseconds = $timed = 0;
        foreach ($plan->pictures() as $spec) {
            $piece = $this->pieces->find($spec);
            if ($piece === null) {
                continue;
            }
            $length = $spec instanceof ShotSpec ? $spec->frames : $spec->frames();
            $frames += $length;
            $bytes += (int) @filesize($piece->path);
            if (isset($piece->meta['ms'])) {
                $timed += $length;
                $milliseconds += (int) $piece->meta['ms'];
            }
        }

        return new RenderEstimate(
            $plan->assembly->frame, $plan->quality, $plan->assembly->frames(), $plan->assembly->rate, $frames, $bytes, $timed,
            $milliseconds,
        );
    }
}
