<?php

declare(strict_types=1);

namespace Bench;

use App\Lending\Audit\LendingAudit;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use Symfony\Component\Process\Process;

/** A library of the size that the marks name, and what is measured on it. */
final class LendingStage
{
    public readonly int $titles;

    public readonly int $cards;

    public readonly int $pastLoans;

    public readonly int $spread;

    private int $deadlocksBefore = 0;

    public function __construct(private readonly float $scale)
    {
        $this->titles = $this->sized(1_000_000);
        $this->cards = $this->sized(200_000);
        $this->pastLoans = $this->sized(2_000_000);
        $this->spread = $this->sized(100_000);
    }

    public function build(): void
    {
        // Another benchmark of the same run has built it.
        if (DB::table('works')->where('match_key', 'bench')->exists()) {
            $this->deadlocksBefore = $this->deadlocksInAll();
            $this->clear();

            return;
        }
        $library = DB::table('libraries')->where('slug', 'saltmere')->value('id');
        $work = DB::table('works')->insertGetId(['name' => 'Bench', 'match_key' => 'bench']);
        $patrons = $this->cards;
        DB::unprepared(
            <<<SQL
            set session_replication_role = replica;
            create table bench_titles as select 10000000 + g as id from generate_series(1, {$this->titles}) g;
            insert into titles (id, work_id, record_key, format, name, extent, added_at)
                select id, {$work}, 'bench:' || id, 'ebook', 'Bench ' || id, 100, now() from bench_titles;
            insert into licences (id, library_id, title_id, model, copies, copies_free, starts_at,
                file_came_at)
                select id, {$library}, id, 'one_copy_one_user', n, n, now() - interval '3 years', now()
                    from (select id, case when id = 10000001 then 1000000 else 1000 end n from bench_titles) x;
            insert into people (id, name, email) select 10000000 + g, 'Bench ' || g,
                'bench' || g || '@lantern.example' from generate_series(1, {$patrons}) g;
            insert into cards (id, library_id, person_id, number, patron_group)
                select 10000000 + g, {$library}, 10000000 + g, 'B' || g, 'adult' from generate_series(1, {$patrons}) g;
            insert into loans (card_id, title_id, licence_id, length, started_at, due_at, ended_at, end_reason)
                select null, t, t, '14d', began, began + interval '14 days', began + interval '9 days', 'returned'
                from (select 10000001 + (g::bigint * 104729) % {$this->titles} t,
                    now() - interval '30 days' - (g % 900) * interval '1 day' began
                    from generate_series(1, {$this->pastLoans}) g) x;
            set session_replication_role = origin;
            create table bench_floor (id bigint primary key, n bigint not null) with (fillfactor = 50);
            insert into bench_floor select id, 0 from bench_titles order by id limit {$this->spread};
            create table bench_floor_rows (id bigint generated always as identity primary key, floor_id bigint,
                at timestamptz);
            SQL
            ,
        );
        DB::statement('vacuum analyze');
        DB::statement('checkpoint');
        $this->deadlocksBefore = $this->deadlocksInAll();
    }

    public function synchronousCommit(): string
    {
        return DB::scalar('show synchronous_commit');
    }

