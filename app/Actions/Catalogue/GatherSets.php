<?php

declare(strict_types=1);

namespace App\Actions\Catalogue;

use App\Queries\Catalogue\QuerySql;
use App\Queries\Catalogue\Sets\Gathering;
use App\Queries\Catalogue\Sets\InSets;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Query\Term;
use FigPorch\Core\Catalogue\TitleSet;
use Generator;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * Gathers the titles of each value of each filter, of each library and of the commonest words as sets, from one moment's catalogue. What
 * changes afterwards is noted title by title by the database, until the next gathering.
 */
final class GatherSets
{
    /** What a set's name begins with, and what of search_rows (alias s) follows it: the value, a join, a condition. */
    private const OF = [
        'format' => ['s.format', '', 'true'],
        'audience' => ['s.audience', '', 'true'],
        'language' => ['s.language', '', 'true'],
        'year' => ['s.year', '', 'true'],
        'level' => ['floor(s.level)::int', '', 'true'],
        'supplied' => ["''", '', 's.supplied'],
        'held' => ['one', 'cross join unnest(s.held) one', 'true'],
        'ready' => ['one', 'cross join unnest(s.ready) one', 'true'],
        'always' => ['one', 'cross join unnest(s.always) one', 'true'],
        'paid' => ['one', 'cross join unnest(s.paid) one', 'true'],
        'subject' => ['one', 'cross join unnest(s.subjects) one', 'true'],
        'award' => ['one', 'cross join unnest(s.awards) one', 'length(one) < 150'],
    ];

    private const MOST_WORDS = 300;

    private const COMMON_SHARE = 0.005;

    private const SAMPLE = 20_000;

    /** As many titles may have changed before it is worth the work to gather them anew. */
    private const LOOSE = 2000;

    private const KEPT = 2;

    /** Smaller catalogues are counted title by title. */
    public function __construct(private readonly int $fewest = 20_000)
    {
    }

    public function isDue(DateTimeImmutable $now): bool
    {
        $last = DB::selectOne('select gathered_at, (select count(*) from (select from search_loose limit '.self::LOOSE.') l) loose from search_gatherings order by id desc limit 1');

        return $last === null
            ? DB::scalar('select count(*) from (select from search_rows limit ?) x', [$this->fewest]) >= $this->fewest
            : $last->loose >= self::LOOSE || new DateTimeImmutable($last->gathered_at) < $now->modify('-1 day') && $last->loose > 0;
    }

    /** @return int how many sets there are now; 0 where another is gathering them at this moment */
    public function __invoke(DateTimeImmutable $now): int
    {
        return DB::transaction(function () use ($now): int {
            if (DB::transactionLevel() === 1) {
                DB::statement('set transaction isolation level repeatable read');
            }
            if (! DB::scalar('select pg_try_advisory_xact_lock(hashtext(?))', [self::class])) {
                return 0;
            }
            $gathering = DB::table('search_gatherings')->insertGetId(['gathered_at' => $now, 'counts' => '{}']);
            $counts = [];
            foreach ($this->sets() as $name => $set) {
                $counts[$name] = $set->count();
                DB::insert('insert into search_sets (gathering_id, name, bits) values (?, ?, ?)', [$gathering, $name, '\x'.bin2hex($set->bytes())]);
            }
            DB::table('search_gatherings')->where('id', $gathering)->update(['counts' => json_encode($counts, JSON_THROW_ON_ERROR)]);
            // Only those that were there when this transaction began to read: they are in the sets.
            DB::table('search_loose')->delete();
            DB::table('search_gatherings')->whereNotIn('id', DB::table('search_gatherings')->orderByDesc('id')->limit(self::KEPT)->pluck('id'))->delete();

            return count($counts);
        });
    }

    /** @return Generator<string, TitleSet> */
    private function sets(): Generator
    {
        yield 'all' => self::set((array) DB::selectOne('select string_agg(int4send(title_id::int), null) ids from search_rows'));
        foreach (self::OF as $name => [$value, $join, $condition]) {
            $values = DB::select("select * from (select {$value} as one, count(*) n, string_agg(int4send(s.title_id::int), null) ids from search_rows s {$join} where {$condition} group by 1) x
                where one is not null order by n desc, one limit ?", [Gathering::MOST[$name] ?? null]);
            foreach ($values as $row) {
                yield "{$name}:{$row->one}" => self::set((array) $row);
            }
        }
        foreach ($this->commonWords() as $word) {
            $of = QuerySql::of(new Term([$word]));
            yield "word:{$word}" => InSets::asked($of->sql, $of->bindings);
            $names = QuerySql::names(new Term([$word])) ?? throw new LogicException('A word is looked for in names too.');
            yield "named:{$word}" => InSets::asked("s.stems @@ {$names->sql}", $names->bindings);
        }
    }

    /** @return list<string> as a sample of the records has them */
    private function commonWords(): array
    {
        $share = min(100.0, 100 * self::SAMPLE / max(1, (int) DB::scalar('select count(*) from search_rows')));
        $sample = "from search_rows tablesample system ({$share}) repeatable (1)";
        $fewest = max(2, (int) (self::COMMON_SHARE * (int) DB::scalar("select count(*) {$sample}")));

        return array_column(DB::select("select word from ts_stat('select exact {$sample}') where ndoc >= ? order by ndoc desc, word limit ?", [$fewest, self::MOST_WORDS]), 'word');
    }

    /** @param  array<mixed>  $row  of which "ids" are numbers of four bytes each, the highest first */
    private static function set(array $row): TitleSet
    {
        return TitleSet::of(is_resource($row['ids'] ?? null) ? array_values((array) unpack('N*', (string) stream_get_contents($row['ids']))) : []);
    }
}
