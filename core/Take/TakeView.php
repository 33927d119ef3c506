<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\PictureFlag;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Sound\CleanVoice;
use OpenReel\Core\Sound\CutPlacement;
use OpenReel\Core\Sound\NoiseReduction;

/**
 * A take as everything after it sees it: what is used of it, which lines it says when, and what is wrong with it.
 *
 * The only place where a recording, what was found out about it and what the presenter decided come together. While it is not
 * sure what a take says, the prompter's times count; as soon as it is, what was heard does.
 */
final readonly class TakeView
{
    /** Flags that concern all of a take's lines. */
    private const SPOILS = [
        SoundFlag::Silent,
        SoundFlag::VeryQuiet,
        SoundFlag::Clipped,
        SoundFlag::Noisy,
        SoundFlag::Hum,
        SoundFlag::Telephone,
        PictureFlag::Black,
        PictureFlag::Frozen,
    ];

    /** @var array<string, int> place of each of its lines, by line id */
    public array $places;

    /**
     * @param  string  $section  id of the section it hangs on
     * @param  Tick  $length  of all that was recorded
     * @param  int  $order  see TakeEdits::$keptOrder
     * @param  list<Span>  $used  what is left of it, in order; none when all of it was cut out
     * @param  list<SpokenLine>  $lines  those it speaks, in order, in the words they had then; empty when that is not known
     * @param  array<string, true>  $flawed  ids of lines that are not said well in it, or not heard well
     * @param  list<string>  $flags  what is to be looked at: values of SoundFlag, SpeechFlag, PictureFlag, and `no-sound`
     * @param  bool  $isCutOff  see RecordedTake
     */
    public function __construct(
        public string $id,
        public string $section,
        public int $number,
        public Tick $length,
        public TakeState $state = TakeState::Ready,
        public Verdict $verdict = Verdict::Undecided,
        public int $order = 0,
        public array $used = [],
        public array $lines = [],
        public LineTimings $timings = new LineTimings(),
        public array $flawed = [],
        public array $flags = [],
        public TakeContent $content = new TakeContent(),
        public bool $isCutOff = false,
    ) {
        $this->places = array_flip(array_column($lines, 'id'));
    }

    /** @param  IngestResult|null  $ingest  null while its recording is not processed */
    public static function of(
        RecordedTake $take,
        ?IngestResult $ingest,
        ?AlignmentResult $alignment,
        ?AnalysisResult $analysis,
        TakeEdits $edits,
    ): self {
        $sure = ($alignment?->isSure() ?? false) ? $alignment : null;
        $flags = self::flags($ingest, $sure, $analysis);
        $clean = self::voiceOf($take);

        return new self(
            $take->id,
            $take->section,
            $take->number,
            $ingest->length ?? Tick::zero(),
            $take->state,
            $edits->verdict,
            $edits->keptOrder,
            self::usedOf($ingest, $sure, $edits, $take->silenceMs),
            self::spoken($take->lines, $sure),
            $sure->timings ?? $ingest->timings ?? new LineTimings(),
            self::flawedOf($take->lines, $sure, self::spoils($flags, $edits)),
            $flags,
            new TakeContent(
                $take->tracks,
                $ingest->annotations ?? [],
                $ingest->erasures ?? [],
                $edits->framing,
                $edits->area,
                $clean === null ? null : CleanVoice::of($clean, $edits->cleaning(), $analysis?->hum, $analysis?->room),
                $edits->silences,
                $edits->adjustment,
                $alignment->pauses ?? [],
                $alignment->unscripted ?? [],
            ),
            $take->isCutOff,
        );
    }

    /** A line as a preview voice reads it: a take that nobody recorded. */
    public static function draft(string $line, RecordedTrack $voice): self
    {
        return new self(
            "draft-{$voice->hash}",
            '',
            0,
            $voice->length,
            used: [Span::between(Tick::zero(), $voice->length)],
            timings: new LineTimings([$line => Tick::zero()]),
            content: new TakeContent([$voice], isDraft: true),
        );
    }

    /** The same as if it were kept this very moment. */
    public function asKeptNow(): self
    {
        return new self(
            $this->id, $this->section, $this->number, $this->length, $this->state, Verdict::Kept, PHP_INT_MAX, $this->used,
            $this->lines, $this->timings, $this->flawed, $this->flags, $this->content, $this->isCutOff,
        );
    }

    /** Whether something of it can be heard: it was processed and something is left of it. */
    public function isUsable(): bool
    {
        return $this->state === TakeState::Ready && $this->length->count > 0 && $this->used !== [];
    }

    public function isKept(): bool
    {
        return $this->isUsable() && $this->verdict === Verdict::Kept;
    }

    /** Whether it has no verdict yet and may be used. */
    public function isWaiting(): bool
    {
        return $this->verdict === Verdict::Undecided && $this->state !== TakeState::Unusable;
    }

    /** Whether something about it is to be looked at. Of a kept take, coverage tells which lines are missing. */
    public function needsAttention(): bool
    {
        $known = $this->verdict === Verdict::Kept ? [SpeechFlag::LinesMissing->value] : [];

        return $this->isCutOff || array_diff($this->flags, $known) !== [];
    }

    /** Whether everything it says is said by the other one as well. A take whose lines are not known may say anything. */
    public function isCoveredBy(self $other): bool
    {
        if ($this->lines === [] || $other->lines === []) {
            return $this->section === $other->section;
        }

        return array_diff(array_column($this->lines, 'id'), array_column($other->lines, 'id')) === [];
    }

    /** From the first moment that is used to the last; all of it when nothing is. */
    public function extent(): Span
    {
        return $this->used === []
            ? Span::between(Tick::zero(), Tick::later($this->length, Tick::of(1)))
            : Span::between($this->used[0]->from, $this->used[count($this->used) - 1]->until);
    }

    public function track(TrackKind $kind): ?RecordedTrack
    {
        foreach ($this->content->tracks as $track) {
            if ($track->kind === $kind) {
                return $track;
            }
        }

        return null;
    }

    /** Where in the take a place in its lines lies; null when it does not speak that line. */
    public function at(string $line, float $within): ?Tick
    {
        $places = $this->placesIn($line);

        return $places === null ? null : self::between($places, $within);
    }

    /**
     * The places in a line of which the moment is known, its beginning and its end among them.
     *
     * @return non-empty-list<WordAnchor>|null in order; null when it does not speak that line
     */
    public function placesIn(string $line): ?array
    {
        $from = $this->timings->starts[$line] ?? null;
        if ($from === null) {
            return null;
        }
        $until = $this->endOf($line);
        foreach ($this->timings->starts as $other) {
            if ($from->isBefore($other) && $other->isBefore($until)) {
                $until = $other;
            }
        }
        $places = [];
        foreach ($this->timings->anchors as $place) {
            if ($place->line === $line && $from->isBefore($place->at) && $place->at->isBefore($until)) {
                $places[] = $place;
            }
        }
        usort($places, fn (WordAnchor $a, WordAnchor $b): int => $a->within <=> $b->within);

        return [new WordAnchor($line, 0.0, $from), ...$places, new WordAnchor($line, 1.0, $until)];
    }

    /**
     * The moment between two known places, in proportion to the text.
     *
     * @param  non-empty-list<WordAnchor>  $places  as `placesIn` gives them
     */
    public static function between(array $places, float $within): Tick
    {
        return Tick::of(self::allBetween($places, [$within])[0]);
    }

    /**
     * The same for many places, which takes less than one by one.
     *
     * @param  non-empty-list<WordAnchor>  $places
     * @param  list<float>  $withins  rising
     * @return list<int> ticks
     */
    public static function allBetween(array $places, array $withins): array
    {
        $last = count($places) - 1;
        $n = 1;
        $moments = [];
        foreach ($withins as $within) {
            while ($n < $last && $places[$n]->within <= $within) {
                $n++;
            }
            [$before, $behind] = [$places[$n - 1], $places[$n]];
            $part = ($within - $before->within) / max(1e-9, $behind->within - $before->within);
            $length = max(0, $behind->at->count - $before->at->count);
            $moments[] = $before->at->count + (int) round($length * $part);
        }

        return $moments;
    }

    /**
     * The middle of each pause that is longer than it may be, so that words keep their silence.
     *
     * @param  int  $silenceMs  how long the script asks to be silent: where it does, a pause is meant
     * @return list<Span> in order
     */
    public static function tightened(?AlignmentResult $alignment, int $longestPauseMs, int $silenceMs): array
    {
        if ($longestPauseMs === 0 || $silenceMs > 0 || ! ($alignment?->isSure() ?? false)) {
            return [];
        }
        $longest = Tick::ofMilliseconds($longestPauseMs);

        return array_values(array_filter(array_map(
            fn (Span $pause): ?Span => CutPlacement::middleOf($pause, $longest), $alignment->pauses,
        )));
    }

    /** What was found to be used, before anything is cut out of it; null when no speech was found. */
    public static function speech(?IngestResult $ingest, ?AlignmentResult $alignment): ?Span
    {
        if (! ($alignment?->isSure() ?? false) || $alignment->speech === null) {
            return $ingest?->speech;
        }
        // What was written behind the last word is meant to be seen.
        $written = ($ingest?->hasDrawings() ?? false) ? $ingest->speech?->until : null;

        return $written === null
            ? $alignment->speech
            : Span::between($alignment->speech->from, Tick::later($alignment->speech->until, $written));
    }

    /** @return list<Span> */
    private static function usedOf(?IngestResult $ingest, ?AlignmentResult $sure, TakeEdits $edits, int $silenceMs): array
    {
        if ($ingest === null || $ingest->length->count === 0) {
            return [];
        }
        $found = self::speech($ingest, $sure) ?? Span::between(Tick::zero(), $ingest->length);

        return Spans::minus($edits->trim ?? [$found], [
            ...$ingest->retakes,
            ...$sure->omitted ?? [],
            ...$edits->cuts,
            ...self::tightened($sure, $edits->longestPause, $silenceMs),
        ]);
    }

    /**
     * @param  list<SpokenLine>  $lines
     * @return list<SpokenLine>
     */
    private static function spoken(array $lines, ?AlignmentResult $sure): array
    {
        if ($sure === null) {
            return $lines;
        }
        $byId = array_column($lines, null, 'id');

        return array_values(array_filter(array_map(fn (string $id): ?SpokenLine => $byId[$id] ?? null, $sure->order)));
    }

    /** @return list<string> */
    private static function flags(?IngestResult $ingest, ?AlignmentResult $sure, ?AnalysisResult $analysis): array
    {
        return array_values(array_unique([...$ingest->flags ?? [], ...$analysis->flags ?? [], ...$sure->flags ?? []]));
    }

    /**
     * Whether a flag concerns all of its lines. What is cleaned in the take itself is mended.
     *
     * @param  list<string>  $flags
     */
    private static function spoils(array $flags, TakeEdits $edits): bool
    {
        if ($flags === []) {
            return false;
        }
        $mended = array_filter([
            ($edits->cleaning->noise ?? NoiseReduction::Off) === NoiseReduction::Off ? null : SoundFlag::Noisy,
            ($edits->cleaning->hum ?? false) ? SoundFlag::Hum : null,
        ]);
        $spoiling = array_udiff(self::SPOILS, $mended, fn (\BackedEnum $a, \BackedEnum $b): int => $a->value <=> $b->value);

        return array_intersect($flags, array_column($spoiling, 'value')) !== [];
    }

    /**
     * @param  list<SpokenLine>  $lines
     * @return array<string, true>
     */
    private static function flawedOf(array $lines, ?AlignmentResult $sure, bool $isSpoilt): array
    {
        return array_fill_keys($isSpoilt ? array_column($lines, 'id') : $sure->flawed ?? [], true);
    }

    private static function voiceOf(RecordedTake $take): ?string
    {
        foreach ($take->tracks as $track) {
            if ($track->kind === TrackKind::Microphone) {
                return $track->hash;
            }
        }

        return null;
    }

    /** Words that are heard behind what is used of the take are not said before. */
    private function endOf(string $line): Tick
    {
        $until = $this->extent()->until;
        foreach ($this->timings->anchors as $place) {
            if ($place->line === $line && ! $place->at->isBefore($until)) {
                $until = $place->at->plus(Tick::of(1));
            }
        }

        return $until;
    }
}
