<?php

declare(strict_types=1);

namespace App\Exchange\OpenId;

use App\Exchange\Outbound\BoundHost;
use App\Exchange\Outbound\ClosedHost;
use App\Exchange\Outbound\OpenHost;
use DateTimeImmutable;
use DomainException;
use FigPorch\Core\Account\ClaimFault;
use FigPorch\Core\Account\SchoolSignIn;
use Firebase\JWT\JWK;
use Firebase\JWT\JWT;
use Firebase\JWT\Key;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\RequestException;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Str;
use InvalidArgumentException;
use League\OAuth2\Client\OptionProvider\HttpBasicAuthOptionProvider;
use League\OAuth2\Client\Provider\Exception\IdentityProviderException;
use League\OAuth2\Client\Provider\GenericProvider;
use Psr\Http\Client\ClientExceptionInterface;
use UnexpectedValueException;

/**
 * Signing in at a school by OpenID Connect: authorization code with PKCE (OpenID Connect Core 1.0, 3.1; RFC 7636), what
 * the school says of itself (OpenID Connect Discovery 1.0), and its keys, which it may change at any time (10.1.1).
 */
final class SchoolDoor
{
    private const SECONDS = 3;

    private const KNOWN_SECONDS = 600;

    /** A key that is not known yet makes us look again, but not for whoever asks a thousand times. */
    private const LOOKED_SECONDS = 30;

    private const LETTERS = 40;

    public function __construct(private readonly OpenHost $openHost) {}

    /** @throws SchoolRefused */
    public function begin(
        SchoolSignIn $school,
        string $callback,
        int $libraryId,
        bool $shared,
        DateTimeImmutable $now,
    ): BegunSignIn {
        $provider = $this->provider($school, $callback);
        $nonce = Str::random(self::LETTERS);
        $address = $provider->getAuthorizationUrl(['scope' => 'openid profile email', 'nonce' => $nonce]);

        return new BegunSignIn(
            state: $provider->getState(),
            nonce: $nonce,
            verifier: (string) $provider->getPkceCode(),
            address: $address,
            libraryId: $libraryId,
            shared: $shared,
            begunAt: $now->getTimestamp(),
        );
    }

    /**
     * @return array<mixed> the claims of who signed in
     *
     * @throws SchoolRefused
     */
    public function finish(
        SchoolSignIn $school,
        string $callback,
        string $code,
        BegunSignIn $begun,
        DateTimeImmutable $now,
    ): array {
        $provider = $this->provider($school, $callback);
        $provider->setPkceCode($begun->verifier);
        try {
            $token =
                $provider->getAccessToken('authorization_code', ['code' => $code])->getValues()['id_token'] ?? null;
        } catch (IdentityProviderException $refused) {
            throw new SchoolRefused('token', $refused->getMessage(), $refused);
        } catch (ConnectionException | ClientExceptionInterface $broken) {
            throw new SchoolRefused('unreachable', $broken->getMessage(), $broken);
        } catch (UnexpectedValueException | InvalidArgumentException $broken) {
            throw new SchoolRefused('unreachable', $broken->getMessage(), $broken);
        }
        $claims = $this->claims($school, is_string($token) ? $token : '', $now);
        $fault = ClaimFault::of($claims, $school->issuer, $school->clientId, $begun->nonce, $now);

        return $fault === null ? $claims : throw new SchoolRefused('token', $fault->value);
    }

    /**
     * What the school says of itself.
     *
     * @return array{authorization_endpoint: string, token_endpoint: string, jwks_uri: string}
     *
     * @throws SchoolRefused
     */
    public function discover(SchoolSignIn $school): array
    {
        $key = 'school:' . sha1($school->issuer);
        $known = Cache::get($key);
        if (!is_array($known)) {
            $known = $this->json(rtrim($school->issuer, '/') . '/.well-known/openid-configuration');
            if (($known['issuer'] ?? null) !== $school->issuer) {
                throw new SchoolRefused('unreachable', 'It calls itself something else.');
            }
            foreach (['authorization_endpoint', 'token_endpoint', 'jwks_uri'] as $needed) {
                if (!is_string($known[$needed] ?? null)) {
                    throw new SchoolRefused('unreachable', "It does not say its {$needed}.");
                }
            }
            Cache::put($key, $known, self::KNOWN_SECONDS);
        }

        return [
            'authorization_endpoint' => $known['authorization_endpoint'],
            'token_endpoint' => $known['token_endpoint'],
            'jwks_uri' => $known['jwks_uri'],
        ];
    }

