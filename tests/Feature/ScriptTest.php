<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Lesson;
use App\Models\Take;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;

final class ScriptTest extends FeatureTestCase
{
    private const TIDES = "# Tides\n\n## High\n\nFind the day. Find the first high water.\n\n## Low\n\nRead the height. "
        ."Write it down.\n";

    public function test_a_text_becomes_sections_and_lines_and_comes_back_to_the_byte(): void
    {
        $lesson = $this->lesson();
        $odd = self::TIDES."\n\n##   Odd  ##\n\tEmoji 🌊 {\\an7} \"שלום\" [note: no]   \n\n\n";
        $saved = $this->save($lesson, $odd, 1)->assertOk()->json();

        self::assertSame($odd, $saved['text']);
        self::assertSame($odd, $this->getJson("/api/lessons/{$lesson->id}/script")->json('text'));
        self::assertSame(['High', 'Low', 'Odd'], array_column($this->sections($lesson), 'heading'));
        self::assertSame('Tides', $lesson->refresh()->title);
        $last = $saved['sections'][2]['lines'][0];
        self::assertSame(
            'Emoji 🌊 {\\an7} "שלום"',
            rtrim(
                mb_convert_encoding(
                    substr(mb_convert_encoding($odd, 'UTF-16LE'), 2 * $last['from'], 2 * ($last['until'] - $last['from'])),
                    'UTF-8',
                    'UTF-16LE',
                ),
            ),
        );
    }

    public function test_line_ends_become_those_that_pages_count_with(): void
    {
        $lesson = $this->lesson();

        self::assertSame("## A\n\nb.\nc.", $this->save($lesson, "## A\r\n\r\nb.\rc.", 1)->assertOk()->json('text'));
    }

    public function test_the_second_writer_is_told_and_shown_both_and_nothing_is_overwritten(): void
    {
        $lesson = $this->lesson();
        $this->save($lesson, self::TIDES, 1)
            ->assertOk()
            ->assertJson(['revision' => 2]);

        $this->save($lesson, '## Mine', 1)
            ->assertConflict()
            ->assertJson(['text' => self::TIDES, 'revision' => 2]);
        self::assertSame(self::TIDES, $lesson->refresh()->script);
        // The same words twice are no conflict, whatever they were made from.
        $this->save($lesson, self::TIDES, 1)
            ->assertOk()
            ->assertJson(['revision' => 2]);
        $this->save($lesson, '## Mine', 2)
            ->assertOk()
            ->assertJson(['revision' => 3]);
    }

    public function test_takes_stay_with_their_lines_when_a_section_is_split_and_merged_again(): void
    {
        $lesson = $this->lesson(self::TIDES);
        [$high, $low] = $this->sections($lesson);
        $take = Take::factory()->create(['section_id' => $high['id'], 'verdict' => 'kept']);

        $this->save($lesson, str_replace(' Find the first', "\n\n## New\n\nFind the first", self::TIDES))->assertOk();
        [$a, $b] = $this->sections($lesson);
        self::assertSame([$high['id'], $low['id']], [$a['id'], $this->sections($lesson)[2]['id']]);
        self::assertSame([$take->id], array_column($a['takes'], 'id'));
        self::assertSame($high['lines'][1]['id'], $b['lines'][0]['id']);
        self::assertSame(
            [$low['id']],
            $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('missing'),
            'what the take speaks is in the film',
        );

        $this->save($lesson, self::TIDES)->assertOk();
        self::assertSame([$high['id'], $low['id']], array_column($this->sections($lesson), 'id'));
    }

