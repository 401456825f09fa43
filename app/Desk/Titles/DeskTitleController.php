<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Desk\Figures\Turnaways;
use App\Desk\Licences\PressureSearch;
use App\Desk\Licences\TitlePressures;
use App\Lending\Waits\LibraryHabits;
use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\WaitingHold;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** One title's licences and line; what a change would do, and the change itself. */
final class DeskTitleController
{
    /** Places in line whose turn is told on the page; all of them stand in the CSV. */
    private const MOST_PLACES = 40;

    public function __construct(private readonly TitleQueue $lines, private readonly TitlePressures $pressures) {}

    public function show(
        Request $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
        TitleRows $rows,
        Turnaways $turnaways,
        ModelComparison $models,
        LibraryHabits $habits,
    ): View|RedirectResponse {
        if (!$title->format->isLent()) {
            return redirect()->route('desk.elsewhere', $title);
        }
        $now = CarbonImmutable::now();
        $library = $staff->library;
        $title->load(['contributors', 'series']);
        $line = $this->lines->of($library, $title, $now);
        $months = $turnaways->months($library, $now);
        $search = new PressureSearch($library->id, target: (int) Input::text($request, 'target'));
        $offers = OffersInput::read($request, $models->offers($library, $title));

        return view('desk.titles.title', [
            'staff' => $staff,
            'title' => $title,
            'line' => $line,
            'target' => $search->target,
            'cases' => [$title->format->value => $habits->cases($library->id, $title->format)],
            'now' => $now,
            'opened' => (int) Input::text($request, 'licence'),
            'licences' => $rows->licences($library, $title, $now),
            'holds' => $rows->holds($library, $title),
            'loans' => $rows->loans($library, $title),
            'changes' => $rows->changes($library, $title),
            'turns' =>
                $line['waiting'] === []
                    ? []
                    : $this->lines->turns(
                        library: $library,
                        title: $title,
                        licences: $line['licences'],
                        waiting: $line['waiting'],
                        places: range(1, min(self::MOST_PLACES, count($line['waiting']))),
                        now: $now,
                    ),
            'pressure' => $this->pressures->of($library, $title->format, $line, $search->target, $now),
            'months' => $months,
            'turnaways' => $turnaways->byMonth($library, $now, $title->id),
            'begun' => $rows->loansByMonth(
                $library,
                $title,
                new DateTimeImmutable("{$months[0]}-01", $library->zone()),
            ),
            'offers' => $offers,
            'compared' => $models->compare(
                library: $library,
                title: $title,
                line: $line,
                offers: array_values($offers->offers),
                moneyCents: $offers->moneyCents,
                horizonDays: $offers->years * 365.25,
                now: $now,
            ),
            'demand' => $models->demand($library, $title, count($line['waiting']), $now),
        ]);
    }

    /** What an order would do to the line; nothing is changed. */
    public function preview(
        LicenceRequest $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
    ): View|RedirectResponse {
        $now = CarbonImmutable::now();
        $order = $request->order($staff, $title, $now);
        $line = $this->lines->of($staff->library, $title, $now);
        if (
            $order->what === OrderKind::Copies &&
            ($onLoan = $this->onLoan($line['licences'], $order->licence->id ?? 0)) > (int) $order->copies
        ) {
            return $this->tooMany($title, $onLoan);
        }
        $change = $this->lines->change($order, $staff->library_id, $line['licences'], $now);
        $waiting = [...WaitingHold::now($change->setBack), ...$line['waiting']];
        $served = $change->servedAtOnce(count($waiting), $now);
        $count = count($line['waiting']);
        $places = array_values(array_unique([...$count > 0 ? [1, $count] : [], $count + 1]));

        return view('desk.titles.preview', [
            'staff' => $staff,
            'title' => $title,
            'order' => $order,
            'change' => $change,
            'served' => $served,
            'waiting' => $count,
            'again' => $request->again(),
            'places' => $places,
            'before' => $this->lines->turns(
                library: $staff->library,
                title: $title,
                licences: $line['licences'],
                waiting: $line['waiting'],
                places: $places,
                now: $now,
            ),
            'after' => $this->lines->turns(
                library: $staff->library,
                title: $title,
                licences: $change->licences,
                waiting: $waiting,
                places: array_map(fn(int $place): int => $place + $change->setBack, $places),
                now: $now,
            ),
            'copies' => [
                self::copies($line['licences'], $staff->library_id, $now),
                self::copies($change->licences, $staff->library_id, $now),
            ],
            'now' => $now,
        ]);
    }

    public function change(
        LicenceRequest $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
        ChangeLicences $change,
    ): RedirectResponse {
        $now = CarbonImmutable::now();
        $order = $request->order($staff, $title, $now);
        $onLoan = $change($staff, $order, $now);
        if ($onLoan !== null) {
            return $this->tooMany($title, $onLoan);
        }

        return redirect()
            ->route('desk.title', $title)
            ->with('said', __("titles.done.{$order->what->value}", ['copies' => $order->copies]));
    }

    private function tooMany(Title $title, int $onLoan): RedirectResponse
    {
        return redirect()
            ->route('desk.title', $title)
            ->with('refusal', trans_choice('titles.too_many_on_loan', $onLoan));
    }

    /** @param  list<LineLicence>  $licences */
    private function onLoan(array $licences, int $licenceId): int
    {
        return array_sum(
            array_map(fn(LineLicence $l): int => $l->licence->id === $licenceId ? count($l->dueAt) : 0, $licences),
        );
    }

    /** @param  list<LineLicence>  $licences */
    private static function copies(array $licences, int $libraryId, DateTimeImmutable $now): int
    {
        return array_sum(
            array_map(
                fn(LineLicence $l): int => $l->licence->libraryId === $libraryId && $l->licence->hasFuture($now)
                    ? (int) $l->licence->copies
                    : 0,
                $licences,
            ),
        );
    }
}
