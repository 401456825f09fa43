<?php

declare(strict_types=1);

namespace FigPorch\Core\Account;

/** What a browser says it is, as its owner would know it again: "Firefox, Linux" (RFC 9110, 10.1.5: User-Agent). */
final class Browser
{
    /** The first that fits: most say to be several, the one they are after those that they resemble. */
    private const BROWSERS = [
        'Edg' => 'Edge',
        'OPR' => 'Opera',
        'SamsungBrowser' => 'Samsung Internet',
        'FxiOS' => 'Firefox',
        'Firefox' => 'Firefox',
        'CriOS' => 'Chrome',
        'Chrome' => 'Chrome',
        'Safari' => 'Safari',
    ];

    private const SYSTEMS = [
        'iPhone' => 'iPhone',
        'iPad' => 'iPad',
        'Android' => 'Android',
        'CrOS' => 'ChromeOS',
        'Windows' => 'Windows',
        'Macintosh' => 'macOS',
        'Linux' => 'Linux',
    ];

    /** @return string|null null where it says neither what it is nor what it runs on */
    public static function name(string $userAgent): ?string
    {
        $names = array_filter([
            self::first(self::BROWSERS, $userAgent, '/'),
            self::first(self::SYSTEMS, $userAgent, ''),
        ]);

        return $names === [] ? null : implode(', ', $names);
    }

    /** @param  array<string, string>  $names */
    private static function first(array $names, string $userAgent, string $after): ?string
    {
        foreach ($names as $word => $name) {
            if (preg_match("~(?<![A-Za-z])(?:Headless)?{$word}{$after}~", $userAgent) === 1) {
                return $name;
            }
        }

        return null;
    }
}
