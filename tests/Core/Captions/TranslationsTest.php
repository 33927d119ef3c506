<?php

declare(strict_types=1);

namespace Tests\Core\Captions;

use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\TimedCue;
use OpenReel\Core\Captions\TimedTextReader;
use OpenReel\Core\Captions\TimedWord;
use OpenReel\Core\Captions\Translation;
use OpenReel\Core\Captions\Translations;
use OpenReel\Core\Kernel\FormatError;
use OpenReel\Core\Kernel\Tick;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TranslationsTest extends TestCase
{
    public function test_a_translation_follows_its_words_and_goes_when_they_change(): void
    {
        $captions = [self::caption('a', 0, 'The creek is full', 0, 2), self::caption('a', 4, 'at seven.', 2, 4)];
        $known = [new Translation('a', 4, 'at seven.', 'um sieben.'), new Translation('b', 0, 'at seven.', 'andere')];
        self::assertSame([1 => 'um sieben.'], Translations::texts($captions, $known));
        // A word was put in before it.
        self::assertSame([0 => 'um sieben.'], Translations::texts([self::caption('a', 5, 'at seven.', 2, 4)], $known));
        self::assertSame([], Translations::texts([self::caption('a', 4, 'at eight.', 2, 4)], $known));

        [$translated] = Translations::captions($captions, $known);
        self::assertSame([['um sieben.'], 96_000], [$translated->rows, $translated->from->count]);
    }

    public function test_long_ones_are_laid_out_in_two_rows_and_typed_rows_stay(): void
    {
        $captions = [self::caption('a', 0, 'One.', 0, 2), self::caption('b', 0, 'Two.', 2, 4)];
        $known = [
            new Translation('a', 0, 'One.', 'Der Priel ist um sieben Uhr voll und um eins ein Rinnsal.'),
            new Translation('b', 0, 'Two.', "Kurz\n und so."),
        ];
        self::assertSame(
            [['Der Priel ist um sieben Uhr', 'voll und um eins ein Rinnsal.'], ['Kurz', 'und so.']],
            array_map(fn (Caption $c): array => $c->rows, Translations::captions($captions, $known)),
        );
    }

    public function test_texts_with_times_go_to_the_captions_that_are_seen_meanwhile(): void
    {
        $captions = [
            self::caption('a', 0, 'One.', 0, 2), self::caption('b', 0, 'Two.', 2, 4),
            self::caption('c', 0, 'Three.', 4, 6),
        ];
        $cue = fn (float $from, float $until, string $text): TimedCue => new TimedCue(
            $text, Tick::ofSeconds($from), Tick::ofSeconds($until),
        );
        $placed = Translations::placed($captions, [
            $cue(0.1, 1.0, 'Eins'), $cue(1.0, 2.2, 'und'), $cue(2.4, 4.1, 'Zwei'), $cue(9, 10, 'Später'), $cue(4, 5, '  '),
        ]);
        self::assertEquals(
            [new Translation('a', 0, 'One.', 'Eins und'), new Translation('b', 0, 'Two.', 'Zwei')],
            $placed,
        );
    }

    /** @param  list<array{float, float, string}>  $cues */
    #[DataProvider('files')]
    public function test_others_files_are_read(string $content, array $cues): void
    {
        self::assertSame($cues, array_map(
            fn (TimedCue $c): array => [$c->from->count / 48_000, $c->until->count / 48_000, $c->text], TimedTextReader::parse($content),
        ));
    }

    /** @return array<string, array{string, list<array{float|int, float|int, string}>}> */
    public static function files(): array
    {
        return [
            'SubRip of another machine' => [
                "\u{FEFF}1\r\n00:00:01,500 --> 00:00:03,000\r\n<i>Eins</i>\r\nzwei\r\n\r\n"
                    ."2\r\n00:00:04,000 --> 00:00:05,000\r\n{\\an8}Drei\r\n",
                [[1.5, 3, "Eins\nzwei"], [4, 5, 'Drei']],
            ],
            'WebVTT with all it can have' => [
                "WEBVTT - notes\nKind: captions\n\nSTYLE\n::cue { color: red }\n\nNOTE 00:01\n\n"
                    ."name\n01:02.250 --> 01:03.000 line:0 align:start\n"
                    ."<v Wenna>Vier &amp; fünf &lt;6&gt;\n\n1:00:00.000 --> 1:00:01.000\nSpät\n",
                [[62.25, 63, 'Vier & fünf <6>'], [3600, 3601, 'Spät']],
            ],
            'some of it is broken' => [
                "1\n00:00:05,000 --> 00:00:04,000\nrückwärts\n\n2\n00:00:05,000 -> 00:00:06,000\nkein Pfeil\n\n3\n"
                    ."00:00:06,000 --> 00:00:07,000\n\n\n4\n00:00:08,000 --> 00:00:09,000\n\xC4ltere Schrift",
                [[8, 9, 'Ältere Schrift']],
            ],
        ];
    }

    #[DataProvider('strange')]
    public function test_what_holds_no_captions_is_refused(string $content): void
    {
        $this->expectException(FormatError::class);
        TimedTextReader::parse($content);
    }

    /** @return array<string, array{string}> */
    public static function strange(): array
    {
        return [
            'nothing' => [''], 'a text' => ["Find the day.\n\nRead it."], 'only its head' => ["WEBVTT\n\n"],
            'bytes' => ["\x00\xFF\x00"],
        ];
    }

    private static function caption(string $line, int $word, string $said, float $from, float $until): Caption
    {
        $words = [];
        foreach (explode(' ', $said) as $n => $text) {
            $words[] = new TimedWord($text, Tick::ofSeconds($from), Tick::ofSeconds($until), $line, $word + $n);
        }

        return new Caption([$said], Tick::ofSeconds($from), Tick::ofSeconds($until), $words, 's');
    }
}
