<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Pagination\Paginator;

/** The page of a list that a request asks for; whoever asks beyond the last gets the last. */
final class PageAsked
{
    /** No list has more pages. */
    private const MOST = 1_000_000;

    /** Where nobody has counted yet. */
    public static function uncounted(): int
    {
        return min(Paginator::resolveCurrentPage(), self::MOST);
    }

    public static function of(int $total, int $perPage): int
    {
        return min(Paginator::resolveCurrentPage(), max(1, intdiv($total + $perPage - 1, $perPage)));
    }
}
