<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use OpenReel\Core\Script\CardKind;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Line;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\SectionText;
use PHPUnit\Framework\TestCase;

final class ScriptTest extends TestCase
{
    private const TIDES = "# Tides\n\n[target 6:00]\n\n## High\n\n[slide: Tide table]\n\nOne. [slide] Two [pause 2 s] and a "
        ."half.\n\n[note: ask Wenna]\n\n## Low ##\nThree.\n### not a section\n";

    public function test_headings_make_title_and_sections(): void
    {
        $script = Script::parse(self::TIDES);

        self::assertSame('Tides', $script->title);
        self::assertSame(['High', 'Low'], array_map(fn (ScriptSection $s): string => $s->heading, $script->sections));
        self::assertSame("Three.\n### not a section", $script->sections[1]->text());
        self::assertSame(360 * 48_000, $script->target()?->count);
    }

    public function test_cues_are_not_spoken_and_know_their_line(): void
    {
        [$high] = Script::parse(self::TIDES)->sections;

        self::assertSame(['One.', 'Two and a half.'], array_map(fn (Line $l): string => $l->text, $high->lines));
        self::assertSame(
            [['slide', 'Tide table', 1, 0.0], ['slide', '', 2, 0.0], ['pause', '2 s', 2, 0.27], ['note', 'ask Wenna', 3, 0.0]],
            array_map(fn (Cue $c): array => [$c->kind->value, $c->value, $c->line, round($c->within, 2)], $high->cues),
        );
    }

    public function test_a_line_knows_where_it_stands(): void
    {
        $text = "# Ebbe 🌊\n\n## Flut\n\nZuerst  das [pause 1 s]\nÖl.\n- Dann\n- der „Kahn“.\n";
        $lines = Script::parse($text)->sections[0]->lines;

        self::assertSame(['Zuerst das Öl.', 'Dann', 'der „Kahn“.'], array_map(fn (Line $l): string => $l->text, $lines));
        self::assertSame(
            ["Zuerst  das [pause 1 s]\nÖl.", 'Dann', 'der „Kahn“.'],
            array_map(fn (Line $l): string => substr($text, $l->from, $l->until - $l->from), $lines),
        );
    }

    public function test_escaped_and_unknown_brackets_are_text(): void
    {
        $section = ScriptSection::ofText('Press \[pause] or [Enter], then [PAUSE: 1.5].');

        self::assertSame('Press [pause] or [Enter], then .', $section->lines[0]->text);
        self::assertCount(1, $section->cues);
        self::assertSame(72_000, $section->cues[0]->length()?->count);
    }

    public function test_words_before_the_first_heading_are_a_section(): void
    {
        $script = Script::parse("\xEF\xBB\xBF# Tides\nHello.\n## High\nOne.");

        self::assertSame('Tides', $script->title);
        self::assertSame('', $script->sections[0]->heading);
        self::assertSame('Hello.', $script->sections[0]->text());
        self::assertCount(2, $script->sections);
    }

    public function test_a_second_title_and_an_empty_heading_start_sections(): void
    {
        self::assertSame(
            ['Part two', ''],
            array_map(fn (ScriptSection $s): string => $s->heading, Script::parse("# Tides\n# Part two\nHi.\n##\nHo.")->sections),
        );
    }

    public function test_a_number_sign_at_the_end_of_a_word_stays(): void
    {
        self::assertSame(
            ['In C#', 'Low'],
            array_map(fn (ScriptSection $s): string => $s->heading, Script::parse("## In C#\n## Low ##\n")->sections),
        );
    }

    public function test_any_text_comes_back_to_the_byte(): void
    {
        mt_srand(20);
        $bits = [
            '# ',
            '## ',
            '##',
            '#',
            "\n",
            "\n\n",
            "\r\n",
            ' ',
            "\t",
            'Tide. ',
            'e.g. ',
            'Öl 🌊',
            '[slide]',
            '[pause 2 s]',
            '\[note]',
            '[',
            ']',
            '- ',
            '1. ',
            '"',
            '\\',
            '…',
            "\xEF\xBB\xBF",
            'שלום',
            '[layout: camera alone]',
            '[card: opening]',
            '### ',
        ];
        for ($round = 0; $round < 400; $round++) {
            $text = '';
            for ($i = mt_rand(0, 40); $i > 0; $i--) {
                $text .= $bits[mt_rand(0, count($bits) - 1)];
            }
            $script = Script::parse($text);
            self::assertSame($text, $script->write());
            foreach ($script->lines() as $line) {
                self::assertStringContainsString(
                    mb_substr($line->text, 0, 1),
                    mb_substr(substr($text, $line->from, $line->until - $line->from), 0, 2),
                    $text,
                );
                self::assertTrue(mb_check_encoding(substr($text, $line->from, $line->until - $line->from), 'UTF-8'));
            }
            self::assertSame(
                strlen($text),
                $script->sections === [] ? strlen($script->head) : $script->sections[count($script->sections) - 1]->until(),
            );
        }
    }

    public function test_changing_one_section_leaves_the_others_to_the_byte(): void
    {
        $changed = Script::parse(self::TIDES)->withSection(0, 'Higher', "Uno.\n\nDue.");

        self::assertSame(
            "# Tides\n\n[target 6:00]\n\n## Higher\n\nUno.\n\nDue.\n\n## Low ##\nThree.\n### not a section\n",
            $changed->write(),
        );
    }

