<?php

declare(strict_types=1);

/*
 * How often the likely range holds, by behaviour and length of line, and how long a forecast takes. Everything is
 * played out by tests/Reference/OutsideLibrary, whose people behave as the forecast does not know.
 */

use Bench\Report;
use FigPorch\Core\Lending\Forecast\Forecast;
use FigPorch\Core\Lending\Forecast\Line;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Tests\Reference\Behaviours;
use Tests\Reference\OutsideForecasts;
use Tests\Reference\OutsideHabits;
use Tests\Reference\OutsideLibrary;

require __DIR__ . '/../vendor/autoload.php';
ini_set('memory_limit', '4G');

$perCell = (int) (getenv('FIGPORCH_BENCH_CASES') ?: 500);
$cells = ['0-3', '4-10', '11-40', 'over 40'];
Report::head(
    'Forecasts',
    'Of 100 outcomes, those within the likely range; in brackets those before its middle; days from its first to ' .
        "its last; and of how many, {$perCell} at the least. By holds ahead. Mark: 76 to 84, and 40 to 60.",
);
echo '| behaviour | ' . implode(' | ', $cells) . " |\n|---|" . str_repeat('---|', count($cells)) . "\n";
$asked = [];
$promised = array_fill_keys($cells, []);
$broken = 0;
$library = Behaviours::all()['titles differ'][0](1);
foreach (Behaviours::all() as $name => [$make, $titles, $rush]) {
    $answers = array_fill_keys($cells, []);
    for ($seed = 1; $seed <= 12 && ($seed <= 3 || min(array_map(count(...), $answers)) < $perCell); $seed++) {
        $library = $make($seed);
        $library->play($titles, $rush);
        foreach ((new OutsideForecasts($library))->ask() as $answer) {
            $answers[OutsideForecasts::cell($answer['ahead'])][] = $answer;
        }
    }
    echo "| {$name} |";
    foreach ($answers as $cell => $of) {
        $broken += count(array_filter($of, fn(array $answer): bool => !$answer['kept']));
        array_push($promised[$cell], ...array_map(fn(array $a): float => $a['promised'] / max(1, $a['days']), $of));
        $share = fn(string $what): float => (100 * count(array_filter(array_column($of, $what)))) / max(1, count($of));
        $width = array_sum(array_column($of, 'width')) / max(1, count($of));
        printf(' %.0f (%.0f), %.0f d, %d |', $share('inside'), $share('before'), $width, count($of));
    }
    echo "\n";
    $asked = [
        ...$asked,
        ...array_merge(...array_values(array_map(fn(array $of): array => array_slice($of, 0, 30), $answers))),
    ];
}

echo "\nAt the latest: {$broken} of " .
    array_sum(array_map(count(...), $promised)) .
    ' came later; it is, in the middle, as many times the wait: ';
foreach ($promised as $cell => $of) {
    sort($of);
    printf('%s %.1f%s', $cell, $of[intdiv(count($of), 2)], $cell === 'over 40' ? ".\n" : '; ');
}

echo "\nMore copies bought so that 8 in 10 of those who join get theirs within 21 days: " .
    'of 100 lines played out with them, ' .
    "those in time; in brackets with one copy fewer. Mark: 75 to 90, and less.\n\n| behaviour | " .
    implode(' | ', $cells) .
    " |\n|---|" .
    str_repeat('---|', count($cells)) .
    "\n";
$lines = (int) ceil($perCell / 2);
foreach (Behaviours::all() as $name => [$make, $titles, $rush]) {
    $bought = array_fill_keys($cells, []);
    for ($seed = 21; $seed <= 26 && min(array_map(count(...), $bought)) < $lines; $seed++) {
        $library = $make($seed);
        $library->play($titles, $rush, worlds: true);
        foreach ((new OutsideForecasts($library))->buy(21, (int) ceil($lines / 3)) as $of) {
            $bought[OutsideForecasts::cell($of['ahead'])][] = $of;
        }
    }
    echo "| {$name} |";
    foreach ($bought as $of) {
        $share = fn(string $what): float => (100 * count(array_filter(array_column($of, $what)))) / max(1, count($of));
        printf(' %.0f (%.0f) of %d |', $share('enough'), $share('fewer'), count($of));
    }
    echo "\n";
}

echo "\n| line | draws for a list, ms | draws for a page, ms |\n|---|---|---|\n";
$forecast = new Forecast((new OutsideHabits($library))->on(OutsideLibrary::MEASURED), 72);
$zone = new DateTimeZone('UTC');
foreach ($cells as $cell) {
    $lines = array_filter($asked, fn(array $of): bool => OutsideForecasts::cell($of['ahead']) === $cell);
    echo "| {$cell} ahead |";
    foreach ([Forecast::BRIEF, Forecast::EFFORT] as $effort) {
        $times = [];
        foreach ($lines as $of) {
            $began = hrtime(true);
            $forecast->of(
                line: $of['line'],
                latest: null,
                now: $of['at'],
                zone: $zone,
                random: new Randomizer(new Xoshiro256StarStar(1)),
                effort: $effort,
            );
            $times[] = (hrtime(true) - $began) / 1e6;
        }
        sort($times);
        printf(
            ' %.1f (95 in 100 under %.1f) |',
            $times[intdiv(count($times), 2)],
            $times[(int) (0.95 * count($times))],
        );
    }
    echo "\n";
}
