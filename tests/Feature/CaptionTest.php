<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Script\SaveScript;
use App\Media\Program;
use App\Models\CaptionRow;
use App\Models\Export;
use App\Models\Section;
use App\Models\Take;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use OpenReel\Core\Script\Script;

/** Captions that a person reads and puts right. */
final class CaptionTest extends FeatureTestCase
{
    private const FIRST = 'The creek is full at seven.';

    private const SECOND = 'At one it is a ribbon of water.';

    public function test_what_a_person_reads_and_puts_right_is_what_the_film_has(): void
    {
        $section = $this->spoken();
        self::assertSame([[self::FIRST, false], [self::SECOND, false]], $this->told($section));

        $this->putJson("/api/sections/{$section->id}/captions/0", ['was' => self::FIRST, 'text' => null])->assertOk();
        $text = "At 1 p.m. it is\na {ribbon} <b>";
        $this->putJson("/api/sections/{$section->id}/captions/1", ['was' => self::SECOND, 'text' => $text])->assertOk();
        self::assertSame([[self::FIRST, true], ['At 1 p.m. it is a {ribbon} <b>', true]], $this->told($section));
        $this->getJson("/api/lessons/{$section->lesson_id}/captions")->assertJson(['count' => 2, 'unchecked' => 0]);

        $this->postJson("/api/lessons/{$section->lesson_id}/exports")->assertJson(['state' => 'done']);
        $export = Export::query()->sole();
        self::assertContains('Captions are in it as text (2), to be switched on.', array_column($export->findings, 'says'));
        self::assertSame([], array_filter($export->findings, fn (array $f): bool => ! $f['ok']));
        $inside = Program::run([
            'ffmpeg', '-v', 'error', '-i', $this->media()->path((string) $export->path), '-map', '0:s:0', '-f', 'srt', '-',
        ])['output'];
        self::assertStringContainsString("At 1 p.m. it is\na {ribbon} <b>", str_replace(['\\', "\r"], '', $inside));
        $beside = $this->get("/api/exports/{$export->id}/beside/captions.vtt")->streamedContent();
        self::assertStringContainsString("At 1 p.m. it is\na {ribbon} &lt;b&gt;", $beside);
    }

    public function test_another_language_is_typed_or_brought_in_and_goes_along_with_the_film(): void
    {
        $section = $this->spoken();
        $path = "/api/lessons/{$section->lesson_id}/translations/de";
        $captions = "/api/lessons/{$section->lesson_id}/captions";
        $first = fn (int $n = 0): array => $this->getJson($captions)->json("sections.0.captions.{$n}");
        $texts = fn (int $n = 0): array => array_column($first($n)['translated'], 'text', 'language');
        $said = ['line' => $first()['line'], 'word' => $first()['word'], 'was' => self::FIRST];
        $this->putJson($path, $said + ['text' => "Der Priel ist\num sieben voll."])->assertNoContent();
        self::assertSame(['de' => "Der Priel ist\num sieben voll."], $texts());
        self::assertSame([], $texts(1));

        // A file with times: each text goes to the caption that is seen meanwhile, and can be taken back.
        $vtt = "WEBVTT\n\n00:00.100 --> 00:01.000\nVoll um sieben.\n\n59:00.000 --> 59:01.000\nNach dem Ende.\n";
        $file = UploadedFile::fake()->createWithContent('de.vtt', $vtt);
        $brought = $this->post("{$path}/file", ['file' => $file])->assertOk()->json();
        self::assertSame([1, 2], [$brought['placed'], $brought['captions']]);
        self::assertSame(['de' => 'Voll um sieben.'], $texts());
        $this->putJson("{$path}/all", ['texts' => $brought['undo']])->assertNoContent();
        self::assertSame(['de' => "Der Priel ist\num sieben voll."], $texts());
        $this->putJson(
            "/api/lessons/{$section->lesson_id}/translations/fr", $said + ['text' => 'Pleine à sept heures.'],
        )->assertNoContent();

        $this->postJson("/api/lessons/{$section->lesson_id}/exports")->assertJson(['state' => 'done']);
        $export = Export::query()->sole();
        self::assertContains('captions.de.vtt', $export->beside ?? []);
        $text = $this->get("/api/exports/{$export->id}/beside/captions.de.vtt")->assertOk()->streamedContent();
        self::assertStringContainsString("\nDer Priel ist\num sieben voll.\n", $text);
        self::assertSame(1, substr_count($text, '-->'));
        $site = $this->postJson(
            "/api/lessons/{$section->lesson_id}/publication", ['export_id' => $export->id],
        )->json('site.path');
        $this->get($site)->assertOk()->assertSee(
            'srclang="de" label="Deutsch"', false,
        )->assertSee('srclang="en" label="English"', false);
        $this->get("{$site}/captions.de.vtt")->assertOk();
        $this->get("{$site}/captions.pl.vtt")->assertNotFound();

        // Another text makes the film out of date; nothing is rendered for it. Nothing at all takes it away.
        $this->putJson($path, $said + ['text' => ''])->assertNoContent();
        self::assertSame(['fr' => 'Pleine à sept heures.'], $texts());
        $this->getJson("/api/lessons/{$section->lesson_id}/exports")->assertJsonPath('0.up_to_date', false);
        $this->getJson("/api/lessons/{$section->lesson_id}/assembly")->assertJson(['sections' => 1, 'rendered' => 1]);
    }

