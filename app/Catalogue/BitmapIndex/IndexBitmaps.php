<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use App\Catalogue\Filters\Filters;
use App\Catalogue\Filters\Gathered;
use App\Catalogue\Suggestions\IndexPrefixes;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\TitleSet;
use Generator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Gathers as sets the titles of each value of each filter and of the commonest words, or those that each library has
 * and can lend, from one moment's catalogue. What changes afterwards is noted title by title by the database, until the
 * next gathering of its kind.
 */
final class IndexBitmaps
{
    /** So many people have bitmaps of their own, for the numbers beside suggestions. */
    private const MOST_PEOPLE = 2000;

    /** Whose first titles are kept in rings. */
    private const ORDERS = [
        'records' => ['newest' => 'added_at desc'],
        'lending' => ['popular' => 'times_borrowed desc'],
    ];

    private const KEPT_AT_ONCE = 50;

    /** As many titles may have changed before it is worth the work to gather them anew. */
    private const LOOSE = 2000;

    private const KEPT = 2;

    /**
     * @param  int  $fewest  smaller catalogues are counted title by title
     * @param  int  $paired  two words that so many titles can be expected to have are paired, were they strewn by
     *     chance
     */
    public function __construct(
        private readonly IndexWords $words,
        private readonly IndexPrefixes $prefixes,
        private readonly int $fewest = 5000,
        private readonly int $paired = 2500,
    ) {}

    public function isDue(IndexPart $what, DateTimeImmutable $now): bool
    {
        $last = DB::selectOne(
            'select gathered_at, (select count(*) from (select from search_index_changes l where l.of = g.of limit ' .
                self::LOOSE .
                ') l) loose from search_gatherings g where of = ? and gathered_at is not null order by id desc limit 1',
            [$what->value],
        );

        return $last === null
            ? DB::scalar('select count(*) from (select from search_rows limit ?) x', [$this->fewest]) >= $this->fewest
            : $last->loose >= self::LOOSE ||
                    (new DateTimeImmutable($last->gathered_at) < $now->modify('-1 day') && $last->loose > 0);
    }

    /** @return int how many sets there are now; 0 where another is gathering them at this moment */
    public function __invoke(IndexPart $what, DateTimeImmutable $now): int
    {
        $gathering = $this->begin($what, $key = (string) Str::uuid());
        $count = DB::transaction(function () use ($what, $now, $gathering, $key): int {
            if (DB::transactionLevel() === 1) {
                DB::statement('set transaction isolation level repeatable read');
            }
            if (!DB::scalar('select pg_try_advisory_xact_lock(hashtext(?))', [self::class . $what->value])) {
                return 0;
            }
            $count = 0;
            LocalIndexCache::write(
                $what,
                $key,
                $this->kept($gathering, SharedCounts::counted($this->sets($what, $gathering)), $count),
            );
            $what === IndexPart::Records && ($this->prefixes)();
            DB::table('search_gatherings')
                ->where('id', $gathering)
                ->update(['gathered_at' => $now]);
            // Only those that were there when this transaction began to read: they are in the sets.
            DB::table('search_index_changes')->where('of', $what->value)->delete();

            return $count;
        });
        $this->forget($what, $gathering, $count > 0);
        LocalIndexCache::tidy();

        return $count;
    }

    /** Those before the last ones, and what was broken off; one for which there was nothing to do, itself. */
    private function forget(IndexPart $what, int $gathering, bool $gathered): void
    {
        if (!$gathered) {
            DB::table('search_gatherings')->where('id', $gathering)->delete();

            return;
        }
        $until = DB::table('search_gatherings')->where('of', $what->value)->where('id', '<=', $gathering);
        $kept = (clone $until)->whereNotNull('gathered_at')->orderByDesc('id')->limit(self::KEPT)->pluck('id');
        $until->whereNotIn('id', $kept)->delete();
    }

