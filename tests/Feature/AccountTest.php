<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\People\MailNotices;
use App\Health\DatabaseCheck;
use App\Mail\AccountMail;
use App\Mail\NoticesMail;
use App\Models\Device;
use App\Models\Notice;
use App\Models\User;
use App\People\Devices;
use App\Upkeep\Upkeep;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Illuminate\Testing\TestResponse;
use OpenReel\Core\People\OneTimeCode;
use PHPUnit\Framework\Attributes\TestWith;

/** One-time codes, passwords chosen anew, and mail. */
final class AccountTest extends PeopleTestCase
{
    private const NEW = 'high water at six';

    protected function setUp(): void
    {
        parent::setUp();
        Mail::fake();
    }

    public function test_a_code_of_the_telephone_is_asked_for_beside_the_password(): void
    {
        $wenna = $this->person('Wenna');
        [$secret, $spare] = $this->turnOn($wenna);
        $stored = (string) json_encode($wenna->refresh()->getAttributes());
        self::assertStringNotContainsString(base64_encode($secret), $stored);
        self::assertStringNotContainsString($spare[0], $stored);
        $this->travel(60)->seconds();

        $this->as(null);
        $this->signIn(['to' => '/storage'])->assertRedirect('/sign-in/code?to='.rawurlencode('/storage'));
        $this->getJson('/api/lessons')->assertStatus(401);
        $this->get('/sign-in/code?to=/storage')->assertOk()->assertSee('One-time code');
        $this->post('/sign-in/code', ['code' => '000000'])->assertStatus(422)->assertSee('is not right');
        $code = (new OneTimeCode($secret))->at(now()->getTimestamp());
        $this->post('/sign-in/code', ['code' => $code, 'to' => '/storage'])->assertRedirect('/storage');
        $this->getJson('/api/lessons')->assertOk();

        // The same code again lets nobody in; a spare one does, once.
        foreach ([[$code, 422], [strtoupper($spare[0]), 302], [$spare[0], 422], [$spare[1], 302]] as [$said, $status]) {
            $this->as(null);
            $this->signIn();
            self::assertSame($status, $this->post('/sign-in/code', ['code' => $said])->getStatusCode(), $said);
        }
    }

    public function test_who_has_not_said_the_password_is_asked_no_code_and_none_can_be_tried_for_ever(): void
    {
        $wenna = $this->person('Wenna');
        $this->turnOn($wenna);
        $this->as(null)->get('/sign-in/code')->assertRedirect('/sign-in');
        $this->post('/sign-in/code', ['code' => '1'])->assertRedirect('/sign-in');
        $this->signIn();
        foreach (range(1, 5) as $try) {
            $this->post('/sign-in/code', ['code' => "00000{$try}"])->assertStatus(422);
        }
        $this->post('/sign-in/code', ['code' => '000006'])->assertStatus(429);
        // Half of it holds ten minutes, and not when the password has become another.
        $this->travel(11)->minutes();
        $this->get('/sign-in/code')->assertRedirect('/sign-in');
        $this->signIn();
        $wenna->refresh()->forceFill(['password' => self::NEW])->save();
        $this->get('/sign-in/code')->assertRedirect('/sign-in');
    }

    public function test_codes_are_turned_on_and_off_only_by_who_knows_the_password(): void
    {
        $wenna = $this->person('Wenna');
        $this->as($wenna)->post('/account/codes', ['password' => 'no'])->assertStatus(422)
            ->assertSee('not your current password');
        $this->post('/account/codes/on', ['code' => '123456'])->assertStatus(422)->assertSee('Start again');
        $this->post('/account/codes', ['password' => self::PASSWORD])->assertOk()->assertSee('otpauth://totp/', false);
        $this->post('/account/codes/on', ['code' => '000000'])->assertStatus(422)->assertSee('is not right');
        self::assertNull($wenna->refresh()->code_secret);
        $this->turnOn($wenna);
        $this->post('/account/codes/off', ['password' => 'no'])->assertStatus(422);
        $this->post('/account/codes/off', ['password' => self::PASSWORD])->assertOk()->assertSee('One-time codes are off');
        self::assertNull($wenna->refresh()->code_secret);
        Mail::assertSent(AccountMail::class, 2);
    }

