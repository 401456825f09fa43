<?php

declare(strict_types=1);

namespace App\Desk\Figures;

use App\Models\Library;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Desk\SmallCells;
use Illuminate\Support\Facades\DB;
use LogicException;

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
        'calibration',
        'turnaways',
        'requests',
        'cost',
    ];

    public function __construct(private readonly PromiseFigures $promises, private readonly LoanFigures $loans) {}

    /** @return array<int, array<int, int|null>> loans by weekday (1 is Monday) and hour; null for what is not shown */
    public function hours(Library $library, int $year): array
    {
        return $this->loans->hours($library, $year);
    }

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
            'loans' => $this->loans->loans($library, $year),
            'people' => $this->loans->people($library, $year),
            'formats' => $this->loans->formats($library, $year),
            'groups' => $this->loans->groups($library, $year),
            'subjects' => $this->loans->subjects($library, $year),
            'titles' => $this->loans->titles($library, $year),
            'waits' => $this->waits($library, $year),
            'promises' => $this->promises->held($library, $year),
            'calibration' => $this->promises->calibration($library, $year),
            'turnaways' => $this->turnaways($library, $year),
            'requests' => $this->requests($library, $year),
            'cost' => $this->cost($library, $year),
            default => throw new LogicException("There is no figure “{$name}”."),
        };
    }

    /**
     * From placing a hold to its copy being ready, in days: the middle, of holds that came to their turn in the year.
     */
    private function waits(Library $library, int $year): Series
    {
        $of = fn(int $year): array => array_column(
            DB::select(
                'select t.format as label, count(*) n, percentile_cont(0.5) within group (order by
                        extract(epoch from h.ready_at - h.placed_at) / 86400) days from holds h
                    join titles t on t.id = h.title_id where h.library_id = ? and h.ready_at >= ? and h.ready_at < ?
                    group by 1 having count(*) >= ' . SmallCells::LEAST,
                [$library->id, ...YearRows::moments($library, $year)],
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
                Format::lent(),
            ),
            'days',
        );
    }

    private function turnaways(Library $library, int $year): Series
    {
        $of = fn(int $year): array => YearRows::counts(
            'select reason as label, count(*)::int n from turnaways where library_id = ? and happened_at >= ?
                and happened_at < ? group by 1 order by 2 desc',
            [$library->id, ...YearRows::moments($library, $year)],
        );
        [$now, $before] = [$of($year), $of($year - 1)];

        return new Series(
            'turnaways',
            array_map(
                fn(string $reason): SeriesRow => new SeriesRow(
                    __("figures.reasons.{$reason}"),
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
            YearRows::byMonth(
                $year,
                fn(int $of): array => YearRows::counts(
                    'select extract(month from asked_at at time zone ?)::int as label, count(*)::int n from requests
                        where library_id = ? and asked_at >= ? and asked_at < ? group by 1',
                    [$library->timezone, $library->id, ...YearRows::moments($library, $of)],
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
                    'from' => YearRows::moments($library, $year)[0],
                    'to' => YearRows::moments($library, $year)[1],
                    'first' => YearRows::span($year)[0],
                    'last' => YearRows::span($year)[1],
                    'formats' => Sql::array(array_column(Format::lent(), 'value')),
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
                Format::lent(),
            ),
            'money',
        );
    }
}
