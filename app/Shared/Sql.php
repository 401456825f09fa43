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
     * An array of numbers, or of words without commas, quotes and spaces.
     *
     * @param  iterable<int|string>  $items
     */
    public static function array(iterable $items): string
    {
        return '{' . implode(',', is_array($items) ? $items : iterator_to_array($items, false)) . '}';
    }
}
