<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Film\ReadDraft;
use App\Jobs\ReadAloudJob;
use App\Jobs\ReadDraftJob;
use App\Models\Section;
use App\Queries\Film\AssembleLesson;
use Illuminate\Support\Facades\Queue;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Render\ExportPreset;
use OpenReel\Core\Script\SpeakingTime;

/** A draft: a stand-in voice reads what nobody has recorded yet. */
final class DraftTest extends FeatureTestCase
{
    public function test_a_lesson_is_watched_before_anything_is_recorded(): void
    {
        $section = $this->written('Low water is at 7:15. So leave a margin.');
        $lesson = $section->lesson()->firstOrFail();
        self::assertSame([], $this->getJson("/api/lessons/{$lesson->id}/assembly")->assertOk()->json('segments'));

        // The first question has it read; jobs run at once here.
        $first = $this->getJson("/api/lessons/{$lesson->id}/assembly?draft=1")->assertOk()->json();
        self::assertSame([2, []], [$first['unread'], $first['segments']]);
        $plan = $this->getJson("/api/lessons/{$lesson->id}/assembly?draft=1")->assertOk()->json();
        self::assertSame(0, $plan['unread']);
        self::assertSame([true, true], array_column($plan['segments'], 'draft'));
        self::assertSame([null, null], array_column($plan['segments'], 'take_id'));
        self::assertSame([], $plan['missing']);
        self::assertContains('draft-mark', array_column(data_get($plan, 'segments.0.shots.0.picture.layers'), 'shows'));
        $sound = $this->fileOf($this->get(data_get($plan, 'segments.0.media_url'))->assertOk());
        self::assertStringStartsWith('fLaC', (string) file_get_contents($sound->getPathname()));
        $this->get('/api/draft-voices/'.str_repeat('0', 64))->assertStatus(404);
        $this->get('/api/draft-voices/..%2f..%2fdatabase')->assertStatus(404);
    }

