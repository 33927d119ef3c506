<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use Firebase\JWT\JWT;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Http;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Process\Process;

/** Signing in by way of a provider: one that stands in for it on this machine, and answers that should not be believed. */
final class OpenIdTest extends PeopleTestCase
{
    private ?Process $provider = null;

    protected function tearDown(): void
    {
        $this->provider?->stop(1);
        parent::tearDown();
    }

    public function test_whoever_the_provider_vouches_for_is_let_in(): void
    {
        $this->provider(['sub' => 'w-1', 'email' => 'Wenna@saltmarsh.example', 'email_verified' => true, 'name' => 'Wenna']);
        $wenna = $this->person('Wenna');
        $this->as(null)->get('/sign-in?to=/storage')->assertOk()->assertSee('Sign in with Saltmarsh');
        $back = $this->thereAndBack('/storage');
        $this->get($back)->assertRedirect('/storage');
        $this->getJson('/api/me')->assertJsonPath('person.email', 'wenna@saltmarsh.example');
        self::assertStringEndsWith(' w-1', (string) $wenna->refresh()->openid_subject);
        // Whoever made the account with that address before is out.
        self::assertFalse(Hash::check(self::PASSWORD, $wenna->password));
        // The same way back a second time leads nowhere.
        $this->as(null)->get($back)->assertStatus(422)->assertSee('That took too long');

        // From now on it is who the provider says, whatever address they have.
        $wenna->update(['email' => 'tregear@saltmarsh.example']);
        $this->as(null);
        $this->get($this->thereAndBack('//evil.example'))->assertRedirect('/');
        $this->getJson('/api/me')->assertJsonPath('person.email', 'tregear@saltmarsh.example');
    }

    public function test_newcomers_are_let_in_only_where_the_operator_says_so(): void
    {
        $this->provider(['sub' => 'k-1', 'email' => 'kerensa@saltmarsh.example', 'email_verified' => true, 'name' => 'Kerensa']);
        $this->get($this->thereAndBack())->assertStatus(422)->assertSee('Nobody here has your address.');
        self::assertSame(0, User::query()->count());
        config(['reel.openid.add' => true]);
        $this->as(null)->get($this->thereAndBack())->assertRedirect('/');
        self::assertSame('Kerensa', User::query()->sole()->name);
    }

    public function test_an_address_that_the_provider_has_not_looked_at_is_nobodys(): void
    {
        $this->provider(['sub' => 'x-1', 'email' => 'wenna@saltmarsh.example', 'email_verified' => false, 'name' => 'Wenna']);
        config(['reel.openid.add' => true]);
        $wenna = $this->person('Wenna');
        $this->as(null)->get($this->thereAndBack())->assertStatus(422)->assertSee('Nobody here has your address.');
        self::assertNull($wenna->refresh()->openid_subject);
    }

    public function test_somebody_else_of_the_same_address_is_not_let_in(): void
    {
        $this->provider(['sub' => 'x-2', 'email' => 'wenna@saltmarsh.example', 'email_verified' => true, 'name' => 'Wenna']);
        $this->person('Wenna')->update(['openid_subject' => 'another issuer w-1']);
        $this->as(null)->get($this->thereAndBack())->assertStatus(422)->assertSee('Somebody else already signs in');
    }

    public function test_what_comes_back_must_be_what_was_asked_for(): void
    {
        $this->provider(['sub' => 'w-1', 'email' => 'wenna@saltmarsh.example', 'email_verified' => true, 'name' => 'Wenna']);
        $this->person('Wenna');
        $this->as(null)->get('/sign-in/from?state=x&code=y')->assertStatus(422)->assertSee('That took too long');
        $back = $this->thereAndBack();
        $this->get((string) preg_replace('/state=[^&]+/', 'state=other', $back))->assertStatus(422);
        $back = $this->thereAndBack();
        $this->get((string) preg_replace('/code=[^&]+/', 'code=other', $back))->assertStatus(422)
            ->assertSee('Signing in with Saltmarsh did not work.');
        $this->getJson('/api/lessons')->assertStatus(401);
    }

