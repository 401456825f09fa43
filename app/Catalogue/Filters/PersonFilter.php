<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapSearch\BitmapSearch;
use FigPorch\Core\Catalogue\TitleSet;

/**
 * By the number of somebody who did something for a title. There are nearly as many people as titles: none are counted
 * beside the results, all of them on a page of their own.
 */
abstract readonly class PersonFilter extends ListFilter
{
    public const OFFERED = 0;

    protected const SEPARATOR = '.';

    public const NAMES = 'contributors';

    /** What they did. */
    abstract protected static function role(): string;

    protected static function value(string $asked): ?int
    {
        return preg_match('/^\d{1,9}$/D', $asked) === 1 ? (int) $asked : null;
    }

    final public static function values(string $from, string $where = 'true'): string
    {
        return self::valuesOf("title_id in (select title_id from {$from} where {$where})");
    }

    final public static function valuesOf(string $those): string
    {
        $role = static::role();

        return "select contributor_id v from contributor_title where role = '{$role}' and {$those}";
    }

    final public static function has(int|string $value): array
    {
        return [
            's.title_id in (select title_id from contributor_title where contributor_id = ? and role = ?)',
            [$value, static::role()],
        ];
    }

    final public static function gathered(): ?Gathered
    {
        return null;
    }

    /** An index finds them at once. */
    final public static function bitmap(BitmapIndex $index, int|string $value): TitleSet
    {
        return BitmapSearch::asked(...static::has($value));
    }
}
