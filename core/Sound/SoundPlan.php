<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\JoinKind;
use OpenReel\Core\Assembly\Music;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Mark\Click;
use OpenReel\Core\Take\TrackKind;

/** What is heard when: pieces of takes at places of the film. A take that goes on from one segment to the next is one piece. */
final readonly class SoundPlan
{
    private const PER_MS = 48;

    /**
     * @param  list<SoundPlace>  $places  in order; each begins where the one before ends, or within it while they dissolve
     * @param  int  $samples  of the whole film
     * @param  list<BedPlace>  $beds  heard beside them
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
        $groups = [];
        foreach ($assembly->segments as $i => $segment) {
            $before = $assembly->segments[$i - 1] ?? null;
            $goesOn =
                $before?->passage !== null &&
                $segment->passage !== null &&
                $segment->join->kind === JoinKind::Cut &&
                self::continues($before, $segment);
            if ($goesOn) {
                $group = array_pop($groups);
                $groups[] = [...$group ?? [], $segment];
            } else {
                $groups[] = [$segment];
            }
        }
        $places = array_map(
            fn (array $group): SoundPlace => new SoundPlace(
                self::piece(
                    $group[0],
                    array_sum(array_map(fn (Segment $s): int => $s->frames, $group)) * $ticks,
                    $target,
                    $target - $under,
                ),
                $group[0]->startFrame * $ticks,
                $group[0]->join->kind,
                $group[0]->join->frames * $ticks,
                self::clicks($group, $ticks),
                self::silences($group, $ticks),
            ),
            $groups,
        );

        return new self($places, $assembly->frames() * $ticks, self::beds($assembly, $places, $target, $music));
    }

    /**
     * Music and small sounds at places of the film.
     *
     * @param  list<SoundPlace>  $places
     * @param  float  $target  LUFS of the voice
     * @return list<BedPlace>
     */
    private static function beds(Assembly $assembly, array $places, float $target, MusicLevels $levels): array
    {
        if ($assembly->music === []) {
            return [];
        }
        $ticks = $assembly->rate->ticksPerFrame();
        $back = Envelope::ducking(
            self::heard($places), $levels->depth, $levels->attackMs * self::PER_MS, $levels->releaseMs * self::PER_MS,
        );

        return array_map(function (Music $music) use ($ticks, $back, $target, $levels): BedPlace {
            [$from, $until] = [$music->from * $ticks, $music->until * $ticks];
            $loud = Envelope::fades($from, $until, $music->fadeIn * $ticks, $music->fadeOut * $ticks)
                ->louder(10 ** (($target - $levels->under + $music->level - $music->bed->lufs) / 20));

            return new BedPlace(
                $music->bed, $from, $until, $music->loops, $music->ducks ? $loud->times($back)->within($from, $until) : $loud,
            );
        }, $assembly->music);
    }

    /**
     * @param  list<SoundPlace>  $places
     * @return list<array{int, int}> samples from and until which a take is heard
     */
    private static function heard(array $places): array
    {
        $heard = [];
        foreach ($places as $place) {
            $from = $place->at;
            // What is heard ends where a silence begins, and at last with the piece.
            foreach ($place->piece->sound === null ? [] : [...$place->silences, [$place->piece->samples, 0]] as [$until, $next]) {
                if ($place->at + $until > $from) {
                    $heard[] = [$from, $place->at + $until];
                }
                $from = $place->at + $next;
            }
        }

        return $heard;
    }

    /** Whether the take is heard on without a gap: the map of the second begins where the first one's ends. */
    private static function continues(Segment $before, Segment $segment): bool
    {
        return $before->passage?->take->id === $segment->passage?->take->id &&
            $before->map?->timeOf($before->frames)->count === $segment->map?->timeOf(0)->count;
    }

    /**
     * Where in a group of segments that go on a click is heard.
     *
     * @param  non-empty-list<Segment>  $group
     * @return list<int> samples after its beginning
     */
    private static function clicks(array $group, int $ticks): array
    {
        $clicks = [];
        foreach ($group as $segment) {
            foreach (self::clickFrames($segment) as $frame) {
                $clicks[] = ($segment->startFrame - $group[0]->startFrame + $frame) * $ticks;
            }
        }

        return $clicks;
    }

    /**
     * Where in a group of segments that go on nothing is to be heard of its take.
     *
     * @param  non-empty-list<Segment>  $group
     * @return list<array{int, int}> samples after its beginning
     */
    private static function silences(array $group, int $ticks): array
    {
        $begin = $group[0]->map?->timeOf(0)->count ?? 0;
        $samples = array_sum(array_map(fn (Segment $s): int => $s->frames, $group)) * $ticks;
        $silences = [];
        foreach ($group[0]->passage->take->silences ?? [] as $span) {
            $silence = [max(0, $span->from->count - $begin), min($samples, $span->until->count - $begin)];
            if ($silence[0] < $silence[1]) {
                $silences[] = $silence;
            }
        }

        return $silences;
    }

    /** @return list<array{int, int}> frames of a segment from and until which nothing is heard of its take */
    public static function silentFrames(Segment $segment): array
    {
        $frames = [];
        $map = $segment->map;
        foreach ($segment->passage->take->silences ?? [] as $span) {
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
        foreach ($segment->passage->take->marks ?? [] as $mark) {
            $at = $mark->seen->from;
            $isInside =
                ! $at->isBefore($segment->passage->span->from ?? $at) && $at->isBefore($segment->passage->span->until ?? $at);
            if ($segment->map !== null && $mark->drawing instanceof Click && $mark->drawing->isHeard && $isInside) {
                $frames[] = $segment->map->frameOf($at);
            }
        }

        return $frames;
    }

    private static function piece(Segment $segment, int $samples, float $target, float $beside): SoundPiece
    {
        $voice = $segment->passage?->take->track(TrackKind::Microphone);
        $computer = $segment->passage?->take->track(TrackKind::Computer);
        // Without a voice the computer is what is listened to.
        $track = $voice ?? $computer;
        if ($track === null || $segment->map === null) {
            return new SoundPiece(null, 0, $samples, $target);
        }
        $in = $segment->map->timeOf(0);

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
            $voice === null ? null : $segment->passage?->take->clean,
        );
    }
}
