<?php

declare(strict_types=1);

/* Server time and weight of each page at the demo's size, one client, warm, through nginx. */

use Bench\PageRates;
use Bench\PageTimes;
use Bench\Report;
use FigPorch\Demo\Members;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const TIMES = 60;
const WARM_UP = 30;

$pages = new PageTimes((string) config('app.url'), TIMES, WARM_UP, [40, 80]);
$card = Members::CARDS[0];

// What autovacuum does within minutes of the demo's loading.
DB::statement('vacuum analyze');

Report::head(
    'Pages',
    sprintf(
        '%d titles, %s loans in the database. One client, %d requests a page after %d to ' .
            'warm up the six ' .
            'processes; the time is that to the first byte, as the client sees it. Marks: 40 ms median, 80 ms ' .
            'p95. Stolen: the share of the processor that the host took during the run; the calmest of up to ' .
            'five runs. Yardstick: the median of a fixed piece of PHP work done after each request, since the ' .
            'machine gives now more, now less.',
        DB::table('titles')->count(),
        number_format(DB::table('loans')->count()),
        TIMES,
        WARM_UP,
    ),
);
$pages->get('/?library=' . $card['library']);
$rows = $pages->measure([
    'front door' => ['/', []],
    'sign in' => ['/sign-in', []],
    'catalogue' => ['/catalogue', []],
    'search' => ['/catalogue?q=lantern', []],
    'search, ready now' => ['/catalogue?q=sea&ready=1', []],
    'title' => ['/titles/1', []],
    'excerpt' => ['/titles/1/excerpt', []],
]);
$rates = new PageRates((string) config('app.url'), $pages->jar);
$searched = '/catalogue?q=lantern&order=relevance&library=' . $card['library'];
$title = '/titles/1?library=' . $card['library'];
$bare = $rates->of('/up');
$asked = ['a searched catalogue page' => [$rates->of($searched), 0.27], 'a title’s page' => [$rates->of($title), 0.4]];
$pages->send('/sign-in', ['number' => $card['number'], 'pin' => $card['pin']]);
$loan = DB::table('loans')
    ->join('cards', 'cards.id', '=', 'card_id')
    ->where('number', $card['number'])
    ->where('title_id', 1)
    ->whereNull('ended_at')
    ->value('loans.id');
$rows = [
    ...$rows,
    ...$pages->measure([
        'Porch' => ['/porch', []],
        'loans' => ['/loans', []],
        'holds' => ['/holds', []],
        'notices' => ['/notices', []],
        'catalogue, signed in' => ['/catalogue', []],
        'title, signed in' => ['/titles/3', []],
        'borrow panel (htmx)' => ['/titles/20/borrow', ['HX-Request: true']],
        'reader' => ["/loans/{$loan}/read", []],
        'a file of a book' => ["/loans/{$loan}/files/book/chapter-01.xhtml", []],
    ]),
];
PageTimes::table($rows);

foreach (['a searched catalogue page' => $searched, 'a title’s page' => $title] as $name => $path) {
    $asked["{$name}, signed in"] = [$rates->of($path), 0.8 * $asked[$name][1]];
}
$again = $rates->of('/up');
$floor = ($bare[0] + $again[0]) / 2;
printf(
    "\nEight clients at once, on %d processors. The framework's own page without anything on it: " .
        "%.0f, later %.0f a second, median %.1f ms.\n\n",
    (int) trim((string) shell_exec('nproc')),
    $bare[0],
    $again[0],
    ($bare[1] + $again[1]) / 2,
);
Report::table(
    ['page', 'a second', 'of the bare page', 'mark', 'median ms', ''],
    array_map(
        fn(string $name, array $of): array => [
            $name,
            sprintf('%.0f', $of[0][0]),
            sprintf('%.2f', $of[0][0] / $floor),
            sprintf('≥ %.2f', $of[1]),
            sprintf('%.0f', $of[0][1]),
            $of[0][0] / $floor >= $of[1] ? 'within' : 'beyond',
        ],
        array_keys($asked),
        array_values($asked),
    ),
);
echo "\n";

$assets = 0;
foreach (glob(public_path('build/assets/*')) ?: [] as $file) {
    if (
        preg_match('/app-.*\.(css|js)$|fraunces|atkinson-hyperlegible-next-latin-wght-normal/', basename($file)) === 1
    ) {
        $assets += str_ends_with($file, 'woff2')
            ? filesize($file)
            : strlen((string) gzencode((string) file_get_contents($file), 6));
    }
}
$front = $pages->get('/catalogue')['bytes'];
printf(
    'First visit without covers: %.0f kB gzipped, styles, scripts and ' .
        "fonts included (mark 120); after that %.1f kB (mark 15).\n",
    ($assets + $front) / 1024,
    $front / 1024,
);
