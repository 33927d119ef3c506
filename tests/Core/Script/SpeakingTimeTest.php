<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use OpenReel\Core\Script\Line;
use OpenReel\Core\Script\Pace;
use OpenReel\Core\Script\PaceSample;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\SpeakingTime;
use OpenReel\Core\Script\SpokenLength;
use PHPUnit\Framework\TestCase;

final class SpeakingTimeTest extends TestCase
{
    public function test_nothing_takes_no_time(): void
    {
        self::assertSame(0, $this->time(''));
        self::assertSame(0, $this->time('[slide] [pause 5 s]'));
    }

    public function test_syllables_commas_lines_and_paragraphs_each_take_their_time(): void
    {
        // Look, high wa-ter comes: 5 syllables x 270, a comma 180, a line 450.
        $once = 5 * 270 + 180 + 450;
        self::assertSame($once, $this->time('Look, high water comes.'));
        self::assertSame(2 * $once + 500, $this->time("Look, high water comes.\n\nLook, high water comes."));
    }

    public function test_numbers_take_as_long_as_they_are_said(): void
    {
        // four point eight me-tres: 5.
        self::assertSame(5 * 270 + 450, $this->time('4.8 m'));
    }

    public function test_pauses_and_slides_inside_add_silence_which_no_pace_stretches(): void
    {
        $plain = $this->time('One tide. One boat.');
        self::assertSame($plain + 2500 + 600, $this->time('[slide: A] One tide. [pause 2.5 s] [slide] One boat.'));

        $slow = Pace::learn(array_fill(0, 3, new PaceSample(10_000, 20_000)));
        self::assertSame(
            2 * $plain + 2500,
            SpeakingTime::of(ScriptSection::ofText('One tide. [pause 2.5 s] One boat.'), $slow)->milliseconds(),
        );
    }

    public function test_a_card_stands_as_long_as_it_says(): void
    {
        self::assertSame(5000, $this->time("[card: opening, 5 s]\n\nHow to read a tide table"));
    }

    public function test_a_lesson_is_explained_at_the_pace_usual_in_teaching(): void
    {
        $script = Script::parse((string) file_get_contents(__DIR__.'/../../../demo/lesson/script.md'));
        $milliseconds = array_sum(array_map(fn (ScriptSection $s): int => SpeakingTime::of($s)->milliseconds(), $script->sections));
        $words = str_word_count(implode(' ', array_map(fn (Line $l): string => $l->text, $script->lines())));

        self::assertEqualsWithDelta(145, $words / ($milliseconds / 60_000), 15, 'words a minute');
    }

    public function test_a_pace_needs_three_takes_and_is_not_moved_by_one_odd_take(): void
    {
        $takes = [new PaceSample(10_000, 12_000), new PaceSample(20_000, 23_000)];
        self::assertFalse(Pace::learn($takes)->isLearned());
        self::assertSame(1.0, Pace::learn($takes)->factor);

        $three = Pace::learn([...$takes, new PaceSample(10_000, 90_000)]);
        self::assertTrue($three->isLearned());
        self::assertSame(1.2, $three->factor);
        self::assertSame(
            1.175,
            Pace::learn([...$takes, new PaceSample(10_000, 90_000), new PaceSample(10_000, 10_000)])->factor,
        );
    }

    public function test_takes_too_short_to_tell_are_left_out_and_the_pace_is_bounded(): void
    {
        self::assertFalse(Pace::learn(array_fill(0, 5, new PaceSample(4_000, 9_000)))->isLearned());
        self::assertSame(2.0, Pace::learn(array_fill(0, 3, new PaceSample(6_000, 60_000)))->factor);
        self::assertSame(0.5, Pace::learn(array_fill(0, 3, new PaceSample(60_000, 6_000)))->factor);
    }

    public function test_what_the_script_asks_for_is_no_part_of_the_pace(): void
    {
        $section = ScriptSection::ofText("One two. [pause 3 s] Three four.\n\n[slide: x] Five.");
        $spoken = SpeakingTime::spoken(array_map(SpokenLength::of(...), $section->lines));

        self::assertSame(3_600, SpeakingTime::silence($section->cues), 'three seconds, and a look at the new slide');
        self::assertSame($spoken + 3_600, SpeakingTime::of($section)->milliseconds());
    }

    private function time(string $text): int
    {
        return SpeakingTime::of(ScriptSection::ofText($text))->milliseconds();
    }
}
