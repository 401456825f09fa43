<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapIndex\IndexPart;
use App\Catalogue\BitmapSearch\BitmapResult;
use App\Catalogue\BitmapSearch\CommonestValues;
use FigPorch\Core\Catalogue\TitleSet;

/**
 * By its number: a title is part of one. There are too many, and most of them with too few titles, for a bitmap of
 * each; a file says which series a title is part of (SeriesFile), and bitmaps which titles are part of a large one.
 */
final readonly class SeriesFilter extends ListFilter
{
    protected const MOST_CHOSEN = 1;

    public const NAMES = 'series';

    public static function name(): string
    {
        return 'series';
    }

    protected static function value(string $asked): ?int
    {
        return preg_match('/^\d{1,9}$/D', $asked) === 1 ? (int) $asked : null;
    }

    public static function column(): string
    {
        return 'series_id';
    }

    public static function isArray(): bool
    {
        return false;
    }

    public static function has(int|string $value): array
    {
        return ['s.series_id = ?', [$value]];
    }

    /** Bitmaps of the titles in series of a size, not of one series. */
    public static function kind(): string
    {
        return 'series-size';
    }

    public static function gathered(): Gathered
    {
        return new Gathered(
            IndexPart::Records,
            'least(' . (BitmapIndex::SIZES - 1) . ', floor(log(2, x.n)))::int',
            'join (select series_id, count(*)::numeric n from search_rows where series_id is not null
                group by 1) x using (series_id)',
            listed: false,
        );
    }

    public static function commonest(BitmapResult $found, TitleSet $counted, bool $few, array $more): array
    {
        return CommonestValues::ofSeries($found->gathering, $counted, $more, self::OFFERED);
    }

    public static function namesAtHand(BitmapIndex $index, array $values): array
    {
        $series = array_map(intval(...), $values);

        return array_filter(array_map($index->seriesName(...), array_combine($series, $series)));
    }

    public function heading(): string
    {
        return __('search.series');
    }

    protected function words(string $name): string
    {
        return __('search.in_series', ['name' => $name]);
    }
}
