<?php

declare(strict_types=1);

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
     * @param  string  $text  UTF-8; blank lines part paragraphs, single line breaks do not; cues are not spoken
     * @param  int  $base  byte at which the text stands in the whole script; lines are counted from there
     * @return list<Line> empty when there is nothing to say
     */
    public static function split(string $text, int $base = 0): array
    {
        $lines = [];
        foreach (self::paragraphs(mb_scrub($text, 'UTF-8'), $base) as $index => $paragraph) {
            foreach (self::sentences($paragraph->spoken) as [$sentence, $at]) {
                $from = $paragraph->source($at);
                $until = $paragraph->source($at + strlen($sentence) - 1) + 1;
                $lines[] = new Line(count($lines) + 1, $index + 1, $sentence, $from, $until);
            }
        }

        return $lines;
    }

    /** @return list<Paragraph> list marks and cues removed */
    private static function paragraphs(string $text, int $base): array
    {
        $paragraphs = [];
        $open = new Paragraph;
        $close = function () use (&$open, &$paragraphs): void {
            if (trim($open->spoken) !== '') {
                $paragraphs[] = $open;
            }
            $open = new Paragraph;
        };
        preg_match_all('/[^\r\n]*(?:\r\n|\r|\n|$)/', $text, $rows, PREG_OFFSET_CAPTURE);
        foreach ($rows[0] as [$row, $at]) {
            $mark = preg_match(self::LIST_MARK, $row, $match) === 1 ? strlen($match[0]) : 0;
            if ($mark > 0 || trim($row) === '') {
                $close();
            }
            self::addRow($open, substr($row, $mark), $base + $at + $mark);
        }
        $close();

        return $paragraphs;
    }

    /** Adds a row's words, leaving out its cues. */
    private static function addRow(Paragraph $paragraph, string $row, int $from): void
    {
        $at = 0;
        preg_match_all(Cue::PATTERN, $row, $cues, PREG_OFFSET_CAPTURE);
        foreach ($cues[0] as [$cue, $offset]) {
            $paragraph->add(substr($row, $at, $offset - $at), $from + $at);
            $at = $offset + strlen($cue);
        }
        $paragraph->add(substr($row, $at), $from + $at);
    }

    /** @return list<array{string, int}> sentences and the byte each starts at */
    private static function sentences(string $paragraph): array
    {
        $sentences = [];
        $held = '';
        $start = $at = 0;
        foreach ([...self::pieces($paragraph), ''] as $piece) {
            $goesOn = $piece !== '' && (self::endsInAbbreviation($held) || preg_match('/^\s*\p{Ll}/u', $piece) === 1);
            if (! $goesOn) {
                $sentence = trim($held);
                if (preg_match('/[\p{L}\p{N}\p{S}]/u', $sentence) === 1) {
                    $sentences[] = [$sentence, $start + strlen($held) - strlen(ltrim($held))];
                }
                $held = '';
                $start = $at;
            }
            $held .= $piece;
            $at += strlen($piece);
        }

        return $sentences;
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
