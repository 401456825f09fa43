<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapSearch;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapIndex\IndexSnapshot;
use App\Catalogue\BitmapIndex\TitlesForCard;
use App\Catalogue\Filters\FlagFilter;
use App\Catalogue\Filters\ListFilter;
use App\Catalogue\Filters\OneValueFilter;
use App\Catalogue\Search\HeldTitles;
use App\Catalogue\Search\QuerySql;
use App\Catalogue\Search\SearchRequest;
use App\Catalogue\Search\SearchSql;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Query\Node;
use FigPorch\Core\Catalogue\Query\QueryParser;
use FigPorch\Core\Catalogue\Reach;
use FigPorch\Core\Catalogue\TitleSet;
use Illuminate\Support\Facades\DB;
use WeakMap;

/** Finds by the sets that were gathered: what words and filters have in common, without looking at a single title. */
final class BitmapSearch
{
    /**
     * Titles of which a month's money or the licences themselves have to tell who can have them: asked for, if they are
     * no more than this.
     */
    private const MOST_ONE_BY_ONE = 8000;

    /** @var WeakMap<SearchRequest, array{BitmapResult|null}> what was found for each search of this request */
    private WeakMap $found;

    /** @var array{DateTimeImmutable, BitmapIndex|null}|null */
    private ?array $latest = null;

    public function __construct()
    {
        $this->found = new WeakMap();
    }

    /** At one moment, as one object says it, the latest is looked up once. */
    public function latest(DateTimeImmutable $now): ?BitmapIndex
    {
        $this->latest =
            $this->latest !== null && $this->latest[0] === $now
                ? $this->latest
                : [$now, IndexSnapshot::at($now)?->gathering];

        return $this->latest[1];
    }

    /** Null where nothing is gathered that could be believed. */
    public function find(SearchRequest $search, DateTimeImmutable $now): ?BitmapResult
    {
        return ($this->found[$search] ??= [$this->findNow($search, $now)])[0];
    }

    private function findNow(SearchRequest $search, DateTimeImmutable $now): ?BitmapResult
    {
        if ($this->latest === [$now, null]) {
            return null;
        }
        $list = $search->listWords === null ? null : QueryParser::read($search->listWords)->tree;
        $first = IndexSnapshot::at(
            $now,
            array_values(array_unique([...QueryBitmap::words($search->query->tree), ...QueryBitmap::words($list)])),
            $search->words,
        );
        if ($first === null) {
            $this->latest = [$now, null];

            return null;
        }
        $gathering = $first->gathering;
        // Titles of which the sets do not tell for sure who can have them, and those of which nothing that they tell is
        // believed.
        [$unsure, $changed] = [$gathering->loose, $gathering->changed];
        $held = TitleSet::none();
        $flags = array_map(fn(FlagFilter $of): string => $of::name(), $search->filters->of(FlagFilter::class));
        $can = array_fill_keys($flags, TitleSet::none());
        foreach ($search->places() as $id => $eligibility) {
            $allowed = TitlesForCard::of($gathering, $eligibility->audiences);
            $listed = TitlesForCard::of($gathering, $eligibility->listed());
            $unsure = $unsure->or($gathering->every("paid:{$id}")->without($gathering->every("ready:{$id}")));
            $here = $gathering->every("held:{$id}");
            $held = $held->or($listed === null ? $here : $here->and($listed));
            foreach ($can as $flag => $titles) {
                $here = $gathering->every("{$flag}:{$id}");
                $can[$flag] = $titles->or($allowed === null ? $here : $here->and($allowed));
            }
        }
        if ($unsure->count() > self::MOST_ONE_BY_ONE) {
            return null;
        }
        $within = $search->scope === Reach::Beyond ? self::beyond($gathering, $search)->without($held) : $held;
        $base = $within->or($unsure)->without($changed);
        foreach ($search->filters->of(ListFilter::class) as $filter) {
            foreach ($filter->chosen as $value) {
                $base = $base->and($filter::bitmap($gathering, $value));
            }
        }
        if ($search->listWords !== null) {
            $base = (new QueryBitmap($first, $list))->among($base);
        } elseif ($search->staffListId !== null) {
            $base = $base->and(
                self::asked('s.title_id in (select title_id from staff_list_title where staff_list_id = ?)', [
                    $search->staffListId,
                ]),
            );
        }
        $query = new QueryBitmap($first, $search->query->tree);
        $base = $query->among($base);
        $unsure = $base->and($unsure);
        if (!$unsure->isEmpty()) {
            [$reached, $canNow] = self::had($unsure, $search, $now);
            $base = $base->without($unsure)->or($reached);
            foreach ($can as $flag => $titles) {
                $can[$flag] = $titles->without($unsure)->or($canNow[$flag]);
            }
        }
        if (!$changed->isEmpty()) {
            [$where, $bindings] = SearchSql::base($search, $now);
            $changed = self::asked("s.title_id = any(?::bigint[]) and {$where}", [
                Sql::array($changed->numbers()),
                ...$bindings,
            ]);
        }

        return new BitmapResult(
            gathering: $gathering,
            called: $first->called,
            query: $query,
            within: [...$query->within(), ...$search->filters->within()],
            base: $base,
            chosen: self::chosen($gathering, $search, $can),
            can: $can,
            oneByOne: $changed->numbers(),
        );
    }

