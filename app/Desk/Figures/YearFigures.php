<?php

declare(strict_types=1);

namespace App\Desk\Figures;

use App\Lending\Waits\ForecastScores;
use App\Models\Library;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Desk\SmallCells;
use FigPorch\Core\Lending\Forecast\Correction;
use Illuminate\Support\Facades\DB;
use IntlDateFormatter;
use LogicException;
use stdClass;

/** The figures of a library's year, each beside the year before. No person is behind any, and no group under five. */
final class YearFigures
{
    public const ALL = [
        'loans',
        'people',
        'formats',
        'groups',
        'subjects',
        'titles',
        'waits',
        'promises',
        'turnaways',
        'requests',
        'cost',
    ];

    private const MOST_ROWS = 15;

    public function __construct(private readonly ForecastScores $scores) {}

    /** @return list<int> years of which something is known, the newest first */
    public function years(Library $library, DateTimeImmutable $now): array
    {
        $current = (int) $now->setTimezone($library->zone())->format('Y');
        $first = DB::scalar('select extract(year from min(month)) from loan_figures where library_id = ?', [
            $library->id,
        ]);

        return range($current, max($current - 9, (int) ($first ?? $current)));
    }

    public function of(string $name, Library $library, int $year): Series
    {
        return match ($name) {
            'loans' => $this->loans($library, $year),
            'people' => $this->people($library, $year),
            'formats' => $this->formats($library, $year),
            'groups' => $this->groups($library, $year),
            'subjects' => $this->subjects($library, $year),
            'titles' => $this->titles($library, $year),
            'waits' => $this->waits($library, $year),
            'promises' => $this->promises($library, $year),
            'turnaways' => $this->turnaways($library, $year),
            'requests' => $this->requests($library, $year),
            'cost' => $this->cost($library, $year),
            default => throw new LogicException("There is no figure “{$name}”."),
        };
    }

    /** @return array<int, array<int, int|null>> loans by weekday (1 is Monday) and hour; null for what is not shown */
    public function hours(Library $library, int $year): array
    {
        $hours = array_fill(1, 7, array_fill(0, 24, 0));
        $rows = DB::select(
            'select weekday, hour, sum(n)::int n from loan_figures where library_id = ? and month >= ? and month < ?
                group by 1, 2',
            [$library->id, ...self::span($year)],
        );
        foreach ($rows as $row) {
            $hours[$row->weekday][$row->hour] = SmallCells::shown($row->n);
        }

        return $hours;
    }

    private function loans(Library $library, int $year): Series
    {
        return new Series(
            'loans',
            $this->byMonth(
                $year,
                fn(int $of): array => $this->counts(
                    'select extract(month from month)::int as label, sum(n)::int n from loan_figures
                    where library_id = ? and month >= ? and month < ? group by 1',
                    [$library->id, ...self::span($of)],
                ),
            ),
        );
    }

    private function people(Library $library, int $year): Series
    {
        return new Series(
            'people',
            array_map(
                fn(SeriesRow $row): SeriesRow => new SeriesRow(
                    $row->label,
                    SmallCells::shown((int) $row->now),
                    SmallCells::shown((int) $row->before),
                ),
                $this->byMonth(
                    $year,
                    fn(int $of): array => $this->counts(
                        'select extract(month from month)::int as label, sum(n)::int n from people_figures
                        where library_id = ? and month >= ? and month < ? group by 1',
                        [$library->id, ...self::span($of)],
                    ),
                ),
            ),
        );
    }

