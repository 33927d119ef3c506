<?php

declare(strict_types=1);

namespace Tests\Core\Captions;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Captions\BreakCost;
use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\CaptionLines;
use OpenReel\Core\Captions\CaptionSegmenter;
use OpenReel\Core\Captions\FilmCaptions;
use OpenReel\Core\Captions\TimedText;
use OpenReel\Core\Captions\TimedWord;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Transition;
use OpenReel\Core\Take\TakeContent;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

final class CaptionSegmenterTest extends TestCase
{
    private const LESSON = 'Not every day is the same. Twice a month, around new moon and full moon, the sun and the moon pull '
        .'together. High water is higher and low water is lower, and the range between them at Saltmarsh Quay is about 4.5 m, '
        .'which Wenna Tregear calls a spring tide. A week later they pull across each other.';

    #[TestWith(['same.', 'Twice', BreakCost::SENTENCE])]
    #[TestWith(['calls."', 'Then', BreakCost::SENTENCE])]
    #[TestWith(['month,', 'around', 1.0])]
    #[TestWith(['Dr.', 'Tregear', 60.0])]
    #[TestWith(['4.5', 'm,', 60.0])]
    #[TestWith(['four', 'metres', 60.0])]
    #[TestWith(['Saltmarsh', 'Quay', 60.0])]
    #[TestWith(['the', 'creek', 20.0])]
    #[TestWith(['lower', 'and', 3.0])]
    #[TestWith(['pull', 'together', 8.0])]
    public function test_what_a_break_costs(string $before, string $behind, float $cost): void
    {
        self::assertSame($cost, BreakCost::cost($before, $behind));
    }

    public function test_rows_are_short_and_break_where_one_breathes(): void
    {
        self::assertSame(['Not every day is the same.'], $this->rows('Not every day is the same.'));
        self::assertSame(
            ['Twice a month, around new moon', 'and full moon, the sun and the moon'],
            $this->rows('Twice a month, around new moon and full moon, the sun and the moon'),
        );
        self::assertNull($this->rows(str_repeat('seventeen letters ', 6).'x'), 'it does not fit into two');
        $long = str_repeat('x', 60);
        self::assertSame([$long], $this->rows($long), 'nothing can be done about that');
    }

    #[TestWith([0.3])]
    #[TestWith([0.35])]
    #[TestWith([0.6])]
    public function test_captions_keep_to_their_rules(float $pace): void
    {
        $captions = $this->cut(self::LESSON, $pace);
        $rate = FrameRate::of(25);

        self::assertSame(self::LESSON, implode(' ', array_map(fn (Caption $c): string => $c->text(), $captions)));
        foreach ($captions as $n => $caption) {
            self::assertLessThanOrEqual(2, count($caption->rows));
            foreach ($caption->rows as $row) {
                self::assertLessThanOrEqual(42, mb_strlen($row));
            }
            $seconds = $caption->until->minusOrZero($caption->from)->seconds();
            self::assertGreaterThanOrEqual(1.0, round($seconds, 2), $caption->text());
            self::assertLessThanOrEqual(7.0, $seconds, $caption->text());
            self::assertLessThanOrEqual(20.0, mb_strlen($caption->text()) / $seconds, $caption->text());
            $gap = isset($captions[$n + 1]) ? $captions[$n + 1]->from->count - $caption->until->count : 99_999;
            self::assertGreaterThanOrEqual(2 * $rate->ticksPerFrame(), $gap);
            self::assertDoesNotMatchRegularExpression('/(4\.5|Wenna|Saltmarsh)$/m', implode("\n", $caption->rows));
        }
    }

    public function test_sentences_are_captions_of_their_own(): void
    {
        $captions = $this->cut('Find the day. Then find the first high water.', 0.4);
        $texts = array_map(fn (Caption $c): string => $c->text(), $captions);

        self::assertSame(['Find the day.', 'Then find the first high water.'], $texts);
    }

    public function test_a_silence_is_not_read_through(): void
    {
        $say = fn (string $word, float $from): TimedWord => new TimedWord(
            $word, Tick::ofSeconds($from), Tick::ofSeconds($from + 0.3),
        );
        $captions = CaptionSegmenter::of(
            [$say('Now', 0.0), $say('wait', 0.4), $say('for', 6.0), $say('it.', 6.4)], FrameRate::of(25),
        );

        self::assertSame(['Now wait', 'for it.'], array_map(fn (Caption $c): string => $c->text(), $captions));
        self::assertSame([0, 1000], [$captions[0]->from->milliseconds(), $captions[0]->until->milliseconds()]);
        self::assertSame([], CaptionSegmenter::of([], FrameRate::of(25)));
    }

    public function test_a_film_is_captioned_section_by_section_in_its_own_time(): void
    {
        $film = Example::assembly([['One', [48_000, 144_000]], ['Two', [0, 96_000]]]);
        self::assertSame([], FilmCaptions::of($film, []), 'nobody knows what is said');

        $take = Example::take('t', [48_000, 240_000], ['a' => 48_000, 'b' => 144_000]);
        $section = new SectionInput('s', 'S', new ShotStyle(), [
            new Passage($take, $take->extent(), ['a', 'b']),
        ], lines: ['a', 'b']);
        $film = Assembly::of(
            FrameSize::of(1280, 720), FrameRate::of(25), [$section],
        );
        $captions = FilmCaptions::of($film, ['a' => 'One two.', 'b' => 'Three four.']);
        self::assertSame(
            [['One two.', 0, 1920], ['Three four.', 2000, 4000]],
            array_map(
                fn (Caption $c): array => [$c->text(), $c->from->milliseconds(), $c->until->milliseconds()],
                $captions,
            ),
        );
    }

