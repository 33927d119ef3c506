<?php

declare(strict_types=1);

namespace App\People;

use App\OperationRejected;
use Firebase\JWT\JWK;
use Firebase\JWT\JWT;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Str;
use League\OAuth2\Client\Provider\AbstractProvider;
use League\OAuth2\Client\Provider\GenericProvider;

/**
 * Signing in with what an organisation has already: OpenID Connect Core 1.0 with the authorization code flow and PKCE (RFC 7636),
 * found by its issuer (OpenID Connect Discovery 1.0). What a person is called comes from the signed ID token, and nothing else.
 */
final class OpenId
{
    private const SCOPES = ['openid', 'email', 'profile'];

    /** What a provider says of itself is asked for again after so many seconds. */
    private const KNOWN_SECONDS = 3600;

    private const TIMEOUT_SECONDS = 10;

    /** Clocks may be apart by so many seconds. */
    private const APART_SECONDS = 60;

    public static function isSetUp(): bool
    {
        return self::config('issuer') !== '' && self::config('client') !== '';
    }

    /** What the provider is called on the page on which one signs in. */
    public static function name(): string
    {
        return self::config('name');
    }

    /**
     * @return array{url: string, state: string, nonce: string, verifier: string} where to send the browser, and what to remember
     *
     * @throws OperationRejected
     */
    public function begin(): array
    {
        $provider = $this->provider();
        $nonce = Str::random(32);
        $url = $provider->getAuthorizationUrl(['scope' => self::SCOPES, 'nonce' => $nonce]);

        return [
            'url' => $url, 'state' => $provider->getState(), 'nonce' => $nonce, 'verifier' => (string) $provider->getPkceCode(),
        ];
    }

    /**
     * @return array{subject: string, email: string, name: string} email is empty unless the provider says that it is theirs
     *
     * @throws OperationRejected
     */
    public function finish(string $code, string $verifier, string $nonce): array
    {
        $provider = $this->provider();
        $provider->setPkceCode($verifier);
        try {
            $token = $provider->getAccessToken('authorization_code', ['code' => $code])->getValues()['id_token'] ?? '';
            JWT::$leeway = self::APART_SECONDS;
            $says = (array) JWT::decode((string) $token, JWK::parseKeySet($this->keys(), 'RS256'));
        } catch (OperationRejected $no) {
            throw $no;
        } catch (\Throwable $e) {
            throw self::failed('its answer could not be read', $e);
        }
        $audience = (array) ($says['aud'] ?? []);
        $isOurs = ($says['iss'] ?? null) === self::config('issuer') && in_array(self::config('client'), $audience, true)
            && is_string($says['nonce'] ?? null) && hash_equals($nonce, $says['nonce'])
            // The library looks at the time only where one is said.
            && isset($says['exp']) && is_string($says['sub'] ?? null) && $says['sub'] !== '';
        if (! $isOurs || (count($audience) > 1 && ($says['azp'] ?? null) !== self::config('client'))) {
            throw self::failed('its ID token is not for this server or this visit');
        }

        return [
            'subject' => self::config('issuer').' '.$says['sub'],
            'email' => ($says['email_verified'] ?? false) === true ? (string) ($says['email'] ?? '') : '',
            'name' => (string) ($says['name'] ?? ''),
        ];
    }

    private function provider(): AbstractProvider
    {
        $known = $this->known();

        return new GenericProvider([
            'clientId' => self::config('client'),
            'clientSecret' => self::config('secret'),
            'redirectUri' => OwnAddress::of('/sign-in/from'),
            'urlAuthorize' => $known['authorization_endpoint'],
            'urlAccessToken' => $known['token_endpoint'],
            'urlResourceOwnerDetails' => '',
            'pkceMethod' => AbstractProvider::PKCE_METHOD_S256,
            'scopeSeparator' => ' ',
            'timeout' => self::TIMEOUT_SECONDS,
        ]);
    }

    /** @return array{authorization_endpoint: string, token_endpoint: string, jwks_uri: string} */
    private function known(): array
    {
        $issuer = self::config('issuer');
        $known = Cache::get("openid/{$issuer}") ?? $this->fetch(rtrim($issuer, '/').'/.well-known/openid-configuration');
        $isWhole = isset($known['authorization_endpoint'], $known['token_endpoint'], $known['jwks_uri']);
        if (! $isWhole || ($known['issuer'] ?? null) !== $issuer) {
            throw self::failed('it does not say how it is reached');
        }
        Cache::put("openid/{$issuer}", $known, self::KNOWN_SECONDS);

        return $known;
    }

    /**
     * Fetched each time: a key that was withdrawn must not be believed.
     *
     * @return array<string, mixed>
     */
    private function keys(): array
    {
        return $this->fetch($this->known()['jwks_uri']);
    }

    /** @return array<string, mixed> */
    private function fetch(string $url): array
    {
        try {
            return (array) Http::timeout(self::TIMEOUT_SECONDS)->withoutRedirecting()->get($url)->throw()->json();
        } catch (\Throwable $e) {
            throw self::failed('it does not answer', $e);
        }
    }

    private static function failed(string $why, ?\Throwable $cause = null): OperationRejected
    {
        Log::warning('Signing in with OpenID Connect did not work', ['why' => $why, 'detail' => $cause?->getMessage()]);

        return OperationRejected::conflict('Signing in with '.self::config('name').' did not work. Try again, or use your password.');
    }

    private static function config(string $key): string
    {
        return (string) config("reel.openid.{$key}");
    }
}