    public function test_what_the_script_does_not_have_is_filled_in_or_left_out(): void
    {
        $section = $this->spoken();
        $path = "/api/sections/{$section->id}/captions";
        $take = Take::query()->sole();
        $middle = intdiv($take->summary->length_ticks, 2);
        $this->heard($take, ['heard' => ['confidence' => 1.0, 'reads' => [], 'pauses' => [], 'missing' => [], 'unscripted' => [
            [$middle, $middle + 72_000],
        ]]]);
        $told = $this->getJson("/api/lessons/{$section->lesson_id}/captions")->json('sections.0.captions');
        $open = array_values(array_filter($told, fn (array $c): bool => $c['to_fill']));
        self::assertCount(1, $open);
        $vtt = function () use ($section): string {
            $id = $this->postJson("/api/lessons/{$section->lesson_id}/exports")->assertJson(['state' => 'done'])->json('id');

            return $this->get("/api/exports/{$id}/beside/captions.vtt")->streamedContent();
        };
        self::assertStringNotContainsString('…', $vtt());

        $this->putJson("{$path}/{$open[0]['number']}", ['was' => $open[0]['was'], 'text' => 'Look at that!'])->assertOk();
        self::assertStringContainsString('Look at that!', $vtt());
    }

    public function test_a_translation_that_is_none_is_refused(): void
    {
        $section = $this->spoken();
        $path = "/api/lessons/{$section->lesson_id}/translations";
        $this->putJson("{$path}/xx", ['line' => 'a', 'word' => 0, 'was' => 'b', 'text' => 'c'])->assertStatus(422);
        $this->putJson("{$path}/de", ['line' => ['a'], 'word' => 0, 'was' => 'b'])->assertStatus(422);
        $this->postJson("{$path}/de/file")->assertStatus(422);
        foreach (['Find the day.', "1\n00:50:00,000 --> 00:50:01,000\nSpät.\n", ''] as $content) {
            $file = UploadedFile::fake()->createWithContent('de.srt', $content);
            $answer = $this->post("{$path}/de/file", ['file' => $file], ['Accept' => 'application/json']);
            self::assertContains($answer->getStatusCode(), [409, 422]);
        }
        $this->assertDatabaseCount('translations', 0);
    }

    public function test_other_captions_make_the_film_out_of_date_and_it_is_made_again_without_rendering(): void
    {
        $section = $this->spoken();
        $exports = "/api/lessons/{$section->lesson_id}/exports";
        $this->postJson($exports)->assertJson(['state' => 'done']);
        $this->putJson("/api/sections/{$section->id}/captions/0", ['was' => self::FIRST, 'text' => 'Full at seven.'])->assertOk();

        $this->getJson($exports)->assertJsonPath('0.up_to_date', false);
        $this->getJson("/api/lessons/{$section->lesson_id}/assembly")->assertJson(['sections' => 1, 'rendered' => 1]);
    }

    public function test_a_word_goes_to_the_next_caption_and_each_change_can_be_taken_back(): void
    {
        $section = $this->spoken();
        $path = "/api/sections/{$section->id}/captions";
        $undo = $this->postJson("{$path}/0/move", ['was' => self::FIRST, 'by' => -1])->assertOk()->json();
        self::assertSame(
            [['The creek is full at', false], ['seven. '.self::SECOND, false]],
            $this->told($section),
        );

        $checked = $this->putJson($path, ['was' => ['The creek is full at', 'seven. '.self::SECOND]])->assertOk()->json();
        self::assertSame([true, true], array_column($this->told($section), 1));
        $this->undo($section, $checked);
        self::assertSame([false, false], array_column($this->told($section), 1));
        $this->undo($section, $undo);
        self::assertSame([[self::FIRST, false], [self::SECOND, false]], $this->told($section));
        self::assertSame(0, CaptionRow::query()->count());
    }

