<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\People\AssignOrphans;
use App\Models\Course;
use App\Models\HistoryEntry;
use App\Models\Invitation;
use App\Models\Lesson;
use App\Models\Membership;
use App\Models\Music;
use App\Models\Section;
use App\Models\User;
use App\People\CurrentUser;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Context;
use OpenReel\Core\People\Role;

/** Who takes part, how they come in, and how they go. */
final class MembersTest extends PeopleTestCase
{
    public function test_who_makes_a_lesson_owns_it_and_says_who_takes_part(): void
    {
        [$wenna, $piran] = [$this->person('Wenna'), $this->person('Piran')];
        $id = $this->as($wenna)->postJson('/api/lessons', ['title' => 'Tides'])->assertCreated()->json('id');
        $this->getJson("/api/lessons/{$id}/members")->assertJson([
            'members' => [['name' => 'Wenna', 'role' => 'owner', 'you' => true, 'through_course' => false]],
            'invitations' => [],
        ]);
        $members = "/api/lessons/{$id}/members";
        $this->postJson($members, ['email' => ' Piran@saltmarsh.example ', 'role' => 'presenter'])->assertCreated()
            ->assertJsonPath('members.1.name', 'Piran');
        $this->postJson($members, ['email' => $piran->email, 'role' => 'editor'])->assertStatus(409)
            ->assertJsonPath('detail', 'Piran takes part already. Give them another role in the list.');
        $this->postJson($members, ['email' => 'nobody@saltmarsh.example', 'role' => 'editor'])->assertStatus(422)
            ->assertJsonPath('detail', 'Nobody signs in here with that address. Create an invitation link for them instead.');
        $this->postJson($members, ['email' => $piran->email, 'role' => 'admiral'])->assertStatus(422);
        $this->as($piran)->getJson("/api/lessons/{$id}")->assertOk()
            ->assertJsonPath('may', ['see', 'comment', 'write', 'record']);
    }

    public function test_there_is_always_an_owner_until_it_is_handed_over(): void
    {
        [$wenna, $piran] = [$this->person('Wenna'), $this->person('Piran')];
        $lesson = $this->lessonOf($wenna);
        $own = Membership::query()->sole();
        $says = 'Somebody has to own it. Make somebody else the owner first.';
        $this->patchJson("/api/memberships/{$own->id}", ['role' => 'editor'])->assertStatus(409)->assertJsonPath('detail', $says);
        $this->deleteJson("/api/memberships/{$own->id}")->assertStatus(409)->assertJsonPath('detail', $says);
        $added = $this->postJson("/api/lessons/{$lesson->id}/members", ['email' => $piran->email, 'role' => 'reviewer']);
        $id = $added->json('members.1.id');
        $this->patchJson("/api/memberships/{$id}", ['role' => 'owner'])->assertOk();
        $this->deleteJson("/api/memberships/{$own->id}")->assertNoContent();
        $says = 'You are signed in as Wenna, and nothing here is shared with you. '.
            'It may have been deleted, or its owner has not added you yet.';
        $this->getJson("/api/lessons/{$lesson->id}")->assertNotFound()->assertJsonPath('detail', $says);
        $this->getJson('/api/lessons/01m8gzr9ehdj0dqc8k00ndvdvm')->assertNotFound()->assertJsonPath('detail', $says);
        self::assertSame(Role::Owner, $this->roleIn($lesson, $piran));
        self::assertSame(
            ['created “How to read a tide table”', 'made Piran a reviewer', 'made Piran an owner', 'left'],
            HistoryEntry::query()->get()->map(fn (HistoryEntry $e): string => $e->deed->message($e->about))->all(),
        );
    }

    public function test_who_takes_part_may_leave_a_course_and_nobody_else_takes_them_out_but_the_owner(): void
    {
        [$wenna, $piran, $jory] = [$this->person('Wenna'), $this->person('Piran'), $this->person('Jory')];
        $this->as($wenna);
        $course = Course::query()->create(['name' => 'Reading the Water']);
        $lesson = Lesson::factory()->create(['course_id' => $course->id]);
        foreach ([$piran, $jory] as $one) {
            $this->postJson("/api/courses/{$course->id}/members", ['email' => $one->email, 'role' => 'presenter'])
                ->assertCreated();
        }
        $of = fn (User $one): string => Membership::query()->where('user_id', $one->id)->sole()->id;
        $this->as($piran)->deleteJson("/api/memberships/{$of($jory)}")->assertForbidden();
        $this->getJson("/api/lessons/{$lesson->id}/members")->assertOk()->assertJsonCount(3, 'members')
            ->assertJsonPath('members.1.through_course', true);
        $this->deleteJson("/api/memberships/{$of($piran)}")->assertNoContent();
        $this->getJson("/api/lessons/{$lesson->id}")->assertNotFound();
        $this->as($wenna)->deleteJson("/api/memberships/{$of($jory)}")->assertOk()->assertJsonCount(1, 'members');
    }