    public function test_whoever_has_the_database_and_not_the_servers_secret_can_try_no_password(): void
    {
        $wenna = $this->person('Wenna');
        $hash = $wenna->password;
        $plain = substr($hash, (int) strpos($hash, '$argon2id'));
        self::assertTrue(Hash::check(self::PASSWORD, $hash));
        self::assertFalse(Hash::check('high water', $hash));
        self::assertFalse(password_verify(self::PASSWORD, $plain));

        [$ours, $another] = [config('app.key'), 'base64:'.base64_encode(str_repeat('x', 32))];
        $findings = fn (): array => array_column(app(DatabaseCheck::class)->look(), 'about');
        self::assertNotContains('sign-in', $findings());
        $this->withSecrets($another);
        self::assertFalse(Hash::check(self::PASSWORD, $hash));
        self::assertContains('sign-in', $findings());
        // While the one before is said beside it, what was made with it holds.
        $this->withSecrets($another, $ours);
        self::assertTrue(Hash::check(self::PASSWORD, $hash));
        self::assertNotContains('sign-in', $findings());
        self::assertTrue(Hash::needsRehash($hash));
        self::assertFalse(Hash::needsRehash(Hash::make(self::PASSWORD)));
    }

    public function test_passwords_of_before_there_was_a_secret_are_known_and_kept_with_it_from_then_on(): void
    {
        $wenna = $this->person('Wenna');
        $cost = ['memory_cost' => 1024, 'time_cost' => 1];
        $wenna->update(['password' => password_hash(self::PASSWORD, PASSWORD_ARGON2ID, $cost)]);
        $elsewhere = $this->deviceOf($wenna);
        $this->as(null);
        $this->signIn()->assertRedirect();
        self::assertFalse(Hash::needsRehash($wenna->refresh()->password));
        self::assertSame($wenna->mark(), $elsewhere->refresh()->mark, 'who is signed in elsewhere stays so');
        $this->as(null);
        $kept = $wenna->password;
        $this->signIn()->assertRedirect();
        self::assertSame($kept, $wenna->refresh()->password);
    }

    private function withSecrets(mixed ...$secrets): void
    {
        config(['app.key' => array_shift($secrets), 'app.previous_keys' => $secrets]);
        $this->app['hash']->forgetDrivers();
    }

    public function test_a_forgotten_password_is_chosen_anew_by_mail(): void
    {
        $wenna = $this->person('Wenna');
        $says = 'If somebody signs in here with that address, a mail is on its way.';
        $this->post('/forgotten', ['email' => 'nobody@saltmarsh.example'])->assertOk()->assertSee($says);
        Mail::assertNothingSent();
        $this->post('/forgotten', ['email' => ' WENNA@saltmarsh.example'])->assertOk()->assertSee($says);
        $link = '';
        Mail::assertSent(AccountMail::class, function (AccountMail $mail) use (&$link): bool {
            preg_match('#/forgotten/\S+#', $mail->render(), $match);
            $link = $match[0] ?? '';

            return $mail->hasTo('wenna@saltmarsh.example');
        });
        $this->get($link)->assertOk()->assertSee('New password');
        $path = strtok($link, '?');
        $chosen = ['email' => $wenna->email, 'password' => self::NEW];
        $this->post("{$path}", ['password' => 'short'] + $chosen)->assertStatus(422)->assertSee('at least 12');
        $this->post("{$path}x", $chosen)->assertStatus(422)->assertSee('no longer valid');
        $this->post("{$path}", ['email' => 'piran@saltmarsh.example'] + $chosen)->assertStatus(422);
        $before = $wenna->mark();
        $this->post("{$path}", $chosen)->assertRedirect('/sign-in');
        self::assertTrue(Hash::check(self::NEW, $wenna->refresh()->password));
        self::assertNotSame($before, $wenna->mark(), 'what was signed in before is signed out');
        Mail::assertSent(AccountMail::class, 2);
        $this->travel(2)->minutes();
        $this->post("{$path}", $chosen)->assertStatus(422);
    }

