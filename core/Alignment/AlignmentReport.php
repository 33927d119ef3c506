<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\AlignmentResult;
use OpenReel\Core\Take\AlignmentStatus;
use OpenReel\Core\Take\LineAttempt;
use OpenReel\Core\Take\LineTimings;
use OpenReel\Core\Take\SpokenLine;

/** Says of an alignment what is kept of it: lines by their ids, moments in take time. */
final readonly class AlignmentReport
{
    /**
     * @param  list<SpokenLine>  $lines  those the take was listened for, in order
     * @param  Tick  $voiceFrom  moment of the take at which its voice begins
     */
    public function __construct(
        private array $lines,
        private Alignment $heard,
        private Selection $used,
        private Tick $voiceFrom,
    ) {
    }

    public function status(): AlignmentStatus
    {
        return $this->heard->isSure() && $this->used->order !== [] ? AlignmentStatus::Sure : AlignmentStatus::Unsure;
    }

    /**
     * @param  bool  $mayPause  whether the script asks for pauses, or something is to be seen meanwhile
     * @param  list<string>  $flags  values of SpeechFlag
     */
    public function result(bool $mayPause, array $flags): AlignmentResult
    {
        $isSure = $this->status() === AlignmentStatus::Sure;

        return new AlignmentResult(
            $this->status(),
            $this->heard->confidence,
            array_map(
                fn (Attempt $a): LineAttempt => new LineAttempt(
                    $this->lines[$a->line]->id, $a->kind, $this->inTake($a->span), $a->confidence,
                ),
                $this->heard->reads,
            ),
            array_map($this->inTake(...), $this->heard->unscripted),
            array_map($this->inTake(...), $this->heard->pauses),
            $this->ids($this->heard->missing(count($this->lines))),
            $isSure ? $this->ids($this->used->order) : [],
            $isSure ? $this->speech() : null,
            $isSure ? array_map($this->inTake(...), $this->used->left) : [],
            $isSure ? $this->timings() : new LineTimings(),
            $isSure ? $this->ids($this->used->flawed($this->heard, $mayPause)) : [],
            $isSure ? $flags : [],
        );
    }

    /**
     * @param  list<int>  $lines
     * @return list<string>
     */
    private function ids(array $lines): array
    {
        return array_map(fn (int $line): string => $this->lines[$line]->id, $lines);
    }

    private function speech(): Span
    {
        $order = $this->used->order;

        return $this->inTake(Span::between(
            $this->used->spans[$order[0]]->from, $this->used->spans[$order[count($order) - 1]]->until,
        ));
    }

    private function timings(): LineTimings
    {
        $starts = $cuts = $anchors = [];
        foreach ($this->used->order as $line) {
            [$id, $read] = [$this->lines[$line]->id, $this->used->reads[$line]];
            $cuts[$id] = $this->used->spans[$line]->from->plus($this->voiceFrom);
            $starts[$id] = $read->span->from->plus($this->voiceFrom);
            array_push($anchors, ...WordPlaces::of($id, $this->lines[$line]->text, $read, $this->voiceFrom));
        }

        return new LineTimings($starts, $cuts, $anchors);
    }

    private function inTake(Span $inVoice): Span
    {
        return Span::between($inVoice->from->plus($this->voiceFrom), $inVoice->until->plus($this->voiceFrom));
    }
}
