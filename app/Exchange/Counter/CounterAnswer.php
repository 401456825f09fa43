<?php

declare(strict_types=1);

namespace App\Exchange\Counter;

use FigPorch\Core\Exchange\Counter\CounterError;
use Illuminate\Http\JsonResponse;

/** What programs that fetch reports of use are answered. */
final class CounterAnswer
{
    /** @param  array<mixed>  $what */
    public static function of(array $what, int $status = 200): JsonResponse
    {
        return new JsonResponse(
            $what,
            $status,
            ['Cache-Control' => 'no-store, private'],
            JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
        );
    }

    public static function refused(CounterError $error, string $data = ''): JsonResponse
    {
        return self::of($error->said($data), $error->status());
    }
}
