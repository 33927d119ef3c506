<?php

declare(strict_types=1);

namespace OpenReel\Core\EditList;

/**
 * An edit list as OpenTimelineIO has it (JSON; schemas Timeline.1, Stack.1, Track.1, Clip.1, Gap.1, Transition.1,
 * LinearTimeWarp.1, ExternalReference.1, TimeRange.1, RationalTime.1).
 */
final class Otio
{
    /** @param  array<string, string>  $names  of files beside it, by hash */
    public static function write(EditList $list, array $names): string
    {
        $tracks = [
            self::track('Presenter', 'Video', self::joined($list->presenter, $names, $list->rate->fps)),
            self::track('Stage', 'Video', self::placed($list->stage, $names, $list->rate->fps)),
            self::track('Voice', 'Audio', self::placed($list->voice, $names, $list->rate->fps)),
        ];

        $how = JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION;

        return json_encode(self::named('Timeline.1', $list->title) + [
            'global_start_time' => self::time(0, $list->rate->fps),
            'tracks' => self::item('Stack.1', 'tracks') + ['children' => $tracks],
        ], JSON_THROW_ON_ERROR | $how)."\n";
    }

    /**
     * Clips one behind the other: where two overlap, each gives way to the middle, and a transition says by how much.
     *
     * @param  list<EditEvent>  $clips
     * @param  array<string, string>  $names
     * @return list<array<string, mixed>>
     */
    private static function joined(array $clips, array $names, int $fps): array
    {
        $children = [];
        foreach ($clips as $n => $clip) {
            $next = $clips[$n + 1] ?? null;
            $before = intdiv($clip->overlap, 2);
            $behind = $next === null ? 0 : $next->overlap - intdiv($next->overlap, 2);
            if ($clip->overlap > 0) {
                $children[] = self::named('Transition.1', '') + [
                    'transition_type' => 'SMPTE_Dissolve',
                    'in_offset' => self::time($before, $fps),
                    'out_offset' => self::time($clip->overlap - $before, $fps),
                ];
            }
            $children[] = self::clip($clip->trimmed($before, $behind), $names, $fps);
        }

        return $children;
    }

    /**
     * Clips with gaps between them.
     *
     * @param  list<EditEvent>  $clips
     * @param  array<string, string>  $names
     * @return list<array<string, mixed>>
     */
    private static function placed(array $clips, array $names, int $fps): array
    {
        $children = [];
        $at = 0;
        foreach ($clips as $clip) {
            if ($clip->from > $at) {
                $children[] = self::item('Gap.1', '', self::range(0, $clip->from - $at, $fps));
            }
            $children[] = self::clip($clip, $names, $fps);
            $at = $clip->until();
        }

        return $children;
    }

    /**
     * @param  array<string, string>  $names
     * @return array<string, mixed>
     */
    private static function clip(EditEvent $clip, array $names, int $fps): array
    {
        $warp = self::named('LinearTimeWarp.1', '') + ['effect_name' => 'LinearTimeWarp', 'time_scalar' => $clip->pace];

        return [
            'effects' => $clip->pace === 1.0 ? [] : [$warp],
        ] + self::item('Clip.1', $clip->says, self::range($clip->in, $clip->frames, $fps)) + [
            'media_reference' => self::named('ExternalReference.1', $names[$clip->hash] ?? '') + [
                'target_url' => implode('/', array_map(rawurlencode(...), explode('/', $names[$clip->hash] ?? ''))),
                'available_range' => self::range(0, $clip->length ?? $clip->frames, $fps),
            ],
        ];
    }

    /**
     * @param  list<array<string, mixed>>  $children
     * @return array<string, mixed>
     */
    private static function track(string $name, string $kind, array $children): array
    {
        return self::item('Track.1', $name) + ['kind' => $kind, 'children' => $children];
    }

    /**
     * @param  array<string, mixed>|null  $range
     * @return array<string, mixed>
     */
    private static function item(string $schema, string $name, ?array $range = null): array
    {
        return self::named($schema, $name) + ['source_range' => $range, 'effects' => [], 'markers' => []];
    }

    /** @return array<string, mixed> */
    private static function named(string $schema, string $name): array
    {
        return ['OTIO_SCHEMA' => $schema, 'name' => $name];
    }

    /** @return array<string, mixed> */
    private static function range(int $from, int $frames, int $fps): array
    {
        return ['OTIO_SCHEMA' => 'TimeRange.1', 'start_time' => self::time($from, $fps), 'duration' => self::time($frames, $fps)];
    }

    /** @return array<string, mixed> */
    private static function time(int $frames, int $fps): array
    {
        return ['OTIO_SCHEMA' => 'RationalTime.1', 'rate' => (float) $fps, 'value' => (float) $frames];
    }
}