    public function test_speech_that_the_script_does_not_have_is_a_caption_to_be_filled_in(): void
    {
        $plain = Example::take('t', [0, 480_000], ['a' => 0, 'b' => 90_000]);
        [$tracks, $starts] = [$plain->content->tracks, $plain->timings->starts];
        $take = Example::view($plain->id, 1, $tracks, $plain->extent(), $starts, new TakeContent(unscripted: [
            Example::span(10_000, 20_000), Example::span(336_000, 432_000), Example::span(470_000, 600_000),
        ]));
        $section = new SectionInput('s', 'S', new ShotStyle(), [
            new Passage($take, $take->extent(), ['a', 'b']),
        ], lines: ['a', 'b']);
        $film = Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$section]);
        $texts = ['a' => 'One … two.', 'b' => 'Three four.'];
        $captions = FilmCaptions::of($film, $texts);
        self::assertSame([false, false, true], array_map(fn (Caption $c): bool => $c->isToFill(), $captions));
        self::assertSame(['One … two.', 'Three four.'], [$captions[0]->text(), $captions[1]->text()]);
        self::assertSame([7000, false], [$captions[2]->from->milliseconds(), $captions[2]->isChecked]);

        // What somebody writes is kept by the take and the moment.
        $filled = FilmCaptions::of($film, $texts, [$captions[2]->set(['And now?'])]);
        self::assertSame(['One … two.', 'Three four.', 'And now?'], array_map(fn (Caption $c): string => $c->text(), $filled));
        self::assertSame([false, true], [$filled[2]->isToFill(), $filled[2]->isChecked]);
        // Read, and left out.
        [, , $left] = FilmCaptions::of($film, $texts, [$captions[2]->set(null)]);
        self::assertSame([true, true], [$left->isToFill(), $left->isChecked]);
    }

    public function test_where_sections_dissolve_the_earlier_caption_goes(): void
    {
        $section = fn (string $id): SectionInput => new SectionInput($id, $id, new ShotStyle(), [new Passage(
            $take = Example::take($id, [0, 96_000], [$id => 0]), $take->extent(), [$id],
        )], lines: [$id], join: Transition::dissolve(20));
        $film = Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$section('a'), $section('b')]);
        $captions = FilmCaptions::of($film, ['a' => 'One two three four.', 'b' => 'Five six.']);

        self::assertSame(
            [[0, 1120], [1200, 3200]],
            array_map(fn (Caption $c): array => [$c->from->milliseconds(), $c->until->milliseconds()], $captions),
        );
    }

    public function test_the_last_caption_ends_with_the_film_however_long_it_takes_to_read(): void
    {
        $take = Example::take('t', [0, 24_000], ['a' => 0]);
        $section = new SectionInput('s', 'S', new ShotStyle(), [new Passage($take, $take->extent(), ['a'])], lines: ['a']);
        $film = Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$section]);
        [$only] = FilmCaptions::of($film, ['a' => 'One two three four five six seven.']);

        self::assertSame([0, 520], [$only->from->milliseconds(), $only->until->milliseconds()]);
        self::assertSame($film->length()->count, $only->until->count);
    }

    public function test_as_files(): void
    {
        $captions = [
            new Caption(['2 < 4 & "so" --> {on}', 'שלום 🌊'], Tick::zero(), Tick::ofSeconds(1.5)),
            new Caption(['End.'], Tick::ofSeconds(3661.25), Tick::ofSeconds(3662)),
        ];
        self::assertSame(
            "WEBVTT\n\n1\n00:00:00.000 --> 00:00:01.500\n2 &lt; 4 &amp; \"so\" --&gt; {on}\nשלום 🌊\n\n"
                ."2\n01:01:01.250 --> 01:01:02.000\nEnd.\n",
            TimedText::webVtt($captions),
        );
        self::assertSame(
            "1\r\n00:00:00,000 --> 00:00:01,500\r\n2 < 4 & \"so\" --> {on}\r\nשלום 🌊\r\n\r\n"
                ."2\r\n01:01:01,250 --> 01:01:02,000\r\nEnd.\r\n\r\n",
            TimedText::subRip($captions),
        );
        self::assertSame(
            "WEBVTT\n\n1\n00:00:00.000 --> 00:00:02.000\nA &lt;b&gt;\n",
            TimedText::chapters(Example::assembly([['A <b>', [0, 96_000]]])->chapters()),
        );
    }

    /** @return list<string>|null */
    private function rows(string $text): ?array
    {
        $words = explode(' ', $text);

        return CaptionLines::of($words, array_map(BreakCost::cost(...), $words, [...array_slice($words, 1), '']))?->rows;
    }

    /** @return list<Caption> of words that each take so long, with a breath behind each sentence */
    private function cut(string $text, float $pace): array
    {
        $words = [];
        $at = 0.0;
        foreach (explode(' ', $text) as $word) {
            $words[] = new TimedWord($word, Tick::ofSeconds($at), Tick::ofSeconds($at + 0.9 * $pace));
            $at += $pace + (str_ends_with($word, '.') ? 0.6 : 0.0);
        }

        return CaptionSegmenter::of($words, FrameRate::of(25));
    }
}
