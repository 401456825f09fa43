<?php

declare(strict_types=1);

namespace App\Shared\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;

/**
 * The gate for all that a browser sends: texts are UTF-8 without NUL, which a database can keep and a page can show;
 * and where a form has one field there is one value, not a list. What is otherwise did not come from our pages, and is
 * refused before anything looks at it.
 */
final class ReadableInput
{
    /** Fields of forms that are lists, or tables by number or name. */
    private const LISTS = [
        'audiences',
        'formats',
        'group',
        'groups',
        'keys',
        'languages',
        'length',
        'locator',
        'mailed',
        'note',
        'offer',
        'orders',
        'pushed',
        'read',
        'rooms',
        'shown',
        'subjects',
        'titles',
        'until',
        'was',
    ];

    private const DEEPEST = 6;

    public function handle(Request $request, Closure $next): Response
    {
        $sent = [$request->query->all(), $request->request->all(), $request->cookies->all()];
        $isReadable =
            self::isText(rawurldecode($request->getPathInfo())) &&
            array_filter($sent, fn(array $of): bool => !self::isReadable($of)) === [] &&
            self::hasShape($request->query->all()) &&
            ($request->isJson() ? self::isReadable($request->json()->all()) : self::hasShape($request->request->all()));
        if (!$isReadable) {
            throw new BadRequestHttpException(__('common.error.400.text'));
        }

        return $next($request);
    }

    /** @param  array<mixed>  $values */
    private static function isReadable(array $values, int $depth = 0): bool
    {
        if ($depth > self::DEEPEST) {
            return false;
        }
        foreach ($values as $name => $value) {
            $fine = match (true) {
                is_array($value) => self::isReadable($value, $depth + 1),
                is_string($value) => self::isText($value),
                default => true,
            };
            if (!$fine || !self::isText((string) $name)) {
                return false;
            }
        }

        return true;
    }

    private static function isText(string $text): bool
    {
        return mb_check_encoding($text, 'UTF-8') && !str_contains($text, "\0");
    }

    /** @param  array<mixed>  $values */
    private static function hasShape(array $values): bool
    {
        foreach ($values as $name => $value) {
            if (is_array($value) && !in_array($name, self::LISTS, true)) {
                return false;
            }
        }

        return true;
    }
}
