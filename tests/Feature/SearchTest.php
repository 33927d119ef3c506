<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Lesson;
use App\Models\Section;
use Illuminate\Http\UploadedFile;

/** Words are found in all lessons, as they are now. */
final class SearchTest extends FeatureTestCase
{
    public function test_titles_headings_lines_and_slides_are_found_where_they_stand(): void
    {
        $lesson = $this->written("# Springs and neaps\n\n## The Höhe of it\n\nFind the day. Read 4.8 metres off it.\n");
        $this->post("/api/lessons/{$lesson->id}/slides", [
            'files' => [UploadedFile::fake()->image('Gezeitenuhr.png', 64, 36)], 'fill' => 1,
        ]);
        $this->written("# Other\n\n## Else\n\nNothing of the kind.\n");
        $section = Section::query()->where('lesson_id', $lesson->id)->sole();

        $line = $this->found('metr off');
        self::assertSame([['line', $lesson->id, $section->id]], array_map(
            fn (array $f): array => [$f['kind'], $f['lesson_id'], $f['section_id']], $line,
        ));
        self::assertSame([['Read 4.8 ', false], ['metres', true], [' ', false], ['off', true], [' it.', false]], array_map(
            array_values(...), $line[0]['parts'],
        ));
        self::assertSame($section->id, $this->getJson("/api/lessons/{$lesson->id}")->json('sections.0.id'));
        self::assertSame($line[0]['line_id'], $this->getJson("/api/lessons/{$lesson->id}")->json('sections.0.lines.1.id'));
        self::assertSame(['heading'], array_column($this->found('hohe'), 'kind'));
        self::assertSame(['lesson'], array_column($this->found('NEAPS'), 'kind'));
        $slide = $this->found('gezeiten');
        self::assertSame([['slide', $section->id]], array_map(fn (array $f): array => [$f['kind'], $f['section_id']], $slide));
        self::assertSame([], $this->found('day nothing'));
    }

    public function test_what_changes_or_goes_is_found_so(): void
    {
        $lesson = $this->written("# Tides\n\n## One\n\nThe creek is full at seven.\n");
        self::assertCount(1, $this->found('creek'));
        $this->script($lesson, "# Tides\n\n## Two\n\nThe harbour is full at seven.\n");
        self::assertSame([], $this->found('creek'));
        self::assertSame([], $this->found('one'));
        self::assertCount(1, $this->found('harbour'));
        self::assertCount(1, $this->found('two'));

        $this->deleteJson("/api/lessons/{$lesson->id}")->assertNoContent();
        self::assertSame([], $this->found('harbour'));
        $this->postJson("/api/lessons/{$lesson->id}/restore")->assertOk();
        self::assertCount(1, $this->found('harbour'));
        self::assertCount(1, $this->found('tides'));
        $this->deleteJson("/api/lessons/{$lesson->id}")->assertNoContent();
        $this->deleteJson("/api/lessons/{$lesson->id}/for-good")->assertNoContent();
        self::assertSame([], $this->found('harbour'));
        $this->assertDatabaseCount('searched', 0);
    }

    public function test_whatever_is_typed_is_answered(): void
    {
        $this->written("# Tides\n\n## One\n\nThe creek is full at seven.\n");
        foreach (['', '"', 'NEAR(', '*', "a' OR 1=1 --", str_repeat('a', 200), "\u{202E}creek", 'text:creek'] as $typed) {
            self::assertLessThan(3, count($this->found($typed)));
        }
        $this->getJson('/api/search?q='.str_repeat('a', 201))->assertStatus(422);
        $this->getJson('/api/search?q[]=a')->assertStatus(422);
    }

    private function written(string $text): Lesson
    {
        $id = $this->postJson('/api/lessons', ['title' => 'New'])->assertCreated()->json('id');

        return $this->script(Lesson::query()->where('id', $id)->sole(), $text);
    }

    private function script(Lesson $lesson, string $text): Lesson
    {
        $revision = $lesson->refresh()->revision;
        $this->putJson("/api/lessons/{$lesson->id}/script", ['text' => $text, 'revision' => $revision])->assertOk();

        return $lesson->refresh();
    }

    /** @return list<array<string, mixed>> */
    private function found(string $words): array
    {
        return $this->getJson('/api/search?q='.rawurlencode($words))->assertOk()->json();
    }
}