    /** @param  array<string, string>  $headers */
    #[TestWith([['X-Forwarded-Host' => 'evil.example', 'X-Forwarded-Prefix' => '/evil', 'X-Forwarded-Port' => '99']])]
    #[TestWith([['Host' => 'localhost:6666']])]
    public function test_a_link_in_a_mail_begins_as_the_settings_say_whatever_a_request_says(array $headers): void
    {
        config(['app.url' => 'https://studio.example.org/', 'trustedproxy.proxies' => '127.0.0.1']);
        $this->person('Wenna');
        $this->post('/forgotten', ['email' => 'wenna@saltmarsh.example'], $headers)->assertOk();
        Mail::assertSent(AccountMail::class, fn (AccountMail $mail): bool => str_contains(
            $mail->render(), "\nhttps://studio.example.org/forgotten/",
        ) && ! str_contains($mail->render(), 'evil') && ! str_contains($mail->render(), '6666'));
    }

    public function test_where_no_mail_is_sent_nobody_waits_for_one(): void
    {
        config(['mail.default' => 'log']);
        $this->person('Wenna');
        $this->post('/forgotten', ['email' => 'wenna@saltmarsh.example'])->assertStatus(503)->assertSee('sends no mail');
        self::assertSame(0, DB::table('password_reset_tokens')->count());
    }

    public function test_strangers_who_try_from_everywhere_are_stopped_and_lock_nobody_out_of_their_own_browser(): void
    {
        $wenna = $this->person('Wenna');
        $own = $this->signIn()->assertRedirect('/')->getCookie('reel_known', decrypt: false);
        $this->as(null);
        $from = fn (int $n): self => $this->at("198.51.100.{$n}");
        $answers = array_map(
            fn (int $n): int => $from($n)->signIn(['password' => 'guess'])->getStatusCode(), range(1, 60),
        );
        self::assertSame(array_fill(0, 50, 422), array_slice($answers, 0, 50));
        self::assertSame(array_fill(0, 10, 429), array_slice($answers, 50));
        // Right or not, from anywhere it is closed; not where she has been before.
        $from(200)->signIn()->assertStatus(429)->assertSee('tried too often');
        $from(201)->disableCookieEncryption()->withUnencryptedCookie('reel_known', $wenna->id)->signIn()->assertStatus(429);
        $from(202)->withUnencryptedCookie('reel_known', (string) $own?->getValue())->signIn()->assertRedirect('/');
    }

    public function test_networks_are_counted_and_not_the_addresses_in_them(): void
    {
        $this->person('Wenna');
        $try = fn (int $n): int => $this->at("2001:db8:1:2::{$n}")
            ->signIn(['password' => 'guess'])->getStatusCode();
        self::assertSame([422, 422, 422, 422, 422, 429], array_map($try, range(1, 6)));
        // And longer each time.
        $this->travel(61)->seconds();
        self::assertSame([422, 422, 422, 422, 422, 429], array_map($try, range(11, 16)));
        $this->travel(61)->seconds();
        self::assertSame(429, $try(20));
        $this->travel(61)->seconds();
        self::assertSame(422, $try(21));
    }

    public function test_codes_tried_by_others_close_no_door_to_their_owner_who_is_told(): void
    {
        $wenna = $this->person('Wenna');
        [$secret, $spare] = $this->turnOn($wenna);
        $this->travel(60)->seconds();
        $sent = fn (): int => Mail::sent(AccountMail::class, fn (AccountMail $m): bool => str_contains(
            $m->render(), 'wrong one-time codes were tried',
        ))->count();
        foreach (range(1, 21) as $n) {
            $this->as(null)->at("198.51.100.{$n}")->signIn();
            $status = $this->post('/sign-in/code', ['code' => '000000'])->getStatusCode();
            self::assertSame([$n > 20 ? 429 : 422, $n < 10 ? 0 : 1], [$status, $sent()], "try {$n}");
        }
        $code = (new OneTimeCode($secret))->at(now()->getTimestamp());
        $this->as(null)->at('203.0.113.1')->signIn();
        $this->post('/sign-in/code', ['code' => $code])->assertStatus(429)->assertSee('Use a spare code');
        $this->post('/sign-in/code', ['code' => $spare[0]])->assertRedirect('/');
        // Whoever was right has opened it again.
        $this->as(null)->signIn();
        $this->post('/sign-in/code', ['code' => $code])->assertRedirect('/');
    }

