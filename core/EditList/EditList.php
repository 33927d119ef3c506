<?php

declare(strict_types=1);

namespace OpenReel\Core\EditList;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\TakeView;

/**
 * A film as clips on tracks, for those who edit with another program: the presenter with the cards, what is on the stage, and the
 * voice. Its cuts are those of the film, to the frame; how pictures are laid out and drawn over is not said in it.
 */
final readonly class EditList
{
    /**
     * @param  list<EditEvent>  $presenter  in order; a clip may overlap the one before it
     * @param  list<EditEvent>  $stage  in order, with gaps
     * @param  list<EditEvent>  $voice  in order, with gaps
     */
    private function __construct(
        public string $title,
        public FrameRate $rate,
        public int $frames,
        public array $presenter,
        public array $stage,
        public array $voice,
    ) {
    }

    public static function of(string $title, Assembly $assembly): self
    {
        $presenter = $stage = $voice = [];
        foreach ($assembly->segments as $segment) {
            array_push($presenter, ...self::seen($segment, $assembly->rate));
            array_push($voice, ...self::track($segment, TrackKind::Microphone, $assembly->rate));
            $stage = self::onStage($stage, $segment, $assembly->rate);
        }

        return new self($title, $assembly->rate, $assembly->frames(), $presenter, $stage, self::apart($voice));
    }

    /** @return list<string> hashes of the files it names, each once */
    public function files(): array
    {
        $all = [...$this->presenter, ...$this->stage, ...$this->voice];

        return array_values(array_unique(array_map(fn (EditEvent $c): string => $c->hash, $all)));
    }

    /** @return list<EditEvent> what of the presenter is seen, or the card, or failing both what is on the stage */
    private static function seen(Segment $segment, FrameRate $rate): array
    {
        $clips = self::track($segment, TrackKind::Camera, $rate);
        if ($clips !== []) {
            return $clips;
        }
        foreach ($segment->shots[0]->picture->layers as $layer) {
            if ($layer->source instanceof Still) {
                $overlap = $segment->join->overlap();

                return [new EditEvent(
                    $layer->source->hash, $segment->title, 0, $segment->startFrame, $segment->frames, overlap: $overlap,
                )];
            }
        }

        return [];
    }

    /** @return list<EditEvent> of a track of the take that is used */
    private static function track(Segment $segment, TrackKind $kind, FrameRate $rate): array
    {
        $take = $segment->passage?->take;
        $track = $take?->track($kind);
        if ($take === null || $track === null || $segment->map === null) {
            return [];
        }
        $clips = [];
        $from = $segment->startFrame;
        foreach ($segment->map->stretches as $n => $stretch) {
            $isSound = $kind === TrackKind::Microphone;
            $clips[] = new EditEvent(
                $track->hash,
                self::label($segment, $take),
                max(0, self::frame($track->fileAt($stretch->in), $rate)),
                $from,
                $stretch->frames,
                // The room is heard at its own pace, also while the picture runs faster.
                $isSound ? 1.0 : $stretch->step / $rate->ticksPerFrame(),
                self::frame($track->length->count, $rate),
                $n === 0 ? $segment->join->overlap() : 0,
            );
            $from += $stretch->frames;
        }

        return $clips;
    }

    /**
     * @param  list<EditEvent>  $before
     * @return list<EditEvent> with what is on the stage in a segment
     */
    private static function onStage(array $before, Segment $segment, FrameRate $rate): array
    {
        $clips = $before;
        foreach ($segment->passage === null ? [] : $segment->shots as $shot) {
            $from = $segment->startFrame + $shot->offset;
            $last = $clips === [] ? null : $clips[count($clips) - 1];
            if ($last !== null && $last->until() > $from) {
                array_pop($clips);
                $last = $last->frames > $last->until() - $from ? $last->trimmed(0, $last->until() - $from) : null;
                array_push($clips, ...$last === null ? [] : [$last]);
            }
            $clip = self::stage($shot->picture->layers, $segment, $from, $shot->frames, $rate);
            if ($clip === null) {
                continue;
            }
            if ($last !== null && $last->until() === $from && self::goesOn($last, $clip)) {
                array_pop($clips);
                $clip = new EditEvent(
                    $last->hash, $last->says, $last->in, $last->from, $last->frames + $clip->frames, $last->pace, $last->length,
                );
            }
            $clips[] = $clip;
        }

        return $clips;
    }

    /** @param  list<\OpenReel\Core\Picture\Layer>  $layers */
    private static function stage(array $layers, Segment $segment, int $from, int $frames, FrameRate $rate): ?EditEvent
    {
        foreach ($layers as $layer) {
            $source = $layer->source;
            if ($source instanceof Still && $source->kind->isStage()) {
                return new EditEvent($source->hash, $segment->title, 0, $from, $frames);
            }
            if ($source instanceof TrackAt && $source->kind === TrackKind::Screen && $source->hash !== '') {
                $track = $segment->passage?->take->track(TrackKind::Screen);
                $length = $track?->hash === $source->hash
                    ? $track->length->count
                    : $source->at->count + $frames * $rate->ticksPerFrame();

                return new EditEvent(
                    $source->hash, $segment->title, self::frame($source->at->count, $rate), $from, $frames, (float) $source->pace,
                    self::frame($length, $rate),
                );
            }
        }

        return null;
    }

    private static function goesOn(EditEvent $before, EditEvent $clip): bool
    {
        return $before->hash === $clip->hash && $before->pace === $clip->pace &&
            ($clip->isStill() || $before->in + $before->lasts() === $clip->in);
    }

    /**
     * Where two are heard together the earlier one is faded by whoever edits: it ends where the next begins.
     *
     * @param  list<EditEvent>  $clips
     * @return list<EditEvent>
     */
    private static function apart(array $clips): array
    {
        foreach ($clips as $n => $clip) {
            $over = isset($clips[$n + 1]) ? $clip->until() - $clips[$n + 1]->from : 0;
            $clips[$n] = $over > 0 && $over < $clip->frames ? $clip->trimmed(0, $over) : $clip;
        }

        return $clips;
    }

    private static function label(Segment $segment, TakeView $take): string
    {
        return "{$segment->position}. {$segment->title}, take {$take->number}";
    }

    private static function frame(int $ticks, FrameRate $rate): int
    {
        return (int) round($ticks / $rate->ticksPerFrame());
    }
}
