<?php

declare(strict_types=1);

namespace App\Exchange\Links;

use App\Exchange\Outbound\BoundHost;
use App\Exchange\Outbound\ClosedHost;
use App\Exchange\Outbound\OpenHost;
use FigPorch\Core\Catalogue\WebLink;
use FigPorch\Core\Exchange\Links\Trouble;
use GuzzleHttp\Psr7\Uri;
use GuzzleHttp\Psr7\UriResolver;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Sleep;
use InvalidArgumentException;
use Psr\Http\Message\ResponseInterface;
use RuntimeException;
use Throwable;

/**
 * Looks whether there is something at an address: asks for its head, and where that is refused for all of it, of which
 * nothing is read. A host is asked once a second at most; nobody is followed into this network.
 */
final class LookAtAddress
{
    private const MOST_STEPS = 5;

    private const SECONDS = 10;

    private const BETWEEN_SECONDS = 1.0;

    private const NAME = 'FigPorch-link-check/1 (+a library asks whether a website that it points to is there)';

    /** @var array<string, float> when each host was asked last */
    private array $asked = [];

    public function __construct(private readonly OpenHost $openHost) {}

    public function __invoke(string $address): Seen
    {
        $at = $address;
        $isForGood = true;
        for ($step = 0; $step <= self::MOST_STEPS; $step++) {
            $answer = $this->answer($at);
            if ($answer instanceof Trouble) {
                return new Seen($answer);
            }
            $next = $answer->redirect() ? self::next($at, $answer->header('Location')) : null;
            if ($next === null) {
                return new Seen(
                    Trouble::ofStatus($answer->status()),
                    $isForGood && $at !== $address && $answer->status() < 300 ? $at : null,
                );
            }
            // A way that is only for now is not written down (RFC 9110, 15.4).
            $isForGood = $isForGood && in_array($answer->status(), [301, 308], true);
            $at = $next;
        }

        return new Seen(Trouble::Circle);
    }

    private function answer(string $address): Response|Trouble
    {
        $head = $this->ask('HEAD', $address);

        return $head instanceof Response && $head->status() < 400 ? $head : $this->ask('GET', $address, $head);
    }

    /** @param  Response|Trouble|null  $before  what HEAD found: who cannot be reached is not asked again */
    private function ask(string $method, string $address, Response|Trouble|null $before = null): Response|Trouble
    {
        if ($before instanceof Trouble && $before !== Trouble::Silent) {
            return $before;
        }
        $uri = new Uri($address);
        $host = $uri->getHost();
        $port = $uri->getPort() ?? ($uri->getScheme() === 'https' ? 443 : 80);
        try {
            $ip = $this->openHost->addressOf($host, $port);
        } catch (ClosedHost $closed) {
            return $closed->isInside ? Trouble::Inside : Trouble::NoHost;
        }
        $this->wait($host);
        $head = null;
        try {
            return Http::withUserAgent(self::NAME)
                ->timeout(self::SECONDS)
                ->connectTimeout(self::SECONDS)
                ->withOptions([
                    ...BoundHost::options(trim($host, '[]'), $port, $ip),
                    'on_headers' => function (ResponseInterface $answer) use (&$head): void {
                        $head = $answer;
                        // What comes after it, be it without end, is of no account.
                        throw new RuntimeException('That is enough.');
                    },
                ])
                ->send($method, $address);
        } catch (Throwable $fault) {
            return $head instanceof ResponseInterface ? new Response($head) : self::trouble($fault);
        }
    }

    private static function trouble(Throwable $fault): Trouble
    {
        return preg_match('/certificate|SSL|TLS/i', $fault->getMessage()) === 1 ? Trouble::Unsafe : Trouble::Silent;
    }

    private static function next(string $from, string $location): ?string
    {
        if ($location === '') {
            return null;
        }
        try {
            return WebLink::address(
                (string) UriResolver::resolve(new Uri($from), new Uri($location))->withFragment(''),
            );
        } catch (InvalidArgumentException) {
            return null;
        }
    }

    private function wait(string $host): void
    {
        $left = ($this->asked[$host] ?? 0.0) + self::BETWEEN_SECONDS - microtime(true);
        $left <= 0 || Sleep::usleep((int) ceil($left * 1_000_000));
        $this->asked[$host] = microtime(true);
    }
}