    public function test_takes_of_merged_sections_are_heard_one_after_the_other_and_go_home_again(): void
    {
        $lesson = $this->lesson(self::TIDES);
        [$high, $low] = $this->sections($lesson);
        $first = Take::factory()->create(['section_id' => $high['id'], 'verdict' => 'kept']);
        $second = Take::factory()->create(['section_id' => $low['id'], 'verdict' => 'kept']);

        $this->save($lesson, str_replace("\n## Low\n", '', self::TIDES))->assertOk();
        $plan = $this->getJson("/api/lessons/{$lesson->id}/assembly")->json();
        self::assertCount(1, $this->sections($lesson));
        self::assertSame([$first->id, $second->id], array_column($plan['segments'], 'take_id'));
        self::assertSame([1, 1], array_column($this->sections($lesson)[0]['takes'], 'number'), 'takes are never renumbered');

        $this->save($lesson, self::TIDES)->assertOk();
        self::assertSame($low['id'], $second->refresh()->section_id);
        self::assertSame([], $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('missing'));
    }

    public function test_a_removed_line_and_its_coverage_come_back(): void
    {
        $lesson = $this->lesson(self::TIDES);
        $line = $this->sections($lesson)[0]['lines'][1];
        $this->save($lesson, str_replace(' Find the first high water.', '', self::TIDES))->assertOk();
        $this->save(
            $lesson,
            str_replace(
                'Write it down.',
                'Write it down. Find the first high water.',
                str_replace(' Find the first high water.', '', self::TIDES),
            ),
        )->assertOk();

        self::assertSame($line['id'], $this->sections($lesson)[1]['lines'][2]['id']);
    }

    public function test_a_recorded_line_whose_words_change_keeps_the_old_ones_at_hand(): void
    {
        $lesson = $this->lesson(self::TIDES);
        $section = $this->sections($lesson)[0];
        Take::factory()->create(['section_id' => $section['id']]);
        $this->save($lesson, str_replace('the first high water', 'the second high water', self::TIDES))->assertOk();

        $now = $this->sections($lesson)[0];
        self::assertSame($section['lines'][1]['id'], $now['lines'][1]['id']);
        self::assertSame('Find the second high water.', $now['lines'][1]['text']);
        self::assertSame('Find the first high water.', $this->toldTakes($now['id'])[0]['lines'][1]['text']);
    }

    public function test_removing_a_section_and_undoing_it_brings_its_takes_back(): void
    {
        $lesson = $this->lesson(self::TIDES);
        $low = $this->sections($lesson)[1];
        $take = Take::factory()->create(['section_id' => $low['id']]);
        $this->save($lesson, "# Tides\n\n## High\n\nFind the day. Find the first high water.\n")->assertOk();
        self::assertCount(1, $this->sections($lesson));

        $this->save($lesson, self::TIDES)->assertOk();
        self::assertSame([$take->id], array_column($this->sections($lesson)[1]['takes'], 'id'));
    }

    public function test_renaming_changes_the_title_in_the_text(): void
    {
        $lesson = $this->lesson(self::TIDES);
        $this->patchJson("/api/lessons/{$lesson->id}", ['title' => 'Ebb'])->assertOk();

        self::assertStringStartsWith("# Ebb\n", $lesson->refresh()->script);
    }

    public function test_words_that_look_like_a_heading_do_not_split_a_section_changed_by_form(): void
    {
        $lesson = $this->lesson(self::TIDES);
        $section = $this->sections($lesson)[0];
        $this->patchJson("/api/sections/{$section['id']}", ['script' => "One.\n# Two.\n## Three."])->assertOk();

        self::assertCount(2, $this->sections($lesson));
        self::assertSame('One. # Two. ## Three.', implode(' ', array_column($this->sections($lesson)[0]['lines'], 'text')));
    }

    public function test_the_script_downloads_under_its_title(): void
    {
        $lesson = $this->lesson(self::TIDES);

        $this->get("/api/lessons/{$lesson->id}/script/file")
            ->assertOk()
            ->assertHeader('Content-Disposition', "attachment; filename=script.md; filename*=utf-8''Tides.md")
            ->assertContent(self::TIDES);
    }

