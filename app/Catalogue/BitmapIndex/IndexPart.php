<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

/**
 * What is gathered by itself, because it changes by itself: what the records say, which takes minutes to read, and what
 * lending decides, which changes all day.
 */
enum IndexPart: string
{
    case Records = 'records';
    case Lending = 'lending';

    /** Kinds of sets that are not of records. */
    private const LENDING = ['held', 'ready', 'always', 'paid', 'popular'];

    /** @param  string  $name  of a set: its kind, a colon and a value */
    public static function with(string $name): self
    {
        return in_array(strstr($name, ':', true), self::LENDING, true) ? self::Lending : self::Records;
    }
}
