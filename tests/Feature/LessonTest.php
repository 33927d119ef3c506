<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Lesson;
use App\Models\Section;
use App\Models\Take;

final class LessonTest extends FeatureTestCase
{
    private const ODD_HEADING = "Quotes \" ' braces {\\an7} \\ back, emoji 🚣, right to left שלום, <b>tags</b>";

    private const ODD_TEXT = "Quotes \" ' braces {\\an7} \\ back, emoji 🚣, right to left שלום, <b>tags</b>\n\n  two spaces";

    public function test_a_new_lesson_starts_with_one_empty_section(): void
    {
        $lesson = $this->postJson('/api/lessons', ['title' => 'Tides', 'width' => 1920, 'height' => 1080, 'fps' => 30])
            ->assertCreated()
            ->json();

        self::assertCount(1, $lesson['sections']);
        self::assertSame([], $lesson['sections'][0]['lines']);
    }

    public function test_what_a_lesson_cannot_be_is_refused(): void
    {
        $good = ['title' => 'Tides', 'width' => 1920, 'height' => 1080, 'fps' => 30];
        $bad = [
            'Give the lesson a title.' => ['title' => '  '],
            'A title has at most 200 characters.' => ['title' => str_repeat('x', 201)],
            'That frame size is not offered. Choose one of the list, for example 1920 x 1080.' => ['height' => 721],
            'Choose 24, 25, 30, 50 or 60 frames per second.' => ['fps' => 29],
        ];
        foreach ($bad as $says => $change) {
            $this->postJson('/api/lessons', $change + $good)
                ->assertUnprocessable()
                ->assertJson(['detail' => $says]);
        }
        $this->patchJson('/api/lessons/'.Lesson::factory()->create()->id, ['title' => 'x', 'fps' => 30])->assertUnprocessable();
        self::assertSame(1, Lesson::query()->count());
    }

    public function test_a_deleted_lesson_comes_back_whole(): void
    {
        $take = Take::factory()->create();
        $lesson = $take->section->lesson;

        $this->deleteJson("/api/lessons/{$lesson->id}")->assertNoContent();
        $this->getJson("/api/lessons/{$lesson->id}")
            ->assertNotFound()
            ->assertJson(['detail' => 'There is nothing here. It may have been deleted.']);
        self::assertSame([], $this->getJson('/api/lessons')->json());

        $this->postJson("/api/lessons/{$lesson->id}/restore")
            ->assertOk()
            ->assertJsonPath('sections.0.takes.0.id', $take->id);
    }

    public function test_what_has_not_changed_is_not_sent_again(): void
    {
        $lesson = Lesson::factory()->create(['title' => 'Tides']);
        $path = "/api/lessons/{$lesson->id}";
        $known = (string) $this->getJson($path)->assertOk()->headers->get('ETag');

        $again = $this->getJson($path, ['If-None-Match' => $known])->assertStatus(304);
        self::assertSame('', $again->getContent());
        $this->putJson($path, ['title' => 'High water'])->assertOk()->assertHeaderMissing('ETag');
        $this->getJson($path, ['If-None-Match' => $known])->assertOk()->assertJson(['title' => 'High water']);
        self::assertStringContainsString('no-cache', (string) $this->getJson($path)->headers->get('Cache-Control'));
    }

    public function test_the_shelf_counts_what_is_kept(): void
    {
        $section = Section::factory()->create();
        Section::factory()->create(['lesson_id' => $section->lesson_id, 'position' => 2]);
        Take::factory()->create(['section_id' => $section->id, 'verdict' => 'kept']);
        Take::factory()->create(['section_id' => $section->id, 'number' => 2]);

        $this->getJson('/api/lessons')
            ->assertOk()
            ->assertJsonPath('0.kept', 1)
            ->assertJsonPath('0.sections', 2)
            ->assertJsonPath('0.running_ms', 8000);
    }

    public function test_text_comes_back_as_typed(): void
    {
        $section = $this->section();
        $this->patchJson("/api/sections/{$section->id}", [
            'heading' => self::ODD_HEADING,
            'script' => self::ODD_TEXT,
        ])->assertOk();

        $this->getJson("/api/lessons/{$section->lesson_id}")
            ->assertJsonPath('sections.0.script', self::ODD_TEXT)
            ->assertJsonPath('sections.0.heading', self::ODD_HEADING);
    }

