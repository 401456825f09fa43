<?php

declare(strict_types=1);

namespace App\Desk\Figures;

use App\Exchange\Csv\CsvFile;
use App\Models\Library;
use App\Models\StaffMember;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** A library's year in figures. */
final class YearController
{
    /** What has been added up is shown for so long, with when it was. */
    private const MINUTES = 60;

    public function __construct(private readonly YearFigures $figures) {}

    public function index(Request $request, #[CurrentUser('staff')] StaffMember $staff): View
    {
        $library = $staff->library;
        $now = CarbonImmutable::now();
        $years = $this->figures->years($library, $now);
        $year = self::year($request, $years);
        $language = app()->getLocale();
        [$at, $series, $hours] = Cache::remember(
            "figures {$library->id} {$year} {$language}",
            $now->addMinutes(self::MINUTES),
            fn(): array => [
                $now->getTimestamp(),
                array_map(
                    fn(string $name): Series => $this->figures->of($name, $library, $year),
                    array_combine(YearFigures::ALL, YearFigures::ALL),
                ),
                $this->figures->hours($library, $year),
            ],
        );

        return view('desk.figures.year', [
            'staff' => $staff,
            'years' => $years,
            'year' => $year,
            'series' => $series,
            'hours' => $hours,
            'at' => CarbonImmutable::createFromTimestamp($at),
        ]);
    }

    public function csv(Request $request, string $figure, #[CurrentUser('staff')] StaffMember $staff): StreamedResponse
    {
        $year = self::year($request, $this->figures->years($staff->library, CarbonImmutable::now()));

        return $figure === 'hours'
            ? $this->hours($staff->library, $year)
            : $this->series($this->figures->of($figure, $staff->library, $year), $year);
    }

    private function series(Series $series, int $year): StreamedResponse
    {
        $number = fn(int|float|null $of): string|int|float => match (true) {
            $of === null => '',
            $series->unit === 'money' => DeskText::money((int) $of),
            default => $of,
        };

        return CsvFile::response(
            __("figures.of.{$series->name}.0") . " {$year}",
            [__("figures.of.{$series->name}.1"), (string) $year, (string) ($year - 1)],
            array_map(
                fn(SeriesRow $row): array => [$row->label, $number($row->now), $number($row->before)],
                $series->rows,
            ),
        );
    }

    private function hours(Library $library, int $year): StreamedResponse
    {
        $rows = [];
        foreach ($this->figures->hours($library, $year) as $weekday => $hours) {
            $rows[] = [DeskText::weekday($weekday), ...array_map(fn(?int $n): string|int => $n ?? '', $hours)];
        }

        return CsvFile::response(
            __('figures.of.hours.0') . " {$year}",
            [__('figures.of.hours.1'), ...array_map(strval(...), range(0, 23))],
            $rows,
        );
    }

    /** @param  list<int>  $years */
    private static function year(Request $request, array $years): int
    {
        $asked = (int) Input::text($request, 'year');

        return in_array($asked, $years, true) ? $asked : $years[0];
    }
}
