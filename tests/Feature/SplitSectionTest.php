<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Program;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Take;
use Illuminate\Http\UploadedFile;

/** What a script does to takes that are there: sections split off, lines written since, pauses asked for. */
final class SplitSectionTest extends FeatureTestCase
{
    private const WHOLE = "# Tides\n\n## High water\n\nFind the day and the first high water. Then read the height.\n";

    public function test_a_section_split_off_has_its_chapter_and_its_slide_in_the_film(): void
    {
        $lesson = $this->recorded();
        $this->post(
            "/api/lessons/{$lesson->id}/slides",
            ['files' => [new UploadedFile(Clips::slide(), 'curve.png', null, null, true)], 'fill' => '0'],
            ['Accept' => 'application/json'],
        )->assertCreated();
        $this->write($lesson, str_replace(' Then', "\n\n## Its height\n\n[slide: curve]\n\nThen", self::WHOLE));

        $sections = $this->getJson("/api/lessons/{$lesson->id}")->json('sections');
        self::assertSame([false, true], array_column(array_column($sections, 'coverage'), 'elsewhere'));
        $plan = $this->getJson("/api/lessons/{$lesson->id}/assembly")
            ->assertOk()
            ->json();
        self::assertSame([], $plan['missing']);
        self::assertSame([2, 2], [$plan['sections'], count($plan['segments'])]);
        [$before, $after] = $plan['segments'];
        self::assertSame($before['take_id'], $after['take_id'], 'one take, heard once');
        self::assertSame(
            $before['map'][0]['in_ticks'] + $before['frames'] * $before['map'][0]['step'],
            $after['map'][0]['in_ticks'],
            'without a gap',
        );
        self::assertSame(['camera'], array_column($before['shots'][0]['picture']['layers'], 'shows'));
        self::assertStringContainsString('/api/slides/', $after['shots'][0]['picture']['layers'][0]['url']);

        $this->postJson("/api/lessons/{$lesson->id}/exports")
            ->assertStatus(202)
            ->assertJson(['state' => 'done']);
        $film = $this->media()->path((string) Export::query()->sole()->path);
        $chapters = json_decode(Program::run(['ffprobe', '-v', 'error', '-show_chapters', '-of', 'json', $film])['output'], true)[
            'chapters'
        ];
        self::assertSame(['High water', 'Its height'], array_column(array_column($chapters, 'tags'), 'title'));
        // The chapter begins on the frame on which the slide comes up.
        self::assertEqualsWithDelta($after['start_frame'] / $plan['fps'], (float) $chapters[1]['start_time'], 0.001);
    }

    public function test_a_cue_before_a_line_written_since_comes_up_with_the_next_line_that_is_spoken(): void
    {
        $lesson = $this->recorded();
        $this->write($lesson, str_replace(' Then', ' [layout: camera alone] This one is new. Then', self::WHOLE));

        $shots = $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('segments.0.shots');
        self::assertCount(2, $shots);
        $then = Take::query()->sole()->summary->starts;
        $frame = intdiv((int) end($then) - (int) Take::query()->sole()->summary->speech_from, intdiv(48_000, $lesson->fps));
        self::assertSame($frame, $shots[1]['offset']);
    }

    public function test_a_cue_trimmed_away_does_not_flash(): void
    {
        $lesson = $this->recorded();
        $this->write($lesson, str_replace(' Then', ' [layout: camera alone] Then', self::WHOLE));
        self::assertCount(2, $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('segments.0.shots'));

        $take = Take::query()->sole();
        $starts = $take->summary->starts;
        $this->patchJson("/api/takes/{$take->id}", ['used_until_ms' => intdiv((int) end($starts), 48) - 10])->assertOk();
        self::assertCount(1, $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('segments.0.shots'));
    }

    public function test_pauses_that_the_script_asks_for_are_noted_with_the_take(): void
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        $this->write($lesson, "# T\n\n## A\n\nOne. [pause 4 s] Two.\n\n[slide] Three.\n");
        $section = $lesson->sections()->firstOrFail();
        $this->postJson("/api/sections/{$section->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
        ])->assertCreated();

        $take = Take::query()->sole();
        self::assertSame(4_600, $take->silence_ms, 'four seconds, and a look at the new slide');
        $estimate = $this->getJson("/api/lessons/{$lesson->id}")->json('sections.0.estimate_ms');
        self::assertSame(
            $estimate,
            $take->expected_ms + $take->silence_ms,
            'said at the assumed pace it lasts as long as estimated',
        );
    }

    public function test_a_title_below_the_lessons_own_cues_can_be_changed(): void
    {
        $lesson = Lesson::factory()->create();
        $this->write($lesson, "[target 4:00]\n\n# Old name\n\n## A\n\nOne.\n");
        $this->patchJson("/api/lessons/{$lesson->id}", ['title' => 'New name'])
            ->assertOk()
            ->assertJson(['title' => 'New name', 'target_ms' => 240_000]);

        self::assertSame("[target 4:00]\n\n# New name\n\n## A\n\nOne.\n", $lesson->refresh()->script);
    }

    private function recorded(): Lesson
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        $this->write($lesson, self::WHOLE);
        $this->keep($this->record($lesson->sections()->firstOrFail(), Clips::spoken()));

        return $lesson;
    }

    private function write(Lesson $lesson, string $text): void
    {
        $this->putJson("/api/lessons/{$lesson->id}/script", [
            'text' => $text,
            'revision' => $lesson->refresh()->revision,
        ])->assertOk();
    }
}
