<?php

declare(strict_types=1);

namespace App\Shared;

use DateTimeInterface;

/** Values as PostgreSQL reads them in bindings. */
final class Sql
{
    /** A timestamptz to the microsecond, with its offset. */
    public static function timestamp(DateTimeInterface $at): string
    {
        return $at->format('Y-m-d H:i:s.uP');
    }

    /** A timestamptz to the second: a column that keeps no more would round a half up into the future. */
    public static function second(DateTimeInterface $at): string
    {
        return $at->format('Y-m-d H:i:sP');
    }

    /**
     * An array of whole numbers.
     *
     * @param  iterable<int|string>  $numbers
     */
    public static function numbers(iterable $numbers): string
    {
        return '{' . implode(',', is_array($numbers) ? $numbers : iterator_to_array($numbers, false)) . '}';
    }
}