    /**
     * @return array<mixed>
     *
     * @throws SchoolRefused
     */
    private function claims(SchoolSignIn $school, string $token, DateTimeImmutable $now): array
    {
        $head = json_decode((string) base64_decode(strtr(explode('.', $token)[0], '-_', '+/')), true);
        $id = is_array($head) && is_string($head['kid'] ?? null) ? $head['kid'] : null;
        // The clock is an argument; that of the library is asked by its own name.
        JWT::$timestamp = $now->getTimestamp();
        JWT::$leeway = 60;
        try {
            $keys = $this->keys($school, $id);
            $key = $id === null && count($keys) === 1 ? reset($keys) : $keys;

            return (array) json_decode((string) json_encode(JWT::decode($token, $key)), true);
        } catch (UnexpectedValueException | DomainException | InvalidArgumentException $wrong) {
            throw new SchoolRefused('token', $wrong->getMessage(), $wrong);
        } finally {
            JWT::$timestamp = null;
        }
    }

    /**
     * @return array<string, Key>
     *
     * @throws SchoolRefused
     */
    private function keys(SchoolSignIn $school, ?string $id): array
    {
        $address = $this->discover($school)['jwks_uri'];
        $name = 'school-keys:' . sha1($address);
        $known = Cache::get($name);
        $has = is_array($known) && ($id === null || in_array($id, array_column($known['keys'], 'kid'), true));
        if (!$has && ($known === null || Cache::add("{$name}:looked", true, self::LOOKED_SECONDS))) {
            $known = $this->json($address);
            $known = ['keys' => array_values(array_filter((array) ($known['keys'] ?? []), self::isPublicKey(...)))];
            Cache::put($name, $known, self::KNOWN_SECONDS);
        }

        return JWK::parseKeySet((array) $known, 'RS256');
    }

    /** A shared secret is no key to check signatures of others with. */
    private static function isPublicKey(mixed $key): bool
    {
        return is_array($key) &&
            in_array($key['kty'] ?? null, ['RSA', 'EC', 'OKP'], true) &&
            in_array($key['use'] ?? 'sig', ['sig'], true);
    }

    /** @throws SchoolRefused */
    private function provider(SchoolSignIn $school, string $callback): GenericProvider
    {
        $of = $this->discover($school);

        return new GenericProvider(
            [
                'clientId' => $school->clientId,
                'clientSecret' => $school->secret,
                'redirectUri' => $callback,
                'urlAuthorize' => $of['authorization_endpoint'],
                'urlAccessToken' => $of['token_endpoint'],
                'urlResourceOwnerDetails' => '',
                'pkceMethod' => GenericProvider::PKCE_METHOD_S256,
            ],
            [
                'httpClient' => new BoundClient($this->request($of['token_endpoint'])),
                'optionProvider' => new HttpBasicAuthOptionProvider(),
            ],
        );
    }

    /**
     * @return array<mixed>
     *
     * @throws SchoolRefused
     */
    private function json(string $address): array
    {
        try {
            $said = $this->request($address)->acceptJson()->get($address)->throw()->json();
        } catch (ConnectionException | RequestException $broken) {
            throw new SchoolRefused('unreachable', $broken->getMessage(), $broken);
        }

        return is_array($said) ? $said : throw new SchoolRefused('unreachable', "{$address} says nothing of use.");
    }

    /** @throws SchoolRefused */
    private function request(string $address): PendingRequest
    {
        $scheme = parse_url($address, PHP_URL_SCHEME);
        $host = (string) parse_url($address, PHP_URL_HOST);
        $port = parse_url($address, PHP_URL_PORT) ?: ($scheme === 'https' ? 443 : 80);
        $inner = explode(',', (string) config('figporch.inner_hosts'));
        if ($scheme !== 'https' && !in_array("{$host}:{$port}", $inner, true)) {
            throw new SchoolRefused('unreachable', "{$address} is not asked: it is not https.");
        }
        try {
            $ip = $this->openHost->addressOf($host, $port);
        } catch (ClosedHost $why) {
            throw new SchoolRefused('unreachable', $why->getMessage(), $why);
        }

        return Http::timeout(self::SECONDS)
            ->connectTimeout(self::SECONDS)
            ->withOptions(BoundHost::options($host, $port, $ip));
    }
}
