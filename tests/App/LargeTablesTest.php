<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * What a page asks of a table that grows with the catalogue, or with what people do, is found by an index. In tests
 * tables are small, and PostgreSQL reads them whole whether there is one or not: so it is asked how it would find each
 * thing if reading a table whole were dear. What it reads whole even then, it reads whole among a million titles.
 */
final class LargeTablesTest extends TestCase
{
    use AsksEveryRoute;

    private const LARGE = [
        ...['titles', 'works', 'series', 'contributors', 'contributor_title', 'subject_title', 'search_rows'],
        ...['publications', 'licences', 'loans', 'holds', 'cards', 'people', 'marks', 'places', 'readings', 'notices'],
        ...['usage_events', 'desk_changes', 'record_changes', 'baskets', 'basket_title', 'requests'],
    ];

    /** Beginnings of questions that do read one whole, and why they may. */
    private const WHOLE = [
        'select distinct "language" from "search_rows"' => 'asked where nothing is gathered, in small catalogues',
        'with found as materialized (select v as value, sum(n)' => 'asked of the database only in small catalogues',
        'select t.format as label, count(*) n, percentile_cont(0.5)' => 'the year in figures counts a whole year',
        'update search_rows s set supplied =' => 'once, when a library takes from the supplier or ceases to',
    ];

    /** @var list<string>|null the names of indexes of a part of a table */
    private ?array $parts = null;

    /** @return iterable<string, array{string}> */
    public static function roles(): iterable
    {
        foreach (['nobody', 'the patron', 'staff'] as $role) {
            yield $role => [$role];
        }
    }

    #[DataProvider('roles')]
    public function test_no_page_reads_a_large_table_whole(string $role): void
    {
        $this->scene();
        $series = DB::table('series')->insertGetId(['name' => 'The Tides']);
        DB::table('titles')
            ->whereIn('id', [$this->title->id, $this->wanted->id])
            ->update(['series_id' => $series]);
        $asked = [];
        DB::listen(function (QueryExecuted $query) use (&$asked): void {
            if (preg_match('/^\s*(select|with|update|delete)\b/i', $query->sql) === 1) {
                $asked[$query->sql] = $query->bindings;
            }
        });
        $whole = [];
        $seen = [];
        foreach ($this->routes() as $name => $route) {
            $asked = [];
            $this->enter($role);
            DB::beginTransaction();
            $this->ask($name, $route);
            $this->passForLarge();
            foreach (array_diff_key($asked, $seen) as $sql => $bindings) {
                $seen[$sql] = true;
                $tables = Str::startsWith(Str::squish($sql), array_keys(self::WHOLE))
                    ? []
                    : $this->readWhole($sql, $bindings);
                foreach ($tables as $table) {
                    $whole["{$name}: {$table}"][] = Str::squish($sql);
                }
            }
            DB::rollBack();
        }
        $this->assertSame([], $whole);
        $this->assertGreaterThan(100, count($seen));
    }

    /**
     * Until the transaction ends. What counts for PostgreSQL then is how many rows it looks at; nothing is known of
     * what stands in them, whether it has been counted lately or not.
     */
    private function passForLarge(): void
    {
        DB::unprepared(
            'set local enable_seqscan = off; set local enable_hashjoin = off; set local enable_mergejoin = off;
            set local cpu_tuple_cost = 1; set local cpu_index_tuple_cost = 1; delete from pg_statistic',
        );
        DB::update(
            'update pg_class set reltuples = 1000, relpages = 1 where oid = any(:large::regclass[])
                or oid in (select indexrelid from pg_index where indrelid = any(:large::regclass[]))',
            ['large' => '{' . implode(',', self::LARGE) . '}'],
        );
    }

    /**
     * @param  array<mixed>  $bindings
     * @return list<string> tables
     */
    private function readWhole(string $sql, array $bindings): array
    {
        $plan = json_decode(DB::selectOne("explain (format json) {$sql}", $bindings)->{'QUERY PLAN'}, true);

        return array_values(array_unique($this->tables($plan[0]['Plan'], false)));
    }

    /**
     * @param  array<string, mixed>  $node
     * @param  bool  $stops  whether reading ends as soon as there is enough
     * @return list<string>
     */
    private function tables(array $node, bool $stops): array
    {
        // What stands in a part of a table alone, such as open loans, is looked through as a whole.
        $this->parts ??= array_column(
            DB::select('select indexrelid::regclass::text name from pg_index where indpred is not null'),
            'name',
        );
        $stops = match ($node['Node Type']) {
            'Limit' => true,
            'Sort', 'Aggregate', 'Hash', 'WindowAgg' => false,
            default => $stops,
        };
        $isWhole =
            $node['Node Type'] === 'Seq Scan' ||
            (in_array($node['Node Type'], ['Index Scan', 'Index Only Scan', 'Bitmap Index Scan'], true) &&
                !isset($node['Index Cond']) &&
                !in_array($node['Index Name'], $this->parts, true));
        $found =
            $isWhole && !$stops && in_array($node['Relation Name'] ?? '', self::LARGE, true)
                ? [$node['Relation Name']]
                : [];

        return array_merge(
            $found,
            ...array_map(fn(array $child): array => $this->tables($child, $stops), $node['Plans'] ?? []),
        );
    }
}
