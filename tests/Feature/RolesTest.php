<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ArchiveImport;
use App\Models\Course;
use App\Models\Deck;
use App\Models\Delivery;
use App\Models\Export;
use App\Models\HistoryEntry;
use App\Models\Invitation;
use App\Models\Lesson;
use App\Models\Logo;
use App\Models\Membership;
use App\Models\Music;
use App\Models\PairedDevice;
use App\Models\Pairing;
use App\Models\Publication;
use App\Models\Section;
use App\Models\Slide;
use App\Models\Take;
use App\Models\User;
use App\Models\WorkState;
use App\People\Devices;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use OpenReel\Core\People\Right;
use OpenReel\Core\People\Role;
use OpenReel\Core\Take\TakeState;

/** Who may do what: every call of the API is tried as everybody. */
final class RolesTest extends PeopleTestCase
{
    /**
     * What each call asks for: a right in the lesson or course that its address names; *sender* where only whose it is may (who
     * sends an archive, whose room a device follows); *anybody* who has signed in where it names nothing (what is answered then
     * is tried below); *operator* where nobody may from here.
     */
    private const CALLS = [
        'GET lessons/{lesson}/draft' => 'see',
        'GET lessons/{lesson}/glance' => 'see',
        'POST lessons/{lesson}/draft' => 'write',
        'POST lessons/{lesson}/held-comments' => 'write',
        'PATCH lessons/{lesson}/draft' => 'write',
        'POST lessons/{lesson}/approvals' => 'comment',
        'DELETE lessons/{lesson}/approvals/mine' => 'comment',
        'PUT lessons/{lesson}/here/{window}' => 'see',
        'DELETE lessons/{lesson}/here/{window}' => 'see',
        'GET paired-devices' => 'anybody',
        'POST paired-devices/code' => 'anybody',
        'DELETE paired-devices/{paired_device}' => 'sender',
        'POST pairings/{pairing}/accept' => 'sender',
        'POST pairings/{pairing}/refuse' => 'sender',
        'PUT lessons/{lesson}/room' => 'record',
        'DELETE lessons/{lesson}/room' => 'record',
        'GET notices' => 'anybody',
        'POST notices/read' => 'anybody',
        'DELETE courses/{course}' => 'own',
        'DELETE invitations/{invitation}' => 'own',
        'DELETE lessons/{lesson}' => 'own',
        'DELETE lessons/{lesson}/for-good' => 'own',
        'DELETE lessons/{lesson}/older-films' => 'own',
        // Another's; one's own is tried in MembersTest.
        'DELETE memberships/{membership}' => 'own',
        'DELETE music/{music}' => 'write',
        'DELETE sections/{section}' => 'write',
        'DELETE slides/{slide}' => 'write',
        'DELETE storage/cache' => 'operator',
        'DELETE takes/{take}' => 'record',
        'GET archives' => 'anybody',
        'GET archives/{arrival}' => 'sender',
        'GET cards/{hash}' => 'anybody',
        'GET courses' => 'anybody',
        'GET courses/{course}' => 'see',
        'GET courses/{course}/archive.zip' => 'write',
        'GET courses/{course}/history' => 'see',
        'GET courses/{course}/history.jsonl' => 'see',
        'GET courses/{course}/members' => 'see',
        'GET draft-voices/{key}' => 'anybody',
        'GET exports/{export}' => 'see',
        'GET exports/{export}/beside/{kind}' => 'see',
        'GET exports/{export}/file' => 'see',
        'GET exports/{export}/since' => 'see',
        'GET exports/{export}/{kind}.zip' => 'see',
        'GET here' => 'anybody',
        'GET lessons' => 'anybody',
        'GET lessons/{lesson}' => 'see',
        'GET lessons/{lesson}/archive.zip' => 'write',
        'GET lessons/{lesson}/assembly' => 'see',
        'GET lessons/{lesson}/captions' => 'see',
        'GET lessons/{lesson}/cues' => 'see',
        'GET lessons/{lesson}/decks' => 'see',
        'GET lessons/{lesson}/delivery' => 'see',
        'GET lessons/{lesson}/edit.zip' => 'see',
        'GET lessons/{lesson}/exports' => 'see',
        'GET lessons/{lesson}/exports/expected' => 'see',
        'GET lessons/{lesson}/exports/usual' => 'see',
        'GET lessons/{lesson}/handout.pdf' => 'see',
        'GET lessons/{lesson}/history' => 'see',
        'GET lessons/{lesson}/history.jsonl' => 'see',
        'GET lessons/{lesson}/members' => 'see',
        'GET lessons/{lesson}/music' => 'see',
        'GET lessons/{lesson}/publication' => 'see',
        'GET lessons/{lesson}/script' => 'see',
        'GET lessons/{lesson}/script/file' => 'see',
        'GET lessons/{lesson}/script/ready' => 'see',
        'GET lessons/{lesson}/script/ties' => 'see',
        'GET lessons/{lesson}/slides' => 'see',
        'GET lessons/{lesson}/style' => 'see',
        'GET logos/{hash}' => 'anybody',
        'GET me' => 'anybody',
        'GET music/{hash}' => 'anybody',
        'GET sample-card' => 'anybody',
        'GET sample-picture' => 'anybody',
        'GET search' => 'anybody',
        'GET sections/{section}/continuity' => 'see',
        'GET sections/{section}/picture' => 'see',
        'GET sections/{section}/stand-in-voice' => 'see',
        'GET sections/{section}/takes' => 'see',
        'GET slides/{slide}/film' => 'see',
        'GET slides/{slide}/picture' => 'see',
        'GET storage' => 'anybody',
        'GET takes/{take}' => 'see',
        'GET takes/{take}/cleaned' => 'see',
        'GET takes/{take}/cleaned/sound' => 'see',
        'GET takes/{take}/heard' => 'see',
        'GET takes/{take}/match' => 'see',
        'GET takes/{take}/media' => 'see',
        'GET takes/{take}/poster' => 'see',
        'GET takes/{take}/tracks/{kind}' => 'see',
        'GET takes/{take}/wave' => 'see',
        'GET {fallbackPlaceholder}' => 'anybody',
        'PATCH comments/{comment}' => 'comment',
        'PATCH courses/{course}' => 'publish',
        'PATCH lessons/{lesson}' => 'write',
        'PATCH lessons/{lesson}/publication' => 'publish',
        'PATCH lessons/{lesson}/style' => 'write',
        'PATCH memberships/{membership}' => 'own',
        'PATCH sections/{section}' => 'write',
        'PATCH slides/{slide}' => 'write',
        'PATCH takes/{take}' => 'write',
        'POST archives' => 'anybody',
        'POST archives/{arrival}/cancel' => 'sender',
        'POST archives/{arrival}/finish' => 'sender',
        'POST comments/{comment}/answers' => 'comment',
        'POST courses' => 'anybody',
        'POST courses/{course}/invitations' => 'own',
        'POST courses/{course}/logos' => 'publish',
        'POST courses/{course}/members' => 'own',
        'POST courses/{course}/page' => 'publish',
        'POST courses/{course}/restore' => 'own',
        'POST decks/{deck}/cancel' => 'write',
        'POST decks/{deck}/undo' => 'write',
        'POST deliveries/{delivery}/cancel' => 'publish',
        'POST exports/{export}/cancel' => 'write',
        'POST lessons' => 'anybody',
        'POST lessons/{lesson}/captions/undo' => 'write',
        'POST lessons/{lesson}/cleared-takes' => 'own',
        'POST lessons/{lesson}/cleared-takes/restore' => 'own',
        'POST lessons/{lesson}/delivery' => 'publish',
        'POST lessons/{lesson}/exports' => 'write',
        'POST lessons/{lesson}/invitations' => 'own',
        'POST lessons/{lesson}/members' => 'own',
        'POST lessons/{lesson}/music' => 'write',
        'POST lessons/{lesson}/publication' => 'publish',
        'POST lessons/{lesson}/restore' => 'own',
        'POST lessons/{lesson}/sections' => 'write',
        'POST lessons/{lesson}/slides' => 'write',
        'POST lessons/{lesson}/translations/{language}/file' => 'write',
        'POST music/{music}/restore' => 'write',
        'POST read-script' => 'anybody',
        'POST sections/{section}/captions/{number}/move' => 'write',
        'POST sections/{section}/cues' => 'write',
        'POST sections/{section}/restore' => 'write',
        'POST sections/{section}/takes' => 'record',
        'POST sections/{section}/takes/copy' => 'write',
        'POST slides/{slide}/picture' => 'write',
        'POST slides/{slide}/restore' => 'write',
        'POST takes/{take}/finish' => 'record',
        'POST takes/{take}/read-again' => 'write',
        'PUT archives/{arrival}/chunks/{number}' => 'sender',
        'PUT courses/{course}' => 'publish',
        'PUT exports/{export}/thumbnail' => 'write',
        'PUT lessons/{lesson}' => 'write',
        'PUT lessons/{lesson}/choices' => 'write',
        'PUT lessons/{lesson}/order' => 'write',
        'PUT lessons/{lesson}/script' => 'write',
        'PUT lessons/{lesson}/translations/{language}' => 'write',
        'PUT lessons/{lesson}/translations/{language}/all' => 'write',
        'PUT lessons/{lesson}/verdicts' => 'write',
        'PUT sections/{section}/captions' => 'write',
        'PUT sections/{section}/captions/{number}' => 'write',
        'PUT sections/{section}/cues/{number}' => 'write',
        'PUT takes/{take}/events/{number}' => 'record',
        'PUT tracks/{track}/chunks/{number}' => 'record',
    ];

