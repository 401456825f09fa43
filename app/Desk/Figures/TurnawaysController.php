<?php

declare(strict_types=1);

namespace App\Desk\Figures;

use App\Exchange\Csv\CsvFile;
use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use FigPorch\Core\Lending\Refusal;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Illuminate\View\View;
use stdClass;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What patrons wanted and could not have. */
final class TurnawaysController
{
    public function __construct(private readonly Turnaways $turnaways) {}

    public function index(Request $request, #[CurrentUser('staff')] StaffMember $staff): View
    {
        $now = CarbonImmutable::now();
        [$reason, $month] = [$this->reason($request), $this->month($request)];

        return view('desk.figures.turnaways', [
            'staff' => $staff,
            'reason' => $reason,
            'month' => $month,
            'months' => $this->turnaways->months($staff->library, $now),
            'byMonth' => $this->turnaways->byMonth($staff->library, $now),
            'page' => $this->turnaways
                ->byTitle($staff->library, $now, $reason, $month)
                ->appends(array_filter(['reason' => $reason, 'month' => $month])),
        ]);
    }

    public function csv(Request $request, #[CurrentUser('staff')] StaffMember $staff): StreamedResponse
    {
        $now = CarbonImmutable::now();
        $months = $this->turnaways->months($staff->library, $now);
        $rows = function () use ($request, $staff, $now, $months): iterable {
            foreach (
                $this->turnaways->byTitle(
                    $staff->library,
                    $now,
                    $this->reason($request),
                    $this->month($request),
                    perPage: 1_000_000,
                )
                as $row
            ) {
                yield [
                    $row->id,
                    $row->name,
                    __("catalogue.format.{$row->format}"),
                    ...array_map(fn(string $month): int => $row->months[$month] ?? 0, $months),
                    $row->total,
                ];
            }
        };

        return CsvFile::response(
            'turnaways',
            [__('desk.csv.title_id'), __('desk.csv.title'), __('desk.csv.format'), ...$months, __('figures.total')],
            $rows(),
        );
    }

    public function title(Request $request, Title $title, #[CurrentUser('staff')] StaffMember $staff): View
    {
        $month = $this->month($request);

        return view('desk.figures.turnaways-of-title', [
            'staff' => $staff,
            'title' => $title,
            'month' => $month,
            'rows' => $this->turnaways->rows($staff->library, $title->id, $month, CarbonImmutable::now()),
        ]);
    }

    public function titleCsv(
        Request $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
    ): StreamedResponse {
        $rows = $this->turnaways->rows($staff->library, $title->id, $this->month($request), CarbonImmutable::now());

        return CsvFile::response(
            "turnaways-{$title->id}",
            [__('figures.when'), __('figures.reason')],
            $rows
                ->map(
                    fn(stdClass $row): array => [
                        (new DateTimeImmutable($row->happened_at))
                            ->setTimezone($staff->library->zone())
                            ->format(DATE_ATOM),
                        __("figures.reasons.{$row->reason}"),
                    ],
                )
                ->all(),
        );
    }

    private function reason(Request $request): ?string
    {
        $reason = Refusal::tryFrom(Input::text($request, 'reason'));

        return $reason?->isTurnaway() === true ? $reason->value : null;
    }

    private function month(Request $request): ?string
    {
        $month = Input::text($request, 'month');

        return preg_match('/^\d{4}-(0[1-9]|1[0-2])$/', $month) === 1 ? $month : null;
    }
}
