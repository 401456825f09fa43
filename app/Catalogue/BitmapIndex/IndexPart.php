<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use App\Catalogue\Filters\Filters;

/**
 * What is gathered by itself, because it changes by itself: what the records say, which takes minutes to read, and what
 * lending decides, which changes all day.
 */
enum IndexPart: string
{
    case Records = 'records';
    case Lending = 'lending';

    /** Kinds of bitmaps of lending that are of no filter. */
    private const LENDING = ['held', 'paid', 'popular'];

    /** @param  string  $name  of a bitmap: its kind, a colon and a value */
    public static function with(string $name): self
    {
        static $lending = null;
        $lending ??= array_flip(self::LENDING) + Filters::gathered(self::Lending);

        return isset($lending[strstr($name, ':', true)]) ? self::Lending : self::Records;
    }
}