    public function test_sections_are_put_in_moved_and_taken_out(): void
    {
        $script = Script::compose('Tides', [new SectionText('A', 'a.'), new SectionText('B')]);

        self::assertSame("# Tides\n\n## A\n\na.\n\n## B\n", $script->write());
        self::assertSame("# Tides\n\n## B\n\n## A\n\na.\n\n", $script->inOrder([1, 0])->write());
        self::assertSame("# Tides\n\n## A\n\na.\n\n## N\n\nn.\n\n## B\n\n", $script->withInserted(1, 'N', 'n.')->write());
        self::assertSame("# Tides\n\n## B\n", $script->without(0)->write());
        self::assertSame([], $script->without(0)->without(0)->sections);
    }

    public function test_a_section_without_a_heading_does_not_melt_into_another(): void
    {
        $moved = Script::parse("Hello.\n\n## B\n\nb.\n")->inOrder([1, 0]);

        self::assertSame(['B', ''], array_map(fn (ScriptSection $s): string => $s->heading, $moved->sections));
        self::assertSame('Hello.', $moved->sections[1]->text());
    }

    public function test_the_title_is_set_or_changed(): void
    {
        self::assertSame("# Ebb & flow\n\n## A\n", Script::parse("# Tides\n\n## A\n")->withTitle("Ebb &\nflow")->write());
        self::assertSame("# Tides\n\n## A\n", Script::parse("## A\n")->withTitle('Tides')->write());
        self::assertSame("# Tides\n", Script::parse('')->withTitle('Tides')->write());
        self::assertSame(
            "# Tides\n\n[target 1:00]\n\n## A\n",
            Script::parse("\n[target 1:00]\n\n## A\n")->withTitle('Tides')->write(),
        );
    }

    public function test_a_card_has_a_kind_and_a_length(): void
    {
        $card = fn (string $text) => ScriptSection::ofText($text)->card();

        self::assertSame(CardKind::Opening, $card("[card: opening, 5 s]\nTides")?->kind);
        self::assertSame(5 * 48_000, $card('[card: opening, 5 s]')?->length->count);
        self::assertSame(4 * 48_000, $card('[card: Divider]')?->length->count);
        self::assertNull($card('[card: poster]'));
        self::assertNull($card('[card: opening, soon]'));
        self::assertNull($card('[card: opening, 0 s]'));
    }

    public function test_lengths_are_read_as_people_write_them(): void
    {
        $seconds = fn (string $value): ?float => (new Cue(CueKind::Pause, $value, 0, 0))->length()?->seconds();

        self::assertSame(
            [2.0, 2.5, 2.5, 90.0, 90.0, 60.0, 1.0],
            array_map($seconds, ['2', '2.5 s', '2,5 seconds', '1:30', '1 min 30 s', '1 min', '1 second']),
        );
        self::assertSame([null, null, null, null], array_map($seconds, ['', 'soon', '-1', '9999']));
    }

    public function test_a_title_is_renamed_wherever_in_the_head_it_stands(): void
    {
        $all = [
            "# Old\n\n[target 4:00]\n\n## A\n\na.\n",
            "[target 4:00]\n\n# Old\n\n## A\n\na.\n",
            "\xEF\xBB\xBF# Old\n[note: x]\n## A\n\na.\n",
            "\n\n# Old #\n## A\n\na.\n",
        ];
        foreach ($all as $text) {
            $renamed = Script::parse($text)->withTitle('New $1 \\0');
            self::assertSame('New $1 \\0', $renamed->title);
            self::assertStringNotContainsString('Old', $renamed->write());
            self::assertSame(['a.'], array_map(fn ($line): string => $line->text, $renamed->lines()));
            self::assertSame(Script::parse($text)->target()?->count, $renamed->target()?->count);
        }
    }

    public function test_what_cannot_be_followed_says_so(): void
    {
        self::assertStringContainsString('names no length', (string) (new Cue(CueKind::Pause, 'soon', 0, 0))->problem());
        self::assertStringContainsString('is no layout', (string) (new Cue(CueKind::Layout, 'upside down', 0, 0))->problem());
        self::assertStringContainsString('is no card', (string) (new Cue(CueKind::Card, 'poster', 0, 0))->problem());
        self::assertNull((new Cue(CueKind::Layout, 'Slide with  inset, top left, LARGE', 0, 0))->problem());
    }

    public function test_the_opening_layout_is_replaced_in_place(): void
    {
        $section = ScriptSection::ofText("\n[layout: camera alone]\n[slide: A]\n\nOne. [layout: slide alone] Two.\n");

        self::assertSame('camera alone', $section->layout()->write());
        self::assertSame(
            "[layout: slide with inset, large] [slide: A]\n\nOne. [layout: slide alone] Two.",
            $section->textWithOpening(CueKind::Layout, 'slide with inset, large'),
        );
        self::assertSame("[slide: A]\n\nOne. [layout: slide alone] Two.", $section->textWithOpening(CueKind::Layout, ''));
        self::assertSame(
            "[slide: B] [layout: camera alone]\n\nOne. [layout: slide alone] Two.",
            $section->textWithOpening(CueKind::Slide, 'B'),
        );
    }

    public function test_writing_a_cue_keeps_it_one_cue(): void
    {
        self::assertSame('[slide: Tide table 2]', Cue::write(CueKind::Slide, "Tide [table]\n2"));
        self::assertSame('[slide]', Cue::write(CueKind::Slide));
        self::assertSame('[pause 2 s]', Cue::write(CueKind::Pause, '2 s'));
    }
}
