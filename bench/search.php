<?php

declare(strict_types=1);

/* Searching at 10,000, 100,000 and 1,000,000 titles, with 1 and 8 clients, beside the peer over the same titles. */

use App\Catalogue\Filters\SubjectFilter;
use App\Catalogue\Records\SaveRecord;
use App\Catalogue\Search\CatalogueSearch;
use App\Catalogue\Search\NoResultSuggestions;
use App\Catalogue\Search\SearchRequest;
use App\Catalogue\Suggestions\Spelling;
use App\Catalogue\Suggestions\Suggest;
use App\Lending\LoanRules\CardEligibility;
use Bench\PagesAtSize;
use Bench\Peer;
use Bench\Report;
use Bench\SearchQueries;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const RUNS = 5;

/** So many titles lent since the sets were gathered: nearly as many as may be before they are gathered anew. */
const LENT = 1900;

$scales = array_map(
    intval(...),
    preg_split('/\s+/', trim((string) (getenv('BENCH_SEARCH_TITLES') ?: '10000 100000 1000000'))) ?: [],
);
$library = (int) DB::table('libraries')->where('slug', 'saltmere')->value('id');
Report::head(
    'Search',
    'The page is the first 24 titles, the total and all filter counts, made by the application’s own code; ' .
        SearchQueries::EACH .
        ' queries of each class; medians of ' .
        RUNS .
        ' runs after one to warm up, ours and the peer’s by turns. The peer is sphinxsearch ' .
        Peer::version() .
        ' over the same titles with the same facets, in the same run. Marks at 1,000,000: p50 15 ms, p95 100 ms, ' .
        'worst class 200 ms with 1 client; p95 350 ms and 60 a second with 8; p95 0.35 and 0.30 of the peer’s.',
);

