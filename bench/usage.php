<?php

declare(strict_types=1);

/* A million uses of one library's catalogue, reported by the COUNTER API: not added up yet, adding up, and after it. */

use App\Exchange\Counter\AddUpUsage;
use App\Exchange\Counter\CounterKeys;
use App\Models\StaffMember;
use Bench\PageTimes;
use Bench\Report;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const REPORTS = ['pr_p1', 'tr', 'tr_b1', 'ir'];

$events = max(1000, (int) (1_000_000 * (float) (getenv('FIGPORCH_BENCH_SCALE') ?: 1)));
$library = (int) DB::table('libraries')->where('slug', 'saltmere')->value('id');
$staff = StaffMember::query()->where('library_id', $library)->firstOrFail();
$now = CarbonImmutable::now();
$month = $now->startOfMonth()->subDay()->startOfMonth();
DB::delete('delete from usage_events');
DB::delete('delete from usage_counts where library_id = ?', [$library]);
// In a month that is over, so that all of it is told; four in ten read, every tenth click is double.
DB::statement(
    "with t as (select array_agg(id) ids, count(*)::int n from titles)
        insert into usage_events (library_id, happened_at, visit, act, title_id)
        select ?, ?::timestamptz + (g - (g % 10 = 9)::int) * interval '26 days' / ?
                + (g % 10 = 9)::int * interval '1 second',
            substr(sha256(((g - (g % 10 = 9)::int) / 8)::text::bytea), 1, 12),
            (array['record', 'record', 'reading', 'excerpt', 'file'])[1 + (g - (g % 10 = 9)::int) % 5],
            t.ids[1 + ((g - (g % 10 = 9)::int)::bigint * 104729 % t.n)::int]
        from generate_series(1, ?) g cross join t",
    [$library, $month->format('Y-m-d 06:00:00P'), $events, $events],
);
DB::statement('vacuum analyze usage_events');
[$key, $secret] = app(CounterKeys::class)->make($staff, 'Bench', $now);

Report::head(
    'Usage',
    sprintf(
        '%s uses of %s titles in one month. One client; the median of 5 requests after 1; ' .
            'the time is that to the first ' .
            'byte. Floor: PostgreSQL counts the rows. Mark: 2 s.',
        number_format($events),
        number_format(DB::table('titles')->count()),
    ),
);
$seconds = function (callable $run, int $times = 5): float {
    $run();
    $all = [];
    for ($i = 0; $i < $times; $i++) {
        $began = hrtime(true);
        $run();
        $all[] = (hrtime(true) - $began) / 1e9;
    }

    return Report::percentile($all, 0.5);
};
$pages = new PageTimes((string) config('app.url'), 5, 1, [2000, PHP_FLOAT_MAX]);
$rows = [];
$reports = function (string $when) use (&$rows, $pages, $key, $secret, $month, $seconds): void {
    $floor = $seconds(fn() => DB::scalar('select count(*) from usage_events e join titles t on t.id = e.title_id'));
    foreach (REPORTS as $report) {
        $asked = http_build_query([
            'customer_id' => 'saltmere',
            'requestor_id' => $key->requestor_id,
            'api_key' => $secret,
            'begin_date' => $month->format('Y-m'),
            'end_date' => $month->format('Y-m'),
        ]);
        $took = $seconds(function () use ($pages, $report, $asked): void {
            $answer = $pages->get("/counter/r51/reports/{$report}?{$asked}");
            $answer['status'] === 200 || throw new RuntimeException("{$report} answered {$answer['status']}");
            $body = json_decode($answer['body'], true);
            ($body['Report_Items'] ?? []) !== [] || throw new RuntimeException("{$report} is empty.");
        });
        $rows[] = [
            strtoupper($report),
            $when,
            sprintf('%.2f', $took),
            sprintf('%.3f', $floor),
            $took <= 2 ? 'within' : 'beyond',
        ];
    }
};
$add = function (CarbonImmutable $until): float {
    $began = hrtime(true);
    app(AddUpUsage::class)($until);

    return (hrtime(true) - $began) / 1e9;
};
$added = $add($month->addHours(6 + (int) round(0.95 * 26 * 24)));
DB::statement('vacuum analyze usage_counts, usage_events');
$reports(number_format(DB::table('usage_events')->count()) . ' in an hour that is not over');
$add($now);
DB::statement('vacuum analyze usage_counts, usage_events');
$reports('added up');
Report::table(['report', 'when', 's', 'floor s', 'mark'], $rows);
printf("Adding up 19 in 20 of them at once: %.1f s.\n", $added);
