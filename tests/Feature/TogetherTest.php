<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Script\SaveScript;
use App\Models\Approval;
use App\Models\HistoryEntry;
use App\Models\Lesson;
use App\Models\Membership;
use App\Models\Notice;
use App\Models\Section;
use App\Models\Take;
use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use OpenReel\Core\People\Role;
use OpenReel\Core\Script\Script;

/** Several people in one lesson: who is where, what changed, a draft that is looked at and approved. */
final class TogetherTest extends PeopleTestCase
{
    private User $wenna;

    private User $piran;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->wenna, $this->piran] = [$this->person('Wenna'), $this->person('Piran')];
    }

    public function test_everybody_sees_who_else_is_here_and_where(): void
    {
        $lesson = $this->shared(Role::Presenter)->lesson;
        self::assertSame([], $this->here($this->wenna, $lesson, 'script')['others']);
        self::assertSame(
            [['name' => 'Wenna', 'you' => false, 'room' => 'script', 'section_id' => null, 'recording' => false]],
            $this->here($this->piran, $lesson, 'record', 'other-section', true)['others'],
        );
        $seen = $this->here($this->wenna, $lesson, 'review')['others'];
        self::assertSame(['Piran', 'record', true], [$seen[0]['name'], $seen[0]['room'], $seen[0]['recording']]);
        // Another window of one's own.
        $own = $this->here($this->wenna, $lesson, 'script', window: 'second-window')['others'];
        self::assertSame([['Piran', false], ['Wenna', true]], array_map(fn (array $o): array => [$o['name'], $o['you']], $own));
        // One closes the window, or it says nothing any more.
        $this->as($this->piran)->deleteJson("/api/lessons/{$lesson->id}/here/window-of-Piran")->assertNoContent();
        $this->travel(9)->seconds();
        self::assertSame([], $this->here($this->wenna, $lesson, 'script')['others']);
    }

    public function test_what_somebody_changes_is_heard_of_and_what_is_recorded_is_not_until_it_is_done(): void
    {
        $section = $this->shared(Role::Presenter);
        $lesson = $section->lesson;
        $count = fn (): int => $this->here($this->wenna, $lesson, 'script')['changes'];
        $before = $count();
        self::assertSame($before, $count(), 'looking changes nothing');
        $answer = $this->as($this->piran)->patchJson("/api/lessons/{$lesson->id}", ['title' => 'Slack water'])->assertOk();
        self::assertSame("{$lesson->id} ".($before + 1), $answer->headers->get('X-Lesson-Changes'));
        self::assertSame($before + 1, $count());
        $this->patchJson("/api/lessons/{$lesson->id}", ['title' => ''])->assertStatus(422);
        self::assertSame($before + 1, $count(), 'what is refused changes nothing');
        // Starting and finishing a take, and none of its six chunks.
        $this->as($this->piran);
        $this->record($section, Clips::spoken(), 5000);
        self::assertSame($before + 3, $count());
    }

    public function test_who_records_claims_the_section_until_they_stop(): void
    {
        $section = $this->shared(Role::Presenter);
        $other = Section::factory()->for($section->lesson)->create(['position' => 2]);
        $start = fn (Section $of) => $this->postJson("/api/sections/{$of->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
        ]);
        $this->here($this->piran, $section->lesson, 'record', $section->id, true);
        $this->as($this->piran);
        $take = $start($section)->assertCreated()->json('id');
        self::assertSame($this->piran->id, Take::query()->findOrFail($take)->user_id);
        $this->as($this->wenna);
        $start($section)->assertStatus(409)->assertJsonPath(
            'detail', 'Piran is recording this section. Record another one meanwhile, or wait until they stop.',
        );
        // Side by side in another one; and there once the window is silent.
        $start($other)->assertCreated();
        $this->travel(9)->seconds();
        $start($section)->assertCreated();
        // Of two who press at once the second hears of the first, whose window has not said so yet.
        $this->as($this->piran);
        $start($other)->assertCreated();
        $this->as($this->wenna);
        $start($other)->assertStatus(409);
    }

    public function test_a_draft_is_looked_at_approved_and_published_only_then(): void
    {
        $section = $this->shared(Role::Reviewer);
        $lesson = $section->lesson;
        $draft = "/api/lessons/{$lesson->id}/draft";
        $this->as($this->wenna)->postJson($draft)->assertStatus(404)
            ->assertJsonPath('detail', 'There is no film yet. Export the lesson first.');
        $film = $this->film($section);
        $this->patchJson($draft, ['needs_approval' => true])->assertOk()->assertJsonPath('needs_approval', true);
        $publish = fn (string $film) => $this->as($this->wenna)
            ->postJson("/api/lessons/{$lesson->id}/publication", ['export_id' => $film]);
        $publish($film)->assertStatus(409)->assertJsonPath(
            'detail', 'This lesson is published once somebody has approved its draft. Nobody has yet.',
        );
        $path = (string) $this->postJson($draft)->assertOk()->assertJsonPath('draft.version', 1)->json('draft.path');
        // Who takes part sees it once signed in; whoever has the link when somebody who may publish has opened it.
        $this->as(null)->get($path)->assertRedirect('/sign-in?to='.rawurlencode($path));
        $this->getJson("{$path}/comments")->assertUnauthorized();
        $this->as($this->piran)->get($path)->assertOk()->assertSee('Draft for review');
        $this->as($this->person('Kerra'))->get($path)->assertNotFound();
        $this->as($this->piran)->patchJson($draft, ['open' => true])->assertForbidden();
        $this->as($this->wenna)->patchJson($draft, ['open' => true, 'password' => 'low water at six'])->assertOk();
        $this->as(null)->get($path)->assertOk()->assertSee('Password')->assertDontSee('Draft for review');
        $this->as($this->wenna)->patchJson($draft, [
            'password' => null, 'ends_on' => now()->subDay()->toDateString(),
        ])->assertOk();
        $this->as(null)->get($path)->assertNotFound();
        $this->as($this->wenna)->patchJson($draft, ['ends_on' => null])->assertOk()->assertJsonPath('draft.open', true);
        $this->as(null)->get($path)->assertOk()->assertSee('Draft for review');
        $this->postJson("{$path}/comments", ['name' => 'Jory', 'text' => 'Too fast.', 'at_ms' => 500])->assertCreated();

        // Nobody approves their own.
        $this->as($this->wenna)->getJson($draft)->assertJsonPath('draft.yours', true);
        $this->postJson("/api/lessons/{$lesson->id}/approvals", ['version' => 1])->assertStatus(409)->assertJsonPath(
            'detail', 'You sent this draft yourself: somebody else has to look at it and approve it.',
        );
        $this->as($this->piran)->getJson($draft)->assertJsonPath('open_comments', 1)->assertJsonPath('approved', false);
        $this->postJson($draft)->assertForbidden();
        $this->postJson("/api/lessons/{$lesson->id}/approvals", ['version' => 2])->assertStatus(409);
        foreach (range(1, 2) as $twice) {
            $this->postJson("/api/lessons/{$lesson->id}/approvals", ['version' => 1])->assertOk()
                ->assertJsonPath('approved', true)->assertJsonCount(1, 'approvals')
                ->assertJsonPath('approvals.0.person', 'Piran');
        }
        $comments = $this->getJson("/api/lessons/{$lesson->id}/publication")->assertJsonPath('site', null);
        self::assertSame([['Too fast.', true]], array_map(
            fn (array $c): array => [$c['text'], $c['of_draft']], (array) $comments->json('comments'),
        ));
        $publish($film)->assertOk();
        $told = Notice::query()->where('user_id', $this->wenna->id)->pluck('says')->all();
        self::assertContains('Piran approved version 1 of the draft of How to read a tide table', $told);
        self::assertContains('Jory says of How to read a tide table at 0:00: Too fast.', $told);

        // Not the script alone counts: another look of the lesson was approved by nobody, on either way out.
        $this->as($this->wenna)->patchJson("/api/lessons/{$lesson->id}/style", ['style' => ['fade_in' => 1000]])->assertOk();
        $film = (string) $this->postJson("/api/lessons/{$lesson->id}/exports")->json('id');
        $says = 'The lesson has changed since Piran approved the draft. Have the new one approved first.';
        $publish($film)->assertStatus(409)->assertJsonPath('detail', $says);
        config(['filesystems.disks.site' => ['driver' => 'local', 'root' => $this->mediaRoot.'/site', 'name' => 'Tides']]);
        $this->postJson("/api/lessons/{$lesson->id}/delivery", ['export_id' => $film])
            ->assertStatus(409)->assertJsonPath('detail', $says);
        $this->patchJson("/api/lessons/{$lesson->id}/style", ['style' => ['fade_in' => null]])->assertOk();
        // The same in a smaller frame is what was looked at.
        $small = (string) $this->postJson("/api/lessons/{$lesson->id}/exports", [
            'editions' => [['width' => 160, 'height' => 90]],
        ])->json('0.id');
        // The script changes: what is made of it now was approved by nobody.
        app(SaveScript::class)($lesson->refresh(), Script::parse("## One\n\nThe gate is shut now."), $lesson->revision);
        $this->getJson($draft)->assertJsonPath('approved', false)->assertJsonPath('since.sections.0.title', 'One');
        $film = (string) $this->postJson("/api/lessons/{$lesson->id}/exports")->json('id');
        $publish($film)->assertStatus(409)->assertJsonPath(
            'detail', $says,
        );
        $this->as($this->piran)->deleteJson("/api/lessons/{$lesson->id}/approvals/mine")->assertJsonCount(0, 'approvals');
    }

    public function test_an_approval_stays_known_when_whoever_gave_it_is_gone(): void
    {
        $section = $this->shared(Role::Reviewer);
        $this->as($this->wenna);
        $this->film($section);
        $this->postJson("/api/lessons/{$section->lesson_id}/draft")->assertOk();
        $this->as($this->piran)->postJson("/api/lessons/{$section->lesson_id}/approvals", ['version' => 1])->assertOk();
        Artisan::call('reel:user', ['what' => 'remove', 'email' => $this->piran->email]);
        self::assertSame('Piran', Approval::query()->sole()->person);
        $this->as($this->wenna)->getJson("/api/lessons/{$section->lesson_id}/draft")->assertJsonPath('approved', true);
    }

    public function test_the_history_tells_who_did_what_and_is_there_for_programs_too(): void
    {
        $section = $this->shared(Role::Presenter);
        $lesson = $section->lesson;
        $this->as($this->piran);
        $take = $this->record($section, Clips::spoken());
        $this->patchJson("/api/takes/{$take->id}", ['verdict' => 'kept'])->assertOk();
        $this->patchJson("/api/takes/{$take->id}", ['verdict' => 'discarded'])->assertOk();
        $entries = $this->as($this->wenna)->getJson("/api/lessons/{$lesson->id}/history")->assertOk()->json('entries');
        self::assertSame(
            ['Piran discarded take 1 of “What a tide table tells you”', 'Piran kept take 1 of “What a tide table tells you”',
                'Piran recorded take 1 of “What a tide table tells you”'],
            array_map(fn (array $e): string => "{$e['who']} {$e['says']}", array_slice($entries, 0, 3)),
        );
        $file = $this->get("/api/lessons/{$lesson->id}/history.jsonl")->assertOk()->streamedContent();
        $read = fn (string $row): array => json_decode($row, true, flags: JSON_THROW_ON_ERROR);
        $rows = array_map($read, explode("\n", trim($file)));
        self::assertSame('discarded', $rows[count($rows) - 1]['deed']);
        self::assertSame($this->piran->id, $rows[count($rows) - 1]['person']);
        self::assertSame(1, $rows[count($rows) - 1]['about']['take']);

        // It stays when the lesson is gone, for whoever runs the server.
        $this->deleteJson("/api/lessons/{$lesson->id}")->assertNoContent();
        $this->deleteJson("/api/lessons/{$lesson->id}/for-good")->assertNoContent();
        Artisan::call('reel:history');
        self::assertStringContainsString('"deed":"deleted-for-good"', Artisan::output());
        self::assertSame(1, Artisan::call('reel:history', ['of' => 'nothing']));
    }

    public function test_a_long_history_comes_page_by_page(): void
    {
        $lesson = $this->shared(Role::Reviewer)->lesson;
        foreach (range(1, 120) as $n) {
            HistoryEntry::query()->create([
                'lesson_id' => $lesson->id, 'deed' => 'kept', 'about' => ['take' => $n], 'person' => 'Wenna',
            ]);
        }
        $path = "/api/lessons/{$lesson->id}/history";
        $all = [];
        $before = '';
        do {
            $page = $this->getJson($before === '' ? $path : "{$path}?before={$before}")->assertOk();
            $all = [...$all, ...array_column((array) $page->json('entries'), 'id')];
            $before = (string) end($all);
        } while ($page->json('more'));
        self::assertCount(HistoryEntry::query()->where('lesson_id', $lesson->id)->count(), array_unique($all));
    }

    /** A lesson of Wenna's in which Piran takes part. */
    private function shared(Role $role): Section
    {
        $this->as($this->wenna);
        $section = $this->section();
        Membership::query()->create(['user_id' => $this->piran->id, 'lesson_id' => $section->lesson_id, 'role' => $role]);

        return $section;
    }

    private function film(Section $section): string
    {
        app(SaveScript::class)($section->lesson, Script::parse("## One\n\nThe gate is shut."), $section->lesson->revision);
        $this->keep($this->record($section->lesson->sections()->firstOrFail(), Clips::spoken()));

        return (string) $this->postJson("/api/lessons/{$section->lesson_id}/exports")
            ->assertJson(['state' => 'done'])
            ->json('id');
    }

    /** @return array{others: list<array<string, mixed>>, changes: int} */
    private function here(
        User $who,
        Lesson $lesson,
        string $room,
        ?string $section = null,
        bool $recording = false,
        ?string $window = null,
    ): array {
        $window ??= "window-of-{$who->name}";

        return $this->as($who)->putJson("/api/lessons/{$lesson->id}/here/{$window}", [
            'room' => $room, 'section' => $section, 'recording' => $recording,
        ])->assertOk()->json();
    }

    public function test_each_act_of_a_review_needs_its_role(): void
    {
        $section = $this->shared(Role::Reviewer);
        $lesson = $section->lesson;
        $this->as($this->wenna);
        $film = $this->film($section);
        $this->postJson("/api/lessons/{$lesson->id}/publication", ['export_id' => $film])->assertOk();
        $path = (string) $this->getJson("/api/lessons/{$lesson->id}/publication")->json('site.path');
        $this->postJson("{$path}/comments", ['name' => 'Jory', 'text' => 'Too fast.', 'at_ms' => 500])->assertCreated();
        $comment = (string) $this->getJson("/api/lessons/{$lesson->id}/publication")->json('comments.0.id');

        // A reviewer answers as who they are, hides nothing, and keeps nobody from recording.
        $this->as($this->piran)->postJson("/api/comments/{$comment}/answers", ['text' => 'I agree.'])->assertOk()
            ->assertJsonPath('comments.0.answers.0.name', 'Piran')->assertJsonPath('comments.0.answers.0.by_presenter', false);
        $this->patchJson("/api/comments/{$comment}", ['hidden' => true])->assertForbidden();
        $this->patchJson("/api/comments/{$comment}", ['done' => true])->assertOk();
        $this->here($this->piran, $lesson, 'record', $section->id, true);
        $this->as($this->wenna)->postJson("/api/sections/{$section->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
        ])->assertCreated();
        $this->patchJson("/api/comments/{$comment}", ['hidden' => true])->assertOk();
        $this->postJson("/api/comments/{$comment}/answers", ['text' => 'Slower now.'])
            ->assertJsonPath('comments.0.answers.1.by_presenter', true);
    }
}
