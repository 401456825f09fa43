<?php

declare(strict_types=1);

namespace App\Desk\Usage;

use App\Exchange\Counter\LibraryUsage;
use App\Exchange\Counter\TableFile;
use App\Models\CounterKey;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use FigPorch\Core\Exchange\Counter\CounterRefused;
use FigPorch\Core\Exchange\Counter\Report;
use FigPorch\Core\Exchange\Counter\ReportJson;
use FigPorch\Core\Exchange\Counter\ReportParameters;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** How the catalogue was used, as the standard counts it: to look at, to take, and for programs that fetch it. */
final class UsageController
{
    private const MONTHS = 12;

    /** That can be chosen. */
    private const MOST = 120;

    public function __construct(private readonly LibraryUsage $usage) {}

    public function index(#[CurrentUser('staff')] StaffMember $staff): View
    {
        $now = CarbonImmutable::now();
        $first = LibraryUsage::first($staff->library, $now);
        $choice = [];
        $month = $now->setTimezone($staff->library->zone())->startOfMonth();
        while (count($choice) < self::MONTHS || ($month->format('Y-m') >= $first && count($choice) < self::MOST)) {
            $choice[] = $month->format('Y-m');
            $month = $month->subMonth();
        }

        return view('desk.usage.usage', [
            'staff' => $staff,
            'months' => $this->usage->months($staff->library, array_reverse(array_slice($choice, 0, self::MONTHS))),
            'choice' => $choice,
            'reports' => Report::cases(),
            'keys' => CounterKey::query()
                ->with('staffMember')
                ->where('library_id', $staff->library_id)
                ->orderBy('id')
                ->get(),
            'address' => url('/counter/r51'),
        ]);
    }

    public function report(Request $request, string $kind, #[CurrentUser('staff')] StaffMember $staff): Response
    {
        $now = CarbonImmutable::now();
        try {
            $asked = ReportParameters::read(
                (string) $request->query('report'),
                array_diff_key($request->query(), ['report' => true]),
                // The month that is on, too: up to now.
                $now->setTimezone($staff->library->zone())->format('Y-m'),
            );
        } catch (CounterRefused) {
            throw ValidationException::withMessages(['begin_date' => __('usage.refused')])->redirectTo(
                route('desk.usage', absolute: false),
            );
        }
        $report = $this->usage->report($staff->library, $asked, $now);

        return $kind === 'json'
            ? new JsonResponse(ReportJson::of($report), options: JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)
            : TableFile::response(
                "{$asked->report->value}-{$staff->library->slug}-{$asked->begin}-{$asked->end}",
                $report,
            );
    }

    public function give(Request $request, #[CurrentUser('staff')] StaffMember $staff, GiveKey $give): RedirectResponse
    {
        /** @var array{name: string} $valid */
        $valid = $request->validate(['name' => ['required', 'string', 'max:100']]);
        $given = $give($staff, $valid['name'], CarbonImmutable::now());
        $to = redirect()->route('desk.usage');

        return $given === null
            ? $to->withErrors(['name' => __('usage.too_many', ['most' => GiveKey::MOST])])->withInput()
            : $to->with('given', ['requestor' => $given[0]->requestor_id, 'key' => $given[1]]);
    }

    public function takeBack(
        CounterKey $counterKey,
        #[CurrentUser('staff')] StaffMember $staff,
        TakeKeyBack $takeBack,
    ): RedirectResponse {
        $takeBack($staff, $counterKey, CarbonImmutable::now());

        return redirect()->route('desk.usage')->with('said', __('usage.taken_back', ['name' => $counterKey->name]));
    }
}
