<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

/** Captions in another language: the same moments, other words. */
final class Translations
{
    /** As of captions in the film's own language. */
    private const LONGEST_ROW = 42;

    /**
     * What each caption says; a translation follows its words when the line is changed before them.
     *
     * @param  list<Caption>  $captions
     * @param  list<Translation>  $known
     * @return array<int, string> by number of the caption; none where nobody has translated it
     */
    public static function texts(array $captions, array $known): array
    {
        $byWords = [];
        foreach ($known as $one) {
            $byWords["{$one->line}/{$one->was}"][$one->word] = $one->text;
        }
        $texts = [];
        foreach ($captions as $number => $caption) {
            [$first] = $caption->words;
            $own = $byWords["{$first->line}/{$caption->said()}"] ?? [];
            if ($own !== []) {
                $texts[$number] = $own[$first->number] ?? reset($own);
            }
        }

        return $texts;
    }

    /**
     * @param  list<Caption>  $captions
     * @param  list<Translation>  $known
     * @return list<Caption> those that are translated
     */
    public static function captions(array $captions, array $known): array
    {
        $translated = [];
        foreach (self::texts($captions, $known) as $number => $text) {
            $caption = $captions[$number];
            $translated[] = new Caption(self::rows($text), $caption->from, $caption->until, $caption->words, $caption->section);
        }

        return $translated;
    }

    /**
     * Texts with times, as they come from elsewhere, put to the captions that are seen meanwhile.
     *
     * @param  list<Caption>  $captions
     * @param  list<TimedCue>  $cues  in order
     * @return list<Translation>
     */
    public static function placed(array $captions, array $cues): array
    {
        $texts = [];
        foreach ($cues as $cue) {
            $best = null;
            $most = 0;
            foreach ($captions as $number => $caption) {
                $shared = min($cue->until->count, $caption->until->count) - max($cue->from->count, $caption->from->count);
                if ($shared > $most) {
                    [$best, $most] = [$number, $shared];
                }
            }
            if ($best !== null && trim($cue->text) !== '') {
                $texts[$best][] = trim($cue->text);
            }
        }
        ksort($texts);

        return array_map(
            fn (int $number, array $parts): Translation => Translation::of($captions[$number], implode(' ', $parts)),
            array_keys($texts),
            array_values($texts),
        );
    }

    /** @return non-empty-list<string> rows as they were typed, or two of about the same length */
    private static function rows(string $text): array
    {
        $rows = array_values(array_filter(array_map(trim(...), explode("\n", $text)), fn (string $r): bool => $r !== ''));
        if (count($rows) !== 1 || mb_strlen($rows[0]) <= self::LONGEST_ROW) {
            return $rows === [] ? [''] : $rows;
        }
        $words = explode(' ', $rows[0]);
        $best = [$rows[0]];
        $longest = PHP_INT_MAX;
        for ($n = 1; $n < count($words); $n++) {
            $both = [implode(' ', array_slice($words, 0, $n)), implode(' ', array_slice($words, $n))];
            $longer = max(array_map(mb_strlen(...), $both));
            if ($longer < $longest) {
                [$best, $longest] = [$both, $longer];
            }
        }

        return $best;
    }
}
