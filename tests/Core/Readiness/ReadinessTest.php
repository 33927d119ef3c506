<?php

declare(strict_types=1);

namespace Tests\Core\Readiness;

use OpenReel\Core\Deck\ShownSlides;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Readiness\DeckSlide;
use OpenReel\Core\Readiness\Readiness;
use OpenReel\Core\Readiness\ReadinessIssue;
use OpenReel\Core\Script\Pace;
use OpenReel\Core\Script\Script;
use PHPUnit\Framework\TestCase;

final class ReadinessTest extends TestCase
{
    public function test_a_lesson_that_lacks_nothing_is_ready(): void
    {
        self::assertSame(
            [],
            $this->says(
                "# Tides\n\n## One\n\n[slide: Table]\n\nFind the day.\n\n## Two\n\n[layout: camera alone]\n\nTell "
                    ."someone.\n\n## End\n\n[card: closing]\nThank you.\n",
                ['Table'],
            ),
        );
    }

    public function test_what_is_missing_is_named_with_its_place(): void
    {
        $script = "## One\n\n## Two\n\n[slide: Curve] Hello.\n";
        $found = $this->findings($script, ['Table']);

        self::assertSame(
            [
                'Nothing is written in section 1 ("One") yet.',
                'Section 1 ("One") begins without a slide: the camera will be shown alone.',
                'Section 2 ("Two") begins without a slide: the camera will be shown alone.',
                'There is no slide called "Curve".',
                'One slide is not used: "Table".',
            ],
            array_map(fn (ReadinessIssue $f): string => $f->says, $found),
        );
        self::assertSame([0, 0, 8, strpos($script, '[slide'), null], array_map(fn (ReadinessIssue $f): ?int => $f->at, $found));
    }

    public function test_long_lines_and_sections_are_to_be_shortened(): void
    {
        $line = trim(str_repeat('tide and ', 16));
        $says = $this->says(
            "## One\n\n[slide: Table]\n\n{$line}.\n\n".str_repeat('The water in the creek falls slowly. ', 60),
            ['Table'],
        );

        self::assertCount(2, $says);
        self::assertStringContainsString('takes about', $says[0]);
        self::assertStringContainsString('This line has 32 words.', $says[1]);
    }

    public function test_numbers_in_a_row_are_hard_to_say(): void
    {
        self::assertTrue(Readiness::isHardToSay('At 06:42 it is 4.8, at 12:54 it is 1.2.'));
        self::assertTrue(Readiness::isHardToSay('Call 0123456789.'));
        self::assertFalse(Readiness::isHardToSay('At 06:42 it is 4.8 m.'));
    }

    public function test_targets_may_be_missed_by_a_tenth(): void
    {
        // Seven syllables and a pause: 2.34 s.
        $text = fn (
            string $target,
        ): string => "[target {$target}]\n\n## One\n\n[slide: Table]\n\nThe tide is high in the morning.\n";

        self::assertSame([], $this->says($text('2.6 s'), ['Table']));
        self::assertSame(['The lesson takes about 0:03; its target is 0:10.'], $this->says($text('0:10'), ['Table']));
    }

    public function test_soft_slides_cut_off_cards_and_cues_that_say_nothing_are_pointed_out(): void
    {
        $script = Script::parse("## One\n\n[slide: Table]\n\nHi. [pause soon] [slide]\n\n## End\n\n[card: closing]\nLong.\n");
        $found = (new Readiness($script, [new DeckSlide('Table', false)], Layout::SlideWithInset, Pace::assumed(), [
            1,
        ]))->findings();

        self::assertSame(['cue', 'cue', 'cue', 'card'], array_map(fn (ReadinessIssue $f): string => $f->kind, $found));
        self::assertStringContainsString('fewer pixels', $found[0]->says);
        self::assertStringContainsString('names no length', $found[1]->says);
        self::assertStringContainsString('no next slide', $found[2]->says);
    }

    public function test_zooms_and_emphasis_want_a_stage_and_joins_the_beginning(): void
    {
        $script = Script::parse(
            "## One\n\n[slide: 1] [zoom: 1 1 50] Words. [camera alone] More [emphasis: box 1 1 9 9] words [join: dip].\n\n".
                "## Two\n\n[zoom: 1 1 50] [join: cut] Words.\n",
        );
        $found = (new Readiness($script, [new DeckSlide('1')], Layout::SlideAlone, Pace::assumed()))->findings();
        self::assertSame(
            [
                'There is nothing to point at here: no slide, screen or board is shown.',
                'A join stands before the first word of a section. Here it does nothing.',
                'There is nothing to zoom here: no slide, screen or board is shown.',
            ],
            array_values(array_map(
                fn (ReadinessIssue $f): string => $f->says,
                array_filter($found, fn (ReadinessIssue $f): bool => $f->kind === 'cue'),
            )),
        );
    }

    public function test_a_screen_that_nobody_has_recorded_is_to_be_had_ready(): void
    {
        $text = "## One\n\n[screen: the gauge]\n\nRead it.\n\n## Two\n\n[board]\n\nWrite.\n\n"
            ."## Three\n\n[camera alone]\n\nEnd.\n";
        $says = fn (array $with): array => array_map(fn (ReadinessIssue $f): string => $f->says, (new Readiness(
            Script::parse($text), [], Layout::SlideWithInset, Pace::assumed(), withScreen: array_values($with),
        ))->findings());

        self::assertSame(
            ['Section 1 ("One") shows a screen: the gauge. Have it ready when you record.'],
            $says([]),
            'nothing else begins without a picture',
        );
        self::assertSame([], $says([0]));
    }

    public function test_next_slide_goes_on_from_the_last_one_shown(): void
    {
        $script = Script::parse(
            "## A\n[slide] One. [slide:  b  SLIDE] Two.\n## B\n[slide] Three. [slide: 1] [slide: nowhere] [slide]",
        );
        $shown = ShownSlides::of($script, ['A slide', 'B slide', 'C slide', 'B slide']);
        $cues = [...$script->sections[0]->cues, ...$script->sections[1]->cues];

        self::assertSame([0, 1, 2, 0, null, 1], array_map($shown->at(...), $cues));
        self::assertSame([0, 1, 2], $shown->all());
    }

    /**
     * @param  list<string>  $deck
     * @return list<string>
     */
    private function says(string $script, array $deck): array
    {
        return array_map(fn (ReadinessIssue $f): string => $f->says, $this->findings($script, $deck));
    }

    public function test_a_name_of_nobody_is_named(): void
    {
        $says = fn (string $cue, ?string $presenter): array => array_map(
            fn (ReadinessIssue $f): string => $f->says,
            array_values(array_filter(
                (new Readiness(
                    Script::parse("## A\n\n{$cue} One."), [], Layout::CameraAlone, Pace::assumed(), presenter: $presenter,
                ))->findings(),
                fn (ReadinessIssue $f): bool => $f->kind === 'cue',
            )),
        );

        self::assertStringContainsString('Nobody is named here', $says('[name]', '')[0]);
        self::assertStringContainsString('Nobody is named here', $says('[name: , Instructor]', '')[0]);
        self::assertSame([], $says('[name]', 'Wenna'));
        self::assertSame([], $says('[name: Jory, 3 s]', ''));
    }

    /**
     * @param  list<string>  $deck
     * @return list<ReadinessIssue>
     */
    private function findings(string $script, array $deck): array
    {
        return (new Readiness(
            Script::parse($script),
            array_map(fn (string $n): DeckSlide => new DeckSlide($n), $deck),
            Layout::SlideWithInset,
            Pace::assumed(),
        ))->findings();
    }
}
