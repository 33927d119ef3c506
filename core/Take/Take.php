<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Adjustment;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Sound\CleanVoice;

/** One recording of a section, or of some of its lines, as far as the film is concerned. */
final readonly class Take
{
    /**
     * @param  list<RecordedTrack>  $tracks  at most one of each kind
     * @param  Span  $used  what is left of it after trimming, in take time
     * @param  array<string, Tick>  $lines  when each line begins, by line id, in the order they are spoken; empty when that is
     *    not known
     * @param  list<TakeAnnotation>  $marks  what was drawn while it was recorded
     * @param  list<Erasure>  $wipes  and what was wiped off, in order
     * @param  Crop|null  $framing  part of the camera's picture that is shown; null for all of it
     * @param  Crop|null  $area  part of the screen that is shown
     * @param  list<WordAnchor>  $reached  places inside its lines of which the moment is known; between them it is in proportion to
     *    the text
     * @param  CleanVoice|null  $clean  its voice is heard as this; null as it was recorded
     * @param  list<Span>  $silences  in which nothing is heard of it
     * @param  Adjustment|null  $adjustment  how its camera's picture is changed
     * @param  list<Span>  $pauses  silences between speech, as listening found them, in order
     * @param  list<Span>  $unscripted  speech in it that is no line, in order
     * @param  bool  $isDraft  nobody recorded it: a stand-in voice reads a line
     */
    public function __construct(
        public string $id,
        public int $number,
        public array $tracks,
        public Span $used,
        public array $lines = [],
        public array $marks = [],
        public array $wipes = [],
        public ?Crop $framing = null,
        public ?Crop $area = null,
        public array $reached = [],
        public ?CleanVoice $clean = null,
        public array $silences = [],
        public bool $isDraft = false,
        public ?Adjustment $adjustment = null,
        public array $pauses = [],
        public array $unscripted = [],
    ) {
    }

    /** A line as a stand-in voice reads it. */
    public static function draft(string $line, RecordedTrack $voice): self
    {
        return new self(
            "draft-{$voice->hash}",
            0,
            [$voice],
            Span::between(Tick::zero(), $voice->length),
            [$line => Tick::zero()],
            isDraft: true,
        );
    }

    public function track(TrackKind $kind): ?RecordedTrack
    {
        foreach ($this->tracks as $track) {
            if ($track->kind === $kind) {
                return $track;
            }
        }

        return null;
    }

    /** Where in the take a place in its lines lies; null when it does not speak that line. */
    public function at(string $line, float $within): ?Tick
    {
        $places = $this->places($line);

        return $places === null ? null : self::between($places, $within);
    }

    /**
     * The places in a line of which the moment is known, its beginning and its end among them.
     *
     * @return non-empty-list<array{float, int}>|null part of the line already spoken, and tick, in order; null when it does not
     *    speak that line
     */
    public function places(string $line): ?array
    {
        $from = $this->lines[$line] ?? null;
        if ($from === null) {
            return null;
        }
        $until = $this->endOf($line);
        foreach ($this->lines as $other) {
            if ($from->isBefore($other) && $other->isBefore($until)) {
                $until = $other;
            }
        }
        $places = [];
        foreach ($this->reached as $place) {
            if ($place->line === $line && $from->isBefore($place->at) && $place->at->isBefore($until)) {
                $places[] = [$place->within, $place->at->count];
            }
        }
        usort($places, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return [[0.0, $from->count], ...$places, [1.0, $until->count]];
    }

    /** Words that are heard behind what is used of the take are not said before. */
    private function endOf(string $line): Tick
    {
        $until = $this->used->until;
        foreach ($this->reached as $place) {
            if ($place->line === $line && ! $place->at->isBefore($until)) {
                $until = $place->at->plus(Tick::of(1));
            }
        }

        return $until;
    }

    /**
     * The moment between two known places, in proportion to the text.
     *
     * @param  non-empty-list<array{float, int}>  $places  as `places` gives them
     */
    public static function between(array $places, float $within): Tick
    {
        $before = $places[0];
        $behind = $places[count($places) - 1];
        foreach (array_slice($places, 1, -1) as $place) {
            if ($place[0] > $within) {
                $behind = $place;
                break;
            }
            $before = $place;
        }
        $part = ($within - $before[0]) / max(1e-9, $behind[0] - $before[0]);

        return Tick::of($before[1] + (int) round(max(0, $behind[1] - $before[1]) * $part));
    }
}
