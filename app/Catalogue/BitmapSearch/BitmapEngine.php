<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapSearch;

use App\Catalogue\Filters\FormatFilter;
use App\Catalogue\Filters\ListFilter;
use App\Catalogue\Filters\ReadyFilter;
use App\Catalogue\Search\Facets;
use App\Catalogue\Search\FacetSql;
use App\Catalogue\Search\FoundAtAGlance;
use App\Catalogue\Search\HeldTitles;
use App\Catalogue\Search\SearchEngine;
use App\Catalogue\Search\SearchRequest;
use App\Catalogue\Search\SearchSql;
use App\Catalogue\Search\SqlEngine;
use App\Models\Title;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\TitleSet;
use Illuminate\Support\Facades\DB;
use LogicException;
use stdClass;

/**
 * Searches by what bitmaps have in common, in large catalogues. Titles that have changed since the bitmaps were
 * gathered are looked at one by one in SQL, so that what it says is true at every moment.
 */
final class BitmapEngine implements SearchEngine
{
    private readonly BitmapOrder $order;

    /**
     * @param  int  $ranked  up to so many are put in order by the weight of each word in each of them
     * @param  int  $walked  from so many on an index in the order asked for is walked until a page is full
     */
    public function __construct(
        private readonly BitmapSearch $bitmaps,
        SqlEngine $sql,
        private readonly FacetSql $facetSql,
        private readonly BitmapFacetCounter $counter,
        private readonly int $ranked = 300,
        private readonly int $walked = 30_000,
    ) {
        $this->order = new BitmapOrder($sql);
    }

    /** Whether bitmaps are gathered that can be believed at that moment. */
    public function canAnswer(SearchRequest $search, DateTimeImmutable $now): bool
    {
        return !$search->hasNoWord() && $this->bitmaps->find($search, $now) !== null;
    }

    public function count(SearchRequest $search, DateTimeImmutable $now): int
    {
        return $this->set($this->found($search, $now), $search, $now)->count();
    }

    public function titles(SearchRequest $search, int $total, int $count, int $from, DateTimeImmutable $now): array
    {
        $found = $this->found($search, $now);
        $others = $this->oneByOne($found, $search, $now);
        $ready = $search->order === 'soonest' ? self::ready($found, $others) : TitleSet::none();
        if ($ready->count() >= $from + $count) {
            // Of those that are ready nobody need ask how long they take.
            return $this->order->byPopularity($found, $ready, $count, $from);
        }

        return $this->order->titles(
            found: $found,
            set: self::all($found, $others),
            search: $search,
            many: $total > $this->walked,
            ranked: $total <= $this->ranked,
            count: $count,
            from: $from,
            now: $now,
        );
    }

    public function inOrder(SearchRequest $search, int $total, array $among, DateTimeImmutable $now): array
    {
        $found = $this->found($search, $now);

        return array_map(
            fn(Title $of): int => $of->id,
            $this->order->titles(
                found: $found,
                set: $this->set($found, $search, $now)->and(TitleSet::of($among)),
                search: $search,
                many: false,
                ranked: $total <= $this->ranked,
                count: count($among),
                from: 0,
                now: $now,
            ),
        );
    }

    public function glance(SearchRequest $search, int $first, DateTimeImmutable $now): FoundAtAGlance
    {
        $found = $this->found($search, $now);
        $others = $this->oneByOne($found, $search, $now);
        $set = self::all($found, $others);
        $titles = $set->count();
        $ready = $found->matching()->forCounting()->countWith($found->can[ReadyFilter::name()]);

        return new FoundAtAGlance(
            $titles,
            $ready + count(array_filter(array_column($others, 'ready'))),
            $titles === 0 || $first === 0
                ? []
                : array_column(
                    $this->order->titles(
                        found: $found,
                        set: $set,
                        search: $search,
                        many: $titles > $this->walked,
                        ranked: $titles <= $this->ranked,
                        count: $first,
                        from: 0,
                        now: $now,
                    ),
                    'id',
                ),
        );
    }

