<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** Numbers in English words. */
final class Number
{
    private const SMALL = [
        'nought',
        'one',
        'two',
        'three',
        'four',
        'five',
        'six',
        'seven',
        'eight',
        'nine',
        'ten',
        'eleven',
        'twelve',
        'thirteen',
        'fourteen',
        'fifteen',
        'sixteen',
        'seventeen',
        'eighteen',
        'nineteen',
    ];

    private const TENS = [2 => 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];

    private const LARGE = [1_000_000_000 => 'billion', 1_000_000 => 'million', 1_000 => 'thousand'];

    private const ORDINALS = [
        'one' => 'first',
        'two' => 'second',
        'three' => 'third',
        'five' => 'fifth',
        'eight' => 'eighth',
        'nine' => 'ninth',
        'twelve' => 'twelfth',
    ];

    /** Longer ones are telephone numbers and codes. */
    private const MOST_DIGITS = 12;

    /**
     * @param  string  $digits  digits with at most one decimal point; a nought in front of others makes it a code, read digit
     *    by digit
     */
    public static function words(string $digits): string
    {
        [$whole, $part] = explode('.', $digits, 2) + [1 => ''];
        $said =
            strlen($whole) > self::MOST_DIGITS || (strlen($whole) > 1 && $whole[0] === '0' && strlen($whole) > 2)
                ? self::spelled($whole)
                : self::cardinal((int) $whole);

        return $part === '' ? $said : "{$said} point ".self::spelled($part);
    }

    public static function ordinal(int $number): string
    {
        $words = self::cardinal($number);
        preg_match('/^(.*?)([a-z]+)$/', $words, $m);
        [, $before, $last] = $m + ['', '', $words];

        return $before.(self::ORDINALS[$last] ?? (str_ends_with($last, 'y') ? substr($last, 0, -1).'ieth' : "{$last}th"));
    }

    /** "twenty twenty-six", "nineteen oh five", "two thousand and four". */
    public static function year(int $year): string
    {
        [$century, $rest] = [intdiv($year, 100), $year % 100];

        return match (true) {
            $year < 1100 || ($century % 10 === 0 && $rest < 10) => self::cardinal($year),
            $rest === 0 => self::cardinal($century).' hundred',
            $rest < 10 => self::cardinal($century).' oh '.self::cardinal($rest),
            default => self::cardinal($century).' '.self::cardinal($rest),
        };
    }

    private static function cardinal(int $number): string
    {
        foreach (self::LARGE as $size => $name) {
            if ($number >= $size) {
                $rest = $number % $size;

                return self::cardinal(intdiv($number, $size)).
                    " {$name}".
                    ($rest === 0 ? '' : ($rest < 100 ? ' and ' : ' ').self::cardinal($rest));
            }
        }
        if ($number >= 100) {
            return self::SMALL[intdiv($number, 100)].
                ' hundred'.
                ($number % 100 === 0 ? '' : ' and '.self::cardinal($number % 100));
        }

        return $number < 20
            ? self::SMALL[$number]
            : self::TENS[intdiv($number, 10)].($number % 10 === 0 ? '' : '-'.self::SMALL[$number % 10]);
    }

    private static function spelled(string $digits): string
    {
        return implode(' ', array_map(fn (string $d): string => self::SMALL[(int) $d], str_split($digits)));
    }
}
