<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

/** Relative addresses inside a publication. */
final class Href
{
    /** The path that $href means in a document at $base, without its fragment; null for an address outside. */
    public static function resolve(string $base, string $href): ?string
    {
        if (preg_match('/^([a-z][a-z0-9+.-]*:|\/)/i', $href) === 1) {
            return null;
        }
        $path = rawurldecode((string) preg_replace('/[#?].*$/s', '', trim($href)));
        if ($path === '') {
            return $base;
        }
        $parts = str_contains($base, '/') ? explode('/', substr($base, 0, (int) strrpos($base, '/'))) : [];
        foreach (explode('/', $path) as $part) {
            if ($part === '..') {
                if ($parts === []) {
                    return null;
                }
                array_pop($parts);
            } elseif ($part !== '.' && $part !== '') {
                $parts[] = $part;
            }
        }

        return implode('/', $parts);
    }

    public static function fragment(string $href): string
    {
        $at = strpos($href, '#');

        return $at === false ? '' : substr($href, $at);
    }

    /** The address of a path, as a document at $base names it. */
    public static function relative(string $base, string $path): string
    {
        [$from, $to] = [array_slice(explode('/', $base), 0, -1), explode('/', $path)];
        while ($from !== [] && count($to) > 1 && $from[0] === $to[0]) {
            array_shift($from);
            array_shift($to);
        }

        return str_repeat('../', count($from)) . implode('/', array_map(rawurlencode(...), $to));
    }
}