    public function formats(SearchRequest $search, DateTimeImmutable $now): array
    {
        $found = $this->found($search, $now);
        $among = $found->matching()->forCounting();
        $others = array_count_values(array_column($this->oneByOne($found, $search, $now), 'format'));
        $counts = [];
        foreach (array_column(Format::cases(), 'value') as $format) {
            $counts[$format] =
                $found->gathering->count(FormatFilter::kind() . ":{$format}", $among) + ($others[$format] ?? 0);
        }

        return array_filter($counts);
    }

    public function facets(SearchRequest $search, DateTimeImmutable $now): Facets
    {
        $found = $this->found($search, $now);
        if ($found->oneByOne === []) {
            $others = new Facets();
        } else {
            [$where, $bindings] = SearchSql::base($search, $now);
            $others = $this->facetSql->of(
                $search,
                $now,
                ["s.title_id = any(?::bigint[]) and {$where}", [Sql::array($found->oneByOne), ...$bindings]],
                PHP_INT_MAX,
            );
        }

        return $this->counter->of($found, $others, $search->filters);
    }

    public function everything(SearchRequest $search, DateTimeImmutable $now): TitleSet
    {
        return $this->set($this->found($search, $now), $search, $now);
    }

    /**
     * @param  class-string<ListFilter>  $filter
     * @return array{array<int|string, int>, list<int>}|null by value, of how many titles sets tell that they have it;
     *     and the titles found of which they do not tell. Null where not every value has a set.
     */
    public function bySets(string $filter, SearchRequest $search, DateTimeImmutable $now): ?array
    {
        $gathered = $filter::gathered();
        if ($gathered?->listed !== true) {
            return null;
        }
        $found = $this->found($search, $now);
        $values = $found->gathering->values($filter::kind());
        if (!$gathered->isOfAll(count($values))) {
            return null;
        }
        $among = $found->matching()->forCounting();
        $counts = [];
        foreach (array_keys($values) as $value) {
            $counts[$value] = $found->gathering->count("{$filter::kind()}:{$value}", $among);
        }

        return [array_filter($counts), array_keys($this->oneByOne($found, $search, $now))];
    }

    private function found(SearchRequest $search, DateTimeImmutable $now): BitmapResult
    {
        return $this->bitmaps->find($search, $now) ?? throw new LogicException('canAnswer() was not asked.');
    }

    /** All that a search finds. */
    private function set(BitmapResult $found, SearchRequest $search, DateTimeImmutable $now): TitleSet
    {
        return self::all($found, $this->oneByOne($found, $search, $now));
    }

    /** @param  array<int, stdClass>  $others  as oneByOne() gives them */
    private static function all(BitmapResult $found, array $others): TitleSet
    {
        return $others === [] ? $found->matching() : $found->matching()->or(TitleSet::of(array_keys($others)));
    }

    /** @param  array<int, stdClass>  $others  as oneByOne() gives them */
    private static function ready(BitmapResult $found, array $others): TitleSet
    {
        $ready = array_keys(array_filter($others, fn(stdClass $of): bool => $of->ready));

        return $found->matching()->and($found->can[ReadyFilter::name()])->or(TitleSet::of($ready));
    }

    /** @return array<int, stdClass> what it finds of the titles that sets do not tell of: format, and whether ready */
    private function oneByOne(BitmapResult $found, SearchRequest $search, DateTimeImmutable $now): array
    {
        if ($found->oneByOne === []) {
            return [];
        }
        [$join, $where, $bindings] = SearchSql::where($search, $now);

        return array_column(
            DB::select(
                "select s.title_id, s.format, had.can & ? > 0 ready from search_rows s {$join}
                    where {$where} and s.title_id = any(?::bigint[])",
                [HeldTitles::READY, ...$bindings, Sql::array($found->oneByOne)],
            ),
            null,
            'title_id',
        );
    }
}
