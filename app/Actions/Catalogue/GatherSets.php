<?php

declare(strict_types=1);

namespace App\Actions\Catalogue;

use App\Queries\Catalogue\Sets\Gathering;
use App\Queries\Catalogue\Sets\SetsFile;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\TitleSet;
use Generator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

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

    /** Words that so many of all titles have, or at the least so many titles, have sets: as they are, and by their stems. */
    private const COMMON_SHARE = 0.001;

    private const COMMON_LEAST = 50;

    private const SAMPLE = 50_000;

    /** The words of so many titles are read at once, and what is found in them poured into sets every so many times. */
    private const AT_ONCE = 20_000;

    private const POURED = 3;

    private const KEPT_AT_ONCE = 50;

    /** Letters of a word that has a set. */
    private const LONGEST = 150;

    /** The column of search_rows in which the words of a kind are. */
    private const WORDS = ['exact' => 'exact', 'stem' => 'stems'];

    /** As many titles may have changed before it is worth the work to gather them anew. */
    private const LOOSE = 2000;

    private const KEPT = 2;

    /**
     * @param  int  $fewest  smaller catalogues are counted title by title
     * @param  int  $paired  two words that so many titles can be expected to have are paired, were they strewn by chance
     */
    public function __construct(private readonly int $fewest = 20_000, private readonly int $paired = 6000)
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
            $key = (string) Str::uuid();
            $gathering = DB::table('search_gatherings')->insertGetId(['key' => $key, 'gathered_at' => $now, 'paired' => $this->paired]);
            $count = 0;
            SetsFile::write(Gathering::folder($key), $this->kept($gathering, $this->sets($gathering), $count), Gathering::LISTED);
            // Only those that were there when this transaction began to read: they are in the sets.
            DB::table('search_loose')->delete();
            DB::table('search_gatherings')->whereNotIn('id', DB::table('search_gatherings')->orderByDesc('id')->limit(self::KEPT)->pluck('id'))->delete();
            Gathering::tidy();

            return $count;
        });
    }

    /**
     * Sets are kept in the database as they go by.
     *
     * @param  iterable<string, TitleSet>  $sets
     * @return Generator<string, TitleSet> but for those that are read from there alone
     */
    private function kept(int $gathering, iterable $sets, int &$count): Generator
    {
        $rows = [];
        $keep = function () use (&$rows): void {
            DB::insert('insert into search_sets (gathering_id, name, bits) values '.implode(', ', array_fill(0, intdiv(count($rows), 3), '(?, ?, ?)')), $rows);
            $rows = [];
        };
        foreach ($sets as $name => $set) {
            array_push($rows, $gathering, $name, '\x'.bin2hex($set->bytes()));
            if (count($rows) === 3 * self::KEPT_AT_ONCE) {
                $keep();
            }
            $count++;
            if (! str_starts_with($name, Gathering::APART)) {
                yield $name => $set;
            }
        }
        $rows === [] || $keep();
    }

    /** @return Generator<string, TitleSet> */
    private function sets(int $gathering): Generator
    {
        yield 'all:' => self::set((array) DB::selectOne('select string_agg(int4send(title_id::int), null) ids from search_rows'));
        foreach (self::OF as $name => [$value, $join, $condition]) {
            $values = DB::select("select * from (select {$value} as one, count(*) n, string_agg(int4send(s.title_id::int), null) ids from search_rows s {$join} where {$condition} group by 1) x
                where one is not null order by n desc, one limit ?", [Gathering::MOST[$name] ?? null]);
            foreach ($values as $row) {
                yield "{$name}:{$row->one}" => self::set((array) $row);
            }
        }
        foreach (['popular' => 'times_borrowed desc', 'newest' => 'added_at desc'] as $name => $order) {
            for ($ring = 0, $from = 0; $ring < Gathering::RINGS; $ring++, $from = $to) {
                $to = Gathering::FIRST_RING * Gathering::WIDER ** $ring;
                yield "{$name}:{$ring}" => self::set((array) DB::selectOne("select string_agg(int4send(title_id::int), null) ids from (select title_id from search_rows order by {$order}, title_id limit ? offset ?) x", [$to - $from, $from]));
            }
        }
        yield from $this->words('stem', $gathering);
        yield from $this->words('exact', $gathering);
    }

    /**
     * Reads the words of every title once, and notes those that are too rare for a set.
     *
     * @return Generator<string, TitleSet>
     */
    private function words(string $kind, int $gathering): Generator
    {
        $column = self::WORDS[$kind];
        $words = $this->commonWords($column);
        $found = array_fill_keys($words, []);
        /** @var array<string, TitleSet> $sets */
        $sets = array_fill_keys($words, TitleSet::none());
        $rare = [];
        // Of the rare words, what begins with the same three or four letters, in names too.
        $beginnings = [];
        /** @var array<string, TitleSet> $rest */
        $rest = [];
        foreach ($this->read("array_to_string(tsvector_to_array({$column}), ' ')") as $title => $text) {
            if ($text === null) {
                self::pour($found, $sets);
                self::pour($beginnings, $rest);

                continue;
            }
            foreach (explode(' ', $text) as $word) {
                if (isset($found[$word])) {
                    $found[$word][] = $title;
                } elseif ($kind === 'exact') {
                    $rare[$word] = true;
                    $beginnings['rest3:'.mb_substr($word, 0, 3)][] = $title;
                    $beginnings['rest4:'.mb_substr($word, 0, 4)][] = $title;
                } elseif (str_starts_with($word, 't.')) {
                    $beginnings['rest3:'.mb_substr($word, 0, 5)][] = $title;
                    $beginnings['rest4:'.mb_substr($word, 0, 6)][] = $title;
                }
            }
        }
        yield from $rest;
        if ($kind === 'exact') {
            $this->keepRare($gathering, array_keys($rare));
        }
        foreach ($sets as $word => $set) {
            yield "{$kind}:{$word}" => $set;
        }
        if ($kind === 'exact') {
            yield from $this->pairs(array_map(fn (TitleSet $set): int => $set->count(), $sets));
        }
    }

    /**
     * Two words, one right after the other, where both are so common that looking into each title that has both would take long.
     *
     * @param  array<int|string, int>  $counts  by word, how many titles have it
     * @return Generator<string, TitleSet>
     */
    private function pairs(array $counts): Generator
    {
        $least = $this->paired * (int) DB::scalar('select count(*) from search_rows');
        $most = max([0, ...$counts]);
        $counts = array_filter($counts, fn (int $count, int|string $word): bool => $count * $most >= $least && strlen((string) $word) < Gathering::LONGEST_PAIRED, ARRAY_FILTER_USE_BOTH);
        $words = array_keys($counts);
        $numbers = array_flip($words);
        $all = count($words);
        $counts = array_values($counts);
        /** @var array<int, list<int>> $found by the numbers of both words in one, which must not be alike in their last bits: PHP hashes by those */
        $found = [];
        /** @var array<int, TitleSet> $sets */
        $sets = [];
        foreach ($counts === [] ? [] : $this->read('exact::text') as $title => $text) {
            if ($text === null) {
                self::pour($found, $sets);

                continue;
            }
            // As the database writes it: 'harbour':3A,17 'light':4A
            preg_match_all("/'([^']+)':([0-9A-D,]+)/", $text, $places);
            $at = [];
            foreach ($places[1] as $n => $word) {
                foreach (isset($numbers[$word]) ? explode(',', $places[2][$n]) : [] as $position) {
                    $at[(int) $position] = $numbers[$word];
                }
            }
            foreach ($at as $position => $first) {
                $second = $at[$position + 1] ?? null;
                if ($second !== null && $least <= $counts[$first] * $counts[$second]) {
                    $found[$first * $all + $second][] = $title;
                }
            }
        }
        foreach ($sets as $pair => $set) {
            yield Gathering::APART.$words[intdiv($pair, $all)].' '.$words[$pair % $all] => $set;
        }
    }

    /**
     * @param  string  $what  of search_rows, as SQL
     * @return Generator<int, string|null> by title; null where it is time to pour() what was found into sets
     */
    private function read(string $what): Generator
    {
        $last = (int) DB::scalar('select max(title_id) from search_rows');
        for ($from = 0, $read = 0; $from <= $last; $from += self::AT_ONCE) {
            foreach (DB::select("select title_id, {$what} what from search_rows where title_id >= ? and title_id < ? order by title_id", [$from, $from + self::AT_ONCE]) as $row) {
                yield $row->title_id => $row->what;
            }
            if (++$read % self::POURED === 0 || $from + self::AT_ONCE > $last) {
                yield 0 => null;
            }
        }
    }

    /**
     * @param  array<array-key, list<int>>  $found  titles, by what they have; empty after this
     * @param  array<array-key, TitleSet>  $sets
     */
    private static function pour(array &$found, array &$sets): void
    {
        foreach ($found as $of => $titles) {
            if ($titles !== []) {
                $set = TitleSet::of($titles);
                $sets[$of] = isset($sets[$of]) ? $sets[$of]->or($set) : $set;
                $found[$of] = [];
            }
        }
    }

    /** @return list<string> as a sample of the titles has them: what it overlooks is rare, and asked of the index */
    private function commonWords(string $column): array
    {
        $titles = (int) DB::scalar('select count(*) from search_rows');
        $share = min(1.0, self::SAMPLE / max(1, $titles));
        $fewest = max(self::COMMON_LEAST, self::COMMON_SHARE * $titles) * $share;

        $sample = sprintf("select {$column} from search_rows tablesample system (%F) repeatable (1)", 100 * $share);

        return array_map(strval(...), array_column(DB::select("select word from ts_stat('{$sample}') where ndoc >= ? and length(word) < ?", [$fewest, self::LONGEST]), 'word'));
    }

    /** @param  list<int|string>  $words  but for numbers, of which there may be as many as titles */
    private function keepRare(int $gathering, array $words): void
    {
        foreach (array_chunk(array_filter($words, fn (int|string $word): bool => $word !== '' && ! ctype_digit(((string) $word)[0]) && strlen((string) $word) < self::LONGEST), 5000) as $some) {
            DB::insert('insert into search_rare_words (gathering_id, word) select ?, json_array_elements_text(?)', [$gathering, json_encode($some, JSON_THROW_ON_ERROR)]);
        }
    }

    /** @param  array<mixed>  $row  of which "ids" are numbers of four bytes each, the highest first */
    private static function set(array $row): TitleSet
    {
        return TitleSet::ofSent(is_resource($row['ids'] ?? null) ? (string) stream_get_contents($row['ids']) : '');
    }
}