    public function test_an_invitation_lets_one_person_in_once(): void
    {
        [$wenna, $piran] = [$this->person('Wenna'), $this->person('Piran')];
        $lesson = $this->lessonOf($wenna);
        $made = $this->postJson("/api/lessons/{$lesson->id}/invitations", ['role' => 'reviewer'])->assertCreated();
        $url = (string) $made->json('url');
        $token = basename($url);
        self::assertSame(32, strlen($token));
        self::assertStringNotContainsString($token, (string) json_encode(Invitation::query()->sole()->getAttributes()));
        $this->getJson("/api/lessons/{$lesson->id}/members")->assertJsonCount(1, 'invitations')->assertDontSee($token);

        $this->as(null)->get("/invited/{$token}")->assertOk()->assertSee('Wenna has invited you')->assertSee('Sign in');
        $this->as($piran)->get("/invited/{$token}")->assertOk()->assertSee('You are signed in as Piran');
        $this->post("/invited/{$token}")->assertRedirect("/lessons/{$lesson->id}");
        self::assertSame(Role::Reviewer, $this->roleIn($lesson, $piran));
        $this->post("/invited/{$token}")->assertNotFound()->assertSee('no longer valid');
        $this->get("/invited/{$token}")->assertNotFound();
    }

    public function test_who_has_no_password_here_chooses_one(): void
    {
        $wenna = $this->person('Wenna');
        $lesson = $this->lessonOf($wenna);
        $invite = fn (): string => basename((string) $this->as($wenna)
            ->postJson("/api/lessons/{$lesson->id}/invitations", ['role' => 'presenter'])->json('url'));
        $token = $invite();
        $jory = ['name' => 'Jory "J" <b>', 'email' => 'Jory@saltmarsh.example', 'password' => 'short'];
        $this->as(null)->post("/invited/{$token}", $jory)->assertStatus(422)->assertSee('at least 12 characters')
            ->assertSee('Jory &quot;J&quot; &lt;b&gt;', false);
        $this->post("/invited/{$token}", ['email' => $wenna->email, 'password' => 'high water at six'] + $jory)
            ->assertStatus(422)->assertSee('may sign in already');
        $this->post("/invited/{$token}", ['email' => ['a'], 'password' => 'high water at six'])->assertStatus(422);
        $this->post("/invited/{$token}", ['password' => 'high water at six'] + $jory)->assertRedirect("/lessons/{$lesson->id}");
        $new = User::query()->where('email', 'jory@saltmarsh.example')->sole();
        self::assertSame(Role::Presenter, $this->roleIn($lesson, $new));
        // The same browser goes on signed in.
        $this->get('/account')->assertOk()->assertSee('jory@saltmarsh.example');

        $late = $invite();
        $this->travel(15)->days();
        $this->as(null)->get("/invited/{$late}")->assertNotFound();
        $this->post("/invited/{$late}", $jory)->assertNotFound();
    }

    public function test_an_invitation_to_what_is_gone_makes_no_account(): void
    {
        $wenna = $this->person('Wenna');
        $lesson = $this->lessonOf($wenna);
        $made = $this->postJson("/api/lessons/{$lesson->id}/invitations", ['role' => 'reviewer'])->assertCreated();
        $token = basename((string) $made->json('url'));
        $lesson->delete();
        $jory = ['name' => 'Jory', 'email' => 'jory@saltmarsh.example', 'password' => 'high water at six'];
        $this->as(null)->post("/invited/{$token}", $jory)->assertNotFound();
        self::assertSame(1, User::query()->count());
        // Who cannot come in leaves it to be used.
        $lesson->restore();
        $this->post("/invited/{$token}", ['password' => 'short'] + $jory)->assertStatus(422);
        $this->post("/invited/{$token}", $jory)->assertRedirect("/lessons/{$lesson->id}");
    }

    public function test_who_has_a_say_in_one_lesson_brings_no_music_into_its_course_and_sees_no_totals_of_others(): void
    {
        [$wenna, $piran] = [$this->person('Wenna'), $this->person('Piran')];
        $lesson = $this->lessonOf($wenna);
        $course = Course::query()->create(['name' => 'Reading the Water', 'style' => []]);
        $lesson->update(['course_id' => $course->id]);
        Membership::query()->create(['lesson_id' => $lesson->id, 'user_id' => $piran->id, 'role' => Role::Editor]);
        $music = fn (): UploadedFile => new UploadedFile(Clips::soundOnly(), 'Slack.webm', null, null, true);
        $this->as($piran)->post("/api/lessons/{$lesson->id}/music", ['file' => $music()])->assertCreated();
        $this->as($wenna)->post("/api/lessons/{$lesson->id}/music", ['file' => $music()])->assertCreated();
        self::assertSame(
            [[null, $lesson->id], [$course->id, null]],
            Music::all()->sortBy('id')->map(fn (Music $m): array => [$m->course_id, $m->lesson_id])->values()->all(),
        );
        // Heard in the lesson, whoever brought it; removed from the course by who has a say there.
        $this->as($piran)->getJson("/api/lessons/{$lesson->id}/music")->assertJsonPath('0.says', 'brought in');
        $shared = Music::query()->where('course_id', $course->id)->sole();
        $this->get("/api/music/{$shared->hash}")->assertOk();
        $this->deleteJson("/api/music/{$shared->id}")->assertNotFound();
        $this->getJson('/api/storage')->assertOk()->assertJsonPath('other_bytes', null)->assertJsonPath('cache', null);
    }

