<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Models\Title;
use App\Queries\Lending\UsableLicences;
use App\Queries\PageAsked;
use DateTimeImmutable;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;

/** What a search finds, a page of it at a time, in the order asked for. */
final class SearchTitles
{
    private const COLUMNS = ['titles.id', 'work_id', 'format', 'name', 'subtitle', 'edition', 'language', 'audience', 'published', 'series_id', 'series_position', 'extent', 'extent_seconds', 'cover_file'];

    /** What is ready, then by how many wait for each copy. */
    private const SOONEST = "case when had.can & 2 > 0 then 0 else 1 + (select count(*) from holds h where h.title_id = s.title_id and h.state in ('waiting', 'paused'))
        / greatest(1, (select sum(coalesce(li.copies, 1)) from licences li where li.title_id = s.title_id and ".UsableLicences::FOR_LIBRARY.'))::numeric end, s.times_borrowed desc';

    /**
     * @param  int  $ranked  up to so many are put in order by the weight of each word in each of them
     * @param  int  $walked  from so many on an index in the order asked for is walked until a page is full
     */
    public function __construct(private readonly int $ranked = 2000, private readonly int $walked = 30_000)
    {
    }

    /**
     * @param  int  $total  how many match
     * @param  int|null  $first  only the first so many, whichever page is asked for
     * @return LengthAwarePaginator<int, Title>
     */
    public function page(CatalogueSearch $search, int $total, DateTimeImmutable $now, ?int $first = null): LengthAwarePaginator
    {
        $perPage = $first ?? (int) config('figporch.page_size');
        $page = $first === null ? PageAsked::of($total, $perPage) : 1;
        $from = ($page - 1) * $perPage;
        $ids = match (true) {
            $total === 0 => [],
            $search->order === 'relevance' && $total > $this->ranked => $this->byNameThenPopularity($search, $total, $from, $perPage, $now),
            default => $this->ids($search, $now, ...[...$this->order($search, $total), $perPage, $from]),
        };
        $titles = Title::query()->findMany($ids, self::COLUMNS)->keyBy('id');
        TitleNames::giveTo($titles);

        return new LengthAwarePaginator(array_values(array_filter(array_map(fn (int $id): ?Title => $titles[$id] ?? null, $ids))), $total, $perPage, $page, ['path' => Paginator::resolveCurrentPath()]);
    }

    /**
     * @param  list<mixed>  $orderBindings
     * @param  array{string, list<mixed>}  $also  a condition more
     * @return list<int>
     */
    private function ids(CatalogueSearch $search, DateTimeImmutable $now, string $order, array $orderBindings, int $limit, int $offset, array $also = ['true', []]): array
    {
        [$join, $where, $bindings] = SearchSql::where($search, $now);
        $names = preg_match('/\bt\./', $order) === 1 ? 'join titles t on t.id = s.title_id' : '';

        return array_column(DB::select(
            "select s.title_id from search_rows s {$names} {$join} where {$where} and {$also[0]} order by {$order}, s.title_id limit ? offset ?", [...$bindings, ...$also[1], ...$orderBindings, $limit, $offset],
        ), 'title_id');
    }

    /**
     * Where thousands match, weighing each word in each of them would take seconds: those whose titles and people have the words come
     * first, a title that is called just so before all, then the others, each part by how often it is borrowed.
     *
     * @return list<int>
     */
    private function byNameThenPopularity(CatalogueSearch $search, int $total, int $from, int $count, DateTimeImmutable $now): array
    {
        $popular = $total > $this->walked ? 's.times_borrowed desc' : 's.times_borrowed + 0 desc';
        $names = QuerySql::names($search->query->tree);
        if ($names === null) {
            return $this->ids($search, $now, $popular, [], $count, $from);
        }
        $called = array_column(DB::select('select id from titles where lower(name) = lower(?) limit 100', [$search->words]), 'id');
        $named = ["s.stems @@ {$names->sql}", $names->bindings];
        $first = $this->ids($search, $now, 's.title_id = any(?::bigint[]) desc, s.times_borrowed + 0 desc', ['{'.implode(',', $called).'}'], $count, $from, $named);
        if (count($first) === $count) {
            return $first;
        }
        [$join, $where, $bindings] = SearchSql::where($search, $now);
        $before = $first !== [] ? $from + count($first) : (int) DB::scalar("select count(*) from search_rows s {$join} where {$where} and {$named[0]}", [...$bindings, ...$named[1]]);

        return [...$first, ...$this->ids($search, $now, $popular, [], $count - count($first), max(0, $from - $before), ["not s.stems @@ {$names->sql}", $names->bindings])];
    }

    /** How many titles a search finds, and nothing else. */
    public function total(CatalogueSearch $search, DateTimeImmutable $now): int
    {
        [$join, $where, $bindings] = SearchSql::where($search, $now);

        return DB::scalar("select count(*) from search_rows s {$join} where {$where}", $bindings);
    }

    /**
     * An index that is in the order asked for is walked where many match; where few do, sorting them is quicker, and "+ 0" keeps the
     * planner from walking all the same.
     *
     * @return array{string, list<mixed>}
     */
    private function order(CatalogueSearch $search, int $total): array
    {
        $relevance = QuerySql::relevance($search->query->tree);
        $walk = $total > $this->walked;

        return match (true) {
            $search->order === 'relevance' && $relevance !== null => [
                "lower(t.name) = lower(?) desc, ts_rank('{0.05, 0.2, 0.6, 1.0}', s.stems, {$relevance->sql}) desc, s.times_borrowed desc",
                [$search->words, ...$relevance->bindings],
            ],
            $search->order === 'most_borrowed' => [$walk ? 's.times_borrowed desc' : 's.times_borrowed + 0 desc', []],
            $search->order === 'title' => ['lower(t.name)', []],
            $search->order === 'list' => ['(select position from staff_list_title l where l.staff_list_id = ? and l.title_id = s.title_id)', [$search->staffListId]],
            $search->order === 'soonest' => [self::SOONEST, [$search->libraryId, $search->libraryId]],
            $search->order === 'series' => ['t.series_id nulls last, t.series_position nulls last', []],
            default => [$walk ? 's.added_at desc' : "s.added_at + interval '0' desc", []],
        };
    }
}
