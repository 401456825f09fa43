<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Sending;

/** Where a folder is that is written to by WebDAV (RFC 4918). */
final readonly class FolderAddress
{
    private const MOST_LETTERS = 500;

    private const HTTPS = 443;

    /** @param  string  $address  with a stroke at its end */
    private function __construct(
        public string $address,
        public string $host,
        public int $port,
        public bool $isStandIn,
    ) {}

    /**
     * Null for what is no address of a folder on the open Internet: only https, and without names and secrets in it.
     *
     * @param  string|null  $standIn  what an address begins with that may be written to all the same
     */
    public static function parse(string $text, ?string $standIn = null): ?self
    {
        $text = trim($text);
        $parts = parse_url($text);
        $isStandIn = $standIn !== null && $standIn !== '' && str_starts_with($text, $standIn);
        if (
            !is_array($parts) ||
            preg_match('/[\s\x00-\x1f\x7f"<>\\\\^`{|}]/', $text) === 1 ||
            strlen($text) > self::MOST_LETTERS - 1 ||
            isset($parts['user']) ||
            isset($parts['pass']) ||
            isset($parts['query']) ||
            isset($parts['fragment']) ||
            preg_match('~(^|/)\.\.?(/|$)~', rawurldecode($parts['path'] ?? '')) === 1 ||
            ($parts['host'] ?? '') === '' ||
            (strtolower($parts['scheme'] ?? '') !== 'https' && !$isStandIn)
        ) {
            return null;
        }

        return new self(rtrim($text, '/') . '/', strtolower($parts['host']), $parts['port'] ?? self::HTTPS, $isStandIn);
    }

    /** The address of a file in it. */
    public function file(string $name): string
    {
        return $this->address . rawurlencode($name);
    }

    /** A name for the nth file that would have the same: "low-water (2).epub". */
    public static function another(string $name, int $n): string
    {
        return $n < 2 ? $name : (string) preg_replace('/(\.[a-z0-9]+)?$/iD', " ({$n})$1", $name, 1);
    }
}