    /** Transactions a second of "floor" or of the function that writes a loan ("write"). */
    public function pgbench(string $what, string $where, int $clients, int $seconds): float
    {
        $title = $where === 'hot' ? '10000001' : ':t';
        $each = intdiv($this->cards, $clients);
        $script =
            "\\set n :n + 1\n\\set t random(10000001, " .
            (10000000 + $this->spread) .
            ")\n\\set c 10000001 + :client_id * {$each} + :n % {$each}\n" .
            match ($what) {
                'floor' => "with u as (update bench_floor set n = n + 1
                        where id = {$title} returning id) insert into bench_floor_rows (floor_id, at) select id, now()
                        from u;\n",
                default => "select lending_borrow(:c, {$title}, {$title}, now(), now() + interval '14 days', '14d', " .
                    "1000000, null, null);\n",
            };
        $file = tempnam(sys_get_temp_dir(), 'bench') ?: throw new RuntimeException('No room for a script.');
        file_put_contents($file, $script);
        $process = new Process(
            [
                '/usr/lib/postgresql/15/bin/pgbench',
                '-n',
                '-M',
                'prepared',
                '-D',
                'n=0',
                '-c',
                (string) $clients,
                '-j',
                '2',
                '-T',
                (string) $seconds,
                '-f',
                $file,
                (string) config('database.connections.pgsql.database'),
            ],
            env: [
                'PGHOST' => '127.0.0.1',
                'PGPORT' => (string) config('database.connections.pgsql.port'),
                'PGUSER' => (string) config('database.connections.pgsql.username'),
                'PGPASSWORD' => (string) config('database.connections.pgsql.password'),
            ],
            timeout: 300,
        );
        $process->mustRun();
        unlink($file);
        if (
            preg_match('/^tps = ([\d.]+)/m', $process->getOutput(), $m) !== 1 ||
            str_contains($process->getErrorOutput(), 'aborted')
        ) {
            throw new RuntimeException($process->getErrorOutput() . $process->getOutput());
        }