    public function test_sections_are_added_moved_removed_and_brought_back(): void
    {
        $first = $this->section();
        $lesson = $first->lesson_id;
        $last = $this->postJson("/api/lessons/{$lesson}/sections")
            ->assertCreated()
            ->json('id');
        $middle = $this->postJson("/api/lessons/{$lesson}/sections", ['after' => $first->id])
            ->assertCreated()
            ->json('id');
        self::assertSame([$first->id, $middle, $last], $this->order($lesson));

        $this->putJson("/api/lessons/{$lesson}/order", ['sections' => [$last, $first->id, $middle]])->assertOk();
        self::assertSame([$last, $first->id, $middle], $this->order($lesson));

        $this->deleteJson("/api/sections/{$first->id}")->assertNoContent();
        self::assertSame([$last, $middle], $this->order($lesson));
        $this->putJson("/api/lessons/{$lesson}/order", ['sections' => [$last, $first->id, $middle]])->assertConflict();
        $this->postJson("/api/sections/{$first->id}/restore")->assertOk();
        self::assertSame([$last, $first->id, $middle], $this->order($lesson));
    }

    public function test_a_section_has_lines_and_an_estimate(): void
    {
        $this->getJson("/api/lessons/{$this->section()->lesson_id}")
            ->assertJsonPath('sections.0.lines.1.number', 2)
            ->assertJsonPath('sections.0.lines.1.text', 'Then find the first high water.')
            // Find the day. Then find the first high wa-ter: 10 syllables.
            ->assertJsonPath('sections.0.estimate_ms', 10 * 270 + 2 * 450);
    }

    public function test_a_verdict_moves_and_nothing_is_deleted(): void
    {
        $first = Take::factory()->create(['verdict' => 'kept']);
        $second = Take::factory()->create(['section_id' => $first->section_id, 'number' => 2]);

        $this->patchJson("/api/takes/{$second->id}", ['verdict' => 'kept'])
            ->assertOk()
            ->assertJsonPath('verdict', 'kept');
        self::assertSame('undecided', $first->refresh()->verdict->value);
        $this->patchJson("/api/takes/{$second->id}", ['verdict' => 'discarded'])->assertOk();
        $this->patchJson("/api/takes/{$second->id}", ['verdict' => 'undecided'])->assertOk();
        $this->patchJson("/api/takes/{$second->id}", ['verdict' => 'loved'])->assertUnprocessable();
        self::assertSame(2, Take::query()->count());
    }

    public function test_start_and_end_can_be_set_and_given_back(): void
    {
        $take = Take::factory()->create();

        $this->patchJson("/api/takes/{$take->id}", ['used_from_ms' => 1500, 'used_until_ms' => 99_000])
            ->assertOk()
            ->assertJson(['used_from_ms' => 1500, 'used_until_ms' => 10_000, 'trimmed_by_hand' => true]);
        $this->patchJson("/api/takes/{$take->id}", ['used_from_ms' => 5000, 'used_until_ms' => 5100])->assertUnprocessable();
        $this->patchJson("/api/takes/{$take->id}", ['used_from_ms' => -5, 'used_until_ms' => 5100])->assertUnprocessable();
        $this->patchJson("/api/takes/{$take->id}", ['used_from_ms' => null, 'used_until_ms' => null])
            ->assertOk()
            ->assertJson(['used_from_ms' => 1000, 'used_until_ms' => 9000, 'trimmed_by_hand' => false]);
    }

    public function test_other_web_sites_cannot_change_or_ask_anything(): void
    {
        $this->postJson(
            '/api/lessons',
            ['title' => 'x', 'width' => 1280, 'height' => 720, 'fps' => 25],
            ['Sec-Fetch-Site' => 'cross-site'],
        )->assertForbidden();
        $this->getJson('/api/lessons', ['Sec-Fetch-Site' => 'cross-site'])->assertForbidden();
        $this->getJson('/api/lessons', ['Sec-Fetch-Site' => 'same-origin'])->assertOk();
    }

    public function test_every_page_is_the_shell_and_unknown_calls_are_answered_as_problems(): void
    {
        $this->withoutVite();
        $this->get('/lessons/01h/record')->assertOk()->assertSee('id="setup"', false)->assertHeader('Content-Security-Policy');
        $this->get('/api/nothing')->assertNotFound()->assertHeader('Content-Type', 'application/problem+json');
    }

    /** @return list<string> */
    private function order(string $lesson): array
    {
        return array_column($this->getJson("/api/lessons/{$lesson}")->json('sections'), 'id');
    }
}
