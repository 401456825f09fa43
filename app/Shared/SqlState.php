<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Database\QueryException;

/** Why the database did not write something: states of its own, and those that the SQL functions of lending raise. */
enum SqlState: string
{
    case LimitReached = 'FP001';
    case ChangedMeanwhile = 'FP003';
    case OthersWait = 'FP004';
    case ThereAlready = '23505';
    case NotAsTheModelSays = '23514';
    case Deadlock = '40P01';

    public static function of(QueryException $refusal): ?self
    {
        return self::tryFrom((string) $refusal->getCode());
    }
}