    public function test_readiness_names_what_is_missing_with_its_place(): void
    {
        $lesson = $this->lesson("# 🌊\n\n## High\n\n[layout: camera alone]\n\nSay [pause soon] this.\n");
        $found = $this->getJson("/api/lessons/{$lesson->id}/script/ready")
            ->assertOk()
            ->json();

        self::assertSame(['cue'], array_column($found, 'kind'));
        self::assertSame('[pause', mb_substr($lesson->script, $found[0]['at'] - 1, 6), 'counted in UTF-16: the wave takes two');
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function files(): iterable
    {
        $docx =
            '<?xml version="1.0"?><w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>'.
            '<w:p><w:pPr><w:pStyle w:val="Title"/></w:pPr><w:r><w:t>Tides</w:t></w:r></w:p><w:p><w:pPr><w:pStyle '
                .'w:val="H"/></w:pPr><w:r><w:t>High</w:t></w:r></w:p>'.
            '<w:p><w:r><w:t xml:space="preserve">Find </w:t></w:r><w:r><w:t>the &amp; '
                .'day.</w:t></w:r></w:p><w:p><w:pPr><w:numPr/></w:pPr><w:r><w:t>a table</w:t></w:r></w:p></w:body></w:document>';
        $styles =
            '<?xml version="1.0"?><w:styles xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:style '
                .'w:styleId="H"><w:name w:val="heading 2"/></w:style></w:styles>';
        $odt =
            '<?xml version="1.0"?><office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" '
                .'xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0"><office:body><office:text>'.
            '<text:h text:outline-level="1">Tides</text:h><text:h '
                .'text:outline-level="2">High</text:h><text:p>Find<text:s/>the '
                    .'<text:span>day</text:span>.<text:note><text:p>no</text:p></text:note></text:p>'
                    .'</office:text></office:body></office:document-content>';
        yield 'plain text' => ['a.txt', "## High\r\n\r\nFind the day.", "## High\n\nFind the day."];
        yield 'an older encoding' => ['a.md', "Fl\xFCt", 'Flüt'];
        yield 'UTF-16' => ['a.txt', "\xFF\xFEH\0i\0", 'Hi'];
        yield 'docx' => [
            'a.docx',
            self::zip(['word/document.xml' => $docx, 'word/styles.xml' => $styles]),
            "# Tides\n\n## High\n\nFind the & day.\n\n- a table\n",
        ];
        yield 'odt' => ['a.odt', self::zip(['content.xml' => $odt]), "# Tides\n\n## High\n\nFind the day.\n"];
    }

    #[DataProvider('files')]
    public function test_scripts_are_read_from_files(string $name, string $content, string $text): void
    {
        $this->readFile($name, $content)
            ->assertOk()
            ->assertJsonPath('text', $text)
            ->assertJsonPath('title', str_starts_with($text, '# ') ? 'Tides' : null);
    }

    #[TestWith(['docx'])]
    #[TestWith(['odt'])]
    public function test_a_word_processors_own_files_keep_headings_and_paragraphs(string $format): void
    {
        $this->readFile("a.{$format}", (string) file_get_contents(Decks::text($format)))
            ->assertOk()
            ->assertJsonPath('title', 'Tides')
            ->assertJson(['text' => "# Tides\n\n## High\n\nFind the day.\n\n- a table\n\n## Low\n\nRead & write.\n"]);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function badFiles(): iterable
    {
        yield 'empty' => ['a.md', '', '"a.md" is empty.'];
        yield 'nothing but space' => ['a.md', " \n\n", 'There are no words in "a.md".'];
        yield 'a program' => ['a.txt', "\x7FELF\0\0", '"a.txt" is not a text file.'];
        yield 'another kind' => ['a.exe', 'MZ', '"a.exe" is no script.'];
        yield 'an old word processor file' => ['a.doc', "\xD0\xCF\x11\xE0", 'Save it as .docx or .odt'];
        yield 'locked' => ['a.docx', "\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1".str_repeat('x', 99), 'protected with a password'];
        yield 'no archive' => ['a.docx', 'hello', '"a.docx" is damaged'];
        yield 'cut off' => ['a.odt', substr(self::zip(['content.xml' => str_repeat('<a/>', 900)]), 0, 60), '"a.odt" is damaged'];
        yield 'an archive of something else' => ['a.docx', self::zip(['x.txt' => 'hi']), 'is not a word processor file'];
        yield 'entities' => [
            'a.odt',
            self::zip(['content.xml' => '<?xml version="1.0"?><!DOCTYPE a [<!ENTITY x SYSTEM "file:///etc/passwd">]><a>&x;</a>']),
            'its text cannot be read',
        ];
        $w = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';
        yield 'paragraphs in each other' => ['a.docx', self::zip(['word/document.xml' => "<w:document {$w}><w:body>"
            .str_repeat('<w:p><w:r><w:t>Tide</w:t></w:r>', 5000).str_repeat('</w:p>', 5000).'</w:body></w:document>',
        ]), 'its text cannot be read'];
        $odt = 'xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0"';
        yield 'words in each other' => ['a.odt', self::zip(['content.xml' => "<x {$odt}><text:p>".str_repeat('<text:span>', 5000)
            .'Tide'.str_repeat('</text:span>', 5000).'</text:p></x>',
        ]), 'its text cannot be read'];
        yield 'a bomb' => ['a.docx', self::zip(['word/document.xml' => str_repeat("\0", 30_000_000)]), 'It was not opened.'];
    }

    #[DataProvider('badFiles')]
    public function test_what_is_no_script_is_refused_with_a_sentence(string $name, string $content, string $says): void
    {
        $detail = $this->readFile($name, $content)->assertUnprocessable()->json('detail');

        self::assertStringContainsString($says, $detail);
    }

    public function test_a_script_without_end_is_refused(): void
    {
        $this->save($this->lesson(), str_repeat('Tide. ', 90_000), 1)
            ->assertUnprocessable()
            ->assertJsonPath('detail', 'A script has at most 500,000 characters. Make a second lesson of the rest.');
        $this->putJson('/api/lessons/'.$this->lesson()->id.'/script', ['text' => 'x'])->assertUnprocessable();
        $start = microtime(true);
        $this->save($this->lesson(), str_repeat("## T\n", 100_000), 1)
            ->assertUnprocessable()
            ->assertJsonPath('detail', 'A script has at most 1,000 sections. Make a second lesson of the rest.');
        self::assertLessThan(10, microtime(true) - $start);
        // As many as there can be are opened.
        $lesson = $this->lesson();
        $this->save($lesson, str_repeat("## T\n\nOne. Two.\n\n", 1000), 1)->assertOk();
        $this->getJson("/api/lessons/{$lesson->id}")->assertOk()->assertJsonCount(1000, 'sections');
        $this->getJson("/api/lessons/{$lesson->id}/script")->assertOk();
    }

    /** @param  array<string, string>  $parts */
    private static function zip(array $parts): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'zip');
        $zip = new \ZipArchive();
        $zip->open($file, \ZipArchive::OVERWRITE);
        foreach ($parts as $name => $content) {
            $zip->addFromString($name, $content);
        }
        $zip->close();
        $bytes = (string) file_get_contents($file);
        unlink($file);

        return $bytes;
    }

    private function readFile(string $name, string $content): \Illuminate\Testing\TestResponse
    {
        return $this->post(
            '/api/read-script',
            ['file' => UploadedFile::fake()->createWithContent($name, $content)],
            ['Accept' => 'application/json'],
        );
    }

    private function lesson(?string $script = null): Lesson
    {
        $lesson = Lesson::query()->findOrFail(
            $this->postJson('/api/lessons', ['title' => 'New'])
                ->assertCreated()
                ->json('id'),
        );
        if ($script !== null) {
            $this->save($lesson, $script)->assertOk();
        }

        return $lesson->refresh();
    }

    private function save(Lesson $lesson, string $text, ?int $revision = null): \Illuminate\Testing\TestResponse
    {
        return $this->putJson("/api/lessons/{$lesson->id}/script", [
            'text' => $text,
            'revision' => $revision ?? $lesson->refresh()->revision,
        ]);
    }

    /** @return list<array<string, mixed>> */
    private function sections(Lesson $lesson): array
    {
        return $this->getJson("/api/lessons/{$lesson->id}")->json('sections');
    }
}
