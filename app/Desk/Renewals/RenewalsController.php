<?php

declare(strict_types=1);

namespace App\Desk\Renewals;

use App\Desk\Figures\DeskText;
use App\Exchange\Csv\CsvFile;
use App\Models\StaffMember;
use App\Shared\Input;
use App\Shared\View\TitleText;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Licences that end, month by month: what each was used for, and what the same again would give. */
final class RenewalsController
{
    private const COLUMNS = [
        ...['licence', 'title', 'people', 'format', 'model', 'copies', 'starts', 'ends', 'price', 'lent', 'per_loan'],
        ...['line', 'expected', 'expected_per_loan'],
    ];

    public function __construct(private readonly EndingLicences $ending) {}

    public function index(Request $request, #[CurrentUser('staff')] StaffMember $staff): View
    {
        $now = CarbonImmutable::now();
        $calendar = $this->ending->calendar($staff->library, $now);
        $month = self::month($request, array_keys($calendar));

        return view('desk.renewals.renewals', [
            'staff' => $staff,
            'calendar' => $calendar,
            'month' => $month,
            'page' => $this->ending->page($staff->library, $month, $now)->appends(['month' => $month]),
        ]);
    }

    public function csv(Request $request, #[CurrentUser('staff')] StaffMember $staff): StreamedResponse
    {
        $now = CarbonImmutable::now();
        $months = array_keys($this->ending->calendar($staff->library, $now));
        $zone = $staff->library->zone();
        $money = fn(?float $cents): ?string => $cents === null ? null : DeskText::money((int) round($cents));

        return CsvFile::response(
            __('renewals.heading'),
            array_map(fn(string $of): string => __("renewals.csv.{$of}"), self::COLUMNS),
            $this->ending
                ->all($staff->library, self::month($request, $months), $now)
                ->map(
                    fn(EndingLicence $of): array => [
                        $of->id,
                        $of->title->name,
                        TitleText::people($of->title),
                        TitleText::format($of->title),
                        __("desk.models.{$of->model->value}"),
                        $of->copies,
                        $of->startsAt->setTimezone($zone)->format('Y-m-d'),
                        $of->endsAt->setTimezone($zone)->format('Y-m-d'),
                        $money($of->priceCents),
                        $of->lent,
                        $money($of->centsPerLoan),
                        $of->waiting,
                        $of->renewed === null ? null : round($of->renewed->loans, 1),
                        $money($of->renewed?->centsPerLoan),
                    ],
                ),
        );
    }

    /** @param  list<string>  $months */
    private static function month(Request $request, array $months): ?string
    {
        $month = Input::text($request, 'month');

        return in_array($month, $months, true) ? $month : null;
    }
}
