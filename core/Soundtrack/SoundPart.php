<?php

declare(strict_types=1);

namespace OpenReel\Core\Soundtrack;

use OpenReel\Core\Kernel\CacheKey;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Picture\TransitionKind;
use OpenReel\Core\Sound\ClickSound;

/**
 * A part of the soundtrack that is encoded by itself. Parts begin on whole AAC frames, at a join where there is one; each is
 * encoded with a little of what lies around it, whose frames are dropped, so that the parts follow each other as if they had
 * been encoded in one go.
 */
final readonly class SoundPart
{
    /** Part of every cache key: change it whenever parts come out otherwise. */
    public const VERSION = 1;

    /** Samples in an AAC frame (ISO/IEC 14496-3). */
    public const FRAME = 1024;

    /** Frames before the part: the encoder settles, and loudness can be measured over 400 ms. */
    private const LEAD = 20;

    /** Frames behind it: the encoder looks ahead. */
    private const TAIL = 2;

    /** Parts are about so long, in samples: long enough to be worth a start of the encoder, short enough to be many. */
    private const LENGTH = 20 * 48_000;

    /** A part that nothing divides is cut at this length. */
    private const LONGEST = 60 * 48_000;

    /**
     * @param  int  $from  sample of the film, a multiple of FRAME
     * @param  int  $until  likewise, or the end of the film
     * @param  list<SoundPlace>  $places  that are heard in it or around it, in order
     * @param  bool  $isLast  the film ends with it
     * @param  list<MusicClip>  $beds  music and small sounds that are heard in it or around it
     */
    private function __construct(
        public int $from,
        public int $until,
        public array $places,
        public bool $isLast,
        public array $beds = [],
    ) {
    }

    /** @return list<self> together the whole soundtrack; none of a film without frames */
    public static function all(SoundPlan $plan): array
    {
        if ($plan->samples === 0) {
            return [];
        }
        $starts = self::starts($plan);
        $parts = [];
        foreach ($starts as $i => $from) {
            $until = $starts[$i + 1] ?? $plan->samples;
            $reach = [
                $from - self::LEAD * self::FRAME - SoundPiece::HANDLE,
                $until + self::TAIL * self::FRAME + SoundPiece::HANDLE,
            ];
            $places = array_values(
                array_filter($plan->places, fn (SoundPlace $p): bool => $p->at < $reach[1] && $p->end() > $reach[0]),
            );
            $beds = array_values(
                array_filter($plan->beds, fn (MusicClip $b): bool => $b->at < $reach[1] && $b->until > $reach[0]),
            );
            $parts[] = new self($from, $until, $places, ! isset($starts[$i + 1]), $beds);
        }

        return $parts;
    }

    /** First sample of what is encoded. */
    public function leadFrom(): int
    {
        return max(0, $this->from - self::LEAD * self::FRAME);
    }

    /** The sample behind the last of what is encoded. */
    public function tailUntil(): int
    {
        return $this->isLast ? $this->until : $this->until + self::TAIL * self::FRAME;
    }

    /**
     * AAC frames of the encoded stream that belong to the part. The first one of a stream is silence that every encoder begins
     * with; the film keeps that of its first part.
     *
     * @return array{int, int|null} index of the first, and how many; null for all that follow
     */
    public function frames(): array
    {
        $first = $this->from === 0 ? 0 : 1 + intdiv($this->from - $this->leadFrom(), self::FRAME);

        return [$first, $this->isLast ? null : ($this->from === 0 ? 1 : 0) + intdiv($this->until - $this->from, self::FRAME)];
    }

    /** @param  array<string, mixed>  $part  as `toArray` gives it */
    public static function parse(array $part): self
    {
        $places = array_map(
            fn (array $p): SoundPlace => new SoundPlace(
                SoundPiece::parse($p['piece']),
                $p['at'],
                TransitionKind::from($p['join']),
                $p['join_samples'],
                $p['clicks'] ?? [],
                Spans::ofPairs($p['silences'] ?? []),
            ),
            $part['places'],
        );

        $beds = array_map(MusicClip::parse(...), array_values($part['beds'] ?? []));

        return new self($part['from'], $part['until'], array_values($places), $part['is_last'], $beds);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'from' => $this->from,
            'until' => $this->until,
            'is_last' => $this->isLast,
            'places' => array_map(
                fn (SoundPlace $p): array => [
                    'piece' => $p->piece->toArray(),
                    'at' => $p->at,
                    'join' => $p->join->value,
                    'join_samples' => $p->joinSamples,
                    'clicks' => $p->clicks,
                    'silences' => Spans::pairs($p->silences),
                ],
                $this->places,
            ),
            'beds' => array_map(fn (MusicClip $b): array => $b->toArray(), $this->beds),
        ];
    }

    /** @return list<string> hashes of the sound files it is made from */
    public function files(): array
    {
        return array_values(array_unique(array_merge(
            array_map(fn (MusicClip $b): string => $b->file(), $this->beds),
            ...array_map(fn (SoundPlace $p): array => $p->piece->files(), $this->places),
        )));
    }

    public function key(string $encoder): string
    {
        return CacheKey::of(
            'part',
            [
                'length' => $this->until - $this->from,
                'isFirst' => $this->from === 0,
                'lead' => $this->from - $this->leadFrom(),
                'isLast' => $this->isLast,
                'places' => array_map(
                    fn (SoundPlace $p): array => [
                        'piece' => $p->piece->inputs(),
                        'at' => $p->at - $this->from,
                        'join' => $p->join->value,
                        'joinSamples' => $p->joinSamples,
                    ] + ($p->clicks === [] ? [] : ['clicks' => $p->clicks, 'click' => ClickSound::VERSION])
                        + ($p->silences === [] ? [] : ['silences' => Spans::pairs($p->silences)]),
                    $this->places,
                ),
                'recipe' => self::VERSION,
            ] + ($this->beds === [] ? [] : [
                'beds' => array_map(
                    fn (MusicClip $b): array => $b->inputs($this->from, $this->tailUntil()),
                    $this->beds,
                ),
                'bed' => SoundCommand::BED_VERSION,
            ]),
            $encoder,
        );
    }

    /** @return list<int> samples on which parts begin: at joins, on whole frames */
    private static function starts(SoundPlan $plan): array
    {
        $starts = [0];
        $grid = fn (int $sample): int => $sample - ($sample % self::FRAME);
        $joins = [
            ...array_map(
                fn (SoundPlace $p): int => $p->join->overlaps() ? -1 : $p->at,
                array_slice($plan->places, 1),
            ),
            $plan->samples,
        ];
        foreach ($joins as $join) {
            while ($join - end($starts) > self::LONGEST) {
                $starts[] = $grid(end($starts) + self::LENGTH);
            }
            if ($join - end($starts) >= self::LENGTH && $plan->samples - $join >= self::LENGTH) {
                $starts[] = $grid($join);
            }
        }

        return $starts;
    }
}
