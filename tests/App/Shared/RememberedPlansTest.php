<?php

declare(strict_types=1);

namespace Tests\App\Shared;

use App\Shared\RememberedPlans;
use Illuminate\Database\Connection;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

/** Questions whose plans stay with the connection are answered as by the framework's own connection. */
final class RememberedPlansTest extends TestCase
{
    private Connection $plain;

    private RememberedPlans $remembers;

    protected function setUp(): void
    {
        parent::setUp();
        $config = (array) config('database.connections.pgsql');
        // Each test has a connection of its own, without the transaction that the others are in.
        unset($config['options'][\PDO::ATTR_PERSISTENT]);
        config(['database.connections.remembers' => $config]);
        $this->plain = DB::connection('remembers');
        $this->remembers = new RememberedPlans($this->plain->getPdo(), (string) $config['database'], '', $config);
    }

    protected function tearDown(): void
    {
        DB::purge('remembers');
        parent::tearDown();
    }

    /** @return array<string, array{string, list<mixed>}> */
    public static function questions(): array
    {
        return [
            'numbers' => ['select ?::int a, ?::bigint b, ?::float8 c', [7, 9_007_199_254_740_993, -0.25]],
            'yes and no' => ['select ?::boolean a, ?::boolean b, not ? c', [true, false, true]],
            'nothing' => ['select ?::int a, coalesce(?, 5) b', [null, null]],
            'text' => ['select ?::text a, ?::text b', ["it's \\ a \"text\" -- ? $1 /* ?? */ \n", 'Ärmelkanal 海']],
            'as PostgreSQL takes them' => [
                'select ? || \'\' a, ?::date b, ?::bigint[] c',
                ['x', '2026-12-01', '{1,2}'],
            ],
            'a moment' => ['select ?::timestamp a', [new \DateTimeImmutable('2026-12-01 10:00:05')]],
            'question marks that are no places' => [
                "select '?' a, 'it''s ?' b, ? as \"c?\" /* ? \n ? */ -- ?\n, '{\"k\": 1}'::jsonb ?? ? d",
                ['here', 'k'],
            ],
            'none' => ['select 1 a', []],
            'rows' => ['select n from generate_series(1, ?) n where n % ? = 0', [10, 3]],
            'a list' => ['select n from generate_series(1, 9) n where n in (?, ?, ?)', [2, 3, 11]],
        ];
    }

    /** @param  list<mixed>  $values */
    #[DataProvider('questions')]
    public function test_an_answer_is_the_same_the_first_time_and_after(string $query, array $values): void
    {
        $expected = $this->plain->select($query, $values);

        for ($n = 0; $n < 8; $n++) {
            self::assertEquals($expected, $this->remembers->select($query, $values));
            self::assertSame(
                array_map(fn(object $row): array => array_map(gettype(...), (array) $row), $expected),
                array_map(
                    fn(object $row): array => array_map(gettype(...), (array) $row),
                    $this->remembers->select($query, $values),
                ),
            );
        }
    }

    public function test_a_question_is_prepared_once_and_asked_with_other_values(): void
    {
        foreach ([1, 2, 3] as $n) {
            self::assertSame($n, $this->remembers->scalar('select ?::int', [$n]));
        }

        self::assertSame(['select $1::int'], $this->prepared());
    }

    public function test_lists_and_searches_are_planned_each_time(): void
    {
        $this->remembers->select('select 1 where 1 in (?, ?)', [1, 2]);
        $this->remembers->select('select title_id from search_rows where title_id = ?', [1]);

        self::assertSame([], $this->prepared());
    }

    public function test_a_transaction_is_left_alone(): void
    {
        $this->remembers->transaction(function (): void {
            self::assertSame(4, $this->remembers->scalar('select ?::int', [4]));
            self::assertSame(5, $this->remembers->scalar('select ?::int', [5]));
        });

        self::assertSame([], $this->prepared());
    }

    public function test_a_table_with_another_column_since_is_read_as_it_is(): void
    {
        $this->plain->statement('create temporary table lamps as select 1 id');
        self::assertEquals([(object) ['id' => 1]], $this->remembers->select('select * from lamps where id = ?', [1]));

        $this->plain->statement("alter table lamps add column name text default 'North'");

        self::assertEquals(
            [(object) ['id' => 1, 'name' => 'North']],
            $this->remembers->select('select * from lamps where id = ?', [1]),
        );
    }

    public function test_what_is_prepared_stays_within_bounds(): void
    {
        for ($n = 0; $n < 320; $n++) {
            self::assertSame($n, $this->remembers->scalar("select ?::int + {$n}", [0]));
        }

        self::assertLessThanOrEqual(300, count($this->prepared()));
        self::assertSame(0, $this->remembers->scalar('select ?::int + 0', [0]));
    }

    public function test_a_fault_is_told_as_ever(): void
    {
        foreach (['before', 'after'] as $it) {
            try {
                $this->remembers->select('select 1 / ?::int', [0]);
                self::fail("{$it} it was prepared nothing was said");
            } catch (QueryException $fault) {
                self::assertSame('22012', $fault->getCode());
                self::assertSame('select 1 / ?::int', $fault->getSql());
            }
        }
        self::assertSame(1, $this->remembers->scalar('select 1 / ?::int', [1]));
        $this->expectException(QueryException::class);
        $this->remembers->select('select ?::int, ?::int', [1]);
    }

    /** @return list<string> */
    private function prepared(): array
    {
        return array_column(
            $this->plain->select(
                "select regexp_replace(statement, '^prepare \\w+ as ', '') statement from pg_prepared_statements",
            ),
            'statement',
        );
    }
}
