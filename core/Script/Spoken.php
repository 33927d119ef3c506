<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/**
 * What is said when a line is read aloud, in words: numbers, units, money, dates, times, fractions, abbreviations,
 * symbols and simple formulas written out. In other languages than English numbers alone; voices know the rest.
 *
 * For timing and for the stand-in voice; the script and the captions keep what was written.
 */
final class Spoken
{
    private const UNITS = [
        'mm' => 'millimetre',
        'cm' => 'centimetre',
        'dm' => 'decimetre',
        'm' => 'metre',
        'km' => 'kilometre',
        'nm' => 'nautical mile',
        'ft' => 'foot',
        'in' => 'inch',
        'mi' => 'mile',
        'g' => 'gram',
        'mg' => 'milligram',
        'kg' => 'kilogram',
        't' => 'tonne',
        'lb' => 'pound',
        'l' => 'litre',
        'ml' => 'millilitre',
        's' => 'second',
        'ms' => 'millisecond',
        'min' => 'minute',
        'h' => 'hour',
        'kn' => 'knot',
        'kt' => 'knot',
        'Hz' => 'hertz',
        'kHz' => 'kilohertz',
        'MHz' => 'megahertz',
        'GHz' => 'gigahertz',
        'W' => 'watt',
        'kW' => 'kilowatt',
        'kWh' => 'kilowatt hour',
        'V' => 'volt',
        'A' => 'ampere',
        'N' => 'newton',
        'Pa' => 'pascal',
        'hPa' => 'hectopascal',
        'bar' => 'bar',
        'mbar' => 'millibar',
        'kB' => 'kilobyte',
        'MB' => 'megabyte',
        'GB' => 'gigabyte',
        'px' => 'pixel',
        'fps' => 'frames per second',
        'dB' => 'decibel',
        'rpm' => 'revolutions per minute',
        '°C' => 'degree Celsius',
        '°F' => 'degree Fahrenheit',
        '°' => 'degree',
        '%' => 'percent',
        '‰' => 'per mille',
    ];

    /** Said the same for one and for many. */
    private const UNCHANGING = ['Hz', 'kHz', 'MHz', 'GHz', 'fps', 'rpm', '%', '‰', 'bar', 'mbar'];

    private const MONEY = [
        '£' => ['pound', 'pence'],
        '€' => ['euro', 'cents'],
        '$' => ['dollar', 'cents'],
        '¥' => ['yen', 'sen'],
    ];

    private const SHORT = [
        'e.g.' => 'for example',
        'i.e.' => 'that is',
        'etc.' => 'et cetera',
        'approx.' => 'approximately',
        'ca.' => 'about',
        'vs.' => 'versus',
        'cf.' => 'compare',
        'Dr.' => 'Doctor',
        'Mr.' => 'Mister',
        'Mrs.' => 'Missis',
        'Ms.' => 'Miz',
        'Prof.' => 'Professor',
        'St.' => 'Saint',
        'Capt.' => 'Captain',
        'No.' => 'number',
        'Nos.' => 'numbers',
        'Fig.' => 'figure',
        'fig.' => 'figure',
        'Figs.' => 'figures',
        'Eq.' => 'equation',
        'Ch.' => 'chapter',
        'Vol.' => 'volume',
        'p.' => 'page',
        'pp.' => 'pages',
        'a.m.' => 'A M',
        'p.m.' => 'P M',
        'incl.' => 'including',
        'max.' => 'maximum',
        'min.' => 'minimum',
        'w/o' => 'without',
        'w/' => 'with',
    ];

    private const SYMBOLS = [
        '&' => 'and',
        '+' => 'plus',
        '−' => 'minus',
        '±' => 'plus or minus',
        '×' => 'times',
        '·' => 'times',
        '÷' => 'divided by',
        '=' => 'equals',
        '≠' => 'is not',
        '≈' => 'is about',
        '<' => 'is less than',
        '>' => 'is more than',
        '≤' => 'is at most',
        '≥' => 'is at least',
        '→' => 'to',
        '√' => 'the square root of',
        'π' => 'pi',
        'Δ' => 'delta',
        '∞' => 'infinity',
        '@' => 'at',
        '#' => 'number',
        '§' => 'section',
        '½' => 'a half',
        '¼' => 'a quarter',
        '¾' => 'three quarters',
        '⅓' => 'a third',
        '⅔' => 'two thirds',
        '°' => 'degrees',
        '%' => 'percent',
    ];

    private const MONTHS = 'January|February|March|April|May|June|July|August|September|October|November|December';

    /** Lines without any of these are said as they are written. */
    private const NOT_PLAIN = '/[^\p{L}\p{M}\s.,;:!?\'’"“”()-]|\p{Lu}\p{Lu}|\p{L}\.(?!\s*$)|w\//u';

