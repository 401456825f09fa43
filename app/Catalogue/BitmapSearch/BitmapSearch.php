<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapSearch;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapIndex\IndexSnapshot;
use App\Catalogue\Search\HeldTitles;
use App\Catalogue\Search\QuerySql;
use App\Catalogue\Search\SearchRequest;
use App\Catalogue\Search\SearchSql;
use App\Lending\LoanRules\CardEligibility;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
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
        $list = $search->listWords === null ? null : QueryParser::read($search->listWords)->tree;
        $first = IndexSnapshot::at(
            $now,
            array_values(array_unique([...QueryBitmap::words($search->query->tree), ...QueryBitmap::words($list)])),
            $search->words,
        );
        if ($first === null) {
            return null;
        }
        $gathering = $first->gathering;
        // Titles of which the sets do not tell for sure who can have them, and those of which nothing that they tell is
        // believed.
        [$unsure, $changed] = [$gathering->loose, $gathering->changed];
        $held = $ready = $always = TitleSet::none();
        foreach ($search->places() as $id => $eligibility) {
            $allowed = self::allowed($gathering, $eligibility);
            $unsure = $unsure->or($gathering->every("paid:{$id}")->without($gathering->every("ready:{$id}")));
            $held = $held->or($gathering->every("held:{$id}"));
            $ready = $ready->or(
                $allowed === null ? $gathering->every("ready:{$id}") : $gathering->every("ready:{$id}")->and($allowed),
            );
            $always = $always->or(
                $allowed === null
                    ? $gathering->every("always:{$id}")
                    : $gathering->every("always:{$id}")->and($allowed),
            );
        }
        if ($unsure->count() > self::MOST_ONE_BY_ONE) {
            return null;
        }
        $within = $search->scope === Reach::Beyond ? self::beyond($gathering, $search)->without($held) : $held;
        $base = $within->or($unsure)->without($changed);
        foreach ($search->subjects as $subject) {
            $base = $base->and(self::subject($gathering, $subject));
        }
        foreach ($search->awards as $award) {
            $base = $base->and(self::award($gathering, $award));
        }
        if ($search->seriesId !== null) {
            $base = $base->and(self::asked('s.series_id = ?', [$search->seriesId]));
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
            [$within, $readyNow, $alwaysNow] = self::had($unsure, $search, $now);
            $base = $base->without($unsure)->or($within);
            [$ready, $always] = [$ready->without($unsure)->or($readyNow), $always->without($unsure)->or($alwaysNow)];
        }
        if (!$changed->isEmpty()) {
            [$where, $bindings] = SearchSql::base($search, $now);
            $changed = self::asked("s.title_id = any(?::bigint[]) and {$where}", [
                Sql::array($changed->numbers()),
                ...$bindings,
            ]);
        }

        return new BitmapResult(
            $gathering,
            $first->called,
            $query,
            [...$query->within(), ...self::within($search)],
            $base,
            self::chosen($gathering, $search, $ready, $always),
            $ready,
            $always,
            $changed->numbers(),
        );
    }

    /**
     * @return array{TitleSet, TitleSet, TitleSet} those of some titles that the search reaches, that are ready and
     *     always ready at this moment
     */
    private static function had(TitleSet $titles, SearchRequest $search, DateTimeImmutable $now): array
    {
        [$can, $bindings] = HeldTitles::anywhere($search->places(), $now);
        [$beyond, $beyondBindings] = $search->scope === Reach::Beyond ? SearchSql::beyond($search) : ['true', []];
        $where = fn(
            string $condition,
        ): string => "string_agg(int4send(title_id::int), null) filter (where {$condition})";
        $had = DB::selectOne(
            "select {$where('beyond and ' . SearchSql::within($search, 'can'))} reached, {$where(
                'can & ' . HeldTitles::READY . ' > 0',
            )} ready, {$where('can & ' . HeldTitles::ALWAYS . ' > 0')} always
                from (select s.title_id, {$can} can, {$beyond} beyond from search_rows s
                    where s.title_id = any(?::bigint[])) x",
            [...$bindings, ...$beyondBindings, Sql::array($titles->numbers())],
        );

        return array_map(self::sent(...), [$had->reached, $had->ready, $had->always]);
    }

    /** @return array<string, TitleSet> by filter of which one value is chosen, the titles that have it */
    private static function chosen(
        BitmapIndex $gathering,
        SearchRequest $search,
        TitleSet $ready,
        TitleSet $always,
    ): array {
        $range = fn(string $kind, array $of): ?TitleSet => $of === [null, null]
            ? null
            : self::range($gathering, $kind, ...$of);

        return array_filter(
            [
                'format' => $search->format === null ? null : $gathering->every("format:{$search->format->value}"),
                'audience' =>
                    $search->audience === null ? null : $gathering->every("audience:{$search->audience->value}"),
                'language' => $search->language === null ? null : $gathering->every("language:{$search->language}"),
                'ready' => $search->readyNow ? $ready : null,
                'always' => $search->alwaysReady ? $always : null,
                'year' => $range('year', $search->years),
                'level' => $range('level', $search->levels),
            ],
            fn(?TitleSet $set): bool => $set !== null,
        );
    }

    /** @return list<list<string>> names of sets of filters, in each of which all is that a search finds */
    private static function within(SearchRequest $search): array
    {
        return [
            ...array_map(fn(int $subject): array => ["subject:{$subject}"], $search->subjects),
            ...$search->format === null ? [] : [["format:{$search->format->value}"]],
            ...$search->audience === null ? [] : [["audience:{$search->audience->value}"]],
            ...$search->language === null ? [] : [["language:{$search->language}"]],
        ];
    }

    public static function subject(BitmapIndex $gathering, int $subject): TitleSet
    {
        return $gathering->set("subject:{$subject}") ??
            self::asked('s.title_id in (select title_id from subject_title where subject_id = ?)', [$subject]);
    }

    public static function award(BitmapIndex $gathering, string $award): TitleSet
    {
        return $gathering->set("award:{$award}") ?? self::asked('s.awards @> array[?]', [$award]);
    }

    public static function range(
        BitmapIndex $gathering,
        string $kind,
        int|float|null $from,
        int|float|null $to,
    ): TitleSet {
        $all = TitleSet::none();
        foreach (array_keys($gathering->values($kind)) as $value) {
            if ($value >= ($from ?? -9999) && $value <= ($to ?? 9999)) {
                $all = $all->or($gathering->every("{$kind}:{$value}"));
            }
        }

        return $all;
    }

    /** What a card may borrow of what is ready, by format and audience; null where that is everything. */
    private static function allowed(BitmapIndex $gathering, CardEligibility $eligibility): ?TitleSet
    {
        if ($eligibility->audiences === null) {
            return null;
        }
        $allowed = TitleSet::none();
        foreach (Format::cases() as $format) {
            $audiences = TitleSet::none();
            foreach (Audience::cases() as $audience) {
                if (in_array("{$format->value}:{$audience->value}", $eligibility->audiences, true)) {
                    $audiences = $audiences->or($gathering->every("audience:{$audience->value}"));
                }
            }
            $allowed = $allowed->or($gathering->every("format:{$format->value}")->and($audiences));
        }

        return $allowed;
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

        return $all;
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
