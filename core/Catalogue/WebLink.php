<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

use InvalidArgumentException;

/** A website or database that a library points to. */
final readonly class WebLink
{
    private const ADDRESS_LETTERS = 1000;

    public const ABOUT_LETTERS = 200;

    public string $about;

    /**
     * @param  string  $address  as address() gives it
     * @param  string  $about  what is found there, in a line; may be empty
     */
    public function __construct(public string $address, string $about, public OpenTo $openTo)
    {
        if (self::address($address) !== $address) {
            throw new InvalidArgumentException("“{$address}” is no address of a website.");
        }
        $this->about = mb_substr(trim((string) preg_replace('/\s+/u', ' ', $about)), 0, self::ABOUT_LETTERS);
    }

    /**
     * An address as it is asked for: http or https, the host as name servers know it (RFC 5891), the rest in signs
     * that an address may have (RFC 3986). Null for what is none, or has a name and a secret in it.
     */
    public static function address(string $text): ?string
    {
        $text = trim($text);
        if (preg_match('~^(https?)://([^/?#]+)([^#]*)(#.*)?$~Dius', $text, $m) !== 1) {
            return null;
        }
        [$scheme, $authority, $rest, $fragment] = [strtolower($m[1]), $m[2], $m[3], $m[4] ?? ''];
        if (preg_match('/^(\[[0-9a-f:.]+\]|[^:@\[\]\s]+)(?::(\d{1,5}))?$/Diu', $authority, $a) !== 1) {
            return null;
        }
        $host = self::host($a[1]);
        $port = (int) ($a[2] ?? 0);
        if ($host === null || $port > 65_535) {
            return null;
        }
        $address =
            "{$scheme}://{$host}" .
            ($port === 0 ? '' : ":{$port}") .
            (str_starts_with($rest, '/') ? '' : '/') .
            self::escaped($rest) .
            ($fragment === '' ? '' : '#' . self::escaped(substr($fragment, 1)));

        return strlen($address) <= self::ADDRESS_LETTERS ? $address : null;
    }

    private static function host(string $host): ?string
    {
        if (str_starts_with($host, '[')) {
            return filter_var(trim($host, '[]'), FILTER_VALIDATE_IP, FILTER_FLAG_IPV6) === false
                ? null
                : strtolower($host);
        }
        $ascii = preg_match('/^[\x21-\x7e]+$/D', $host) === 1 ? strtolower($host) : (string) idn_to_ascii($host);

        return preg_match('/^(?=.{1,253}$)([a-z0-9_]([a-z0-9_-]{0,61}[a-z0-9_])?\.?)+$/D', $ascii) === 1
            ? $ascii
            : null;
    }

    /** What an address may not have stands as "%" and two digits; what is so already stays. */
    private static function escaped(string $text): string
    {
        return (string) preg_replace_callback(
            '~[^A-Za-z0-9\-._\~!$&\'()*+,;=:@/?%]|%(?![0-9A-Fa-f]{2})~',
            fn(array $of): string => rawurlencode($of[0]),
            $text,
        );
    }

    /** By which a website is known again that has no number. */
    public function key(): string
    {
        return 'website:' . substr(hash('sha256', (string) preg_replace('~^https?://|/$~', '', $this->address)), 0, 40);
    }

    /** Address, for whom, and what is found there, as a line with tabs between, as read() takes it. */
    public function written(): string
    {
        return implode("\t", [$this->address, $this->openTo->value, $this->about]);
    }

    /** Null for what is none; where it does not say for whom, it is for everybody. */
    public static function read(string $line): ?self
    {
        [$address, $openTo, $about] = [...explode("\t", $line, 3), '', ''];
        $address = self::address($address);
        $for = trim($openTo) === '' ? OpenTo::Everybody : OpenTo::tryFrom(mb_strtolower(trim($openTo)));

        return $address === null || $for === null ? null : new self($address, $about, $for);
    }
}
