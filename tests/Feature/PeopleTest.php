<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Lesson;
use App\Models\User;
use App\People\Devices;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\TestWith;

/** Where people sign in, and where one works alone. */
final class PeopleTest extends FeatureTestCase
{
    private const PASSWORD = 'low water at noon';

    /** What anybody may ask for: published films, signing in, being let in as a device (PairingTest), and whether the server lives. */
    private const OPEN = '#^(watch/|oembed$|sign-in(/\w+)?$|sign-out$|forgotten|invited/|device(/|$)|up$|metrics$|storage/\{path\}$)#';

    protected function setUp(): void
    {
        parent::setUp();
        config(['reel.mode' => 'people', 'session.driver' => 'file', 'session.files' => "{$this->mediaRoot}/sessions"]);
        mkdir("{$this->mediaRoot}/sessions");
        $this->withoutVite();
        $this->withCredentials();
    }

    public function test_nothing_but_what_is_published_is_answered_to_whoever_has_not_signed_in(): void
    {
        $walked = 0;
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (preg_match(self::OPEN, $route->uri()) === 1) {
                continue;
            }
            $of = ['{number}' => '1', '{kind}.zip' => 'all.zip', '{language}' => 'de', '{hash}' => str_repeat('a', 64)];
            $path = '/'.preg_replace('/\{\w+\??\}/', '01m8eynqwyxqyhx4q8jzm4vyff', strtr($route->uri(), $of));
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                $answer = $this->json($method, $path);
                $isShell = $route->uri() === '{page?}' || str_starts_with($route->uri(), 'account');
                self::assertContains(
                    $answer->status(), $isShell ? [401, 302] : [401, 404], "{$method} {$path} answered {$answer->status()}",
                );
                $walked += $answer->status() === 401 ? 1 : 0;
            }
        }
        self::assertGreaterThan(110, $walked);
        $this->get('/lessons/x/script?line=2')->assertRedirect('/sign-in?to='.rawurlencode('/lessons/x/script?line=2'));
        $this->get('/account')->assertRedirect();
        $this->getJson('/api/lessons')->assertStatus(401)
            ->assertJson(['detail' => 'You are signed out. Sign in again; nothing is lost.']);
        $this->get('/watch/'.str_repeat('x', 24))->assertNotFound();
        $this->get('/sign-in')->assertOk()->assertSee('E-mail');
    }

    public function test_who_knows_the_password_is_let_in_and_out(): void
    {
        $this->somebody();
        $answer = $this->signIn(['to' => '/storage?a=1'])->assertRedirect('/storage?a=1');
        $cookie = $answer->headers->getCookies()[0];
        self::assertSame(['reel_session', true, 'lax'], [$cookie->getName(), $cookie->isHttpOnly(), $cookie->getSameSite()]);
        foreach (['https' => true, 'http' => false] as $scheme => $isSecure) {
            $came = $this->get("{$scheme}://localhost/sign-in")->headers->getCookies()[0];
            self::assertSame($isSecure, $came->isSecure(), $scheme);
            // No host beside this one can set a cookie of such a name.
            self::assertSame(
                [$isSecure ? '__Host-reel_session' : 'reel_session', '/', null],
                [$came->getName(), $came->getPath(), $came->getDomain()],
            );
        }
        $this->keepCookies($answer);
        $this->getJson('/api/lessons')->assertOk();
        self::assertSame(User::query()->sole()->id, Context::get('person'));
        $this->getJson('/api/me')->assertExactJson([
            'mode' => 'people', 'person' => ['name' => 'Wenna', 'email' => 'wenna@saltmarsh.example'],
        ]);
        $this->get('/sign-in')->assertRedirect('/');
        $this->get('/account')->assertOk()->assertSee('wenna@saltmarsh.example');
        $this->post('/sign-out')->assertRedirect('/sign-in');
        $this->forgetPerson();
        $this->getJson('/api/lessons')->assertStatus(401);
    }

    public function test_a_page_of_one_person_sends_nothing_as_another_who_signs_in_there(): void
    {
        $wenna = $this->somebody();
        $this->keepCookies($this->signIn());
        $page = $this->get('/')->assertOk()->assertSee('"person":"'.$wenna->id.'"', escape: false);
        self::assertStringNotContainsString('"person":null', (string) $page->getContent());
        $ofWenna = ['X-Open-Reel-Person' => $wenna->id];
        $this->postJson('/api/lessons', ['title' => 'Slack water'], $ofWenna)->assertCreated();
        $this->get('/sign-in?as=another')->assertOk()->assertSee('Wenna is signed in here');

        User::query()->create(['name' => 'Jory', 'email' => 'jory@saltmarsh.example', 'password' => self::PASSWORD]);
        $this->keepCookies($this->signIn(['email' => 'jory@saltmarsh.example']));
        foreach ([['POST', '/api/lessons'], ['GET', '/api/here']] as [$method, $path]) {
            $this->json($method, $path, ['title' => 'Hers'], $ofWenna)->assertStatus(401)->assertJson([
                'detail' => 'Jory has signed in here since. Sign in again; nothing is lost.', 'somebody_else' => 'Jory',
            ]);
        }
        self::assertSame(1, Lesson::query()->count());
        $this->getJson('/api/here')->assertNoContent();

        $this->keepCookies($this->signIn());
        $this->getJson('/api/here', $ofWenna)->assertNoContent();
    }

    #[TestWith(['//evil.example'])]
    #[TestWith(['https://evil.example/'])]
    #[TestWith(['/\\evil.example'])]
    #[TestWith(["/a\r\nSet-Cookie: a=b"])]
    #[TestWith(['/sign-in?to=/sign-in'])]
    #[TestWith([''])]
    public function test_one_is_led_nowhere_else_behind_it(string $to): void
    {
        $this->somebody();
        $this->signIn(['to' => $to])->assertRedirect('/');
    }

    public function test_a_wrong_password_says_nothing_and_cannot_be_tried_for_ever(): void
    {
        $this->somebody();
        $says = 'That e-mail address and password do not match.';
        $nobody = ['email' => 'nobody@saltmarsh.example'];
        foreach ([['password' => 'high water'], $nobody, ['password' => ''], ['email' => ['a']]] as $wrong) {
            $this->signIn($wrong)->assertStatus(422)->assertSee($says)->assertDontSee('high water');
        }
        foreach (range(1, 5) as $try) {
            $this->signIn(['password' => "guess {$try}"]);
        }
        $this->signIn()->assertStatus(429)->assertSee('Too many tries.');
        $this->travel(61)->seconds();
        $this->signIn(['email' => ' Wenna@Saltmarsh.example '])->assertRedirect('/');
    }

    public function test_the_operator_reads_in_the_log_who_signed_in_and_who_could_not(): void
    {
        $user = $this->somebody();
        $log = Log::spy();
        $who = ['address' => '127.0.0.1', 'person' => $user->id];
        $this->signIn(['password' => 'high water']);
        $log->shouldHaveReceived('warning')->once()->with('A password was wrong', $who);
        $this->signIn();
        $log->shouldHaveReceived('info')->once()->with('Somebody signed in', $who);
    }

    public function test_another_password_ends_what_is_signed_in_elsewhere(): void
    {
        $user = $this->somebody();
        $elsewhere = $this->signIn(['remember' => '1']);
        $this->forgetPerson();
        $this->keepCookies($this->signIn());
        $new = ['password' => self::PASSWORD, 'new' => 'high water at six'];
        $change = fn (array $as): TestResponse => $this->post('/account/password', $as + $new);
        $change(['password' => 'no'])->assertStatus(422)->assertSee('not your current password');
        $change(['new' => 'short'])->assertStatus(422)->assertSee('at least 12 characters');
        $done = $this->post('/account/password', $new)->assertOk()->assertSee('You are signed out everywhere else.');
        self::assertTrue(Hash::check($new['new'], $user->refresh()->password));
        self::assertMatchesRegularExpression('/^\$keyed\$[0-9a-f]{8}\$argon2id\$/', $user->password);
        $this->keepCookies($done);
        $this->getJson('/api/lessons')->assertOk();

        $this->forgetPerson();
        $this->keepCookies($elsewhere);
        $this->getJson('/api/lessons')->assertStatus(401);
    }

    public function test_a_device_that_is_remembered_stays_signed_in_until_the_password_is_reset(): void
    {
        $this->somebody();
        $answer = $this->signIn(['remember' => '1']);
        $this->forgetPerson();
        // Another day: the session is gone, the device is known.
        foreach ($answer->headers->getCookies() as $cookie) {
            if ($cookie->getName() === Devices::COOKIE) {
                self::assertTrue($cookie->isHttpOnly());
                $this->withUnencryptedCookie($cookie->getName(), (string) $cookie->getValue());
            }
        }
        $this->getJson('/api/lessons')->assertOk();
        Artisan::call('reel:user', ['what' => 'reset', 'email' => 'wenna@saltmarsh.example']);
        app('auth')->forgetGuards();
        app('session')->forgetDrivers();
        app()->forgetInstance('session.store');
        $this->getJson('/api/lessons')->assertStatus(401);
    }

    public function test_the_operator_says_who_may_sign_in(): void
    {
        $piran = ['email' => 'Piran@Saltmarsh.example', '--name' => 'Piran'];
        self::assertSame(0, Artisan::call('reel:user', ['what' => 'add'] + $piran));
        preg_match('/password (\S+)/', Artisan::output(), $said);
        $this->signIn(['email' => 'piran@saltmarsh.example', 'password' => $said[1] ?? ''])->assertRedirect('/');
        Artisan::call('reel:user', ['what' => 'list']);
        self::assertSame("piran@saltmarsh.example  Piran\n", Artisan::output());
        foreach ([
            [['what' => 'add', 'email' => 'piran@saltmarsh.example'], 'may sign in already'],
            [['what' => 'add', 'email' => 'piran'], 'Say the e-mail address'],
            [['what' => 'reset', 'email' => 'nobody@saltmarsh.example'], 'Nobody signs in as'],
            [['what' => 'dance'], 'Say add, list, reset or remove.'],
        ] as [$words, $says]) {
            self::assertSame(1, Artisan::call('reel:user', $words));
            self::assertStringContainsString($says, Artisan::output());
        }
        Artisan::call('reel:user', ['what' => 'remove', 'email' => 'piran@saltmarsh.example']);
        self::assertSame(0, User::query()->count());
    }

    public function test_where_one_works_alone_there_is_no_sign_in_no_session_and_no_cookie(): void
    {
        config(['reel.mode' => 'me']);
        $this->getJson('/api/lessons')->assertOk();
        $this->getJson('/api/me')->assertExactJson(['mode' => 'me', 'person' => null]);
        self::assertSame([], $this->get('/')->assertOk()->headers->getCookies());
        foreach (['/sign-in', '/account'] as $page) {
            $this->get($page)->assertNotFound();
        }
        $this->post('/sign-in', ['email' => 'a@b.example', 'password' => 'x'])->assertNotFound();
        self::assertSame([], glob("{$this->mediaRoot}/sessions/*"));
    }

    private function somebody(): User
    {
        return User::query()->create(['name' => 'Wenna', 'email' => 'wenna@saltmarsh.example', 'password' => self::PASSWORD]);
    }

    /** @param  array<string, mixed>  $as */
    private function signIn(array $as = []): TestResponse
    {
        return $this->post('/sign-in', $as + ['email' => 'wenna@saltmarsh.example', 'password' => self::PASSWORD]);
    }

    /** The same browser goes on; nothing but its cookies tells who it is. */
    private function keepCookies(TestResponse $answer): void
    {
        $this->forgetPerson();
        foreach ($answer->headers->getCookies() as $cookie) {
            $this->withUnencryptedCookie($cookie->getName(), (string) $cookie->getValue());
        }
    }

    /** Another browser. */
    private function forgetPerson(): void
    {
        $this->unencryptedCookies = [];
        app('auth')->forgetGuards();
        app('session')->forgetDrivers();
        app()->forgetInstance('session.store');
        Auth::clearResolvedInstances();
    }
}
