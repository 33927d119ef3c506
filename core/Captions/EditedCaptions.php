<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

/** Finds captions that a person has set again among the words that are said now. */
final class EditedCaptions
{
    /**
     * @param  list<TimedWord>  $words  in the order of the film
     * @param  list<EditedCaption>  $set
     * @return array<int, EditedCaption> by the word with which it begins, in order; none overlaps another
     */
    public static function among(array $words, array $set): array
    {
        $byLine = [];
        foreach ($set as $caption) {
            $byLine[$caption->line][] = $caption;
        }
        // Where it stood before all, or else where its words went when the line was changed before them.
        $placed = self::place($words, $byLine, [], fn (EditedCaption $c, TimedWord $w): bool => $c->word === $w->number);
        $placed = self::place($words, $byLine, $placed, fn (): bool => true);
        ksort($placed);

        return $placed;
    }

    /**
     * What was checked and is not found any more, because the words were changed.
     *
     * @param  list<TimedWord>  $words
     * @param  list<EditedCaption>  $set
     * @return list<EditedCaption>
     */
    public static function gone(array $words, array $set): array
    {
        $found = self::among($words, $set);

        return array_values(array_filter($set, fn (EditedCaption $c): bool => $c->isChecked && ! in_array($c, $found, true)));
    }

    /**
     * @param  list<TimedWord>  $words
     * @param  array<string, list<EditedCaption>>  $byLine
     * @param  array<int, EditedCaption>  $placed
     * @param  callable(EditedCaption, TimedWord): bool  $mayStand
     * @return array<int, EditedCaption>
     */
    private static function place(array $words, array $byLine, array $placed, callable $mayStand): array
    {
        $taken = [];
        foreach ($placed as $at => $caption) {
            $taken += array_fill($at, $caption->count(), true);
        }
        foreach ($words as $at => $word) {
            foreach ($byLine[$word->line] ?? [] as $caption) {
                $own = array_fill($at, $caption->count(), true);
                if (
                    ! in_array($caption, $placed, true) && $mayStand($caption, $word) &&
                    array_intersect_key($own, $taken) === [] && $caption->fits($words, $at)
                ) {
                    $placed[$at] = $caption;
                    $taken += $own;
                }
            }
        }

        return $placed;
    }
}