    private function formats(Library $library, int $year): Series
    {
        $of = fn(int $year): array => $this->counts(
            'select format as label, sum(n)::int n from loan_figures where library_id = ? and month >= ? and month < ?
                group by 1',
            [$library->id, ...self::span($year)],
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
                Format::cases(),
            ),
        );
    }

    /** A group is shown where five people of it borrowed in some month. */
    private function groups(Library $library, int $year): Series
    {
        $of = fn(int $year): array => $this->counts(
            "select f.patron_group as label, sum(f.n)::int n from loan_figures f where f.library_id = ? and f.month >= ?
                and f.month < ? and f.patron_group <> '' and exists (select from people_figures p
                    where p.library_id = f.library_id and p.patron_group = f.patron_group and p.month >= ?
                    and p.month < ? and p.n >= ?) group by 1",
            [$library->id, ...self::span($year), ...self::span($year), SmallCells::LEAST],
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

    private function subjects(Library $library, int $year): Series
    {
        $of = fn(int $year): array => $this->counts(
            'select s.name as label, sum(f.n)::int n from title_figures f join subject_title st on st.title_id = f.title_id
                join subjects s on s.id = st.subject_id where f.library_id = ? and f.month >= ? and f.month < ?
                group by s.id order by n desc, s.name limit 400',
            [$library->id, ...self::span($year)],
        );

        return new Series('subjects', $this->largest($of($year), $of($year - 1), 'subject'));
    }

    private function titles(Library $library, int $year): Series
    {
        $rows = DB::select(
            'select t.id, t.name, sum(f.n) filter (where f.month >= :year)::int n,
                sum(f.n) filter (where f.month < :year)::int before from title_figures f
                join titles t on t.id = f.title_id where f.library_id = :library and f.month >= :before and f.month < :end
                group by t.id having sum(f.n) filter (where f.month >= :year) > 0
                order by 3 desc, t.id limit ' . self::MOST_ROWS,
            [
                'library' => $library->id,
                'before' => self::span($year - 1)[0],
                'year' => self::span($year)[0],
                'end' => self::span($year)[1],
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

    /** From placing a hold to its copy being ready, in days: the middle, of holds that came to their turn in the year. */
    private function waits(Library $library, int $year): Series
    {
        $of = fn(int $year): array => array_column(
            DB::select(
                'select t.format as label, count(*) n, percentile_cont(0.5) within group (order by
                        extract(epoch from h.ready_at - h.placed_at) / 86400) days from holds h
                    join titles t on t.id = h.title_id where h.library_id = ? and h.ready_at >= ? and h.ready_at < ?
                    group by 1 having count(*) >= ' . SmallCells::LEAST,
                [$library->id, ...self::moments($library, $year)],
            ),
            'days',
            'label',
        );
        [$now, $before] = [$of($year), $of($year - 1)];

        return new Series(
            'waits',
            array_map(
                fn(Format $format): SeriesRow => new SeriesRow(
                    __("catalogue.formats.{$format->value}"),
                    isset($now[$format->value]) ? round((float) $now[$format->value], 1) : null,
                    isset($before[$format->value]) ? round((float) $before[$format->value], 1) : null,
                ),
                Format::cases(),
            ),
            'days',
        );
    }

    /** Of a hundred likely ranges, how many held, by length of line. */
    private function promises(Library $library, int $year): Series
    {
        $of = fn(int $of): array => $this->scores->byLine(
            $library->id,
            new DateTimeImmutable(self::moments($library, $of)[0]),
            new DateTimeImmutable(self::moments($library, $of)[1]),
        );
        [$now, $before] = [$of($year), $of($year - 1)];
        $share = fn(array $cell): ?int => $cell['cases'] < SmallCells::LEAST
            ? null
            : (int) round((100 * $cell['held']) / $cell['cases']);

        return new Series(
            'promises',
            array_map(
                fn(string $cell): SeriesRow => new SeriesRow(
                    __("figures.ahead.{$cell}", ['cases' => number_format($now[$cell]['cases'])]),
                    $share($now[$cell]),
                    $share($before[$cell]),
                ),
                Correction::cells(),
            ),
            'percent',
        );
    }

    private function turnaways(Library $library, int $year): Series
    {
        $of = fn(int $year): array => $this->counts(
            'select reason as label, count(*)::int n from turnaways where library_id = ? and happened_at >= ?
                and happened_at < ? group by 1 order by 2 desc',
            [$library->id, ...self::moments($library, $year)],
        );
        [$now, $before] = [$of($year), $of($year - 1)];

        return new Series(
            'turnaways',
            array_map(
                fn(string $reason): SeriesRow => new SeriesRow(
                    __("desk.reasons.{$reason}"),
                    $now[$reason] ?? 0,
                    $before[$reason] ?? 0,
                    route('desk.turnaways', ['reason' => $reason], false),
                ),
                array_map(strval(...), array_keys($now + $before)),
            ),
        );
    }

    /** Titles that patrons asked for and nobody has. */
    private function requests(Library $library, int $year): Series
    {
        return new Series(
            'requests',
            $this->byMonth(
                $year,
                fn(int $of): array => $this->counts(
                    'select extract(month from asked_at at time zone ?)::int as label, count(*)::int n from requests
                        where library_id = ? and asked_at >= ? and asked_at < ? group by 1',
                    [$library->timezone, $library->id, ...self::moments($library, $of)],
                ),
                route('desk.requests', absolute: false),
            ),
        );
    }

    /** What licences that began in the year cost, and loans paid one by one, for each loan of their format. */
    private function cost(Library $library, int $year): Series
    {
        $of = fn(int $year): array => array_column(
            DB::select(
                "select f.format as label, f.paid::float / nullif(f.loans, 0) cents from (
                    select t.format, (select coalesce(sum(li.price_cents), 0) from licences li
                            join titles x on x.id = li.title_id where li.library_id = :library and x.format = t.format
                            and li.model <> 'pay_per_loan' and li.starts_at >= :from and li.starts_at < :to)
                        + (select coalesce(sum(l.paid_cents), 0) from loans l join licences li on li.id = l.licence_id
                            join titles x on x.id = li.title_id where li.library_id = :library and x.format = t.format
                            and l.paid_cents is not null and l.started_at >= :from and l.started_at < :to) paid,
                        (select sum(n) from loan_figures g where g.library_id = :library and g.format = t.format
                            and g.month >= :first and g.month < :last) loans
                    from unnest(:formats::text[]) t(format)) f where f.paid > 0",
                [
                    'library' => $library->id,
                    'from' => self::moments($library, $year)[0],
                    'to' => self::moments($library, $year)[1],
                    'first' => self::span($year)[0],
                    'last' => self::span($year)[1],
                    'formats' => Sql::array(array_column(Format::cases(), 'value')),
                ],
            ),
            'cents',
            'label',
        );
        [$now, $before] = [$of($year), $of($year - 1)];
        $cents = fn(array $of, Format $format): ?int => isset($of[$format->value])
            ? (int) round((float) $of[$format->value])
            : null;

        return new Series(
            'cost',
            array_map(
                fn(Format $format): SeriesRow => new SeriesRow(
                    __("catalogue.formats.{$format->value}"),
                    $cents($now, $format),
                    $cents($before, $format),
                ),
                Format::cases(),
            ),
            'money',
        );
    }

    /**
     * @param  callable(int): array<int|string, int>  $of  by month, of a year
     * @return list<SeriesRow>
     */
    private function byMonth(int $year, callable $of, ?string $link = null): array
    {
        [$now, $before] = [$of($year), $of($year - 1)];
        $name = new IntlDateFormatter(app()->getLocale(), pattern: 'LLL', timezone: 'UTC');

        return array_map(
            fn(int $month): SeriesRow => new SeriesRow(
                (string) $name->format(new DateTimeImmutable(sprintf('%d-%02d-15 UTC', $year, $month))),
                $now[$month] ?? 0,
                $before[$month] ?? 0,
                $link,
            ),
            range(1, 12),
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

    /**
     * @param  list<mixed>  $values
     * @return array<int|string, int> by label
     */
    private function counts(string $sql, array $values): array
    {
        return array_map(intval(...), array_column(DB::select($sql, $values), 'n', 'label'));
    }

    /** @return array{string, string} the first days of a year and of the next */
    private static function span(int $year): array
    {
        return ["{$year}-01-01", $year + 1 . '-01-01'];
    }

    /** @return array{string, string} the moments at which a year and the next begin at the library */
    private static function moments(Library $library, int $year): array
    {
        return array_map(
            fn(string $day): string => Sql::second(new DateTimeImmutable("{$day} 00:00", $library->zone())),
            self::span($year),
        );
    }
}
