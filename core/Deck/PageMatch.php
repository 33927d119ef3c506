<?php

declare(strict_types=1);

namespace OpenReel\Core\Deck;

use OpenReel\Core\Script\Words;

/** Finds the pages of a deck again in a new version of it, by words and look, so that every tie to the script holds. */
final class PageMatch
{
    /** Less alike than this is another page. */
    private const ENOUGH = 0.6;

    /** Words tell more than looks: a house style gives every page the same look. */
    private const WORDS = 0.7;

    /** Equal pages are told apart by their place. */
    private const PLACE = 0.05;

    /** A difference in brightness beyond which two fields have nothing in common. */
    private const FIELD_RANGE = 64;

    /**
     * @param  list<Page>  $old
     * @param  list<Page>  $new
     * @return array<string, string> id of the new page by id of the old one; a page that is missing there was not found
     */
    public static function newByOld(array $old, array $new): array
    {
        $candidates = [];
        foreach ($old as $i => $before) {
            foreach ($new as $j => $after) {
                $likeness = self::likeness($before, $after);
                if ($likeness >= self::ENOUGH) {
                    $far = abs($i / max(1, count($old)) - $j / max(1, count($new)));
                    $candidates[] = [$likeness - self::PLACE * $far, $i, $j];
                }
            }
        }
        usort($candidates, fn (array $a, array $b): int => [$b[0], $a[1], $a[2]] <=> [$a[0], $b[1], $b[2]]);
        $found = $taken = [];
        foreach ($candidates as [, $i, $j]) {
            if (! isset($found[$old[$i]->id]) && ! isset($taken[$j])) {
                $found[$old[$i]->id] = $new[$j]->id;
                $taken[$j] = true;
            }
        }

        return $found;
    }

    /** @return float 0..1 */
    public static function likeness(Page $a, Page $b): float
    {
        $look = self::looks($a->look, $b->look);
        if ($a->text === '' && $b->text === '') {
            return $look ?? 0.0;
        }
        $words = Words::likeness(Words::of($a->text), Words::of($b->text));

        return $look === null ? $words : self::WORDS * $words + (1 - self::WORDS) * $look;
    }

    /**
     * @param  list<int>  $a
     * @param  list<int>  $b
     */
    private static function looks(array $a, array $b): ?float
    {
        if ($a === [] || count($a) !== count($b)) {
            return null;
        }
        $sum = 0.0;
        foreach ($a as $i => $value) {
            $sum += min(1.0, abs($value - $b[$i]) / self::FIELD_RANGE);
        }

        return 1 - $sum / count($a);
    }
}