    /**
     * From this on the database notes what changes: before the first gathering it notes nothing. Who is changing a
     * title at this moment has not seen it; they are waited for.
     *
     * @return int its number; it counts for nothing until it is gathered
     */
    public function begin(IndexPart $what, string $key): int
    {
        return DB::transaction(function () use ($what, $key): int {
            $first = DB::table('search_gatherings')->where('of', $what->value)->doesntExist();
            $gathering = DB::table('search_gatherings')->insertGetId([
                'of' => $what->value,
                'key' => $key,
                'paired' => $what === IndexPart::Records ? $this->paired : null,
            ]);
            $first && DB::statement('lock table search_rows in share row exclusive mode');

            return $gathering;
        });
    }

    /**
     * Sets are kept in the database as they go by.
     *
     * @param  iterable<NamedBitmap>  $sets
     * @return Generator<NamedBitmap> but for those that are read from there alone
     */
    private function kept(int $gathering, iterable $sets, int &$count): Generator
    {
        $rows = [];
        $keep = function () use (&$rows): void {
            DB::insert(
                'insert into search_sets (gathering_id, name, bits, shared) values ' .
                    implode(', ', array_fill(0, intdiv(count($rows), 4), '(?, ?, ?, ?)')),
                $rows,
            );
            $rows = [];
        };
        $bytes = fn(string $of): string => '\x' . bin2hex($of);
        foreach ($sets as $named) {
            array_push(
                $rows,
                $gathering,
                $named->name,
                $bytes($named->set->bytes()),
                $named->shared === null ? null : $bytes($named->shared),
            );
            if (count($rows) === 4 * self::KEPT_AT_ONCE) {
                $keep();
            }
            $count++;
            if (!str_starts_with($named->name, BitmapIndex::APART)) {
                yield $named;
            }
        }
        $rows === [] || $keep();
    }

    /** @return array<string, Gathered> what is gathered of each value, by the kind of bitmap */
    private static function kinds(IndexPart $what): array
    {
        $each = fn(string $column): Gathered => new Gathered(
            IndexPart::Lending,
            'one',
            "cross join unnest(s.{$column}) one",
            listed: false,
        );
        $others =
            $what === IndexPart::Lending
                ? ['held' => $each('held'), 'paid' => $each('paid')]
                : [
                    'supplied' => new Gathered($what, "''", condition: 's.supplied', listed: false),
                    'person' => new Gathered(
                        $what,
                        "ct.contributor_id || ':' || ct.role",
                        'join contributor_title ct on ct.title_id = s.title_id',
                        most: self::MOST_PEOPLE,
                        listed: false,
                    ),
                ];
        $all = Filters::gathered($what) + $others;

        // Subjects first, for SharedCounts.
        return array_intersect_key($all, [SharedCounts::WITH => 1]) + $all;
    }

    /** @return Generator<string, TitleSet> */
    private function sets(IndexPart $what, int $gathering): Generator
    {
        foreach (self::kinds($what) as $kind => $of) {
            $values = DB::select(
                "select * from (select {$of->value} as one, count(*) n, string_agg(int4send(s.title_id::int), null) ids
                    from search_rows s {$of->join} where {$of->condition} group by 1) x
                where one is not null order by n desc, one limit ?",
                [$of->most],
            );
            foreach ($values as $row) {
                yield "{$kind}:{$row->one}" => self::set((array) $row);
            }
        }
        foreach (self::ORDERS[$what->value] as $name => $order) {
            for ($ring = 0, $from = 0; $ring < BitmapIndex::RINGS; $ring++, $from = $to) {
                $to = BitmapIndex::FIRST_RING * BitmapIndex::WIDER ** $ring;
                yield "{$name}:{$ring}" => self::set(
                    (array) DB::selectOne(
                        "select string_agg(int4send(title_id::int), null) ids from (select title_id from search_rows
                            order by {$order}, title_id limit ? offset ?) x",
                        [$to - $from, $from],
                    ),
                );
            }
        }
        if ($what === IndexPart::Records) {
            yield 'all:' => self::set(
                (array) DB::selectOne('select string_agg(int4send(title_id::int), null) ids from search_rows'),
            );
            yield from $this->words->sets($gathering, $this->paired);
        }
    }

    /** @param  array<mixed>  $row  of which "ids" are numbers of four bytes each, the highest first */
    private static function set(array $row): TitleSet
    {
        return TitleSet::ofSent(is_resource($row['ids'] ?? null) ? (string) stream_get_contents($row['ids']) : '');
    }
}
