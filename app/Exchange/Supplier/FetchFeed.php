<?php

declare(strict_types=1);

namespace App\Exchange\Supplier;

use App\Exchange\Outbound\BoundHost;
use App\Exchange\Outbound\NameServer;
use FigPorch\Core\Exchange\InternetAddress;
use FigPorch\Core\Exchange\Opds\UnreadableFeed;
use GuzzleHttp\Psr7\Exception\MalformedUriException;
use GuzzleHttp\Psr7\Uri;
use GuzzleHttp\Psr7\UriResolver;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\RequestException;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;
use Psr\Http\Message\UriInterface;
use RuntimeException;
use Throwable;

/**
 * One page of a supplier's catalogue. What a supplier sends may be anything: it is asked at its own host and nowhere
 * else, for so long, and for so many bytes.
 */
final class FetchFeed
{
    /** Letters of an address that is kept. */
    private const LONGEST_PAGE = 1000;

    private const SECONDS = 15;

    private const MOST_BYTES = 16_000_000;

    private const MOST_REDIRECTS = 3;

    private const TRIES = 2;

    private const MILLISECONDS_BETWEEN = 500;

    public function __construct(private readonly NameServer $nameServer) {}

    /**
     * @return array{body: string, address: string} and where it came from in the end
     *
     * @throws UnreadableFeed where it leads elsewhere, or is too large
     * @throws ConnectionException
     * @throws RequestException where the supplier answers that something is wrong
     */
    public function __invoke(string $address): array
    {
        for ($redirects = 0; $redirects <= self::MOST_REDIRECTS; $redirects++) {
            [$answer, $body] = retry(
                self::TRIES,
                fn(): array => $this->ask($address),
                self::MILLISECONDS_BETWEEN,
                fn(Throwable $fault): bool => $fault instanceof ConnectionException ||
                    $fault instanceof RequestException,
            );
            if (!$answer->redirect()) {
                return ['body' => $body, 'address' => $address];
            }
            $address = self::beside($address, $answer->header('Location'));
        }
        throw new UnreadableFeed("The supplier sends from one address to the next: {$address}.");
    }

    /**
     * An address that may be relative to the page it stands on; never at another host.
     *
     * @throws UnreadableFeed
     */
    public static function beside(string $page, string $href): string
    {
        $from = self::address($page);
        $next = UriResolver::resolve($from, self::address($href, 'relative'));
        if (self::origin($next) !== self::origin($from) || self::isLessSafe($from, $next)) {
            throw new UnreadableFeed(
                "The feed goes on at another host, {$next->getScheme()}://{$next->getAuthority()}, " .
                    'which is not read. If the supplier has moved, give the new address in SUPPLIER_URL.',
            );
        }

        return (string) $next->withFragment('');
    }

    /** An address for people to open, at whichever host; null for what is none. */
    public static function page(string $page, ?string $href): ?string
    {
        try {
            $at = $href === null ? null : UriResolver::resolve(self::address($page), self::address($href, 'relative'));
        } catch (UnreadableFeed) {
            return null;
        }
        $isPage = $at !== null && in_array($at->getScheme(), ['http', 'https'], true) && $at->getUserInfo() === '';

        return $isPage && strlen((string) $at) <= self::LONGEST_PAGE ? (string) $at : null;
    }

    /**
     * @return array{Response, string} and its body
     *
     * @throws UnreadableFeed
     * @throws ConnectionException
     * @throws RequestException
     */
    private function ask(string $address): array
    {
        $uri = self::address($address);
        $port = $uri->getPort() ?? ($uri->getScheme() === 'https' ? 443 : 80);
        $bound = BoundHost::options($uri->getHost(), $port, $this->addressOf($uri->getHost()));
        $body = fopen('php://temp', 'w+b') ?: throw new RuntimeException('No room for a temporary file.');
        $bytes = 0;
        // Counted as they arrive, unpacked; fewer taken than given ends the transfer.
        $bound['curl'][CURLOPT_WRITEFUNCTION] = function ($curl, string $part) use ($body, &$bytes): int {
            $bytes += strlen($part);

            return $bytes > self::MOST_BYTES ? 0 : (int) fwrite($body, $part);
        };
        try {
            $answer = Http::timeout(self::SECONDS)
                ->connectTimeout(self::SECONDS)
                ->accept('application/opds+json')
                ->sink($body)
                ->withOptions($bound)
                ->get($address)
                ->throw();
        } catch (ConnectionException | RequestException $broken) {
            throw $bytes > self::MOST_BYTES ? self::tooLarge($address) : $broken;
        }
        rewind($body);
        $text = (string) stream_get_contents($body);

        return strlen($text) > self::MOST_BYTES ? throw self::tooLarge($address) : [$answer, $text];
    }

    private static function tooLarge(string $address): UnreadableFeed
    {
        return new UnreadableFeed("{$address} has more than " . self::MOST_BYTES / 1_000_000 . ' MB in one page.');
    }

    /**
     * A name may be pointed at this network by whoever owns it, and must be of the open Internet; a host given as a
     * number is what the settings say, for nothing leads away from it.
     *
     * @return string|null null where there is nothing to look up
     *
     * @throws UnreadableFeed
     * @throws ConnectionException
     */
    private function addressOf(string $host): ?string
    {
        if (filter_var(trim($host, '[]'), FILTER_VALIDATE_IP) !== false) {
            return null;
        }
        $ip =
            $this->nameServer->addressOf($host) ??
            throw new ConnectionException("{$host} is not known to the name servers at the moment.");

        return InternetAddress::isPublic($ip)
            ? $ip
            : throw new UnreadableFeed(
                "{$host} is an address inside this network, {$ip}. If that is right, give it as a number in " .
                    'SUPPLIER_URL.',
            );
    }

    /** @throws UnreadableFeed */
    private static function address(string $text, string $kind = 'whole'): UriInterface
    {
        try {
            $uri = new Uri($text);
        } catch (MalformedUriException) {
            throw new UnreadableFeed('The feed goes on at what is no address: ' . mb_strimwidth($text, 0, 100, '…'));
        }
        if ($kind === 'whole' && (!in_array($uri->getScheme(), ['http', 'https'], true) || $uri->getHost() === '')) {
            throw new UnreadableFeed("It is no address that begins with http:// or https://: {$text}");
        }

        return $uri;
    }

    /** By whom it is answered; the same host may come to be asked by https. */
    private static function origin(UriInterface $uri): string
    {
        return in_array($uri->getScheme(), ['http', 'https'], true)
            ? $uri->getUserInfo() . '@' . strtolower($uri->getHost()) . ':' . ($uri->getPort() ?? '')
            : $uri->getScheme();
    }

    private static function isLessSafe(UriInterface $from, UriInterface $to): bool
    {
        return $from->getScheme() === 'https' && $to->getScheme() !== 'https';
    }
}