    public function test_an_invitation_can_be_withdrawn_and_ends_with_what_it_is_for(): void
    {
        $lesson = $this->lessonOf($this->person('Wenna'));
        $invite = fn () => $this->postJson("/api/lessons/{$lesson->id}/invitations", ['role' => 'editor']);
        $first = $invite();
        $this->deleteJson('/api/invitations/'.$first->json('invitations.0.id'))->assertOk()->assertJsonCount(0, 'invitations');
        $this->get('/invited/'.basename((string) $first->json('url')))->assertNotFound();
        $second = basename((string) $invite()->json('url'));
        $this->deleteJson("/api/lessons/{$lesson->id}")->assertNoContent();
        $this->get("/invited/{$second}")->assertNotFound();
        $this->post("/invited/{$second}")->assertStatus(404);
    }

    public function test_whoever_already_takes_part_keeps_what_they_are(): void
    {
        $wenna = $this->person('Wenna');
        $lesson = $this->lessonOf($wenna);
        $made = $this->postJson("/api/lessons/{$lesson->id}/invitations", ['role' => 'reviewer']);
        $token = basename((string) $made->json('url'));
        $this->post("/invited/{$token}")->assertRedirect();
        self::assertSame(Role::Owner, $this->roleIn($lesson, $wenna));
    }

    public function test_what_was_made_alone_belongs_to_the_first_who_signs_in(): void
    {
        config(['reel.mode' => 'me']);
        $this->postJson('/api/courses', ['name' => 'Reading the Water'])->assertCreated();
        $lesson = Section::factory()->create()->lesson;
        self::assertSame(0, Membership::query()->count());
        Artisan::call('reel:user', ['what' => 'add', 'email' => 'wenna@saltmarsh.example', '--name' => 'Wenna']);
        self::assertStringContainsString('2 lessons and courses, belongs to Wenna now', Artisan::output());
        Artisan::call('reel:user', ['what' => 'add', 'email' => 'piran@saltmarsh.example']);
        $called = fn (string $name): User => User::query()->where('email', "{$name}@saltmarsh.example")->sole();
        [$wenna, $piran] = [$called('wenna'), $called('piran')];
        // Alone again for a while: it still belongs to the first.
        $this->postJson('/api/lessons', ['title' => 'Another'])->assertCreated();
        config(['reel.mode' => 'people']);
        $this->as($wenna)->getJson('/api/lessons')->assertJsonCount(2);
        $this->as($piran)->getJson('/api/lessons')->assertJsonCount(0);
        self::assertSame(Role::Owner, $this->roleIn($lesson, $wenna));
    }

    public function test_what_somebody_leaves_is_handed_on(): void
    {
        [$wenna, $piran, $jory] = [$this->person('Wenna'), $this->person('Piran'), $this->person('Jory')];
        $both = $this->lessonOf($piran);
        Membership::query()->create(['user_id' => $jory->id, 'lesson_id' => $both->id, 'role' => Role::Owner]);
        [$named, $rest, $gone] = [$this->lessonOf($piran), $this->lessonOf($jory), $this->lessonOf($jory)];
        $gone->delete();
        Artisan::call('reel:user', ['what' => 'remove', 'email' => $piran->email, '--to' => $jory->email]);
        self::assertSame(Role::Owner, $this->roleIn($named, $jory));
        Artisan::call('reel:user', ['what' => 'remove', 'email' => $jory->email]);
        foreach ([$named, $rest, $gone, $both] as $lesson) {
            self::assertSame(Role::Owner, $this->roleIn($lesson, $wenna));
        }
        self::assertSame(1, Artisan::call('reel:user', ['what' => 'remove', 'email' => $wenna->email, '--to' => $wenna->email]));
        Artisan::call('reel:user', ['what' => 'remove', 'email' => $wenna->email]);
        self::assertSame(4, Lesson::withTrashed()->count());
        // Nobody is left; whoever comes next owns it.
        $next = $this->person('Kerensa');
        self::assertSame(4, app(AssignOrphans::class)($next));
        self::assertSame(0, app(AssignOrphans::class)($next));
    }

    public function test_what_a_job_makes_belongs_to_who_asked_for_it(): void
    {
        $this->person('Wenna');
        $piran = $this->person('Piran');
        $this->as(null);
        // As the framework brings it along to the worker.
        Context::add(CurrentUser::KEY, $piran->id);
        $lesson = Lesson::factory()->create();
        self::assertSame(Role::Owner, $this->roleIn($lesson, $piran));
    }
}
