<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\RenderCache;
use App\Models\Lesson;
use App\Models\Take;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\Verdict;

/** Which take is heard where, from the verdicts to the film. */
final class CoverageTest extends FeatureTestCase
{
    public function test_a_section_is_put_together_from_takes_by_line(): void
    {
        $lesson = $this->lesson("# T\n\n## A\n\nOne is here. Two is there. Three is last.\n");
        $section = $lesson->sections()->firstOrFail();
        $whole = $this->keep($this->record($section, Clips::spoken()));
        // A pickup of the second line: a take of it alone.
        $pickup = $this->record($section, Clips::anotherTake());
        $line = $pickup->lines[1];
        $starts = array_intersect_key($pickup->summary->starts, [$line['id'] => true]);
        $pickup->update(['lines' => [$line]]);
        $this->heard($pickup, ['line_ticks' => $starts, 'cut_ticks' => []]);
        $this->keep($pickup);

        $told = $this->getJson("/api/lessons/{$lesson->id}")->json('sections.0');
        self::assertSame(['kept', 'kept'], array_column($told['takes'], 'verdict'), 'both are heard');
        self::assertSame([$whole->id, $pickup->id, $whole->id], array_column($told['coverage']['lines'], 'take'));
        self::assertSame(['only-one', 'kept-last', 'only-one'], array_column($told['coverage']['lines'], 'why'));
        $plan = $this->getJson("/api/lessons/{$lesson->id}/assembly")->json();
        self::assertSame([$whole->id, $pickup->id, $whole->id], array_column($plan['segments'], 'take_id'));
        $this->postJson("/api/lessons/{$lesson->id}/exports")
            ->assertStatus(202)
            ->assertJson(['state' => 'done']);
        self::assertSame(
            [],
            array_filter(
                $this->getJson("/api/lessons/{$lesson->id}/exports")->json('0.findings'),
                fn (array $f): bool => ! $f['ok'] && $f['name'] !== 'loudness',
            ),
        );

        // The presenter would rather have the line as it was.
        $line = $told['lines'][1]['id'];
        $chosen = $this->putJson("/api/lessons/{$lesson->id}/choices", ['lines' => [$line], 'take' => $whole->id])
            ->assertOk()
            ->json('sections.0.coverage.lines.1');
        self::assertSame([$whole->id, 'chosen', [$pickup->id]], [$chosen['take'], $chosen['why'], $chosen['others']]);
        self::assertCount(1, $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('segments'), 'one passage again');
        self::assertFalse($this->getJson("/api/lessons/{$lesson->id}/exports")->json('0.up_to_date'));
        $this->putJson("/api/lessons/{$lesson->id}/choices", ['lines' => [$line], 'take' => null])->assertOk();
        self::assertTrue($this->getJson("/api/lessons/{$lesson->id}/exports")->json('0.up_to_date'));
    }

    public function test_a_choice_that_cannot_be_is_refused(): void
    {
        $lesson = $this->lesson("# T\n\n## A\n\nOne is here.\n\n## B\n\nTwo is there.\n");
        [$a, $b] = $lesson->sections()->get()->all();
        $take = $this->record($a, Clips::spoken());
        $lines = array_map(
            fn (array $s): string => $s['lines'][0]['id'],
            $this->getJson("/api/lessons/{$lesson->id}")->json('sections'),
        );
        $choose = fn (array $lines, mixed $take) => $this->putJson("/api/lessons/{$lesson->id}/choices", [
            'lines' => $lines,
            'take' => $take,
        ]);

        $choose([$lines[1]], $take->id)->assertUnprocessable();
        $choose(['nothing'], null)->assertUnprocessable();
        $choose([$lines[0]], 'nothing')->assertNotFound();
        $choose([], null)->assertUnprocessable();
        $take->update(['state' => TakeState::Unusable]);
        $choose([$lines[0]], $take->id)->assertConflict();
        $take->update(['state' => TakeState::Ready]);
        $choose([$lines[0]], $take->id)->assertOk();
        self::assertSame(Verdict::Kept, $take->refresh()->verdict, 'what is chosen for a line is kept by that');
        self::assertNotNull($b);
    }

