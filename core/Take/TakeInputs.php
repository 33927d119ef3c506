<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Script\Language;

/** What results of a take are made from, as hashes: the same inputs, the same result. */
final class TakeInputs
{
    /**
     * @param  array<string, array{string, int}>  $recorded  of each track its kind, and the bytes that came
     * @param  string  $events  its event log
     */
    public static function ingest(array $recorded, string $events): string
    {
        ksort($recorded);

        return self::hash([array_values($recorded), hash('sha256', $events)]);
    }

    /**
     * @param  array<string, string|null>  $tracks  hash of each track's file, by kind
     * @param  list<string>  $texts  of its lines
     */
    public static function alignment(array $tracks, array $texts, Language $language): string
    {
        return self::hash([$tracks[TrackKind::Microphone->value] ?? null, $language->value, $texts]);
    }

    /** @param  array<string, string|null>  $tracks  hash of each track's file, by kind */
    public static function analysis(array $tracks): string
    {
        return self::hash([$tracks[TrackKind::Microphone->value] ?? null, $tracks[TrackKind::Camera->value] ?? null]);
    }

    /** @param  list<mixed>  $inputs */
    private static function hash(array $inputs): string
    {
        return hash('sha256', json_encode($inputs, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES));
    }
}