    public function test_what_was_checked_by_mistake_is_read_again_and_keeps_its_text(): void
    {
        $section = $this->spoken();
        $path = "/api/sections/{$section->id}/captions/0";
        $this->putJson($path, ['was' => self::FIRST, 'text' => 'Full at seven.'])->assertOk();
        $this->putJson($path, ['was' => self::FIRST, 'text' => 'Full at seven.', 'checked' => false])->assertOk();

        self::assertSame(['Full at seven.', false], $this->told($section)[0]);
        self::assertSame(1, CaptionRow::query()->count());
    }

    public function test_what_changed_since_it_was_checked_is_shown_again_and_comes_back_with_its_words(): void
    {
        $section = $this->spoken();
        $path = "/api/sections/{$section->id}/captions";
        $this->putJson($path, ['was' => [self::FIRST, self::SECOND]])->assertOk();

        $this->write($section, 'The creek is brimful at seven. '.self::SECOND);
        self::assertSame([['The creek is brimful at seven.', false], [self::SECOND, true]], $this->told($section));
        $all = $this->getJson("/api/lessons/{$section->lesson_id}/captions")->json('sections.0.captions');
        self::assertSame([self::FIRST, null], array_column($all, 'before'));

        $this->write($section, self::FIRST.' '.self::SECOND);
        self::assertSame([[self::FIRST, true], [self::SECOND, true]], $this->told($section));
    }

    public function test_a_change_to_captions_that_are_others_by_now_is_refused_with_a_sentence(): void
    {
        $section = $this->spoken();
        $path = "/api/sections/{$section->id}/captions";

        $says = 'The captions of this section are others by now. Read them again.';
        $this->putJson("{$path}/0", ['was' => 'Nobody says this.', 'text' => 'x'])
            ->assertStatus(409)
            ->assertJson(['detail' => $says]);
        $this->putJson("{$path}/9", ['was' => self::FIRST])->assertOk();
        CaptionRow::query()->delete();
        $this->putJson($path, ['was' => [self::FIRST]])->assertStatus(409)->assertJson(['detail' => $says]);
        $this->postJson("{$path}/1/move", ['was' => self::SECOND, 'by' => 1])->assertStatus(409);
        $this->postJson("{$path}/0/move", ['was' => self::FIRST, 'by' => 12])->assertStatus(409);
        $this->postJson("{$path}/0/move", ['was' => self::FIRST, 'by' => 'many'])->assertStatus(422);
        $this->putJson("{$path}/0", ['text' => str_repeat('x', 500)])->assertStatus(422);
        self::assertSame(0, CaptionRow::query()->count());
    }

    /** @param  array<string, mixed>  $undo */
    private function undo(Section $section, array $undo): TestResponse
    {
        return $this->postJson("/api/lessons/{$section->lesson_id}/captions/undo", $undo)->assertOk();
    }

    /** @return list<array{string, bool}> text of each caption, and whether it is checked */
    private function told(Section $section): array
    {
        $all = $this->getJson("/api/lessons/{$section->lesson_id}/captions")->assertOk()->json('sections.0.captions');

        return array_map(fn (array $c): array => [implode(' ', $c['rows']), (bool) $c['checked']], array_values($all));
    }

    private function write(Section $section, string $text): void
    {
        $lesson = $section->lesson()->firstOrFail();
        app(SaveScript::class)($lesson, Script::parse("## One\n\n{$text}"), $lesson->revision);
    }

    private function spoken(): Section
    {
        $section = $this->section();
        $section->lesson()->firstOrFail()->update(['width' => 320, 'height' => 180, 'fps' => 25]);
        $this->write($section, self::FIRST.' '.self::SECOND);
        $section = $section->lesson()->firstOrFail()->sections()->firstOrFail();
        $take = $this->keep($this->record($section, Clips::lighter()));
        $ids = DB::table('lines')->where('section_id', $section->id)->whereNotNull('position')->orderBy('position')->pluck('id');
        $this->heard($take, ['line_ticks' => [$ids[0] => 48_000, $ids[1] => 4 * 48_000]]);

        return $section->refresh();
    }
}
