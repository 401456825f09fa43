<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Desk\Figures\Turnaways;
use App\Exchange\Csv\CsvFile;
use App\Models\Library;
use App\Models\StaffMember;
use App\Models\Title;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use stdClass;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The rows behind one title's figures, as CSV; moments in the library's time. */
final class TitleRowsController
{
    public function __construct(
        private readonly TitleRows $rows,
        private readonly TitleQueue $lines,
        private readonly Turnaways $turnaways,
    ) {}

    public function __invoke(Title $title, string $rows, #[CurrentUser('staff')] StaffMember $staff): StreamedResponse
    {
        $now = CarbonImmutable::now();
        [$columns, $of] = match ($rows) {
            'licences' => [
                [
                    'titles.licence',
                    'desk.model',
                    'desk.columns.copies',
                    'desk.free_copies',
                    'desk.columns.loans_left',
                    'titles.number_of_loans',
                    'titles.starts',
                    'titles.ends',
                    'titles.price',
                    'desk.shared',
                    'titles.on_loan',
                    'titles.lent',
                ],
                $this->licences($title, $staff->library, $now),
            ],
            'line' => [
                [
                    'titles.place',
                    'titles.placed',
                    'desk.group',
                    'desk.state',
                    'desk.from',
                    'desk.middle',
                    'desk.to',
                    'desk.at_latest',
                ],
                $this->line($title, $staff->library, $now),
            ],
            'loans' => [
                ['titles.licence', 'titles.since', 'desk.due', 'desk.group', 'titles.renewals'],
                $this->rows
                    ->loans($staff->library, $title)
                    ->map(
                        fn(stdClass $l): array => [
                            $l->licence_id,
                            self::at($l->started_at, $staff->library),
                            self::at($l->due_at, $staff->library),
                            $l->elsewhere ? __('titles.elsewhere') : $l->patron_group,
                            $l->renewals,
                        ],
                    )
                    ->all(),
            ],
            default => [
                ['desk.month', 'titles.lent_in_month', 'titles.turned_away'],
                $this->months($title, $staff->library, $now),
            ],
        };

        return CsvFile::response(
            "{$rows}-{$title->id}",
            array_map(fn(string $column): string => __($column), $columns),
            $of,
        );
    }

    /** @return list<list<string|int|float|null>> */
    private function licences(Title $title, Library $library, DateTimeImmutable $now): array
    {
        return array_values(
            $this->rows
                ->licences($library, $title, $now)
                ->map(
                    fn(stdClass $l): array => [
                        $l->id,
                        __("desk.models.{$l->model}"),
                        $l->copies,
                        $l->copies_free,
                        $l->loans_left,
                        $l->loans_bought,
                        self::at($l->starts_at, $library),
                        self::at($l->ends_at, $library),
                        $l->price_cents / 100,
                        $l->shared ? 1 : 0,
                        $l->on_loan,
                        $l->lent,
                    ],
                )
                ->all(),
        );
    }

    /** @return list<list<string|int|null>> */
    private function line(Title $title, Library $library, DateTimeImmutable $now): array
    {
        $line = $this->lines->of($library, $title, $now);
        $turns =
            $line['waiting'] === []
                ? []
                : $this->lines->turns(
                    library: $library,
                    title: $title,
                    licences: $line['licences'],
                    waiting: $line['waiting'],
                    places: range(1, count($line['waiting'])),
                    now: $now,
                );
        $place = 0;
        $rows = [];
        foreach ($this->rows->holds($library, $title) as $hold) {
            $turn = $hold->state === 'ready' ? null : $turns[++$place] ?? null;
            $rows[] = [
                $turn === null ? null : $place,
                self::at($hold->placed_at, $library),
                $hold->patron_group,
                $hold->state,
                ...array_map(
                    fn(?DateTimeImmutable $at): ?string => $at?->setTimezone($library->zone())->format(DATE_ATOM),
                    [$turn?->from, $turn?->middle, $turn?->to, $turn?->latest],
                ),
            ];
        }

        return $rows;
    }

    /** @return list<list<string|int>> */
    private function months(Title $title, Library $library, DateTimeImmutable $now): array
    {
        $months = $this->turnaways->months($library, $now);
        $begun = $this->rows->loansByMonth(
            $library,
            $title,
            new DateTimeImmutable("{$months[0]}-01", $library->zone()),
        );
        $away = $this->turnaways->byMonth($library, $now, $title->id);

        return array_map(fn(string $month): array => [$month, $begun[$month] ?? 0, $away[$month]], $months);
    }

    private static function at(?string $moment, Library $library): ?string
    {
        return $moment === null
            ? null
            : (new DateTimeImmutable($moment))->setTimezone($library->zone())->format(DATE_ATOM);
    }
}
