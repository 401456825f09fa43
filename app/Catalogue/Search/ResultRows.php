<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Models\Title;
use App\Shared\Sql;
use App\Shared\TitleNames;
use DateTimeImmutable;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Facades\DB;

/**
 * The rows of a page of titles. A work has one row, which stands where the first of its titles stands that the search
 * finds; a page has fewer rows than titles then, and what is counted are titles, as everywhere.
 */
final class ResultRows
{
    public function __construct(private readonly CatalogueSearch $catalogue) {}

    /**
     * @param  LengthAwarePaginator<int, Title>  $page  of what the search finds
     * @param  bool  $byWork  otherwise each title has a row of its own
     * @return list<ResultRow>
     */
    public function of(SearchRequest $search, LengthAwarePaginator $page, bool $byWork, DateTimeImmutable $now): array
    {
        $titles = array_values($page->items());
        $works = $byWork ? $this->works($search, $page->total(), $titles, $now) : [];
        $rows = [];
        foreach ($titles as $title) {
            $ofWork = $works[$title->work_id] ?? [$title->id => $title];
            // Where a title is not among those of its work, it has only just ceased to be found.
            if (array_key_first($ofWork) === $title->id || !isset($ofWork[$title->id])) {
                $rows[] = new ResultRow($title, array_values(array_diff_key($ofWork, [$title->id => 1])));
            }
        }

        return $rows;
    }

    /**
     * @param  list<ResultRow>  ...$rows
     * @return list<Title> all that are shown in them
     */
    public static function titles(array ...$rows): array
    {
        return array_merge(
            ...array_map(
                fn(ResultRow $row): array => [$row->title, ...array_slice($row->beside, 0, ResultRow::SHOWN)],
                array_merge(...$rows),
            ),
        );
    }

    /**
     * @param  list<ResultRow>  ...$rows
     * @return list<int> those of them that stand beside another
     */
    public static function beside(array ...$rows): array
    {
        return array_merge(
            ...array_map(
                fn(ResultRow $row): array => array_map(fn(Title $of): int => $of->id, $row->beside),
                array_merge(...$rows),
            ),
        );
    }

    /**
     * @param  list<Title>  $titles
     * @return array<int, non-empty-array<int, Title>> by work, of those works that have several titles, all that the
     *     search finds, by title, in its order
     */
    private function works(SearchRequest $search, int $total, array $titles, DateTimeImmutable $now): array
    {
        $several = array_column(
            DB::select(
                'select id, work_id from titles where work_id in (select work_id from titles
                    where work_id = any(?::bigint[]) group by work_id having count(*) > 1)',
                [Sql::array(array_map(fn(Title $of): int => $of->work_id, $titles))],
            ),
            'id',
        );
        $known = array_combine(array_map(fn(Title $of): int => $of->id, $titles), $titles);
        $ids = $several === [] ? [] : $this->catalogue->among($search, $total, $several, $now);
        $known += TitleNames::titles(array_values(array_diff($ids, array_keys($known))))->all();
        $works = [];
        foreach (array_intersect($ids, array_keys($known)) as $id) {
            $works[$known[$id]->work_id][$id] = $known[$id];
        }

        return $works;
    }
}
