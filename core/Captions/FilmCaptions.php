<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Assembly\WordFrames;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;

/** What is said in a film as captions: from the script, timed by when each word is heard. */
final class FilmCaptions
{
    /** Speech that the script does not have, until somebody writes what is said; the mark behind the dots is in no script. */
    public const TO_FILL = "…\u{2060}";

    /** Shorter than this it is an "er" or a breath, in milliseconds. */
    private const LEAST_UNSCRIPTED_MS = 1_000;

    /** A word at the end of what is said takes no longer than this, in milliseconds. */
    private const LONGEST_WORD_MS = 1_200;

    /**
     * @param  array<string, string>  $texts  words of the lesson's lines, by id
     * @param  list<EditedCaption>  $set  by a person
     * @return list<Caption> in order; none goes from one section into the next
     */
    public static function of(Assembly $assembly, array $texts, array $set = []): array
    {
        $sections = [];
        foreach ($assembly->segments as $segment) {
            $words = self::words($segment, $texts, $assembly);
            $sections[$segment->sectionId] = [...$sections[$segment->sectionId] ?? [], ...$words];
        }

        return self::apart(array_merge(...array_map(
            fn (string $id, array $words): array => array_map(
                fn (Caption $c): Caption => $c->in($id),
                CaptionSegmenter::of($words, $assembly->rate, [...$set, ...self::toFill($words)]),
            ),
            array_keys($sections),
            array_values($sections),
        )), Tick::ofFrames(CaptionSegmenter::GAP_FRAMES, $assembly->rate), $assembly->length());
    }

    /**
     * Sections that dissolve into each other are heard together for a while: the earlier caption goes. The last one stays for
     * reading no longer than the film lasts.
     *
     * @param  list<Caption>  $captions
     * @return list<Caption>
     */
    private static function apart(array $captions, Tick $gap, Tick $end): array
    {
        return array_map(function (Caption $caption, ?Caption $next) use ($gap, $end): Caption {
            $latest = $next?->from->minusOrZero($gap) ?? $end;

            return $caption->until(Tick::earlier($caption->until, $latest));
        }, $captions, array_slice([...$captions, null], 1, count($captions)));
    }

    /**
     * @param  array<string, string>  $texts
     * @return list<TimedWord> of a segment, in times of the film
     */
    private static function words(Segment $segment, array $texts, Assembly $assembly): array
    {
        [$passage, $map] = [$segment->passage, $segment->map];
        if ($passage === null || $map === null) {
            return [];
        }
        $longest = Tick::ofMilliseconds(self::LONGEST_WORD_MS)->count;
        $said = [];
        foreach (WordFrames::ticks($passage, $passage->heard(), $texts) as $line => $ticks) {
            preg_match_all('/\S+/u', $texts[$line] ?? '', $found);
            $places = $passage->take->placesIn($line) ?? [];
            $end = $places === [] ? $passage->span->until : $places[count($places) - 1]->at;
            foreach ($ticks as $n => $tick) {
                $said[] = [$found[0][$n], $tick, $line, $n, min($ticks[$n + 1] ?? $end->count, $tick + $longest)];
            }
        }
        foreach (self::unscripted($passage) as $span) {
            $said[] = [self::TO_FILL, $span->from->count, $passage->take->id, $span->from->count, $span->until->count];
        }
        usort($said, fn (array $a, array $b): int => $a[1] <=> $b[1]);
        $at = fn (int $tick): Tick => Tick::ofFrames(
            $segment->startFrame + min($segment->frames, $map->frameOf(Tick::of($tick))),
            $assembly->rate,
        );
        $words = [];
        foreach ($said as $n => $one) {
            [$text, $tick, $line, $number, $until] = $one;
            $until = min($said[$n + 1][1] ?? $until, $until);
            foreach ($passage->take->content->pauses as $pause) {
                // It ends where a silence begins.
                $until = $pause->from->count > $tick ? min($until, $pause->from->count) : $until;
            }
            if (self::isHeard($tick, $until, $passage->span)) {
                $words[] = new TimedWord($text, $at($tick), Tick::later($at($tick), $at($until)), $line, $number);
            }
        }

        return $words;
    }

    /** Whether more of a word is left than is cut away: an edge that was chosen lies beside it, to the hundredth of a second. */
    private static function isHeard(int $from, int $until, Span $span): bool
    {
        $left = min($until, $span->until->count) - max($from, $span->from->count);

        return $until > $from ? 2 * $left > $until - $from : $from >= $span->from->count && $from < $span->until->count;
    }

    /** @return list<Span> speech of a passage that the script does not have */
    private static function unscripted(Passage $passage): array
    {
        $least = Tick::ofMilliseconds(self::LEAST_UNSCRIPTED_MS)->count;

        return array_values(array_filter(
            $passage->take->content->unscripted,
            fn (Span $s): bool => $s->from->count >= $passage->span->from->count
                && $s->until->count <= $passage->span->until->count && $s->length()->count >= $least,
        ));
    }

    /**
     * Each by itself, and to be read by a person.
     *
     * @param  list<TimedWord>  $words
     * @return list<EditedCaption>
     */
    private static function toFill(array $words): array
    {
        return array_map(
            fn (TimedWord $w): EditedCaption => new EditedCaption($w->line, $w->number, $w->text, [], false),
            array_values(array_filter($words, fn (TimedWord $w): bool => $w->text === self::TO_FILL)),
        );
    }
}
