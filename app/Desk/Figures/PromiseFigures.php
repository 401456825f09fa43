<?php

declare(strict_types=1);

namespace App\Desk\Figures;

use App\Lending\Waits\ForecastScores;
use App\Models\Library;
use App\Shared\View\Numbers;
use DateTimeImmutable;
use FigPorch\Core\Desk\SmallCells;
use FigPorch\Core\Lending\Forecast\Correction;

/** How the dates that were promised to a library's patrons held. */
final class PromiseFigures
{
    public function __construct(private readonly ForecastScores $scores) {}

    /** Of a hundred likely ranges, how many held, by length of line and by format. */
    public function held(Library $library, int $year): Series
    {
        $moments = fn(int $of): array => self::year($library, $of);
        [$now, $before] = [
            $this->scores->byLine($library->id, ...$moments($year)),
            $this->scores->byLine($library->id, ...$moments($year - 1)),
        ];
        [$formats, $formatsBefore] = [
            $this->scores->byFormat($library->id, ...$moments($year)),
            $this->scores->byFormat($library->id, ...$moments($year - 1)),
        ];
        $share = fn(array $of): ?int => self::percent($of['held'], $of['cases']);
        $none = ['cases' => 0, 'held' => 0];

        return self::series('promises', [
            ...array_map(
                fn(string $cell): SeriesRow => new SeriesRow(
                    __("figures.ahead.{$cell}", ['cases' => Numbers::of($now[$cell]['cases'])]),
                    $share($now[$cell]),
                    $share($before[$cell]),
                ),
                Correction::cells(),
            ),
            ...array_map(
                fn(string $format): SeriesRow => new SeriesRow(
                    __("catalogue.formats.{$format}"),
                    $share($formats[$format] ?? $none),
                    $share($formatsBefore[$format] ?? $none),
                ),
                array_keys($formats + $formatsBefore),
            ),
        ]);
    }

    /** Of a hundred copies, how many came before the first date and the middle, and by the last, by length of line. */
    public function calibration(Library $library, int $year): Series
    {
        $now = $this->scores->calibration($library->id, ...self::year($library, $year));
        $before = $this->scores->calibration($library->id, ...self::year($library, $year - 1));
        $rows = [];
        foreach (Correction::cells() as $cell) {
            foreach (['first', 'middle', 'last'] as $n => $date) {
                $rows[] = new SeriesRow(
                    __("figures.came_by.{$date}", [
                        'line' => __("figures.ahead.{$cell}", ['cases' => Numbers::of($now[$cell]['cases'])]),
                    ]),
                    self::percent($now[$cell]['by'][$n], $now[$cell]['cases']),
                    self::percent($before[$cell]['by'][$n], $before[$cell]['cases']),
                );
            }
        }

        return self::series('calibration', $rows);
    }

    /** @param  list<SeriesRow>  $rows  none of which stands where nothing is known in any */
    private static function series(string $name, array $rows): Series
    {
        $known = array_filter($rows, fn(SeriesRow $row): bool => $row->now !== null || $row->before !== null);

        return new Series($name, $known === [] ? [] : $rows, 'percent');
    }

    /** @return array{DateTimeImmutable, DateTimeImmutable} when a year begins and ends at a library */
    private static function year(Library $library, int $year): array
    {
        [$from, $to] = YearRows::moments($library, $year);

        return [new DateTimeImmutable($from), new DateTimeImmutable($to)];
    }

    /** Of a hundred; null where there are too few to say. */
    private static function percent(int $of, int $cases): ?int
    {
        return $cases < SmallCells::LEAST ? null : (int) round((100 * $of) / $cases);
    }
}
