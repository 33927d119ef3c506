<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use OpenReel\Core\Script\Spoken;
use OpenReel\Core\Script\Syllables;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SpokenTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function texts(): iterable
    {
        yield 'plain' => ['The creek falls.', 'The creek falls.'];
        yield 'decimal and unit' => ['It is 4.8 m deep.', 'It is four point eight metres deep.'];
        yield 'one of a unit' => ['1 m', 'one metre'];
        yield 'unit without a space' => ['Row 500m at 2kn.', 'Row five hundred metres at two knots.'];
        yield 'unit within a word' => ['Step 2 is mine, 3 small ones.', 'Step two is mine, three small ones.'];
        yield 'speed' => ['3 m/s', 'three metres per second'];
        yield 'volume' => ['a 12 m³ tank, 1 m³', 'a twelve cubic metres tank, one cubic metre'];
        yield 'area' => ['30 m²', 'thirty square metres'];
        yield 'feet' => ['6 ft', 'six feet'];
        yield 'temperature' => ['-3 °C or 21°C', 'minus three degrees Celsius or twenty-one degrees Celsius'];
        yield 'per cent' => ['95% of 1,250', 'ninety-five percent of one thousand two hundred and fifty'];
        yield 'time' => ['HW 06:42', 'H W six forty-two'];
        yield 'full hour' => ['at 07:00', "at seven o'clock"];
        yield 'minutes below ten' => ['at 7:05 a.m.', 'at seven oh five A M'];
        yield 'stop watch' => ['1:02:03', 'one hour two minutes three seconds'];
        yield 'fraction' => [
            '1/12 and 3/4 and 1/2 and 24/7',
            'one twelfth and three quarters and one half and twenty-four seven',
        ];
        yield 'range' => ['5–7 boats, 10-12 kg', 'five to seven boats, ten to twelve kilograms'];
        yield 'money' => ['£1, £2.50 and €3 million', 'one pound, two pounds fifty and three million euros'];
        yield 'date' => ['on 14 March 2026', 'on the fourteenth of March twenty twenty-six'];
        yield 'American date' => ['March 3, 1905', 'March the third, nineteen oh five'];
        yield 'numeric date' => ['2026-12-01', 'the first of December twenty twenty-six'];
        yield 'year' => ['since 2004', 'since two thousand and four'];
        yield 'ordinal' => ['the 22nd time', 'the twenty-second time'];
        yield 'abbreviations' => ['e.g. Dr. Marsh, No. 5 etc.', 'for example Doctor Marsh, number five et cetera'];
        yield 'letters' => ['GPS and UNESCO', 'G P S and UNESCO'];
        yield 'formula' => ['h = 3 × 0.3 + 1.2', 'h equals three times zero point three plus one point two'];
        yield 'powers' => ['x² + 2^10', 'x squared plus two to the power of ten'];
        yield 'ampersand' => ['ebb & flow', 'ebb and flow'];
        yield 'code' => ['channel 007', 'channel zero zero seven'];
        yield 'large' => ['1,000,001 and 2000000', 'one million and one and two million'];
        yield 'other scripts stay' => ['潮が 3 m', '潮が three metres'];
    }

    #[DataProvider('texts')]
    public function test_it_is_said_as_people_say_it(string $written, string $said): void
    {
        self::assertSame($said, Spoken::of($written));
    }

    /** @return iterable<string, array{string, int}> */
    public static function syllables(): iterable
    {
        $counts = [
            'the' => 1,
            'water' => 2,
            'creek' => 1,
            'metre' => 2,
            'metres' => 2,
            'table' => 2,
            'tables' => 2,
            'time' => 1,
            'times' => 1,
            'looked' => 1,
            'started' => 2,
            'boxes' => 2,
            'changes' => 2,
            'height' => 1,
            'area' => 3,
            'idea' => 3,
            'seven' => 2,
            'eleven' => 3,
            'nought' => 1,
            'twelfth' => 1,
            'create' => 2,
            'science' => 2,
            'only' => 2,
            'every' => 3,
            "don't" => 1,
            "we're" => 1,
            'Öl' => 1,
            'rowing' => 2,
            'going' => 2,
            'W' => 3,
            'people' => 2,
            'hour' => 1,
            'ocean' => 2,
            'radio' => 3,
            'question' => 2,
        ];
        foreach ($counts as $word => $count) {
            yield (string) $word => [(string) $word, $count];
        }
    }

    #[DataProvider('syllables')]
    public function test_syllables_are_counted(string $word, int $count): void
    {
        self::assertSame($count, Syllables::count($word));
    }

    public function test_nothing_has_no_syllables(): void
    {
        self::assertSame(0, Syllables::count(' ... - " '));
    }
}