        return (float) $m[1];
    }

    /** @return array{float, list<float>} a second, and milliseconds of each */
    public function workers(string $what, string $where, int $clients, int $seconds, ?callable $meanwhile = null): array
    {
        $start = microtime(true) + 1 + 0.3 * $clients;
        $processes = [];
        for ($w = 0; $w < $clients; $w++) {
            $processes[] = $process = new Process(
                [
                    'php',
                    '-d',
                    'opcache.enable_cli=1',
                    __DIR__ . '/worker.php',
                    $what,
                    $where,
                    (string) $seconds,
                    (string) $w,
                    (string) $clients,
                    (string) $start,
                    (string) $this->spread,
                    (string) $this->cards,
                ],
                timeout: 600,
            );
            $process->start();
        }
        if ($meanwhile !== null) {
            usleep((int) max(0, ($start - microtime(true)) * 1e6));
            $meanwhile();
        }
        $count = 0;
        $times = [];
        foreach ($processes as $process) {
            if ($meanwhile !== null && $process->isRunning()) {
                $process->signal(SIGTERM);
            }
            $process->wait();
            $result = json_decode($process->getOutput(), true);
            if (!is_array($result)) {
                throw new RuntimeException($process->getErrorOutput() . $process->getOutput());
            }
            $count += $result['count'];
            array_push($times, ...array_map(floatval(...), array_values($result['times'])));
        }

        return [(float) ($count / $seconds), $times];
    }

    /**
     * Each copy of a title on loan and two others in line, for a return to pass it on: for so many titles as can be
     * returned in a run.
     */
    public function lendWithLines(): void
    {
        $lent = $this->sized(40_000);
        DB::unprepared(
            <<<SQL
            set session_replication_role = replica;
            update licences set copies = 1, copies_free = 0 where id between 10000002 and 10000001 + {$lent};
            insert into loans (card_id, title_id, licence_id, length, started_at, due_at)
                select 10000001 + g % {$this->cards}, 10000001 + g, 10000001 + g, '14d', now() - interval '3 days',
                    now() + interval '11 days' from generate_series(1, {$lent}) g;
            insert into holds (card_id, library_id, title_id, state, placed_at, line_at)
                select 10000001 + (g * k * 31 + 5) % {$this->cards}, (select library_id from cards
                    where id = 10000001), 10000001 + g, 'waiting', now() - k * interval '1 day',
                    now() - k * interval '1 day'
                from generate_series(1, {$lent}) g, generate_series(1, 2) k;
            set session_replication_role = origin;
            SQL
            ,
        );
        $this->countOnCards();
        DB::statement('vacuum analyze loans, licences, cards, holds');
    }

    /** @return array{int, int} loans that fall due in the same minute, and how many of them others wait for */
    public function fallDue(): array
    {
        $due = $this->sized(50_000);
        $awaited = intdiv($due, 10);
        // Other titles than those that are borrowed meanwhile.
        $first = 10000001 + $this->spread;
        DB::unprepared(
            <<<SQL
            set session_replication_role = replica;
            insert into loans (card_id, title_id, licence_id, length, started_at, due_at)
                select 10000001 + g % {$this->cards}, {$first} + g, {$first} + g, '14d', now() - interval '14 days',
                    now() - interval '1 second' * (g % 60) / 60 from generate_series(1, {$due}) g;
            update licences
                set copies = case
                when id <= {$first} + {$awaited} then 1 else 1000 end, copies_free =
                case when id <= {$first} + {$awaited} then 0 else 999 end
                where id between {$first} + 1 and {$first} + {$due};
            insert into holds (card_id, library_id, title_id, state, placed_at, line_at)
                select 10000001 + (g * 31 + 5) % {$this->cards}, (select library_id from cards
                    where id = 10000001), {$first} + g, 'waiting', now() - interval '1 day', now() - interval '1 day'
                    from generate_series(1, {$awaited}) g;
            set session_replication_role = origin;
            SQL
            ,
        );
        $this->countOnCards();
        DB::statement('vacuum analyze loans, licences, cards, holds');

        return [$due, $awaited];
    }

    /**
     * @return array{float, list<float>} seconds that the scheduler's command took, and milliseconds of each borrow in
     *     that time
     */
    public function expireWhileOthersBorrow(int $borrowers): array
    {
        $seconds = 0.0;
        [, $times] = $this->workers('borrow', 'spread', $borrowers, 300, function () use (&$seconds): void {
            $began = microtime(true);
            (new Process(['php', 'artisan', 'lending:tick'], base_path(), timeout: 600))->mustRun();
            $seconds = microtime(true) - $began;
        });

        return [$seconds, $times];
    }

    public function overdue(): int
    {
        return DB::scalar('select count(*) from loans where ended_at is null and due_at <= now()');
    }

    public function wrongCounts(): int
    {
        return count(app(LendingAudit::class)->wrong(new DateTimeImmutable('+1 minute')));
    }

    public function deadlocks(): int
    {
        return $this->deadlocksInAll() - $this->deadlocksBefore;
    }

    /** No bench loan or hold open, every copy free, nothing queued. */
    public function clear(): void
    {
        DB::unprepared(
            <<<'SQL'
            set session_replication_role = replica;
            delete from loans where title_id > 10000000 and started_at > now() - interval '20 days';
            delete from holds where title_id > 10000000;
            update licences set copies = 1000, copies_free = 1000
                where id > 10000001 and (copies <> 1000 or copies_free <> 1000);
            update licences set copies_free = copies where id = 10000001;
            update cards set loans_open = 0, holds_open = 0
                where id > 10000000 and (loans_open <> 0 or holds_open <> 0);
            delete from notices where person_id > 10000000;
            truncate jobs, bench_floor_rows;
            set session_replication_role = origin;
            SQL
            ,
        );
        DB::statement('vacuum analyze loans, licences, cards, holds, notices, bench_floor');
    }

    private function countOnCards(): void
    {
        DB::statement('update cards set loans_open = coalesce(l.n, 0), holds_open = coalesce(h.n, 0) from cards c
            left join (select card_id, count(*) n from loans where ended_at is null group by 1) l on l.card_id = c.id
            left join (select card_id, count(*) n from holds where closed_at is null group by 1) h on h.card_id = c.id
            where cards.id = c.id and c.id > 10000000');
    }

    private function deadlocksInAll(): int
    {
        return DB::scalar('select deadlocks from pg_stat_database where datname = current_database()');
    }

    private function sized(int $full): int
    {
        return max(100, (int) ($full * $this->scale));
    }
}
