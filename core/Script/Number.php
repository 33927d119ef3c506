<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

use NumberFormatter;

/** Numbers in words, by ICU's spell-out rules. */
final class Number
{
    /** Longer ones are telephone numbers and codes. */
    private const MOST_DIGITS = 12;

    /** ICU's rules for a language; the verbose English ones say "a hundred and one". */
    private const CARDINAL = ['en' => '%spellout-cardinal-verbose'];

    private const ORDINAL = ['en' => '%spellout-ordinal-verbose'];

    private const POINT = ['en' => 'point', 'de' => 'Komma', 'fr' => 'virgule', 'es' => 'coma'];

    /**
     * @param  string  $digits  digits with at most one decimal point; a nought in front of others makes it a code, read digit
     *    by digit
     */
    public static function words(string $digits, Language $language = Language::English): string
    {
        [$whole, $part] = explode('.', $digits, 2) + [1 => ''];
        $said = strlen($whole) > self::MOST_DIGITS || (strlen($whole) > 2 && $whole[0] === '0')
            ? self::spelled($whole, $language)
            : self::said((int) $whole, self::CARDINAL, $language);

        return $part === '' ? $said : "{$said} ".self::POINT[$language->value].' '.self::spelled($part, $language);
    }

    public static function ordinal(int $number, Language $language = Language::English): string
    {
        return self::said($number, self::ORDINAL, $language);
    }

    /** "twenty twenty-six", "nineteen oh five", "two thousand and four". */
    public static function year(int $year): string
    {
        [$century, $rest] = [intdiv($year, 100), $year % 100];

        return match (true) {
            $year < 1100 || ($century % 10 === 0 && $rest < 10) => self::words((string) $year),
            $rest === 0 => self::words((string) $century).' hundred',
            $rest < 10 => self::words((string) $century).' oh '.self::words((string) $rest),
            default => self::words((string) $century).' '.self::words((string) $rest),
        };
    }

    /** @param  array<string, string>  $rules  by language */
    private static function said(int $number, array $rules, Language $language): string
    {
        static $formatters = [];
        $rule = $rules[$language->value] ?? '';
        $formatter = ($formatters[$language->value.$rule] ??= self::formatter($language, $rule));

        // ICU parts some compounds by soft hyphens, that nobody says.
        return str_replace("\u{ad}", '', (string) $formatter->format($number));
    }

    private static function formatter(Language $language, string $rule): NumberFormatter
    {
        $formatter = new NumberFormatter($language->value, NumberFormatter::SPELLOUT);
        if ($rule !== '') {
            $formatter->setTextAttribute(NumberFormatter::DEFAULT_RULESET, $rule);
        }

        return $formatter;
    }

    private static function spelled(string $digits, Language $language): string
    {
        return implode(
            ' ',
            array_map(fn (string $d): string => self::said((int) $d, self::CARDINAL, $language), str_split($digits)),
        );
    }
}