    public static function of(string $text, Language $language = Language::English): string
    {
        if ($language !== Language::English) {
            return self::withNumbers($text, $language);
        }
        if (preg_match(self::NOT_PLAIN, $text) !== 1) {
            return trim((string) preg_replace('/\s+/u', ' ', $text));
        }
        $text = self::abbreviations($text);
        $text = self::dates($text);
        $text = self::times($text);
        $text = self::money($text);
        $text = self::fractions($text);
        $text = self::ranges($text);
        $text = self::measures($text);
        $text = self::powers($text);
        $text = self::numbers($text);
        $text = strtr($text, array_map(fn (string $word): string => " {$word} ", self::SYMBOLS));
        $text = self::letters($text);

        return trim((string) preg_replace('/\s+/u', ' ', $text));
    }

    /** Thousands parted by points or spaces, decimals behind a comma, as outside English. */
    private static function withNumbers(string $text, Language $language): string
    {
        $text = self::each(
            '/(?<![\p{L}\d])(\d{1,3}(?:[.\x{a0}\x{202f}]\d{3})+|\d+)(?:,(\d+))?(?!\d)/u',
            $text,
            fn (array $m): string => Number::words(
                preg_replace('/\D/u', '', $m[1]).(isset($m[2]) ? ".{$m[2]}" : ''),
                $language,
            ),
        );

        return trim((string) preg_replace('/\s+/u', ' ', $text));
    }

    private static function abbreviations(string $text): string
    {
        static $pattern = null;
        $pattern ??=
            '/(?<![\p{L}.])(?:'.
            implode('|', array_map(fn (string $s): string => preg_quote($s, '/'), array_keys(self::SHORT))).
            ')(?!\p{L})/u';

        return self::each($pattern, $text, fn (array $m): string => self::SHORT[$m[0]]);
    }

    /** "14 March 2026", "March 14, 2026", "2026-03-14", "the 3rd". */
    private static function dates(string $text): string
    {
        $months = explode('|', self::MONTHS);
        $text = self::each(
            '/\b(\d{4})-(\d{2})-(\d{2})\b/',
            $text,
            fn (array $m): string => isset($months[(int) $m[2] - 1])
                ? 'the '.Number::ordinal((int) $m[3]).' of '.$months[(int) $m[2] - 1].' '.Number::year((int) $m[1])
                : $m[0],
        );
        $text = self::each(
            '/\b(\d{1,2})(?:st|nd|rd|th)?\s+('.self::MONTHS.')\b/',
            $text,
            fn (array $m): string => 'the '.Number::ordinal((int) $m[1])." of {$m[2]}",
        );
        $text = self::each(
            '/\b('.self::MONTHS.')\s+(\d{1,2})(?:st|nd|rd|th)?,\s+(\d{4})\b/',
            $text,
            fn (array $m): string => "{$m[1]} the ".Number::ordinal((int) $m[2]).', '.Number::year((int) $m[3]),
        );
        $text = self::each(
            '/\b('.self::MONTHS.')\s+(\d{1,2})(?:st|nd|rd|th)?\b(?!\d|:)/',
            $text,
            fn (array $m): string => "{$m[1]} the ".Number::ordinal((int) $m[2]),
        );
        $text = self::each(
            '/\b('.self::MONTHS.'),?\s+(\d{4})\b/',
            $text,
            fn (array $m): string => "{$m[1]} ".Number::year((int) $m[2]),
        );
        $text = self::each(
            '/\b(in|since|until|by|of|from|before|after)\s+(1[1-9]\d\d|20\d\d)\b(?![.,:]\d)/i',
            $text,
            fn (array $m): string => "{$m[1]} ".Number::year((int) $m[2]),
        );

        return self::each('/\b(\d+)(?:st|nd|rd|th)\b/', $text, fn (array $m): string => Number::ordinal((int) $m[1]));
    }

    /** "06:42" is six forty-two, "07:00" seven o'clock, "07:05" seven oh five; "1:02:03" counts hours, minutes, seconds. */
    private static function times(string $text): string
    {
        $text = self::each(
            '/\b(\d{1,2}):([0-5]\d):([0-5]\d)\b/',
            $text,
            fn (array $m): string => implode(' ', array_map(
                fn (string $count, string $unit): string => Number::words($count).' '.$unit.((int) $count === 1 ? '' : 's'),
                array_slice($m, 1), ['hour', 'minute', 'second'],
            )),
        );

        return self::each(
            '/\b([01]?\d|2[0-4]):([0-5]\d)\b/',
            $text,
            fn (array $m): string => Number::words((string) (int) $m[1]).
                ' '.
                match (true) {
                    $m[2] === '00' => 'o\'clock',
                    $m[2][0] === '0' => 'oh '.Number::words($m[2][1]),
                    default => Number::words($m[2]),
                },
        );
    }

