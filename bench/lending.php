<?php

declare(strict_types=1);

/* Borrow and return in pairs through the Actions, as a ratio to the floor: one statement, one update, one insert. */

use Bench\Report;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const TITLES = 100_000;
const RUNS = 5;
const SECONDS = 3;
const WORKERS = [1, 8];

$library = DB::table('libraries')->where('slug', 'saltmere')->value('id');
$work = DB::table('works')->insertGetId(['name' => 'Bench', 'match_key' => 'bench']);
DB::unprepared('create table bench_titles (id bigint); create table bench_cards (id bigint, worker int);
    create table bench_floor (id bigint primary key, n bigint not null) with (fillfactor = 50); create table bench_floor_rows (id bigint generated always as identity primary key, floor_id bigint, at timestamptz)');
DB::statement('with t as (insert into titles (work_id, record_key, format, name, extent, added_at) select ?, \'bench:\'||g, ?, \'Bench \'||g, 100, now() from generate_series(1, ?) g returning id)
    insert into bench_titles select id from t', [$work, Format::Ebook->value, TITLES]);
DB::statement("insert into licences (library_id, title_id, model, copies, copies_free, starts_at) select ?, id, 'one_copy_one_user', 1000, 1000, now() - interval '1 day' from bench_titles", [$library]);
DB::statement("with p as (insert into people (name) select 'Bench '||g from generate_series(1, 800) g returning id), c as (insert into cards (library_id, person_id, number, patron_group) select ?, id, 'B'||id, 'adult' from p returning id)
    insert into bench_cards select id, row_number() over () % 8 from c", [$library]);
DB::statement('insert into bench_floor select id, 0 from bench_titles');
DB::statement('vacuum analyze');

/** @return array{rate: float, times: list<float>} */
$run = function (string $what, string $where, int $workers): array {
    $start = microtime(true) + 0.7;
    $processes = [];
    for ($w = 0; $w < $workers; $w++) {
        $processes[] = $process = new Process(['php', __DIR__.'/worker.php', $what, $where, (string) SECONDS, (string) $w, (string) $start], timeout: 120);
        $process->start();
    }
    $count = 0;
    $times = [];
    foreach ($processes as $process) {
        $process->wait();
        if (! $process->isSuccessful()) {
            throw new RuntimeException($process->getErrorOutput());
        }
        $result = json_decode($process->getOutput(), true);
        $count += $result['count'];
        $times = [...$times, ...$result['times']];
    }

    return ['rate' => $count / SECONDS, 'times' => $times];
};

Report::head('Lending', sprintf('%s titles, one licence each, 800 cards; synchronous_commit %s. Medians of %d runs of %d s after one run to warm up; floor and pairs by turns, both from PHP with the same number of workers.', number_format(TITLES), DB::scalar('show synchronous_commit'), RUNS, SECONDS));
$rows = [];
foreach (['spread', 'hot'] as $where) {
    foreach (WORKERS as $workers) {
        $run('pair', $where, $workers);
        $floor = $pairs = $p95 = [];
        for ($i = 0; $i < RUNS; $i++) {
            $floor[] = $run('floor', $where, $workers)['rate'];
            $result = $run('pair', $where, $workers);
            $pairs[] = $result['rate'];
            $p95[] = Report::percentile($result['times'], 0.95);
        }
        $f = Report::percentile($floor, 0.5);
        $p = Report::percentile($pairs, 0.5);
        $rows[] = [$where, (string) $workers, number_format($f), number_format($p), sprintf('%.2f', $p / $f), sprintf('%.1f ms', Report::percentile($p95, 0.5))];
    }
}
Report::table(['titles', 'workers', 'floor /s', 'borrow→return pairs /s', 'ratio', 'p95 of one borrow'], $rows);
$wrong = DB::scalar('select (select count(*) from licences li where copies is not null and copies_free <> copies - (select count(*) from loans where licence_id = li.id and ended_at is null) - (select count(*) from holds where licence_id = li.id and state = \'ready\'))
    + (select count(*) from cards c where loans_open <> (select count(*) from loans where card_id = c.id and ended_at is null))');
echo "Counts that differ from a recount afterwards: {$wrong}\n";
DB::unprepared('drop table bench_titles, bench_cards, bench_floor, bench_floor_rows');
