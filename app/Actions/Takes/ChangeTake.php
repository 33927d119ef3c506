<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Take;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Adjustment;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Take\Verdict;

/**
 * What a presenter says of a take all at once; all of it is done, or nothing.
 *
 * @phpstan-type Asked array{
 *     cuts?: list<array{Tick, Tick}>, silences?: list<array{Tick, Tick}>, cleaning?: Cleaning|null,
 *     trim?: array{Tick|null, Tick|null, bool}, framing?: Crop|null, area?: Crop|null, adjustment?: Adjustment|null,
 *     marker?: array{int, string}, verdict?: Verdict
 * }
 */
final class ChangeTake
{
    public function __construct(
        private readonly GiveVerdict $decide,
        private readonly TrimTake $trim,
        private readonly FrameTake $frame,
        private readonly NoteMarker $note,
        private readonly CutTake $cut,
        private readonly SilenceTake $silence,
        private readonly CleanTake $clean,
        private readonly AdjustTake $adjust,
    ) {
    }

    /**
     * @param  Asked  $asked  what is named is changed; null goes back to what the lesson has, or was found by listening
     * @param  string  $for  which takes framing and adjustment are for: `take`, `section` or `lesson`
     */
    public function __invoke(Take $take, array $asked, string $for): TakeChanged
    {
        return DB::transaction(function () use ($take, $asked, $for): TakeChanged {
            $had = [];
            foreach ($asked as $name => $value) {
                match ($name) {
                    'cuts' => ($this->cut)($take, $value),
                    'silences' => ($this->silence)($take, $value),
                    'cleaning' => ($this->clean)($take, $value),
                    'trim' => ($this->trim)($take, ...$value),
                    'framing', 'area' => $had[$name] = ($this->frame)($take, $name, $value, $for),
                    'adjustment' => $had[$name] = ($this->adjust)($take, $value, $for),
                    'marker' => ($this->note)($take, ...$value),
                    'verdict' => null,
                };
            }

            // Last: what is kept is what was made of it just now.
            return new TakeChanged($had, isset($asked['verdict']) ? ($this->decide)($take, $asked['verdict']) : null);
        });
    }
}