    public function test_a_section_with_a_line_written_since_says_that_it_misses_one(): void
    {
        $lesson = $this->lesson("# T\n\n## A\n\nOne is here.\n");
        $this->keep($this->record($lesson->sections()->firstOrFail(), Clips::spoken()));
        $this->putJson("/api/lessons/{$lesson->id}/script", [
            'text' => "# T\n\n## A\n\nOne is here. This is new.\n",
            'revision' => $lesson->refresh()->revision,
        ])->assertOk();

        $section = $this->getJson("/api/lessons/{$lesson->id}")->json('sections.0');
        self::assertSame(
            ['filled', true, 'kept, one line not recorded yet'],
            [$section['progress']['fill'], $section['progress']['notched'], $section['progress']['says']],
        );
        self::assertSame([$section['lines'][1]['id']], $section['coverage']['missing']);
    }

    public function test_what_was_not_used_for_longest_leaves_the_cache_when_it_is_full(): void
    {
        $lesson = $this->lesson("# T\n\n## A\n\nOne is here.\n");
        $this->keep($this->record($lesson->sections()->firstOrFail(), Clips::spoken()));
        $this->postJson("/api/lessons/{$lesson->id}/exports")->assertJson(['state' => 'done']);
        $pieces = fn (): array => array_filter(
            glob("{$this->mediaRoot}/renders/*/*/*") ?: [],
            fn (string $f): bool => ! str_ends_with($f, '.json'),
        );
        $all = count($pieces());
        $cache = app(RenderCache::class);

        $this->media()->write('renders/segment/ab/cd.mp4', 'x');
        self::assertSame(0, $cache->sweep(PHP_INT_MAX));
        self::assertDirectoryDoesNotExist("{$this->mediaRoot}/renders/segment", 'a kind that nobody asks for any more');
        self::assertSame(0, $cache->sweep(0), 'what was used just now may be about to be joined');
        $shots = glob("{$this->mediaRoot}/renders/shot/*/*.mp4") ?: [];
        touch($shots[0], time() - 86_400);
        clearstatcache();
        self::assertGreaterThan(0, $cache->sweep(1));
        self::assertCount($all - 1, $pieces());
        self::assertFileDoesNotExist(str_replace('.mp4', '.json', $shots[0]));
        // It is made again when it is needed.
        $this->postJson("/api/lessons/{$lesson->id}/exports")->assertJson(['state' => 'done']);
        self::assertCount($all, $pieces());
    }

    public function test_a_new_take_is_got_ready_before_it_is_kept_and_keeping_it_renders_nothing(): void
    {
        config(['reel.ahead' => true]);
        $lesson = $this->lesson("# T\n\n## A\n\nOne is here.\n");
        $section = $lesson->sections()->firstOrFail();
        $this->keep($this->record($section, Clips::spoken()));
        $again = $this->record($section, Clips::anotherTake());
        self::assertCount(
            1,
            array_filter(
                $this->getJson("/api/lessons/{$lesson->id}")->json('sections.0.takes'),
                fn (array $t): bool => $t['verdict'] === 'kept',
            ),
        );
        $pieces = fn (): array => glob("{$this->mediaRoot}/renders/{shot,sound,part}/*/*", GLOB_BRACE) ?: [];
        $before = $pieces();

        $this->keep($again);
        $this->postJson("/api/lessons/{$lesson->id}/exports")->assertJson(['state' => 'done']);
        self::assertSame($before, $pieces());
    }

    private function lesson(string $text): Lesson
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        $this->putJson("/api/lessons/{$lesson->id}/script", ['text' => $text, 'revision' => $lesson->revision])->assertOk();

        return $lesson->refresh();
    }
}