    /** @param  array<string, mixed>  $wrong */
    #[TestWith([['aud' => 'somebody-else']])]
    #[TestWith([['iss' => 'https://evil.example']])]
    #[TestWith([['nonce' => 'of another visit']])]
    #[TestWith([['exp' => 1_000_000_000]])]
    #[TestWith([['exp' => null]])]
    #[TestWith([['sub' => '']])]
    #[TestWith([['aud' => ['open-reel', 'another'], 'azp' => 'another']])]
    #[TestWith([['key' => 'of somebody else']])]
    #[TestWith([['alg' => 'none']])]
    public function test_tokens_that_are_not_for_us_are_not_believed(array $wrong): void
    {
        config(['reel.openid' => [
            'issuer' => 'https://id.example', 'client' => 'open-reel', 'secret' => 's', 'name' => 'Saltmarsh', 'add' => true,
        ]]);
        [$ours, $theirs] = [self::key(), self::key()];
        $public = openssl_pkey_get_details($ours)['rsa'] ?? [];
        $in = fn (string $bytes): string => rtrim(strtr(base64_encode($bytes), '+/', '-_'), '=');
        $jwk = ['kty' => 'RSA', 'kid' => 'k', 'alg' => 'RS256', 'n' => $in($public['n']), 'e' => $in($public['e'])];
        Http::fake([
            'https://id.example/.well-known/openid-configuration' => Http::response([
                'issuer' => 'https://id.example', 'authorization_endpoint' => 'https://id.example/auth',
                'token_endpoint' => 'http://127.0.0.1:1/token', 'jwks_uri' => 'https://id.example/keys',
            ]),
            'https://id.example/keys' => Http::response(['keys' => [$jwk]]),
        ]);
        $asked = $this->get('/sign-in/with')->assertRedirect();
        parse_str((string) parse_url((string) $asked->headers->get('Location'), PHP_URL_QUERY), $query);
        $says = array_filter(array_diff_key($wrong, ['key' => 0, 'alg' => 0]) + [
            'iss' => 'https://id.example', 'aud' => 'open-reel', 'sub' => 'w', 'nonce' => $query['nonce'],
            'exp' => time() + 60, 'email' => 'wenna@saltmarsh.example', 'email_verified' => true,
        ], fn (mixed $v): bool => $v !== null);
        $token = isset($wrong['alg'])
            ? $in('{"alg":"none","kid":"k"}').'.'.$in((string) json_encode($says)).'.'
            : JWT::encode($says, isset($wrong['key']) ? $theirs : $ours, 'RS256', 'k');
        $port = $this->answering(['access_token' => 'a', 'token_type' => 'Bearer', 'id_token' => $token]);
        Cache::put('openid/https://id.example', [
            'issuer' => 'https://id.example', 'authorization_endpoint' => 'https://id.example/auth',
            'token_endpoint' => "http://127.0.0.1:{$port}/", 'jwks_uri' => 'https://id.example/keys',
        ], 60);
        $this->get('/sign-in/from?'.http_build_query(['code' => 'c', 'state' => $query['state']]))
            ->assertStatus(422)
            ->assertSee('did not work');
        $this->getJson('/api/lessons')->assertStatus(401);
    }

    public function test_a_provider_that_is_away_is_told_and_passwords_still_work(): void
    {
        config(['reel.openid' => [
            'issuer' => 'http://127.0.0.1:1', 'client' => 'open-reel', 'secret' => 's', 'name' => 'Saltmarsh', 'add' => false,
        ]]);
        $this->get('/sign-in/with')->assertStatus(502)->assertSee('use your password');
        config(['reel.openid.issuer' => '']);
        $this->get('/sign-in/with')->assertNotFound();
        $this->get('/sign-in')->assertOk()->assertDontSee('Sign in with');
    }

    /** @param  array<string, mixed>  $claims */
    private function provider(array $claims): void
    {
        $port = FreePort::any();
        $this->provider = new Process([
            'node', __DIR__.'/provider.mjs', (string) $port, url('/sign-in/from'), (string) json_encode($claims),
        ], timeout: null);
        $this->provider->start();
        $this->provider->waitUntil(fn (string $type, string $said): bool => str_contains($said, 'listening'));
        config(['reel.openid' => [
            'issuer' => "http://127.0.0.1:{$port}", 'client' => 'open-reel', 'secret' => 'a secret of this test',
            'name' => 'Saltmarsh', 'add' => false,
        ]]);
    }

    /** What a browser does: to the provider, through its pages, and back with what it says. */
    private function thereAndBack(string $to = '/'): string
    {
        $url = (string) $this->get('/sign-in/with?to='.rawurlencode($to))->assertRedirect()->headers->get('Location');
        $browser = new Client(['cookies' => new CookieJar, 'allow_redirects' => false]);
        for ($pages = 0; $pages < 10 && ! str_contains($url, '/sign-in/from'); $pages++) {
            $answer = $browser->get($url);
            $next = $answer->getHeaderLine('Location');
            self::assertNotSame('', $next, (string) $answer->getBody());
            $host = 'http://'.parse_url($url, PHP_URL_HOST).':'.parse_url($url, PHP_URL_PORT);
            $url = str_starts_with($next, '/') ? $host.$next : $next;
        }

        return (string) strstr($url, '/sign-in/from');
    }

    /**
     * A server that says one thing to whoever asks.
     *
     * @param  array<string, mixed>  $says
     */
    private function answering(array $says): int
    {
        $port = FreePort::any();
        $file = "{$this->mediaRoot}/answer.php";
        file_put_contents($file, "<?php header('Content-Type: application/json'); echo '".json_encode($says)."';");
        $this->provider = new Process([PHP_BINARY, '-S', "127.0.0.1:{$port}", $file], timeout: null);
        $this->provider->start();
        $this->provider->waitUntil(fn (string $type, string $said): bool => str_contains($said, 'started'));

        return $port;
    }

    private static function key(): \OpenSSLAsymmetricKey
    {
        return openssl_pkey_new(['private_key_bits' => 2048, 'private_key_type' => OPENSSL_KEYTYPE_RSA])
            ?: throw new \RuntimeException('No key could be made.');
    }
}