/** @return array{list<array{string, float, int}>, float} class, ms and titles of each query; queries a second */
$run = function (array $command, array $queries, int $clients, callable $input): array {
    $begun = microtime(true);
    $processes = [];
    for ($k = 0; $k < $clients; $k++) {
        $share = array_values(array_filter($queries, fn(int $n): bool => $n % $clients === $k, ARRAY_FILTER_USE_KEY));
        $process = new Process($command, base_path(), input: (string) json_encode($input($share)), timeout: 3600);
        $process->start();
        $processes[] = $process;
    }
    $times = [];
    $busy = 0.0;
    foreach ($processes as $process) {
        $process->wait();
        $each =
            json_decode($process->getOutput(), true) ??
            throw new RuntimeException($process->getErrorOutput() . $process->getOutput());
        $busy = max($busy, array_sum(array_column($each, 1)) / 1000);
        array_push($times, ...$each);
    }

    return [$times, count($times) / max(0.001, $busy)];
};
$asked = 0.0;
DB::listen(function (QueryExecuted $query) use (&$asked): void {
    $asked += $query->time;
});
foreach ($scales as $scale) {
    $known = DB::table('titles')->where('record_key', 'like', 'grown:%')->count();
    if ($known < $scale) {
        Artisan::call('demo:grow', ['--titles' => $scale - $known]);
    }
    $begun = hrtime(true);
    Artisan::call('search:index', ['--due' => true]);
    $gathered = (hrtime(true) - $begun) / 1e9;
    $begun = hrtime(true);
    Artisan::call('search:index', ['what' => 'lending']);
    $lending = (hrtime(true) - $begun) / 1e9;
    $peer = new Peer($library);
    $indexed = $peer->start();
    $queries = (new SearchQueries($library, $scale))->mix();
    printf("## %s titles\n\n", number_format($scale));
    $rows = [];
    $ours = $peerTimes = [];
    foreach ([1, 8] as $clients) {
        $runs = [];
        $mine = $peers = [];
        for ($n = 0; $n <= RUNS; $n++) {
            [$times, $perSecond] = $run(
                ['php', 'bench/search-worker.php'],
                $queries,
                $clients,
                fn(array $share): array => ['library' => $library, 'queries' => $share],
            );
            [$theirs, $theirsPerSecond] = $run(
                ['node', 'bench/peer.mjs', (string) $peer->port],
                $queries,
                $clients,
                fn(array $share): array => $share,
            );
            if ($n > 0) {
                array_push($mine, ...$times);
                array_push($peers, ...$theirs);
                [$a, $b] = [array_column($times, 1), array_column($theirs, 1)];
                $runs[] = [
                    Report::percentile($a, 0.5),
                    Report::percentile($a, 0.95),
                    $perSecond,
                    Report::percentile($b, 0.5),
                    Report::percentile($b, 0.95),
                    $theirsPerSecond,
                    Report::percentile($a, 0.95) / Report::percentile($b, 0.95),
                ];
            }
        }
        [$ours[$clients], $peerTimes[$clients]] = [$mine, $peers];
        $medians = array_map(
            fn(int $column): float => Report::percentile(array_column($runs, $column), 0.5),
            range(0, 6),
        );
        $rows[] = [
            (string) $clients,
            ...array_map(fn(float $value): string => sprintf('%.1f', $value), array_slice($medians, 0, 6)),
            sprintf('%.2f', $medians[6]),
        ];
    }
    $peer->stop();
    // As on a busy day, just before what was lent since is gathered anew.
    $before = (int) DB::table('search_index_changes')->max('id');
    DB::insert(
        "insert into search_index_changes (title_id, of) select title_id, 'lending' from (select title_id
            from search_rows order by md5(title_id::text) limit " .
            LENT .
            ') x',
    );
    $busy = [];
    for ($n = 0; $n <= RUNS; $n++) {
        $times = array_column(
            $run(
                ['php', 'bench/search-worker.php'],
                $queries,
                1,
                fn(array $share): array => ['library' => $library, 'queries' => $share],
            )[0],
            1,
        );
        $n > 0 && array_push($busy, ...$times);
    }
    DB::table('search_index_changes')->where('id', '>', $before)->delete();
    DB::statement('vacuum search_index_changes');
    Report::table(
        ['clients', 'p50 ms', 'p95 ms', 'a second', 'peer p50', 'peer p95', 'peer a second', 'p95 ÷ peer’s'],
        $rows,
    );
    printf(
        "With %s titles lent since the sets were gathered, 1 client: p50 %.1f ms, p95 %.1f ms.\n\n",
        number_format(LENT),
        Report::percentile($busy, 0.5),
        Report::percentile($busy, 0.95),
    );
    $byClass = [];
    foreach (array_unique(array_column($queries, 'class')) as $class) {
        $of = fn(array $times): array => array_column(array_filter($times, fn(array $t): bool => $t[0] === $class), 1);
        $found = array_column(array_filter($ours[1], fn(array $t): bool => $t[0] === $class), 2);
        $byClass[] = [
            $class,
            number_format(Report::percentile(array_map(floatval(...), $found), 0.5)),
            sprintf('%.1f', Report::percentile($of($ours[1]), 0.5)),
            sprintf('%.1f', Report::percentile($of($ours[1]), 0.95)),
            sprintf('%.1f', Report::percentile($of($peerTimes[1]), 0.5)),
            sprintf('%.1f', Report::percentile($of($peerTimes[1]), 0.95)),
        ];
    }
    sort($byClass);
    Report::table(['class, 1 client', 'titles', 'p50 ms', 'p95 ms', 'peer p50', 'peer p95'], $byClass);
    (new PagesAtSize((string) config('app.url'), 'saltmere'))->table($queries);

    [$suggest, $other, $catalogue, $now] = [
        $app->make(Suggest::class),
        $app->make(NoResultSuggestions::class),
        $app->make(CatalogueSearch::class),
        CarbonImmutable::now(),
    ];
    $words = array_column(
        DB::select('select word from search_words where length(word) > 5 order by md5(word) limit 60'),
        'word',
    );
    // By rounds, so that the first has the connection plan what it asks.
    $timed = function (callable $each) use ($words, &$asked): array {
        for ($round = 0; $round < 3; $round++) {
            $times = $ofDatabase = [];
            foreach ($words as $word) {
                [$begun, $asked] = [hrtime(true), 0.0];
                $each($word);
                $times[] = (hrtime(true) - $begun) / 1e6;
                $ofDatabase[] = $asked;
            }
        }

        return [
            Report::percentile($times, 0.5),
            Report::percentile($times, 0.95),
            Report::percentile($ofDatabase, 0.5),
            Report::percentile($ofDatabase, 0.95),
        ];
    };
    $slipped = fn(string $word): string => substr($word, 0, 3) . 'z' . substr($word, 4);
    Report::table(
        ['while one types', 'p50 ms', 'p95 ms', 'in SQL p50', 'in SQL p95', 'mark'],
        array_map(
            fn(array $row): array => [
                $row[0],
                ...array_map(fn(float $value): string => sprintf('%.2f', $value), $timed($row[1])),
                $row[2],
            ],
            [
                [
                    'suggestions for four letters',
                    fn(string $word) => $suggest->of($library, substr($word, 0, 4), CarbonImmutable::now()),
                    '1',
                ],
                ['spelling of a word with one letter wrong', fn(string $word) => Spelling::of($slipped($word)), '0.5'],
                [
                    'the same, and what it would find',
                    fn(string $word) => $other->spelling(
                        SearchRequest::read($library, ['q' => $slipped($word)], new CardEligibility()),
                        CarbonImmutable::now(),
                    ),
                    '',
                ],
            ],
        ),
    );
    $begun = hrtime(true);
    $title = $app->make(SaveRecord::class)(
        new Record(
            key: "bench:{$scale}",
            format: Format::Ebook,
            name: "Zyxwvutsr {$scale}",
            contributors: [],
            extent: 1,
        ),
        $now,
    );
    DB::insert(
        "insert into licences (library_id, title_id, model, copies, copies_free, starts_at, file_came_at)
            values (?, ?, 'one_copy_one_user', 1, 1, now() - interval '1 day', now())",
        [$library, $title->id],
    );
    $found = $catalogue->total(
        SearchRequest::read($library, ['q' => "zyxwvutsr {$scale}"], new CardEligibility()),
        CarbonImmutable::now(),
    );
    printf(
        'One record added: found %d after %.0f ms. The peer’s index was built in %.0f s, %s; those of lending ' .
            "alone in %.1f s.\n\n",
        $found,
        (hrtime(true) - $begun) / 1e6,
        $indexed,
        $gathered < 1 ? 'our sets were there already' : sprintf('our sets and names gathered in %.0f s', $gathered),
        $lending,
    );

    // Counted by looking at each title, as if no sets had been gathered.
    $wrong = 0;
    foreach (array_slice($queries, 0, 12) as $query) {
        $facets = $catalogue->facets(SearchRequest::read($library, $query['asked'], new CardEligibility()), $now);
        DB::beginTransaction();
        DB::table('search_gatherings')->delete();
        $search = SearchRequest::read($library, $query['asked'], new CardEligibility());
        foreach ($facets->of('format') as $format => $count) {
            $wrong +=
                $count ===
                $catalogue->total(
                    SearchRequest::read($library, $search->with(['format' => $format]), new CardEligibility()),
                    $now,
                )
                    ? 0
                    : 1;
        }
        foreach (array_slice($facets->of('subjects'), 0, 3, true) as $subject => $count) {
            $wrong +=
                $count ===
                $catalogue->total(
                    SearchRequest::read(
                        $library,
                        $search->with(['subjects' => $search->filters->get(SubjectFilter::class)->with($subject)]),
                        new CardEligibility(),
                    ),
                    $now,
                )
                    ? 0
                    : 1;
        }
        foreach (array_slice($facets->of('series'), 0, 3, true) as $series => $count) {
            $wrong +=
                $count ===
                $catalogue->total(
                    SearchRequest::read($library, $search->with(['series' => (string) $series]), new CardEligibility()),
                    $now,
                )
                    ? 0
                    : 1;
        }
        $wrong +=
            $facets->count('ready', 1) ===
            $catalogue->total(
                SearchRequest::read($library, $search->with(['ready' => '1']), new CardEligibility()),
                $now,
            )
                ? 0
                : 1;
        DB::rollBack();
    }
    printf("Counts that differ from a recount: %d.\n\n", $wrong);
}
