<?php

declare(strict_types=1);

namespace App\Shared;

/**
 * The headers of config/headers.json, which the server and the worker that answers without a network both send: what
 * is safe must not depend on who answers.
 */
final class ResponseHeaders
{
    /**
     * @var array{every: array<string, string>, refusal: string, destinations: list<string>, file: array<string,
     *     string>}|null
     */
    private static ?array $read = null;

    /** @return array<string, string> of every answer */
    public static function ofEveryAnswer(): array
    {
        return self::all()['every'];
    }

    /** @return array<string, string> of a file of a publication: should someone open it by itself, it is inert */
    public static function ofFile(): array
    {
        return self::all()['file'];
    }

    /**
     * Whether a file of a publication is asked for as the reader and the player ask for it: not as a page to go to or
     * to be shown in a frame, not as a script.
     *
     * @param  string|null  $destination  Sec-Fetch-Dest, as the browser says it (Fetch Metadata Request Headers, W3C);
     *     older ones say nothing
     */
    public static function mayBeFetchedAs(?string $destination): bool
    {
        return $destination === null || in_array($destination, self::all()['destinations'], true);
    }

    /** What is said instead of a file that is asked for as something else. */
    public static function refusal(): string
    {
        return self::all()['refusal'];
    }

    /**
     * @return array{every: array<string, string>, refusal: string, destinations: list<string>, file: array<string,
     *     string>}
     */
    private static function all(): array
    {
        return self::$read ??= json_decode(
            (string) file_get_contents(config_path('headers.json')),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
    }
}