    public function test_a_stranger_takes_as_much_work_as_anybody(): void
    {
        Cache::flush();
        Hash::shouldReceive('make')->once()->andReturn('$keyed$nobodys');
        Hash::shouldReceive('check')->once()->with('guess', '$keyed$nobodys')->andReturn(false);
        $this->signIn(['email' => 'nobody@saltmarsh.example', 'password' => 'guess'])->assertStatus(422);
        Hash::shouldReceive('make')->once()->andReturn('x');
        $this->post('/forgotten', ['email' => 'nobody@saltmarsh.example'])->assertOk();
    }

    public function test_a_link_holds_for_an_hour(): void
    {
        $this->person('Wenna');
        $link = '';
        $this->post('/forgotten', ['email' => 'wenna@saltmarsh.example']);
        Mail::assertSent(AccountMail::class, function (AccountMail $mail) use (&$link): bool {
            preg_match('#/forgotten/[^?\s]+#', $mail->render(), $match);
            $link = $match[0] ?? '';

            return true;
        });
        $this->travel(61)->minutes();
        $this->post($link, ['email' => 'wenna@saltmarsh.example', 'password' => self::NEW])->assertStatus(422);
    }

    public function test_everything_else_can_be_signed_out(): void
    {
        $wenna = $this->person('Wenna');
        $this->device($wenna, 'Firefox on Linux');
        $others = $this->device($this->person('Piran'), 'Edge on Windows');
        $this->as($wenna)->post('/account/elsewhere')->assertOk()->assertSee('You are signed out everywhere else.');
        $this->getJson('/api/lessons')->assertOk();
        self::assertSame(['Of the test'], $wenna->devices()->pluck('name')->all());
        self::assertModelExists($others);
    }

    public function test_one_device_can_be_signed_out_and_is_out_at_once(): void
    {
        $wenna = $this->person('Wenna');
        $lost = $this->device($wenna, 'Chrome on Android', ['token' => hash('sha256', 'kept')]);
        $others = $this->device($this->person('Piran'), 'Edge on Windows');
        $gone = $this->device($wenna, 'Safari on a Mac', ['used_at' => now()->subHours(13)]);
        $this->as($wenna)->get('/account')
            ->assertOk()
            ->assertSeeInOrder(['Of the test, this one', 'Chrome on Android', 'stays signed in'])
            ->assertDontSee($others->name)
            ->assertDontSee($gone->name);
        $this->rememberedAs("{$lost->id}|kept")->assertOk();
        $this->rememberedAs("{$lost->id}|guessed")->assertStatus(401);
        $this->rememberedAs("{$lost->id}|")->assertStatus(401);
        $this->rememberedAs("{$this->deviceOf($wenna)->id}|")->assertStatus(401);

        $this->as($wenna)->post("/account/devices/{$others->id}/end")->assertNotFound();
        self::assertModelExists($others);
        $this->post("/account/devices/{$lost->id}/end")->assertOk()->assertSee('Chrome on Android is signed out.');
        $this->rememberedAs("{$lost->id}|kept")->assertStatus(401);
        // A session that was open there is not believed either.
        $this->as($wenna)->withSession([Devices::KEY => $lost->id])->getJson('/api/lessons')->assertStatus(401);

        $mine = $this->deviceOf($wenna);
        $this->as($wenna)->post("/account/devices/{$mine->id}/end")->assertRedirect('/sign-in');
        $this->getJson('/api/lessons')->assertStatus(401);
    }

    public function test_a_remembered_device_that_nobody_used_for_long_is_forgotten(): void
    {
        $wenna = $this->person('Wenna');
        $old = $this->device($wenna, 'Chrome on Linux', ['token' => hash('sha256', 'kept')]);
        $this->travel(Device::REMEMBERED_DAYS - 1)->days();
        $this->rememberedAs("{$old->id}|kept")->assertOk();
        $this->travel(Device::REMEMBERED_DAYS - 1)->days();
        $this->rememberedAs("{$old->id}|kept")->assertOk();
        $this->travel(Device::REMEMBERED_DAYS + 1)->days();
        $this->rememberedAs("{$old->id}|kept")->assertStatus(401);
        app(Upkeep::class)();
        self::assertModelMissing($old);
    }

