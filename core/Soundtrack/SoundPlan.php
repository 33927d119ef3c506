<?php

declare(strict_types=1);

namespace OpenReel\Core\Soundtrack;

use OpenReel\Core\Annotation\Click;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\MusicSpan;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Picture\TransitionKind;
use OpenReel\Core\Sound\Envelope;
use OpenReel\Core\Sound\MusicLevels;

/** What is heard when: pieces of takes at places of the film. A take that goes on from one segment to the next is one piece. */
final readonly class SoundPlan
{
    /** Ticks: in a pause so long music comes up again; in shorter ones it would only breathe. */
    private const LONG_PAUSE = 96_000;

    /**
     * @param  list<SoundPlace>  $places  in order; each begins where the one before ends, or within it while they dissolve
     * @param  int  $samples  of the whole film
     * @param  list<MusicClip>  $beds  heard beside them
     */
    private function __construct(public array $places, public int $samples, public array $beds)
    {
    }

    /**
     * @param  float  $target  LUFS
     * @param  float  $under  LU by which the computer's sound lies under the voice
     */
    public static function of(
        Assembly $assembly,
        float $target,
        float $under = 12.0,
        MusicLevels $music = new MusicLevels(),
    ): self {
        $ticks = $assembly->rate->ticksPerFrame();
        $places = array_map(
            fn (SoundRun $run): SoundPlace => new SoundPlace(
                self::piece($run, $run->frames * $ticks, $target, $target - $under),
                $run->startFrame() * $ticks,
                $run->offset > 0 ? TransitionKind::Cut : $run->segment->join->kind,
                $run->offset > 0 ? 0 : $run->segment->join->frames * $ticks,
                self::clicks($run, $ticks),
                self::within($run, $run->segment->passage->take->content->silences ?? [], $ticks),
            ),
            $runs = SoundRun::all($assembly->segments, $ticks),
        );
        $heard = self::heard($runs, $places, $ticks);

        return new self($places, $assembly->frames() * $ticks, self::beds($assembly, $heard, $target, $music));
    }

    /**
     * Music and small sounds at places of the film.
     *
     * @param  list<Span>  $heard  of the film, in which somebody speaks
     * @param  float  $target  LUFS of the voice
     * @return list<MusicClip>
     */
    private static function beds(Assembly $assembly, array $heard, float $target, MusicLevels $levels): array
    {
        if ($assembly->music === []) {
            return [];
        }
        $ticks = $assembly->rate->ticksPerFrame();
        $back = Envelope::ducking(
            $heard, $levels->depth, $levels->attackMs * Tick::PER_MILLISECOND, $levels->releaseMs * Tick::PER_MILLISECOND,
        );

        return array_map(function (MusicSpan $music) use ($ticks, $back, $target, $levels): MusicClip {
            [$from, $until] = [$music->from * $ticks, $music->until * $ticks];
            $loud = Envelope::fades($from, $until, $music->fadeIn * $ticks, $music->fadeOut * $ticks)
                ->louder(10 ** (($target - $levels->under + $music->level - $music->bed->lufs) / 20));

            return new MusicClip(
                $music->bed, $from, $until, $music->loops, $music->ducks ? $loud->times($back)->within($from, $until) : $loud,
            );
        }, $assembly->music);
    }

    /**
     * @param  list<SoundRun>  $runs
     * @param  list<SoundPlace>  $places  of each
     * @return list<Span> of the film, apart from each other, in which somebody speaks: the room alone is no speech
     */
    private static function heard(array $runs, array $places, int $ticks): array
    {
        $heard = [];
        foreach ($places as $n => $place) {
            if ($place->piece->sound === null || $place->piece->samples === 0) {
                continue;
            }
            $take = $runs[$n]->segment->passage?->take;
            $pauses = array_filter($take->content->pauses ?? [], fn (Span $s): bool => $s->length()->count >= self::LONG_PAUSE);
            $piece = Span::between(Tick::zero(), Tick::of($place->piece->samples));
            $quiet = [...$place->silences, ...self::within($runs[$n], array_values($pauses), $ticks)];
            foreach (Spans::minus([$piece], $quiet) as $span) {
                $heard[] = $span->later(Tick::of($place->at));
            }
        }

        // While takes dissolve both are heard.
        return Spans::union($heard);
    }

    /**
     * Where in a run a click is heard.
     *
     * @return list<int> samples after its beginning
     */
    private static function clicks(SoundRun $run, int $ticks): array
    {
        $clicks = [];
        foreach ($run->segments as $segment) {
            foreach (self::clickFrames($segment) as $frame) {
                $into = $segment->startFrame + $frame - $run->startFrame();
                array_push($clicks, ...$into >= 0 && $into < $run->frames ? [$into * $ticks] : []);
            }
        }

        return $clicks;
    }

    /**
     * Where in a run stretches of its take are heard.
     *
     * @param  list<Span>  $spans
     * @return list<Span> counted from its beginning
     */
    private static function within(SoundRun $run, array $spans, int $ticks): array
    {
        $begin = $run->in->count ?? 0;
        $within = [];
        foreach ($spans as $span) {
            $from = max(0, $span->from->count - $begin);
            $until = min($run->frames * $ticks, $span->until->count - $begin);
            if ($from < $until) {
                $within[] = Span::between(Tick::of($from), Tick::of($until));
            }
        }

        return $within;
    }

    /** @return list<array{int, int}> frames of a segment from and until which nothing is heard of its take */
    public static function silentFrames(Segment $segment): array
    {
        $frames = [];
        $map = $segment->map;
        foreach ($segment->passage->take->content->silences ?? [] as $span) {
            if ($map === null) {
                break;
            }
            $silence = [max(0, $map->frameOf($span->from)), min($segment->frames, $map->frameOf($span->until))];
            if ($silence[0] < $silence[1]) {
                $frames[] = $silence;
            }
        }

        return $frames;
    }

    /** @return list<int> frames of a segment on which a click is heard */
    public static function clickFrames(Segment $segment): array
    {
        $frames = [];
        foreach ($segment->passage->take->content->annotations ?? [] as $mark) {
            $at = $mark->seen->from;
            $isInside =
                ! $at->isBefore($segment->passage->span->from ?? $at) && $at->isBefore($segment->passage->span->until ?? $at);
            if ($segment->map !== null && $mark->drawing instanceof Click && $mark->drawing->isHeard && $isInside) {
                $frames[] = $segment->map->frameOf($at);
            }
        }

        return $frames;
    }

    private static function piece(SoundRun $run, int $samples, float $target, float $beside): SoundPiece
    {
        $segment = $run->segment;
        $voice = $segment->passage?->take->track(TrackKind::Microphone);
        $computer = $segment->passage?->take->track(TrackKind::Computer);
        // Without a voice the computer is what is listened to.
        $track = $voice ?? $computer;
        $in = $run->in;
        if ($track === null || $in === null) {
            return new SoundPiece(null, 0, $samples, $target);
        }

        return new SoundPiece(
            $track->hash,
            $track->fileAt($in),
            $samples,
            $target,
            $track->loudness,
            $track->peak,
            $voice === null || $computer === null
                ? null
                : ComputerSound::at($beside, $computer->hash, $computer->fileAt($in), $computer->loudness),
            $voice === null ? null : $segment->passage?->take->content->cleanVoice,
        );
    }
}
