<?php

namespace Tests\Core\Script;

use OpenReel\Core\Script\ScriptDocument;
use OpenReel\Core\Script\ScriptProblem;
use PHPUnit\Framework\TestCase;

final class ScriptDocumentTest extends TestCase
{
    public function test_headings_make_title_and_sections(): void
    {
        $script = ScriptDocument::read("# Tides\n\n## High\n\nOne.\n\nTwo.\n\n## Low ##\nThree.\n### not a section\n");

        self::assertSame('Tides', $script->title);
        self::assertSame([
            ['heading' => 'High', 'text' => "One.\n\nTwo."],
            ['heading' => 'Low', 'text' => "Three.\n### not a section"],
        ], $script->sections);
    }

    public function test_writing_and_reading_gives_the_same(): void
    {
        $script = ScriptDocument::read((string) file_get_contents(__DIR__.'/../../../demo/lesson/script.md'));

        self::assertCount(7, $script->sections);
        self::assertEquals($script, ScriptDocument::read($script->write()));
    }

    public function test_words_before_the_first_section_are_not_lost(): void
    {
        $script = ScriptDocument::read("\xEF\xBB\xBF# Tides\nHello.\n## High\nOne.");

        self::assertSame('Tides', $script->title);
        self::assertSame(['heading' => 'Tides', 'text' => 'Hello.'], $script->sections[0]);
    }

    public function test_a_second_title_starts_a_section(): void
    {
        self::assertSame('Part two', ScriptDocument::read("# Tides\n# Part two\nHi.")->sections[0]['heading']);
    }

    public function test_an_empty_script_is_refused(): void
    {
        $this->expectException(ScriptProblem::class);
        $this->expectExceptionMessage('The script is empty.');

        ScriptDocument::read("# Only a title\n\n");
    }

    public function test_a_heading_without_words_is_named_by_its_row(): void
    {
        $this->expectException(ScriptProblem::class);
        $this->expectExceptionMessage('row 3');

        ScriptDocument::read("# Tides\n\n##\nHello.");
    }
}
