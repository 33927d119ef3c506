<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

/**
 * What it costs to break a text between two words: nothing behind a sentence, little behind a clause or before a word that
 * begins one, much inside what belongs together.
 */
final class BreakCost
{
    public const SENTENCE = 0.0;

    private const CLAUSE = 1.0;

    private const BEFORE_JOINING = 3.0;

    private const ANYWHERE = 8.0;

    private const BEHIND_SMALL = 20.0;

    /** A number and its unit, a name: only where nothing else fits. */
    private const TOGETHER = 60.0;

    /** Words that begin a clause or a phrase, in the languages that a course can have. */
    private const JOINING = [
        'and', 'but', 'or', 'so', 'because', 'when', 'while', 'where', 'which', 'who', 'that', 'if', 'than', 'then', 'with',
        'from', 'into', 'for', 'at', 'in', 'on', 'to', 'of', 'by', 'before', 'after', 'until',
        'und', 'aber', 'oder', 'weil', 'wenn', 'dass', 'als', 'mit', 'von', 'für', 'bei', 'bis', 'nach',
        'et', 'mais', 'ou', 'parce', 'quand', 'qui', 'que', 'avec', 'dans', 'pour', 'avant', 'après',
        'y', 'pero', 'o', 'porque', 'cuando', 'quien', 'con', 'para', 'antes', 'después',
    ];

    /** Words that belong to the one behind them. */
    private const SMALL = [
        'a', 'an', 'the', 'this', 'these', 'my', 'your', 'our', 'his', 'her', 'its', 'their', 'no', 'not', 'very', 'about',
        'der', 'die', 'das', 'den', 'dem', 'des', 'ein', 'eine', 'einen', 'einem', 'einer', 'kein', 'keine', 'nicht',
        'le', 'la', 'les', 'un', 'une', 'des', 'du', 'ce', 'cette', 'ne', 'el', 'los', 'las', 'una', 'unos', 'unas',
    ];

    /** Half a number as a word, so that "four and a half metres" stays whole as "4.5 m" does. */
    private const NUMBERS = [
        'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve', 'half', 'quarter',
        'hundred', 'thousand',
    ];

    /** @param  string  $before  the word before the break, with its punctuation */
    public static function cost(string $before, string $behind): float
    {
        $bare = mb_strtolower((string) preg_replace('/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/u', '', $before));
        $next = mb_strtolower((string) preg_replace('/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/u', '', $behind));

        return match (true) {
            preg_match('/[.!?…]["\'”’»)]*$/u', $before) === 1 && ! self::isAbbreviated($before) => self::SENTENCE,
            preg_match('/[,;:—–][”"’»)]*$/u', $before) === 1 => self::CLAUSE,
            self::isNumber($bare), self::isName($before, $behind) => self::TOGETHER,
            in_array($bare, self::SMALL, true) => self::BEHIND_SMALL,
            in_array($bare, self::JOINING, true) => self::BEHIND_SMALL,
            in_array($next, self::JOINING, true) => self::BEFORE_JOINING,
            default => self::ANYWHERE,
        };
    }

    private static function isNumber(string $word): bool
    {
        return preg_match('/^[\d.,:\/%-]*\d[\d.,:\/%-]*$/', $word) === 1 || in_array($word, self::NUMBERS, true);
    }

    /** Two words with capitals that follow each other, none of which begins a sentence. */
    private static function isName(string $before, string $behind): bool
    {
        return preg_match('/^\p{Lu}[\p{L}’\'.-]*$/u', $before) === 1 && preg_match('/^\p{Lu}/u', $behind) === 1;
    }

    private static function isAbbreviated(string $word): bool
    {
        return preg_match('/^(?:\p{Lu}|Dr|Mr|Mrs|Ms|Prof|St|No|e\.g|i\.e|z\.B|u\.a|ca|etc)\.$/u', $word) === 1;
    }
}