    private static function money(string $text): string
    {
        return self::each('/([£€$¥])\s?(\d+(?:,\d{3})*)(?:\.(\d{2}))?(?:\s+(thousand|million|billion))?/u', $text, function (
            array $m,
        ): string {
            [$one, $part] = self::MONEY[$m[1]];
            $large = isset($m[4]) ? " {$m[4]}" : '';
            $amount = str_replace(',', '', $m[2]);
            $cents = ($m[3] ?? '') !== '' && $m[3] !== '00' ? ' '.Number::words($m[3]).($large === '' ? '' : " {$part}") : '';

            return Number::words($amount).
                $large.
                ' '.
                (($amount === '1' && $large === '') || $one === 'yen' ? $one : "{$one}s").
                $cents;
        });
    }

    /** "1/12" is one twelfth, "3/4" three quarters, "24/7" twenty-four seven. */
    private static function fractions(string $text): string
    {
        return self::each('#(?<![\d/.])(\d{1,3})/(\d{1,4})(?![\d/])#', $text, function (array $m): string {
            [$top, $bottom] = [(int) $m[1], (int) $m[2]];
            if ($bottom < 2 || $top >= $bottom) {
                return Number::words($m[1]).($top > $bottom && $bottom > 1 ? ' ' : ' over ').Number::words($m[2]);
            }
            $name = [2 => 'half', 4 => 'quarter'][$bottom] ?? Number::ordinal($bottom);

            return Number::words($m[1]).' '.$name.($top === 1 ? '' : ($name === 'half' ? '' : 's'));
        });
    }

    /** "5-7", "5–7 m": to. A hyphen between letters stays. */
    private static function ranges(string $text): string
    {
        return self::each('/(?<=\d)\s?[-–—]\s?(?=\d)/u', $text, fn (): string => ' to ');
    }

    /** A number and its unit: "4.8 m" four point eight metres, "1 m³" one cubic metre, "3 m/s" three metres per second. */
    private static function measures(string $text): string
    {
        $names = array_map(fn (string $u): string => preg_quote($u, '/'), array_keys(self::UNITS));
        usort($names, fn (string $a, string $b): int => strlen($b) <=> strlen($a));
        $unit = implode('|', $names);

        return self::each(
            "/(?<![\\p{L}\\d])([-−]?\\d+(?:,\\d{3})*(?:\\.\\d+)?)\\s?({$unit})([²³23])?(?:\\/({$unit})([²³])?)?(?![\\p{L}\\d])/u",
            $text,
            function (array $m): string {
                $number = str_replace(',', '', $m[1]);
                $power = ['²' => 'square ', '2' => 'square ', '³' => 'cubic ', '3' => 'cubic '][$m[3] ?? ''] ?? '';
                $said = self::signed($number).' '.$power.self::unit($m[2], ltrim($number, '-−') !== '1');

                return isset($m[4]) && $m[4] !== ''
                    ? $said.' per '.(['²' => 'square ', '³' => 'cubic '][$m[5] ?? ''] ?? '').self::unit($m[4], false)
                    : $said;
            },
        );
    }

    private static function unit(string $symbol, bool $many): string
    {
        $name = self::UNITS[$symbol];

        return match (true) {
            ! $many || in_array($symbol, self::UNCHANGING, true) => $name,
            $name === 'foot' => 'feet',
            $name === 'inch' => 'inches',
            str_starts_with($name, 'degree') => str_replace('degree', 'degrees', $name),
            default => "{$name}s",
        };
    }

    private static function powers(string $text): string
    {
        $text = self::each('/(\p{L}|\d)²/u', $text, fn (array $m): string => "{$m[1]} squared");
        $text = self::each('/(\p{L}|\d)³/u', $text, fn (array $m): string => "{$m[1]} cubed");

        return self::each('/\^(\d+)/', $text, fn (array $m): string => ' to the power of '.Number::words($m[1]));
    }

    /** Whatever numbers are left. Nought before, or seven digits and more: digit by digit. */
    private static function numbers(string $text): string
    {
        return self::each(
            '/(?<![\p{L}\d])([-−](?=\d))?(\d{1,3}(?:,\d{3})+|\d+)(\.\d+)?/u',
            $text,
            fn (array $m): string => ' '.
                self::signed(($m[1] !== '' ? '-' : '').str_replace(',', '', $m[2]).($m[3] ?? '')).
                ' ',
        );
    }

    private static function signed(string $number): string
    {
        $bare = ltrim($number, '-−');

        return ($bare === $number ? '' : 'minus ').Number::words($bare);
    }

    /** Words of capitals without a vowel, or of one or two letters, are spelled: "HW" is two letters, "UNESCO" a word. */
    private static function letters(string $text): string
    {
        return self::each(
            '/(?<![\p{L}\'’])(\p{Lu}{2,5})(s?)(?![\p{L}])/u',
            $text,
            fn (array $m): string => strlen($m[1]) <= 3 || preg_match('/[AEIOUY]/', $m[1]) !== 1
                ? implode(' ', mb_str_split($m[1])).$m[2]
                : $m[0],
        );
    }

    /** @param  callable(array<int, string>): string  $say */
    private static function each(string $pattern, string $text, callable $say): string
    {
        return (string) preg_replace_callback($pattern, $say, $text);
    }
}
