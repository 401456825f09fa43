<?php

declare(strict_types=1);

// How often the likely range holds, by behaviour and length of line, and how long a forecast takes. Everything is
// played out by tests/Reference/OutsideLibrary, whose people behave as the forecast does not know.

use FigPorch\Core\Lending\Forecast\Forecast;
use Tests\Reference\Behaviours;
use Tests\Reference\OutsideLibrary;

require __DIR__ . '/../vendor/autoload.php';

$perCell = (int) ($argv[1] ?? 500);
printf(
    "%-44s %-26s %-26s %-26s %-26s\n",
    'of 100 the range held (of so many; early)',
    ...['0-3', '4-10', '11-40', 'over 40'],
);
foreach (Behaviours::all() as $name => [$make, $titles, $rush]) {
    $cells = [];
    for ($seed = 1; $seed <= 12; $seed++) {
        $library = $make($seed);
        $library->play($titles, $rush);
        foreach ($library->ask((int) ceil($perCell / 4)) as $answer) {
            $cells[OutsideLibrary::cell($answer['ahead'])][] = $answer;
        }
        if (count($cells) === 4 && min(array_map(count(...), $cells)) >= $perCell) {
            break;
        }
    }
    printf('%-44s', $name);
    foreach (['0-3', '4-10', '11-40', 'over 40'] as $cell) {
        $of = array_slice($cells[$cell] ?? [], 0, $perCell);
        $n = max(1, count($of));
        printf(
            ' %-26s',
            sprintf(
                '%3.0f (%d; %2.0f early; %.0f d wide)',
                (100 * count(array_filter($of, fn(array $a): bool => $a['inside']))) / $n,
                count($of),
                (100 * count(array_filter($of, fn(array $a): bool => $a['before']))) / $n,
                array_sum(array_column($of, 'width')) / $n,
            ),
        );
    }
    echo "\n";
}
