<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Script\Words;
use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;

/**
 * Which take speaks which line of the script. A line is spoken by the take that the presenter chose for it or else, of the
 * kept takes that speak it, by the one that TakeChoice finds best: as a rule the one kept last. Film, Script, Review, Finish,
 * strip and Ready all ask here.
 */
final readonly class Coverage
{
    /**
     * @param  array<string, LineCoverage>  $lines  by line id, all lines of the script
     * @param  array<string, SectionCoverage>  $sections  by section id, cards left out
     */
    private function __construct(public array $lines, public array $sections)
    {
    }

    /**
     * @param  list<CoverageSection>  $sections  in lesson order
     * @param  list<TakeView>  $takes  all that are kept; others only tell what changed since
     * @param  array<string, string>  $choices  id of the chosen take by line id; one that does not speak the line counts for
     *    nothing
     */
    public static function of(array $sections, array $takes, array $choices = []): self
    {
        $kept = array_values(array_filter($takes, fn (TakeView $t): bool => $t->isKept()));
        usort($kept, fn (TakeView $a, TakeView $b): int => [$b->order, $b->number] <=> [$a->order, $a->number]);
        $spans = $speakers = [];
        foreach ($kept as $take) {
            $spans[$take->id] = TakeSpans::of($take);
            foreach ($take->lines as $line) {
                if (isset($spans[$take->id][$line->id])) {
                    $speakers[$line->id][$take->id] = $take;
                }
            }
        }
        $told = self::undecided($takes);
        $lines = [];
        foreach ($sections as $section) {
            $best = TakeChoice::of(array_map(strval(...), array_keys($section->lines)), $speakers, $choices);
            foreach ($section->lines as $id => $text) {
                $lines[$id] = self::line(
                    $id,
                    $text,
                    $best[$id] ?? null,
                    $speakers[$id] ?? [],
                    $choices[$id] ?? null,
                    $spans,
                    $told[$id] ?? null,
                );
            }
        }
        $of = [];
        $byId = array_column(array_map(fn (TakeView $t): array => [$t->id, $t], $kept), 1, 0);
        foreach ($sections as $section) {
            if (! $section->isCard) {
                $of[$section->id] = self::section($section, $lines, $byId, $spans);
            }
        }

        return new self($lines, $of);
    }

    /**
     * What was said of each line last, by takes of which nothing is decided: newest last.
     *
     * @param  list<TakeView>  $takes
     * @return array<string, SaidWords> by line id
     */
    private static function undecided(array $takes): array
    {
        $open = array_filter($takes, fn (TakeView $t): bool => $t->verdict === Verdict::Undecided);
        usort($open, fn (TakeView $a, TakeView $b): int => $a->number <=> $b->number);
        $told = [];
        foreach ($open as $take) {
            foreach ($take->lines as $line) {
                $told[$line->id] = new SaidWords($line->text, $take->number);
            }
        }

        return $told;
    }

    /**
     * @param  TakeView|null  $take  that is heard; null when nobody speaks it
     * @param  array<string, TakeView>  $speakers  kept last first
     * @param  array<string, array<string, Span>>  $spans
     * @param  SaidWords|null  $told  by a take of which nothing is decided
     */
    private static function line(
        string $id,
        string $text,
        ?TakeView $take,
        array $speakers,
        ?string $chosen,
        array $spans,
        ?SaidWords $told,
    ): LineCoverage {
        if ($take === null) {
            $was = self::was($told?->text, $text);

            return new LineCoverage($id, was: $was, wasTake: $was === null ? null : $told?->take);
        }
        $said = $take->lines[$take->places[$id]]->text;
        $others = array_values(array_diff(array_map(strval(...), array_keys($speakers)), [$take->id]));
        $why = match (true) {
            $take->id === $chosen => Why::Chosen,
            $others === [] => Why::OnlyOne,
            $take->id !== (string) array_key_first($speakers) => Why::Cleaner,
            default => Why::KeptLast,
        };

        $was = self::was($said, $text);

        return new LineCoverage(
            $id,
            $take->id,
            $spans[$take->id][$id],
            $why,
            $others,
            $was,
            $was === null ? null : $take->number,
        );
    }

    /** @return string|null the words that were said, when they are other words */
    private static function was(?string $said, string $text): ?string
    {
        return $said === null || $said === $text || Words::key($said) === Words::key($text) ? null : $said;
    }

    /**
     * @param  array<string, LineCoverage>  $lines
     * @param  array<string, TakeView>  $kept
     * @param  array<string, array<string, Span>>  $spans
     */
    private static function section(CoverageSection $section, array $lines, array $kept, array $spans): SectionCoverage
    {
        $missing = $parts = [];
        foreach (self::runs($section, $lines, $kept) as $run) {
            array_push($parts, ...self::parts($run->take, $run->lines, $lines, $spans[$run->take->id]));
        }
        foreach (array_keys($section->lines) as $id) {
            if ($lines[$id]->take === null) {
                $missing[] = (string) $id;
            }
        }
        if ($parts === []) {
            $parts = self::unknown($section, $lines, $kept);
        }
        $homes = array_unique(array_map(fn (UsedPart $p): string => $kept[$p->take]->section, $parts));

        return new SectionCoverage($parts, $missing, $parts !== [] && ! in_array($section->id, $homes, true));
    }

    /**
     * Lines that follow each other in a take as they do in the section, with nothing between them that is used elsewhere.
     *
     * @param  array<string, LineCoverage>  $lines
     * @param  array<string, TakeView>  $kept
     * @return list<TakeRun>
     */
    private static function runs(CoverageSection $section, array $lines, array $kept): array
    {
        $runs = [];
        foreach (array_keys($section->lines) as $id) {
            $take = $kept[$lines[$id]->take ?? ''] ?? null;
            if ($take === null) {
                continue;
            }
            $last = end($runs);
            if ($last !== false && $last->take === $take && self::follows($last, (string) $id, $lines)) {
                array_pop($runs);
                $runs[] = new TakeRun($take, [...$last->lines, (string) $id]);
            } else {
                $runs[] = new TakeRun($take, [(string) $id]);
            }
        }

        return $runs;
    }

    /** @param  array<string, LineCoverage>  $lines */
    private static function follows(TakeRun $run, string $line, array $lines): bool
    {
        $order = $run->take->places;
        $from = $order[$run->last()];

        return $order[$line] > $from && self::onlyGone($run->take, $from + 1, $order[$line], $lines);
    }

    /**
     * Whether nothing between two lines of a take stands in the script any more.
     *
     * @param  array<string, LineCoverage>  $lines
     */
    private static function onlyGone(TakeView $take, int $from, int $until, array $lines): bool
    {
        for ($i = $from; $i < $until; $i++) {
            if (isset($lines[$take->lines[$i]->id])) {
                return false;
            }
        }

        return true;
    }

    /**
     * A run as stretches of its take. Words that are gone from the script stay with the line they follow: a take is cut only
     * where something else is heard.
     *
     * @param  non-empty-list<string>  $run
     * @param  array<string, LineCoverage>  $lines
     * @param  array<string, Span>  $spans  of the take's lines
     * @return list<UsedPart>
     */
    private static function parts(TakeView $take, array $run, array $lines, array $spans): array
    {
        $order = $take->places;
        $from = $spans[$run[0]]->from;
        if (self::onlyGone($take, 0, $order[$run[0]], $lines)) {
            $from = $take->used[0]->from;
        }
        $until = $spans[$run[count($run) - 1]]->until;
        for ($i = $order[$run[count($run) - 1]] + 1; isset($take->lines[$i]) && ! isset($lines[$take->lines[$i]->id]); $i++) {
            $until = ($spans[$take->lines[$i]->id] ?? null)->until ?? $until;
        }
        $pieces = TakeSpans::inside(Span::between($from, $until), $take->used);

        return array_map(
            fn (Span $piece, int $n): UsedPart => new UsedPart(
                $take->id,
                $piece,
                array_values(array_filter($run, fn (string $id): bool => self::pieceOf($spans[$id], $pieces) === $n)),
                array_values(array_filter(
                    $run,
                    fn (string $id): bool => self::pieceOf($spans[$id], $pieces) < $n
                        && $piece->from->isBefore($spans[$id]->until),
                )),
            ),
            $pieces,
            array_keys($pieces),
        );
    }

    /**
     * @param  list<Span>  $pieces
     * @return int the first of them in which something of the line is heard
     */
    private static function pieceOf(Span $line, array $pieces): int
    {
        foreach ($pieces as $n => $piece) {
            if ($line->from->isBefore($piece->until)) {
                return $n;
            }
        }

        return max(0, count($pieces) - 1);
    }

    /**
     * Takes of which nobody knows what they say, or that say nothing of what is written now: the one kept last is heard whole.
     *
     * @param  array<string, LineCoverage>  $lines
     * @param  array<string, TakeView>  $kept  kept last first
     * @return list<UsedPart>
     */
    private static function unknown(CoverageSection $section, array $lines, array $kept): array
    {
        foreach ($kept as $take) {
            if ($take->section === $section->id && self::onlyGone($take, 0, count($take->lines), $lines)) {
                return array_map(fn (Span $used): UsedPart => new UsedPart($take->id, $used, []), $take->used);
            }
        }

        return [];
    }
}
