<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapIndex\IndexPart;
use App\Catalogue\BitmapSearch\BitmapResult;

/** By their numbers. */
final readonly class SubjectFilter extends ListFilter
{
    public const OFFERED = 12;

    protected const SEPARATOR = '.';

    public const NAMES = 'subjects';

    public static function name(): string
    {
        return 'subjects';
    }

    public static function kind(): string
    {
        return 'subject';
    }

    protected static function value(string $asked): ?int
    {
        return preg_match('/^\d{1,9}$/D', $asked) === 1 ? (int) $asked : null;
    }

    public static function column(): string
    {
        return 'subjects';
    }

    public static function isArray(): bool
    {
        return true;
    }

    public static function valuesOf(string $those): string
    {
        return "select subject_id v from subject_title where {$those}";
    }

    public static function has(int|string $value): array
    {
        return ['s.title_id in (select title_id from subject_title where subject_id = ?)', [$value]];
    }

    public static function gathered(): Gathered
    {
        return new Gathered(IndexPart::Records, 'one', 'cross join unnest(s.subjects) one', most: 2000);
    }

    public static function hasSharedCounts(): bool
    {
        return true;
    }

    /** As many as the words and other filters share with it. */
    public static function atMost(BitmapResult $found): array
    {
        return $found->gathering->subjectsAtMost($found->within);
    }

    public static function namesAtHand(BitmapIndex $index, array $values): array
    {
        return $index->subjectNames($values);
    }

    public function heading(): string
    {
        return __('search.subject');
    }
}
