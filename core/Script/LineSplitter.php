<?php

namespace OpenReel\Core\Script;

/**
 * Breaks a section's text into lines (sentences).
 *
 * ICU's sentence breaking (Unicode Standard Annex #29) does the groundwork. It breaks after every abbreviation that is
 * followed by a capital or a number, and after every quoted question, so pieces are joined again where the full stop
 * belongs to an abbreviation or the next piece goes on in lower case.
 */
final class LineSplitter
{
    /** Abbreviations that are always followed by something, in lower case and without the last full stop. */
    private const LEADING = [
        'e.g', 'i.e', 'cf', 'vs', 'approx', 'ca', 'dr', 'mr', 'mrs', 'ms', 'prof', 'st', 'mt', 'capt', 'lt', 'col', 'rev', 'hon',
        'no', 'nos', 'fig', 'figs', 'eq', 'ch', 'sec', 'vol', 'p', 'pp', 'viz', 'incl', 'max', 'min', 'z.b', 'd.h', 'bzw',
    ];

    /** A paragraph that starts so is an item of a list and a paragraph of its own. */
    private const LIST_MARK = '/^\s{0,3}(?:[-*+•]|\d{1,3}[.)])\s+/u';

    /**
     * @param  string  $text  UTF-8; blank lines part paragraphs, single line breaks do not
     * @return list<Line> empty when there is nothing to say
     */
    public static function split(string $text): array
    {
        $lines = [];
        foreach (self::paragraphs($text) as $index => $paragraph) {
            foreach (self::sentences($paragraph) as $sentence) {
                $lines[] = new Line(count($lines) + 1, $index + 1, $sentence);
            }
        }

        return $lines;
    }

    /** @return list<string> white space folded, list marks removed */
    private static function paragraphs(string $text): array
    {
        $text = mb_scrub($text, 'UTF-8');
        $paragraphs = [];
        $open = [];
        $close = function () use (&$open, &$paragraphs): void {
            $joined = trim((string) preg_replace('/\s+/u', ' ', implode(' ', $open)));
            if ($joined !== '') {
                $paragraphs[] = $joined;
            }
            $open = [];
        };

        foreach (preg_split('/\R/u', $text) ?: [] as $row) {
            $isItem = preg_match(self::LIST_MARK, $row) === 1;
            if ($isItem || trim($row) === '') {
                $close();
            }
            $open[] = $isItem ? (string) preg_replace(self::LIST_MARK, '', $row) : $row;
        }
        $close();

        return $paragraphs;
    }

    /** @return list<string> */
    private static function sentences(string $paragraph): array
    {
        $sentences = [];
        $held = '';
        foreach (self::pieces($paragraph) as $piece) {
            $goesOn = self::endsInAbbreviation($held) || preg_match('/^\s*\p{Ll}/u', $piece) === 1;
            if (! $goesOn) {
                $sentences[] = trim($held);
                $held = '';
            }
            $held .= $piece;
        }
        $sentences[] = trim($held);

        return array_values(array_filter($sentences, fn (string $s): bool => preg_match('/[\p{L}\p{N}\p{S}]/u', $s) === 1));
    }

    /** @return list<string> pieces that join to the paragraph again */
    private static function pieces(string $paragraph): array
    {
        $iterator = \IntlBreakIterator::createSentenceInstance('en');
        if ($iterator === null) {
            return [$paragraph];
        }
        $iterator->setText($paragraph);
        $pieces = [];
        foreach ($iterator->getPartsIterator() as $part) {
            // UAX #29 does not end a sentence at the one-character ellipsis, but does at three full stops.
            array_push($pieces, ...preg_split('/(?<=…)(?=\s+\p{Lu})/u', $part) ?: [$part]);
        }

        return $pieces;
    }

    private static function endsInAbbreviation(string $piece): bool
    {
        if (preg_match('/(?:^|[\s("\'“‘\[])(\p{L}+(?:\.\p{L}+)*)\.\s*$/u', $piece, $match) !== 1) {
            return false;
        }
        $isInitial = preg_match('/^\p{Lu}$/u', $match[1]) === 1 && $match[1] !== 'I';

        return $isInitial || in_array(mb_strtolower($match[1]), self::LEADING, true);
    }
}
