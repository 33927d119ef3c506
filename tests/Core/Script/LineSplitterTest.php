<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use OpenReel\Core\Script\Line;
use OpenReel\Core\Script\LineSplitter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LineSplitterTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>}> */
    public static function texts(): iterable
    {
        yield 'nothing' => ['', []];
        yield 'only white space' => [" \n\n \t ", []];
        yield 'two sentences' => ['Find the day. Then find high water.', ['Find the day.', 'Then find high water.']];
        yield 'no full stop at the end' => ['Find the day', ['Find the day']];
        yield 'e.g. before a capital' => [
            'Pick a quay, e.g. Saltmarsh Quay. Then look.',
            ['Pick a quay, e.g. Saltmarsh Quay.', 'Then look.'],
        ];
        yield 'i.e. in brackets' => [
            'At neaps (i.e. Small tides) go out. Come back.',
            ['At neaps (i.e. Small tides) go out.', 'Come back.'],
        ];
        yield 'decimals' => ['It is 3.5 m deep. Row on.', ['It is 3.5 m deep.', 'Row on.']];
        yield 'title' => ['Ask Dr. Marsh. She knows.', ['Ask Dr. Marsh.', 'She knows.']];
        yield 'initial' => ['Written by J. Reed. Read it.', ['Written by J. Reed.', 'Read it.']];
        yield 'I at the end is no initial' => ['So do I. You too.', ['So do I.', 'You too.']];
        yield 'number abbreviation' => ['See No. 5 on the chart. Mark it.', ['See No. 5 on the chart.', 'Mark it.']];
        yield 'time of day' => [
            'High water is at 6 a.m. on Monday. Be early.',
            ['High water is at 6 a.m. on Monday.', 'Be early.'],
        ];
        yield 'three full stops within a thought' => [
            'The salt... the saltmarsh is wide. Look.',
            ['The salt... the saltmarsh is wide.', 'Look.'],
        ];
        yield 'three full stops at the end' => ['And then... Nothing.', ['And then...', 'Nothing.']];
        yield 'ellipsis at the end' => ['And then… Nothing.', ['And then…', 'Nothing.']];
        yield 'quotes' => ['She said "Stop." Then she rowed.', ['She said "Stop."', 'Then she rowed.']];
        yield 'question inside quotes' => ['"Is it high?" she asked. Nobody knew.', ['"Is it high?" she asked.', 'Nobody knew.']];
        yield 'question and exclamation' => ['Ready? Go! Now.', ['Ready?', 'Go!', 'Now.']];
        yield 'single line breaks do not part' => ["Find the\nday. Look\nup.", ['Find the day.', 'Look up.']];
        yield 'Windows line ends' => ["One.\r\n\r\nTwo.", ['One.', 'Two.']];
        yield 'list' => [
            "You need:\n- a table\n- a pencil.\n1. Find the day\n2) Read it",
            ['You need:', 'a table', 'a pencil.', 'Find the day', 'Read it'],
        ];
        yield 'a year is no list mark' => ['1998. That was a tide.', ['1998.', 'That was a tide.']];
        yield 'other scripts' => ['潮が高い。船を出す。', ['潮が高い。', '船を出す。']];
        yield 'right to left' => ['המים גבוהים. צאו לדרך.', ['המים גבוהים.', 'צאו לדרך.']];
        yield 'emoji alone' => ['🚣 Row. 🌊', ['🚣 Row.', '🌊']];
        yield 'a lone dash is nothing to say' => ["Row.\n\n---\n\nRest.", ['Row.', 'Rest.']];
        yield 'braces and backslashes stay' => ['Type {\\an7} here. Done.', ['Type {\\an7} here.', 'Done.']];
        yield 'broken bytes' => ["Row \xC3 on.", ['Row ? on.']];
    }

    /** @param  list<string>  $lines */
    #[DataProvider('texts')]
    public function test_text_falls_into_lines(string $text, array $lines): void
    {
        self::assertSame($lines, array_map(fn (Line $l): string => $l->text, LineSplitter::split($text)));
    }

    public function test_lines_and_paragraphs_are_counted_from_one(): void
    {
        $lines = LineSplitter::split("One. Two.\n\nThree.");

        self::assertSame([1, 2, 3], array_map(fn (Line $l): int => $l->number, $lines));
        self::assertSame([1, 1, 2], array_map(fn (Line $l): int => $l->paragraph, $lines));
    }
}