    /** @var array<string, string> what stands for each part of an address */
    private array $things;

    /** @var array<string, User|null> */
    private array $people;

    protected function setUp(): void
    {
        parent::setUp();
        Queue::fake();
        foreach (['owner', 'presenter', 'editor', 'reviewer', 'stranger', 'guest'] as $name) {
            $this->people[$name] = User::query()->create([
                'name' => ucfirst($name), 'email' => "{$name}@saltmarsh.example", 'password' => 'low water at noon',
            ]);
        }
        $this->people['nobody'] = null;
        $this->things = $this->world();
    }

    public function test_every_call_stands_in_the_table(): void
    {
        $there = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                if (str_starts_with($route->uri(), 'api/')) {
                    $there[] = $method.' '.substr($route->uri(), 4);
                }
            }
        }
        $known = array_keys(self::CALLS);
        self::assertSame([], array_values(array_diff($there, $known)), 'say in the table who may call this');
        self::assertSame([], array_values(array_diff($known, $there)), 'these are gone');
    }

    public function test_everybody_does_what_their_role_allows_and_for_strangers_nothing_is_there(): void
    {
        $tried = 0;
        foreach (self::CALLS as $call => $asks) {
            [$method, $uri] = explode(' ', $call);
            $path = '/api/'.strtr($uri, $this->things);
            $owner = $this->callAs('owner', $method, $path)->getStatusCode();
            self::assertNotContains($owner, $asks === 'operator' ? [200] : [401, 403, 500], "{$call} as owner: {$owner}");
            foreach (['nobody', 'stranger', 'reviewer', 'editor', 'presenter'] as $who) {
                $status = $this->callAs($who, $method, $path)->getStatusCode();
                $wanted = self::wanted($who, $asks, $owner);
                self::assertSame($wanted, $status, "{$call} as {$who}");
                $tried++;
            }
        }
        self::assertSame(5 * count(self::CALLS), $tried);
    }

    public function test_lists_hold_only_what_one_takes_part_in(): void
    {
        $lists = ['lessons' => 'id', 'courses' => 'id', 'search?q=water' => 'lesson_id', 'archives' => 'id'];
        foreach ($lists as $list => $key) {
            self::assertNotSame([], $this->callAs('owner', 'GET', "/api/{$list}")->json(), $list);
            self::assertSame([], $this->callAs('stranger', 'GET', "/api/{$list}")->assertOk()->json(), $list);
        }
        self::assertCount(1, $this->callAs('owner', 'GET', '/api/storage')->json('lessons'));
        self::assertCount(0, $this->callAs('stranger', 'GET', '/api/storage')->json('lessons'));
        // What a course lends its lessons is seen with them, and by nobody else.
        foreach (["logos/{$this->things['#logo']}", "music/{$this->things['#sound']}"] as $file) {
            self::assertSame(200, $this->callAs('reviewer', 'GET', "/api/{$file}")->getStatusCode(), $file);
            self::assertSame(404, $this->callAs('stranger', 'GET', "/api/{$file}")->getStatusCode(), $file);
        }
    }

    public function test_what_a_call_names_in_its_body_must_be_ones_own_too(): void
    {
        $take = strtr('{take}', $this->things);
        $mine = Section::factory()->create();
        $this->own($mine->lesson, 'stranger', Role::Owner);
        $copy = ['take' => $take];
        self::assertSame(422, $this->callAs('stranger', 'POST', "/api/sections/{$mine->id}/takes/copy", $copy)->getStatusCode());
        $lines = ['lines' => [$mine->lesson->sections()->firstOrFail()->id], 'take' => $take];
        $chosen = $this->callAs('stranger', 'PUT', "/api/lessons/{$mine->lesson_id}/choices", $lines);
        self::assertGreaterThanOrEqual(404, $chosen->getStatusCode());
        foreach (['course_id' => 'course', 'like' => 'lesson'] as $field => $thing) {
            $new = ['title' => 'A new one', $field => strtr("{{$thing}}", $this->things)];
            $this->callAs('stranger', 'POST', '/api/lessons', $new)->assertStatus(422)->assertJsonFragment(['status' => 422]);
        }
        // Into a course somebody else's: nobody but who writes there.
        $move = ['title' => 'Mine', 'course_id' => strtr('{course}', $this->things)];
        $this->callAs('stranger', 'PATCH', "/api/lessons/{$mine->lesson_id}", $move)->assertStatus(422);
        // And out of one only its owner takes a lesson.
        $out = ['title' => 'Out', 'course_id' => null];
        $lesson = strtr('/api/lessons/{lesson}', $this->things);
        $this->callAs('presenter', 'PATCH', $lesson, $out)->assertStatus(403);
        $this->callAs('owner', 'PATCH', $lesson, $out)->assertOk();
    }

    public function test_roles_in_a_course_hold_in_its_lessons_and_add_up(): void
    {
        $course = Course::query()->findOrFail(strtr('{course}', $this->things));
        $lesson = strtr('/api/lessons/{lesson}', $this->things);
        $this->own($course, 'stranger', Role::Editor);
        self::assertSame(['see', 'comment', 'write', 'publish'], $this->callAs('stranger', 'GET', $lesson)->json('may'));
        $this->own(Lesson::query()->findOrFail(strtr('{lesson}', $this->things)), 'stranger', Role::Presenter);
        self::assertSame(
            ['see', 'comment', 'write', 'record', 'publish'], $this->callAs('stranger', 'GET', $lesson)->json('may'),
        );
    }

    public function test_whoever_works_alone_is_asked_nothing(): void
    {
        config(['reel.mode' => 'me']);
        $this->callAs('nobody', 'GET', strtr('/api/lessons/{lesson}', $this->things))->assertOk()
            ->assertJsonPath('may', array_column(Right::cases(), 'value'));
    }

    private static function wanted(string $who, string $asks, int $owner): int
    {
        $role = Role::tryFrom($who);

        return match (true) {
            $who === 'nobody' => 401,
            in_array($asks, ['anybody', 'operator'], true) => $owner,
            $role === null, $asks === 'sender' => 404,
            default => in_array(Right::from($asks), $role->rights(), true) ? $owner : 403,
        };
    }

    /**
     * Whatever it does is undone.
     *
     * @param  array<string, mixed>  $body
     */
    private function callAs(string $who, string $method, string $path, array $body = []): TestResponse
    {
        $this->app['auth']->forgetGuards();
        $this->app['session']->flush();
        Context::flush();
        $person = $this->people[$who];
        if ($person !== null) {
            $this->actingAs($person)->withSession([Devices::KEY => $this->deviceOf($person)->id]);
        }
        DB::beginTransaction();
        try {
            return $this->json($method, $path, $body);
        } finally {
            DB::rollBack();
        }
    }

    private function own(Lesson|Course $place, string $who, Role $role): Membership
    {
        return Membership::query()->updateOrCreate(
            ['user_id' => $this->people[$who]?->id, $place instanceof Course ? 'course_id' : 'lesson_id' => $place->id],
            ['role' => $role],
        );
    }

    /**
     * One of everything, all of the same lesson and course, in which each takes part as they are called.
     *
     * @return array<string, string>
     */
    private function world(): array
    {
        $owner = $this->people['owner'] ?? throw new \LogicException('Nobody owns it.');
        $this->actingAs($owner);
        $course = Course::query()->create(['name' => 'Reading the Water']);
        $lesson = Lesson::factory()->create(['course_id' => $course->id, 'width' => 320, 'height' => 180]);
        $section = Section::factory()->for($lesson)->create(['script' => 'Find the water.']);
        $take = Take::factory()->for($section)->create(['state' => TakeState::Recording, 'recorded_in' => $section->id]);
        $track = $take->tracks()->create(['kind' => 'camera', 'mime' => 'video/webm', 'path' => 'lessons/none.part']);
        $hash = str_repeat('b', 64);
        $file = ['name' => 'Tide', 'hash' => $hash, 'path' => 'logos/tide.png', 'mime' => 'image/png']
            + ['width' => 4, 'height' => 4];
        $slide = Slide::query()->create(['lesson_id' => $lesson->id, 'position' => 1] + $file);
        $logo = Logo::query()->create(['course_id' => $course->id] + $file);
        $this->media()->write('logos/tide.png', 'png');
        $music = Music::query()->create([
            'course_id' => $course->id, 'name' => 'Slack', 'hash' => str_repeat('c', 64), 'path' => 'logos/tide.png',
            'loop_hash' => str_repeat('d', 64), 'loop_path' => 'logos/tide.png', 'loop_from' => 0, 'samples' => 10, 'lufs' => -20,
        ]);
        $deck = Deck::query()->create([
            'lesson_id' => $lesson->id, 'name' => 'Deck', 'path' => 'none', 'purpose' => 'add', 'state' => WorkState::Done,
        ]);
        $export = Export::query()->create([
            'lesson_id' => $lesson->id, 'state' => WorkState::Waiting, 'file_name' => 'tide.mp4', 'findings' => [],
        ]);
        $delivery = Delivery::query()->create([
            'lesson_id' => $lesson->id, 'export_id' => $export->id, 'folder' => 'tide', 'number' => 1,
            'state' => WorkState::Waiting,
        ]);
        $publication = Publication::query()->create(['lesson_id' => $lesson->id, 'token' => str_repeat('t', 24)]);
        $comment = $publication->comments()->create(['version' => 1, 'at_ms' => 0, 'name' => 'Piran', 'text' => 'Louder.']);
        $arrival = ArchiveImport::query()->create([
            'user_id' => $owner->id, 'name' => 'a.zip', 'path' => 'arrivals/a.zip', 'state' => WorkState::Waiting, 'made' => [],
        ]);
        foreach ([$lesson, $course] as $place) {
            foreach (['presenter', 'editor', 'reviewer'] as $who) {
                $this->own($place, $who, Role::from($who));
            }
        }
        $membership = $this->own($lesson, 'guest', Role::Reviewer);
        $invitation = Invitation::query()->create([
            'token_hash' => 'x', 'lesson_id' => $lesson->id, 'invited_by' => $owner->id, 'role' => Role::Reviewer,
            'ends_at' => now()->addDay(),
        ]);
        $mine = ['user_id' => $owner->id, 'name' => 'Phone', 'network' => '192.168.7.20', 'token' => 'x'];
        $device = PairedDevice::query()->create($mine + ['paired_at' => now(), 'used_at' => now()]);
        $pairing = Pairing::query()->create(['token' => 'y'] + $mine + ['code' => 'x', 'made_at' => now(), 'asked_at' => now()]);
        // The history is written by whoever makes things; what stands there already is of no matter here.
        HistoryEntry::query()->delete();

        return [
            '{lesson}' => $lesson->id, '{course}' => $course->id, '{section}' => $section->id, '{take}' => $take->id,
            '{track}' => $track->id, '{slide}' => $slide->id, '{music}' => $music->id, '{deck}' => $deck->id,
            '{export}' => $export->id, '{delivery}' => $delivery->id, '{comment}' => $comment->id, '{arrival}' => $arrival->id,
            '{paired_device}' => $device->id, '{pairing}' => $pairing->id,
            '{membership}' => $membership->id, '{invitation}' => $invitation->id,
            '{number}' => '1', '{kind}.zip' => 'all.zip', 'tracks/{kind}' => 'tracks/screen',
            'beside/{kind}' => 'beside/captions.vtt',
            '{language}' => 'de', '{window}' => 'window-one', '{key}' => $hash, '{hash}' => str_repeat('e', 64),
            '{fallbackPlaceholder}' => 'nothing',
            '#logo' => $hash, '#sound' => str_repeat('c', 64),
        ];
    }
}
