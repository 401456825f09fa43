<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Models\Library;
use App\Models\Title;
use App\Shared\PageAsked;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Identifier;
use FigPorch\Core\Catalogue\SearchWords;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Any title that is known here: the library's, the consortium's, the supplier's, without a licence or a file. */
final class FindTitles
{
    private const PAGE = 25;

    /** So many are put in order; a search that finds more needs more words. */
    public const MOST = 2000;

    private const STATES = 'select t.id, exists (select from publications p where p.title_id = t.id) as opens,
            exists (select from supplied_titles st where st.title_id = t.id) as supplied,
            (select count(*) from licences l where l.title_id = t.id and l.library_id = :own
                and (l.ends_at is null or l.ends_at > :now)) as licences,
            (select sum(copies) from licences l where l.title_id = t.id and l.library_id = :own
                and (l.ends_at is null or l.ends_at > :now)) as copies,
            exists (select from licences l where l.title_id = t.id and l.library_id = :own) as ever,
            (select count(*) from holds h where h.title_id = t.id and h.library_id = :own
                and h.closed_at is null) as waiting,
            exists (select from licences l join libraries o on o.id = l.library_id join libraries lib on lib.id = :own
                where l.title_id = t.id and l.library_id <> :own and (l.ends_at is null or l.ends_at > :now)
                and licence_serves(l.shared, o, lib)) as shared,
            t.format in (\'paper\', \'website\') as elsewhere,
            (select sum(copies) from holdings h where h.title_id = t.id and h.library_id = :own) as paper,
            exists (select from links k where k.title_id = t.id and k.library_id = :own) as website,
            exists (select from holdings h where h.title_id = t.id union all select from links k
                where k.title_id = t.id) as at_others
        from titles t where t.id = any(:titles)';

    private const ON_ORDER = 'select title_id from licences li where li.library_id = :own and li.file_came_at is null
        and licence_has_future(li, :now) group by title_id order by (select count(*) from holds h
            where h.title_id = li.title_id and h.library_id = :own and h.closed_at is null) desc,
            min(li.starts_at), title_id
        limit :most';

    /** @return LengthAwarePaginator<int, FoundTitle> titles whose file has not come, those that most wait for first */
    public function onOrder(Library $library, DateTimeImmutable $now): LengthAwarePaginator
    {
        $ids = DB::select(self::ON_ORDER, [
            'own' => $library->id,
            'now' => $now->format('Y-m-d H:i:sP'),
            'most' => self::MOST,
        ]);

        return $this->show(array_column($ids, 'title_id'), $library, '', $now);
    }

    /** @return LengthAwarePaginator<int, FoundTitle> the library's own first */
    public function page(Library $library, string $find, DateTimeImmutable $now): LengthAwarePaginator
    {
        return $this->show($this->ids($library, $find), $library, $find, $now);
    }

    /**
     * @param  list<int>  $ids
     * @return LengthAwarePaginator<int, FoundTitle>
     */
    private function show(array $ids, Library $library, string $find, DateTimeImmutable $now): LengthAwarePaginator
    {
        $page = PageAsked::of(count($ids), self::PAGE);
        $shown = array_slice($ids, ($page - 1) * self::PAGE, self::PAGE);
        /** @var array<int, stdClass> $states */
        $states = [];
        foreach (
            DB::select(self::STATES, [
                'own' => $library->id,
                'now' => $now->format('Y-m-d H:i:sP'),
                'titles' => '{' . implode(',', $shown) . '}',
            ])
            as $state
        ) {
            $states[$state->id] = $state;
        }

        $rows = TitleNames::titles($shown)
            ->sortBy(fn(Title $title): int => (int) array_search($title->id, $shown, true))
            ->map(fn(Title $title): FoundTitle => new FoundTitle($title, $states[$title->id]))
            ->values()
            ->all();

        return new LengthAwarePaginator(array_values($rows), count($ids), self::PAGE, $page, [
            'path' => Paginator::resolveCurrentPath(),
            'query' => array_filter(['find' => $find]),
        ]);
    }

    /** @return list<int> whose standard number it is */
    public function byNumber(string $number): array
    {
        $of = Identifier::parse($number);

        return $of === null
            ? []
            : array_values(
                array_map(
                    intval(...),
                    DB::table('titles')
                        ->whereRaw('numbers @> array[?]', [$of->number])
                        ->orWhere('isbn', $of->number)
                        ->orderBy('id')
                        ->limit(self::MOST)
                        ->pluck('id')
                        ->all(),
                ),
            );
    }

    /** @return list<int> what the words find, the library's own first */
    public function ids(Library $library, string $find): array
    {
        $words = SearchWords::of($find);
        $byNumber = $this->byNumber($find);
        if ($byNumber !== [] || $words === []) {
            return $byNumber;
        }
        $query = implode(' & ', array_map(fn(string $word): string => "'{$word}':*", $words));
        $most = self::MOST;

        return array_column(
            DB::select(
                "with own as materialized (select title_id from licences where library_id = :own
                    union all select title_id from holdings where library_id = :own
                    union all select title_id from links where library_id = :own),
                ours as (select distinct s.title_id, s.times_borrowed from own
                    join search_rows s on s.title_id = own.title_id
                    where s.exact @@ to_tsquery('fig_exact', :query) limit {$most}),
                others as (select s.title_id, s.times_borrowed from search_rows s
                    where s.exact @@ to_tsquery('fig_exact', :query) and s.title_id not in (select title_id from own)
                    limit {$most})
                select title_id from (select *, true as own from ours union all select *, false from others) x
                    join titles t on t.id = x.title_id
                    order by own desc, lower(t.name) = lower(:find) desc, x.times_borrowed desc, lower(t.name), t.id
                    limit {$most}",
                ['own' => $library->id, 'query' => $query, 'find' => $find],
            ),
            'title_id',
        );
    }
}