    /**
     * @return array{TitleSet, array<string, TitleSet>} those of some titles that the search reaches at this moment, and
     *     those that can be had, by flag
     */
    private static function had(TitleSet $titles, SearchRequest $search, DateTimeImmutable $now): array
    {
        [$can, $bindings] = HeldTitles::anywhere($search->places(), $now);
        [$beyond, $beyondBindings] = $search->scope === Reach::Beyond ? SearchSql::beyond($search) : ['true', []];
        $those = fn(
            string $condition,
        ): string => "string_agg(int4send(title_id::int), null) filter (where {$condition})";
        $flags = [];
        foreach ($search->filters->of(FlagFilter::class) as $flag) {
            $flags[$flag::name()] = $those("can & {$flag::bit()} > 0") . " {$flag::name()}";
        }
        $reached = $those('beyond and ' . SearchSql::within($search, 'can'));
        $had = (array) DB::selectOne(
            'select ' .
                implode(', ', ["{$reached} reached", ...array_values($flags)]) .
                " from (select s.title_id, {$can} can, {$beyond} beyond from search_rows s
                    where s.title_id = any(?::bigint[])) x",
            [...$bindings, ...$beyondBindings, Sql::array($titles->numbers())],
        );
        $sets = array_map(self::sent(...), $had);

        return [$sets['reached'], array_intersect_key($sets, $flags)];
    }

    /**
     * @param  array<string, TitleSet>  $can  what can be had, by flag
     * @return array<string, TitleSet> by filter of which one value is chosen, the titles that have it
     */
    private static function chosen(BitmapIndex $gathering, SearchRequest $search, array $can): array
    {
        $chosen = [];
        foreach ($search->filters->of(OneValueFilter::class) as $filter) {
            if ($filter->isSet()) {
                $chosen[$filter::name()] = $filter->bitmap($gathering, $can);
            }
        }

        return $chosen;
    }

    /** What the consortium or the supplier has. */
    private static function beyond(BitmapIndex $gathering, SearchRequest $search): TitleSet
    {
        $all = $gathering->every('supplied:');
        foreach (
            DB::select(
                'select id from libraries where consortium_id = (select consortium_id from libraries where id = ?)',
                [$search->libraryId],
            )
            as $row
        ) {
            $all = $all->or($gathering->every("held:{$row->id}"));
        }
        $listed = TitlesForCard::of($gathering, $search->eligibility->listed());

        return $listed === null ? $all : $all->and($listed);
    }

    public static function byIndex(Node $node): TitleSet
    {
        $query = QuerySql::of($node);

        return self::asked($query->sql, $query->bindings);
    }

    /** @param  list<mixed>  $bindings */
    public static function asked(string $condition, array $bindings): TitleSet
    {
        return self::sent(
            DB::scalar(
                "select string_agg(int4send(s.title_id::int), null) from search_rows s where {$condition}",
                $bindings,
            ),
        );
    }

    /** @param  resource|null  $numbers  as PDO gives bytea */
    private static function sent(mixed $numbers): TitleSet
    {
        return TitleSet::ofSent(is_resource($numbers) ? (string) stream_get_contents($numbers) : '');
    }
}
