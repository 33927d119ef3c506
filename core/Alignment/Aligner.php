<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment;

use OpenReel\Core\Alignment\Internal\AlignmentPass;
use OpenReel\Core\Alignment\Internal\Chunks;
use OpenReel\Core\Alignment\Internal\Confidence;
use OpenReel\Core\Alignment\Internal\Edges;
use OpenReel\Core\Alignment\Internal\Frames;
use OpenReel\Core\Alignment\Internal\Rescoring;
use OpenReel\Core\Alignment\Internal\SearchHit;
use OpenReel\Core\Alignment\Internal\Spectrum;
use OpenReel\Core\Alignment\Internal\Speech;
use OpenReel\Core\Alignment\Internal\Warp;
use OpenReel\Core\Take\AttemptKind;

/**
 * Hears which lines are said in a take, where, and how well: the take is compared with the lines as a reference voice says them.
 *
 * Steps: features of the take (Spectrum, VoiceActivity, Cepstra); stretch by stretch (Chunks) the reference, the search for the
 * way through the lines and adaptation to the presenter (Passes); then, over all of it, a second look, edges, words.
 */
final class Aligner
{
    /** Frames: a line broken off so shortly before a take ends was broken off by its end (0.4 s). */
    private const ENDS_WITHIN = 20;

    /** A read of which one is no surer than this, and that costs so much more than is usual in the take, is none. */
    private const DOUBTED = 0.5;

    private const DEAR = 1.22;

    public function __construct(private readonly ReferenceVoice $voice)
    {
    }

    /**
     * @param  iterable<string>  $pcm  the voice: signed 16-bit little-endian, mono, 16 kHz, without what lies below 90 Hz
     * @param  list<ExpectedLine>  $lines  in order
     * @param  callable(float): mixed|null  $progress  told how much is done, 0..1
     */
    public function hear(iterable $pcm, array $lines, ?callable $progress = null): Alignment
    {
        $told = $progress ?? static fn (float $part): null => null;
        $speech = Speech::of(Spectrum::read($pcm));
        $told(0.1);
        if (! str_contains($speech->mask, '1') || $lines === []) {
            return new Alignment([], OffScript::of($speech, []), $speech->pauses(), 1.0);
        }
        $way = Chunks::walk(
            $speech,
            $lines,
            new AlignmentPass($this->voice),
            fn (float $part): mixed => $told(0.1 + 0.8 * $part),
        );
        $attempts = self::edged($speech, Rescoring::at($speech, self::edged($speech, $way->attempts)));
        $reads = array_map(
            fn (SearchHit $attempt): Attempt => self::read(
                $speech,
                $attempt,
                $way->lines[$attempt->line],
                $lines[$attempt->line],
                $way->words[$attempt->line],
            ),
            $attempts,
        );
        $told(1.0);
        $confidence = Confidence::ofTake(
            array_map(fn (Attempt $read): float => $read->confidence, $reads),
            array_sum(array_map(fn (SearchHit $a): int => $speech->spoken($a->from, $a->until), $attempts)),
            $speech->spoken(0, $speech->count()),
        );
        $usual = Rescoring::usual($speech, $attempts);
        // Where one is sure of the rest, a read that is hardly like its line is something else, said in its place.
        $doubted = $confidence < Alignment::SURE
            ? []
            : array_filter(
                $reads,
                fn (Attempt $read, int $i): bool => $read->confidence < self::DOUBTED &&
                    Rescoring::each($speech, $attempts[$i]) > self::DEAR * $usual,
                ARRAY_FILTER_USE_BOTH,
            );

        return new Alignment(
            array_values(array_diff_key($reads, $doubted)),
            OffScript::of($speech, array_values(array_diff_key($attempts, $doubted))),
            $speech->pauses(),
            $confidence,
        );
    }

    /**
     * @param  list<SearchHit>  $attempts
     * @return list<SearchHit>
     */
    private static function edged(Speech $speech, array $attempts): array
    {
        return array_map(
            fn (SearchHit $attempt, int $i): SearchHit => Edges::of(
                $speech,
                $attempt,
                $i > 0 ? $attempts[$i - 1]->until : 0,
                $attempts[$i + 1]->from ?? $speech->count(),
            ),
            $attempts,
            array_keys($attempts),
        );
    }

    /** @param  list<int>  $begins  frame of the reference at which each spoken word begins, or none */
    private static function read(
        Speech $speech,
        SearchHit $attempt,
        Frames $reference,
        ExpectedLine $line,
        array $begins,
    ): Attempt {
        $frames = $reference->slice(0, $attempt->reached + 1)->all();
        $isAtEnd =
            $speech->spoken($attempt->until, $speech->count()) === 0 && $speech->count() - $attempt->until < self::ENDS_WITHIN;

        return new Attempt(
            $attempt->line,
            match (true) {
                $attempt->complete => AttemptKind::Complete,
                $isAtEnd => AttemptKind::Partial,
                default => AttemptKind::FalseStart,
            },
            Frames::span($attempt->from, $attempt->until),
            self::words(
                $attempt,
                Warp::path($speech, $frames, $attempt->from, $attempt->until),
                $line,
                $begins === [] ? self::byLetters(SpokenWords::of($line->spoken), $reference->count) : $begins,
                $reference->count,
            ),
            Confidence::of($speech, $attempt, $frames),
        );
    }

    /**
     * @param  list<int>  $path  as of Warp
     * @param  list<int>  $begins
     * @return list<AlignedWord>
     */
    private static function words(SearchHit $attempt, array $path, ExpectedLine $line, array $begins, int $length): array
    {
        $written = SpokenWords::of($line->text);
        $begins[] = $length;
        $starts = array_map(
            fn (float $place): float => $begins[(int) $place] +
                ($place - (int) $place) * ($begins[min((int) $place + 1, count($begins) - 1)] - $begins[(int) $place]),
            SpokenWords::places($line->text, $line->spoken),
        );
        $starts[] = $length;
        $words = [];
        foreach ($written as $i => $word) {
            if ($starts[$i] > $attempt->reached) {
                break;
            }
            [$from, $until] = [null, null];
            foreach ($path as $at => $frame) {
                if ($frame >= $starts[$i]) {
                    $from ??= $at;
                }
                if ($frame >= 0 && $frame < $starts[$i + 1]) {
                    $until = $at + 1;
                }
            }
            $from ??= $until ?? 0;
            $words[] = new AlignedWord($word, Frames::span($attempt->from + $from, $attempt->from + max($from + 1, $until ?? 0)));
        }

        return $words;
    }

    /**
     * @param  list<string>  $words
     * @return list<int>
     */
    private static function byLetters(array $words, int $length): array
    {
        $all = max(1, array_sum(array_map(fn (string $w): int => mb_strlen($w) + 1, $words)));
        $begins = [];
        $letters = 0;
        foreach ($words as $word) {
            $begins[] = (int) round(($length * $letters) / $all);
            $letters += mb_strlen($word) + 1;
        }

        return $begins;
    }
}
