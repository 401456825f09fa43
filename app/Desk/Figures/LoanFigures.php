<?php

declare(strict_types=1);

namespace App\Desk\Figures;

use App\Models\Library;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Desk\SmallCells;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What was borrowed in a year, by month, format, group, subject, title, and hour of the week. */
final class LoanFigures
{
    private const MOST_ROWS = 15;

    /** @return array<int, array<int, int|null>> loans by weekday (1 is Monday) and hour; null for what is not shown */
    public function hours(Library $library, int $year): array
    {
        $hours = array_fill(1, 7, array_fill(0, 24, 0));
        $rows = DB::select(
            'select weekday, hour, sum(n)::int n from loan_figures where library_id = ? and month >= ? and month < ?
                group by 1, 2',
            [$library->id, ...YearRows::span($year)],
        );
        foreach ($rows as $row) {
            $hours[$row->weekday][$row->hour] = SmallCells::shown($row->n);
        }

        return $hours;
    }

    public function loans(Library $library, int $year): Series
    {
        return new Series(
            'loans',
            YearRows::byMonth(
                $year,
                fn(int $of): array => YearRows::counts(
                    'select extract(month from month)::int as label, sum(n)::int n from loan_figures
                    where library_id = ? and month >= ? and month < ? group by 1',
                    [$library->id, ...YearRows::span($of)],
                ),
            ),
        );
    }

    public function people(Library $library, int $year): Series
    {
        return new Series(
            'people',
            array_map(
                fn(SeriesRow $row): SeriesRow => new SeriesRow(
                    $row->label,
                    SmallCells::shown((int) $row->now),
                    SmallCells::shown((int) $row->before),
                ),
                YearRows::byMonth(
                    $year,
                    fn(int $of): array => YearRows::counts(
                        'select extract(month from month)::int as label, sum(n)::int n from people_figures
                        where library_id = ? and month >= ? and month < ? group by 1',
                        [$library->id, ...YearRows::span($of)],
                    ),
                ),
            ),
        );
    }

    public function formats(Library $library, int $year): Series
    {
        $of = fn(int $year): array => YearRows::counts(
            'select format as label, sum(n)::int n from loan_figures where library_id = ? and month >= ? and month < ?
                group by 1',
            [$library->id, ...YearRows::span($year)],
        );
        [$now, $before] = [$of($year), $of($year - 1)];

        return new Series(
            'formats',
            array_map(
                fn(Format $format): SeriesRow => new SeriesRow(
                    __("catalogue.formats.{$format->value}"),
                    $now[$format->value] ?? 0,
                    $before[$format->value] ?? 0,
                    route('desk.licences', ['show' => 'all', 'format' => $format->value], false),
                ),
                Format::lent(),
            ),
        );
    }

    /** A group is shown where five people of it borrowed in some month. */
    public function groups(Library $library, int $year): Series
    {
        $of = fn(int $year): array => YearRows::counts(
            "select f.patron_group as label, sum(f.n)::int n from loan_figures f where f.library_id = ? and f.month >= ?
                and f.month < ? and f.patron_group <> '' and exists (select from people_figures p
                    where p.library_id = f.library_id and p.patron_group = f.patron_group and p.month >= ?
                    and p.month < ? and p.n >= ?) group by 1",
            [$library->id, ...YearRows::span($year), ...YearRows::span($year), SmallCells::LEAST],
        );
        [$now, $before] = [$of($year), $of($year - 1)];
        $groups = array_keys($now + $before);
        sort($groups);

        return new Series(
            'groups',
            array_map(
                fn(string $group): SeriesRow => new SeriesRow($group, $now[$group] ?? null, $before[$group] ?? null),
                array_map(strval(...), $groups),
            ),
        );
    }

    public function subjects(Library $library, int $year): Series
    {
        $of = fn(int $year): array => YearRows::counts(
            'select s.name as label, sum(f.n)::int n from title_figures f
                join subject_title st on st.title_id = f.title_id
                join subjects s on s.id = st.subject_id where f.library_id = ? and f.month >= ? and f.month < ?
                group by s.id order by n desc, s.name limit 400',
            [$library->id, ...YearRows::span($year)],
        );

        return new Series('subjects', $this->largest($of($year), $of($year - 1), 'subject'));
    }

    public function titles(Library $library, int $year): Series
    {
        $rows = DB::select(
            'select t.id, t.name, sum(f.n) filter (where f.month >= :year)::int n,
                sum(f.n) filter (where f.month < :year)::int before from title_figures f
                join titles t on t.id = f.title_id
                where f.library_id = :library and f.month >= :before and f.month < :end
                group by t.id having sum(f.n) filter (where f.month >= :year) > 0
                order by 3 desc, t.id limit ' . self::MOST_ROWS,
            [
                'library' => $library->id,
                'before' => YearRows::span($year - 1)[0],
                'year' => YearRows::span($year)[0],
                'end' => YearRows::span($year)[1],
            ],
        );

        return new Series(
            'titles',
            array_values(
                array_map(
                    fn(stdClass $row): SeriesRow => new SeriesRow(
                        $row->name,
                        $row->n,
                        $row->before ?? 0,
                        route('desk.title', $row->id, false),
                    ),
                    $rows,
                ),
            ),
        );
    }

    /**
     * @param  array<int|string, int>  $now
     * @param  array<int|string, int>  $before
     * @return list<SeriesRow>
     */
    private function largest(array $now, array $before, string $filter): array
    {
        return array_map(
            fn(string $name): SeriesRow => new SeriesRow(
                $name,
                $now[$name],
                $before[$name] ?? 0,
                route('catalogue', ['q' => "{$filter}:\"{$name}\""], false),
            ),
            array_map(strval(...), array_slice(array_keys($now), 0, self::MOST_ROWS)),
        );
    }
}
