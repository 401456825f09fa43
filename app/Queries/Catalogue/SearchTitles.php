<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\SearchWords;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Facades\DB;

/** Plain word search: every word must stand somewhere in the record. */
final class SearchTitles
{
    /**
     * @param  int  $total  how many match, as counts() says
     * @return LengthAwarePaginator<int, Title>
     */
    public function page(CatalogueSearch $search, int $total, DateTimeImmutable $now): LengthAwarePaginator
    {
        $query = $this->matching($search, $now)->with(['contributors', 'series', 'subjects']);
        match ($search->order) {
            'relevance' => $query
                ->orderByRaw('lower(name) = lower(?) desc', [$search->words])
                ->orderByRaw("ts_rank(words, to_tsquery('simple', ?)) desc", [self::tsquery($search->words)])
                ->orderByDesc('times_borrowed'),
            'most_borrowed' => $query->orderByDesc('times_borrowed'),
            'title' => $query->orderBy('name'),
            default => $query->orderByDesc('added_at'),
        };

        return $query->orderBy('id')->paginate((int) config('figporch.page_size'), ['titles.id', 'work_id', 'format', 'name', 'subtitle', 'edition', 'language', 'audience', 'published', 'series_id', 'series_position', 'extent', 'extent_seconds', 'cover_file'], total: $total);
    }

    /**
     * How many titles remain for each format, and for ready now, if it is chosen; one pass over what matches.
     *
     * @return array{formats: array<string, int>, ready: int, total: int}
     */
    public function counts(CatalogueSearch $search, DateTimeImmutable $now): array
    {
        $anyFormat = new CatalogueSearch($search->libraryId, $search->words, null, $search->readyNow, $search->staffListId, reach: $search->reach);
        [$ready, $bindings] = HeldTitles::condition($search->libraryId, $now, true, $search->reach);
        $rows = $this->matching($anyFormat, $now)->toBase()->groupBy('format')
            ->selectRaw("format, count(*) n, count(*) filter (where {$ready}) ready", $bindings)->get();
        $chosen = $search->format === null ? $rows : $rows->where('format', $search->format->value);

        return [
            'formats' => array_map(intval(...), $rows->pluck('n', 'format')->all()),
            'ready' => (int) $chosen->sum('ready'),
            'total' => (int) $chosen->sum('n'),
        ];
    }

    /** @return Builder<Title> */
    private function matching(CatalogueSearch $search, DateTimeImmutable $now): Builder
    {
        $query = HeldTitles::of($search->libraryId, $now, $search->readyNow, $search->reach);
        if ($search->words !== '') {
            $query->whereRaw("words @@ to_tsquery('simple', ?)", [self::tsquery($search->words)]);
        }
        if ($search->format !== null) {
            $query->where('format', $search->format);
        }
        if ($search->staffListId !== null) {
            $query->whereIn('titles.id', DB::table('staff_list_title')->where('staff_list_id', $search->staffListId)->select('title_id'));
        }

        return $query;
    }

    /** Folded words hold letters and digits only, so they cannot be read as operators. */
    public static function tsquery(string $words): string
    {
        return implode(' & ', array_map(SearchWords::singular(...), SearchWords::of($words)));
    }
}