    /** Another day, in a browser that has nothing but the cookie of a device. */
    private function rememberedAs(string $cookie): TestResponse
    {
        return $this->as(null)->withCredentials()->withCookie(Devices::COOKIE, $cookie)->getJson('/api/lessons');
    }

    /** @param  array<string, mixed>  $with */
    private function device(User $person, string $name, array $with = []): Device
    {
        return $person->devices()->create($with + ['name' => $name, 'mark' => $person->mark(), 'used_at' => now()]);
    }

    public function test_what_happened_is_mailed_once_an_hour_at_most_to_who_wants_it(): void
    {
        [$wenna, $piran] = [$this->person('Wenna'), $this->person('Piran')];
        $this->as($piran)->post('/account/mail', [])->assertOk()->assertSee('You will get no mail');
        $tell = function (string $says) use ($wenna, $piran): void {
            foreach ([$wenna, $piran] as $one) {
                Notice::query()->create(['user_id' => $one->id, 'says' => $says, 'path' => '/lessons/x']);
            }
        };
        $mail = app(MailNotices::class);
        $tell('Jory says "louder" & more');
        self::assertSame(0, $mail(), 'who looks anyway need not be written to');
        $this->travel(6)->minutes();
        self::assertSame(1, $mail());
        Mail::assertSent(NoticesMail::class, fn (NoticesMail $m): bool => $m->hasTo($wenna->email)
            && str_contains($m->render(), 'Jory says "louder" & more') && str_contains($m->render(), '/lessons/x'));
        $tell('Another');
        $this->travel(30)->minutes();
        self::assertSame(0, $mail());
        $this->travel(31)->minutes();
        self::assertSame(1, $mail());
        $this->travel(61)->minutes();
        self::assertSame(0, $mail(), 'nothing is told twice');
        // What was seen is not mailed.
        $tell('Seen');
        $id = (string) $this->as($wenna)->getJson('/api/notices')->assertJsonPath('unread', 3)->json('notices.0.id');
        $this->postJson('/api/notices/read', ['until' => $id])->assertJsonPath('unread', 0);
        $this->travel(6)->minutes();
        self::assertSame(0, $mail());
    }

    public function test_a_mail_server_that_is_away_loses_no_notice(): void
    {
        $wenna = $this->person('Wenna');
        Notice::query()->create(['user_id' => $wenna->id, 'says' => 'Piran approved it', 'path' => '/lessons/x']);
        $this->travel(6)->minutes();
        Mail::clearResolvedInstances();
        $this->app->forgetInstance('mail.manager');
        config(['mail.default' => 'smtp', 'mail.mailers.smtp.host' => '127.0.0.1', 'mail.mailers.smtp.port' => 1]);
        self::assertSame(0, app(MailNotices::class)());
        Mail::fake();
        $this->travel(61)->minutes();
        self::assertSame(1, app(MailNotices::class)());
    }

    #[TestWith(['post', '/account/codes'])]
    #[TestWith(['post', '/account/elsewhere'])]
    #[TestWith(['get', '/forgotten'])]
    #[TestWith(['get', '/forgotten/x'])]
    #[TestWith(['get', '/sign-in/code'])]
    #[TestWith(['get', '/invited/x'])]
    public function test_where_one_works_alone_none_of_it_is_there(string $method, string $path): void
    {
        config(['reel.mode' => 'me']);
        self::assertSame(404, $this->{$method}($path)->getStatusCode());
    }

    /** @return array{string, list<string>} secret and spare codes */
    private function turnOn(User $person): array
    {
        $shown = $this->as($person)->post('/account/codes', ['password' => self::PASSWORD])->assertOk();
        $secret = (string) base64_decode((string) session('new_code_secret'), true);
        $shown->assertSee(substr((new OneTimeCode($secret))->typed(), 0, 4));
        $on = $this->post('/account/codes/on', ['code' => (new OneTimeCode($secret))->at(now()->getTimestamp())])->assertOk();
        preg_match_all('#<li>(\w{10})</li>#', (string) $on->getContent(), $spare);
        self::assertCount(8, array_unique($spare[1]));

        return [$secret, $spare[1]];
    }

    /** @param  array<string, mixed>  $as */
    private function signIn(array $as = []): TestResponse
    {
        return $this->post('/sign-in', $as + ['email' => 'wenna@saltmarsh.example', 'password' => self::PASSWORD]);
    }
}