    public function test_when_the_voice_cannot_read_it_is_said_why_and_is_not_begun_over_and_over(): void
    {
        $section = $this->written('So leave a margin. '.str_repeat('High water is at seven. ', 80));
        Queue::fake();
        $address = "/api/lessons/{$section->lesson_id}/assembly?draft=1";
        $this->getJson($address)->assertOk()->assertJsonPath('unread_because', null);
        $this->get("/api/sections/{$section->id}/stand-in-voice")->assertStatus(202);

        $ended = new \RuntimeException('Ended after an hour.');
        $this->pushed(ReadDraftJob::class)->failed($ended);
        $this->pushed(ReadAloudJob::class)->failed($ended);
        $says = $this->getJson($address)->assertOk()->json('unread_because');
        self::assertStringContainsString('could not read what is not recorded yet', $says);
        $refused = $this->getJson("/api/sections/{$section->id}/stand-in-voice")->assertStatus(409)->json('detail');
        self::assertStringContainsString('could not read this section', $refused);
        Queue::assertPushed(ReadDraftJob::class, 1);
        Queue::assertPushed(ReadAloudJob::class, 1);

        // A little later it is tried again.
        $this->travel(2)->minutes();
        $this->getJson($address)->assertOk()->assertJsonPath('unread_because', null);
        $this->get("/api/sections/{$section->id}/stand-in-voice")->assertStatus(202);
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $job
     * @return T
     */
    private function pushed(string $job): object
    {
        return Queue::pushed($job)->sole();
    }

    public function test_how_long_the_voice_takes_is_the_estimate(): void
    {
        $section = $this->written('Low water is at 7:15. So leave a margin.');
        $lesson = $section->lesson()->firstOrFail();
        $guessed = $this->getJson("/api/lessons/{$lesson->id}")->assertOk()->json('sections.0');
        app(ReadDraft::class)($lesson);
        $told = $this->getJson("/api/lessons/{$lesson->id}")->assertOk()->json('sections.0');
        $film = app(AssembleLesson::class)($lesson, as: ExportPreset::draft())->assembly;

        self::assertNotSame(array_column($guessed['lines'], 'spoken_ms'), array_column($told['lines'], 'spoken_ms'));
        self::assertEqualsWithDelta($film->length()->milliseconds(), $told['estimate_ms'], 80.0, 'two lines, in whole frames');
        // Words that are said otherwise are guessed again, the others are not.
        $wide = 'Low water is at 7:15. So leave a wide margin.';
        $this->patchJson("/api/sections/{$section->id}", ['script' => $wide])->assertOk();
        $changed = $this->getJson("/api/lessons/{$lesson->id}")->assertOk()->json('sections.0.lines');
        self::assertSame($told['lines'][0]['spoken_ms'], $changed[0]['spoken_ms']);
        self::assertSame(SpeakingTime::ofText('So leave a wide margin.'), $changed[1]['spoken_ms']);
    }

    public function test_takes_replace_the_voice_line_by_line(): void
    {
        $section = $this->written('One line to say. Another one to say.');
        $take = $this->keep($this->record($section, Clips::spoken()));
        $lesson = $take->lesson();
        // It was recorded for both, and only the second was heard.
        $ids = array_column($take->lines, 'id');
        $this->heard($take, ['spoken' => [$ids[1]]]);
        app(ReadDraft::class)($lesson);
        $film = app(AssembleLesson::class)($lesson, as: ExportPreset::draft())->assembly;

        self::assertSame(
            [[true, [$ids[0]]], [false, [$ids[1]]]],
            array_map(fn (Segment $s): array => [$s->passage?->take->content->isDraft, $s->passage->lines ?? []], $film->segments),
        );
        $isMarked = fn (Segment $s): bool => array_filter(
            $s->shots[0]->picture->layers,
            fn ($l): bool => $l->source instanceof Still && $l->source->kind === StillKind::DraftMark,
        ) !== [];
        self::assertSame([true, false], array_map($isMarked, $film->segments));
        self::assertCount(1, app(AssembleLesson::class)($lesson)->assembly->segments, 'the film itself has no voice but the own');
    }

    public function test_a_draft_is_exported_and_says_so_in_its_name(): void
    {
        $section = $this->written('Low water is at a quarter past seven.');
        $lesson = $section->lesson()->firstOrFail();
        $this->postJson("/api/lessons/{$lesson->id}/exports")->assertStatus(409);
        $export = $this->postJson("/api/lessons/{$lesson->id}/exports", ['draft' => true])->assertSuccessful()->json('id');
        $done = $this->getJson("/api/exports/{$export}")->json();

        self::assertSame(['done', true, true], [$done['state'], $done['draft'], $done['up_to_date']]);
        self::assertStringEndsWith('(draft).mp4', $done['file_name']);
        self::assertSame([], array_filter($done['findings'], fn (array $f): bool => ! $f['ok']));
        self::assertGreaterThan(1_500, $done['length_ms']);

        $this->patchJson("/api/sections/{$section->id}", ['script' => 'Low water is at half past seven.'])->assertOk();
        self::assertFalse($this->getJson("/api/lessons/{$lesson->id}/exports")->assertOk()->json('0.up_to_date'));
    }

    public function test_other_languages_are_read_by_voices_of_theirs(): void
    {
        $section = $this->written('Das Wasser steht um 7:15 am höchsten.');
        $lesson = $section->lesson()->firstOrFail();
        $length = function (string $language) use ($lesson): int {
            $this->patchJson("/api/lessons/{$lesson->id}/style", ['style' => ['language' => $language]])->assertOk();
            app(ReadDraft::class)($lesson->refresh());

            return app(AssembleLesson::class)($lesson, as: ExportPreset::draft())->assembly->frames();
        };

        self::assertNotSame($length('en'), $length('de'));
    }

    private function written(string $script): Section
    {
        $section = $this->section();
        $this->patchJson("/api/sections/{$section->id}", ['script' => $script])->assertOk();

        return $section->refresh();
    }
}
