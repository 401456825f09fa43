<?php

declare(strict_types=1);

namespace App\Desk\Orders;

use App\Desk\Titles\ModelComparison;
use App\Exchange\Csv\CsvFile;
use App\Models\Fund;
use App\Models\Order;
use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use FigPorch\Core\Desk\BudgetYear;
use FigPorch\Core\Desk\OrderState;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** What is to be ordered, is on its way and has come, against the funds that pay for it. */
final class OrdersController
{
    private const PER_PAGE = 50;

    public function __construct(
        private readonly FundBalances $balances,
        private readonly MoveOrders $move,
        private readonly ArrangeFunds $arrange,
    ) {}

    public function index(Request $request, #[CurrentUser('staff')] StaffMember $staff): View
    {
        $library = $staff->library;
        $now = BudgetYear::of(CarbonImmutable::now(), $library->zone(), $library->budget_month);
        $years = array_unique([$now->year + 1, $now->year, ...$this->balances->years($library)]);
        rsort($years);
        $asked = (int) Input::text($request, 'year');
        $year = new BudgetYear(in_array($asked, $years, true) ? $asked : $now->year, $library->budget_month);
        $state = OrderState::tryFrom(Input::text($request, 'state')) ?? OrderState::Noted;
        $of = Order::query()->where('library_id', $library->id);
        $orders = (clone $of)
            ->where('state', $state)
            ->with(['title.contributors', 'fund', 'member'])
            ->orderByDesc('id')
            ->paginate(self::PER_PAGE)
            ->appends(['state' => $state->value, 'year' => $year->year]);

        return view('desk.orders.orders', [
            'staff' => $staff,
            'state' => $state,
            'year' => $year,
            'years' => array_map(fn(int $y): BudgetYear => new BudgetYear($y, $library->budget_month), $years),
            'funds' => $this->balances->all($library, $year->year),
            'counts' => (clone $of)->groupBy('state')->selectRaw('state, count(*) n')->toBase()->pluck('n', 'state'),
            'orders' => $orders,
            'buyAt' => OrderText::buyAt($orders->getCollection()),
        ]);
    }

    public function create(
        Request $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
        ModelComparison $models,
    ): View {
        $library = $staff->library;
        $year = BudgetYear::of(CarbonImmutable::now(), $library->zone(), $library->budget_month);

        return view('desk.orders.order', [
            'staff' => $staff,
            'title' => $title->load('contributors'),
            'year' => $year,
            'funds' => array_filter(
                $this->balances->all($library, $year->year),
                fn(array $row): bool => !$row['fund']->closed,
            ),
            'filled' => OrderBeginning::of($request, $models->offers($library, $title)),
            'open' => Order::query()
                ->where(['library_id' => $library->id, 'title_id' => $title->id])
                ->whereIn('state', [OrderState::Noted, OrderState::Ordered])
                ->with('fund')
                ->get(),
        ]);
    }

    public function note(
        OrderRequest $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
        NoteOrder $note,
    ): RedirectResponse {
        $lacks = $note(
            by: $staff,
            title: $title,
            fund: $request->fund(),
            terms: $request->terms(),
            form: (string) $request->string('form'),
            beyond: $request->boolean('beyond'),
            now: CarbonImmutable::now(),
        );

        return $lacks > 0
            ? redirect()->route('desk.order', $title)->withInput()->with('lacks', $lacks)
            : redirect()->route('desk.orders')->with('said', __('orders.noted', ['title' => $title->name]));
    }

    /** Chosen orders go out, come in or are cancelled. */
    public function move(Request $request, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $to = OrderState::tryFrom(Input::text($request, 'to'));
        $ids = self::ids($request);
        if ($to === null || $to === OrderState::Noted || $ids === []) {
            return back()->with('refusal', __('orders.choose'));
        }
        $moved = ($this->move)($staff, $ids, $to, CarbonImmutable::now());

        return back()->with(
            $moved->isEmpty() ? 'refusal' : 'said',
            trans_choice("orders.moved.{$to->value}", $moved->count()),
        );
    }

    /** Orders for the supplier, as they stand: of chosen ones, or of all in a state. */
    public function file(
        Request $request,
        string $kind,
        #[CurrentUser('staff')] StaffMember $staff,
        OrderFiles $files,
    ): Response {
        $ids = self::ids($request);
        $orders = Order::query()
            ->where('library_id', $staff->library_id)
            ->when($ids !== [], fn($query) => $query->whereIn('id', $ids))
            ->when(
                $ids === [],
                fn($query) => $query->where('state', OrderState::tryFrom(Input::text($request, 'state')) ?? 'noted'),
            )
            ->with(['title.contributors', 'fund'])
            ->orderBy('id')
            ->get();
        if ($kind === 'csv') {
            return CsvFile::response(__('orders.heading'), $files->columns(), $files->rows($orders));
        }
        $library = $staff->library;
        $wrong = match (true) {
            $orders->isEmpty() => 'orders.choose',
            $library->edi_number === '' || $library->edi_supplier === '' => 'orders.needs_numbers',
            default => null,
        };

        return $wrong === null
            ? response($files->edifact($library, $orders, CarbonImmutable::now()), 200, [
                'Content-Type' => 'application/EDIFACT; charset=ISO-8859-1',
                'Content-Disposition' => 'attachment; filename="orders-' . now()->format('Y-m-d') . '.edi"',
                'Cache-Control' => 'private, no-store',
            ])
            : redirect()->route('desk.orders')->with('refusal', __($wrong));
    }

    public function fund(Request $request, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $name = mb_substr(Input::text($request, 'name'), 0, 60);
        $cents = self::cents($request);
        if ($name === '' || $cents === null) {
            return back()->withInput()->with('refusal', __('orders.needs_budget'));
        }
        $fund = $this->arrange->add($staff, $name, self::year($request), $cents, CarbonImmutable::now());

        return $fund === null
            ? back()->withInput()->with('refusal', __('orders.fund_known', ['name' => $name]))
            : back()->with('said', __('orders.fund_added', ['name' => $name]));
    }

    public function budget(Request $request, Fund $fund, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $cents = self::cents($request);
        if ($cents === null) {
            return back()->withInput()->with('refusal', __('orders.needs_budget'));
        }
        $this->arrange->budget($staff, $fund, self::year($request), $cents, CarbonImmutable::now());

        return back()->with('said', __('orders.budget_kept', ['name' => $fund->name]));
    }

    public function close(Request $request, Fund $fund, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $closed = Input::text($request, 'closed') === '1';
        $this->arrange->close($staff, $fund, $closed, CarbonImmutable::now());

        return back()->with('said', __($closed ? 'orders.fund_closed' : 'orders.fund_opened', ['name' => $fund->name]));
    }

    /** @return list<int> */
    private static function ids(Request $request): array
    {
        $ids = $request->input('orders');

        return is_array($ids)
            ? array_values(
                array_map(
                    intval(...),
                    array_filter($ids, fn(mixed $id): bool => is_string($id) && ctype_digit($id) && strlen($id) < 19),
                ),
            )
            : [];
    }

    private static function year(Request $request): int
    {
        return max(2000, min(2200, (int) Input::text($request, 'year')));
    }

    private static function cents(Request $request): ?int
    {
        $text = Str::replace(',', '.', Input::text($request, 'budget'));

        return preg_match('/^\d{1,9}(\.\d{1,2})?$/D', $text) === 1 ? (int) round(100 * (float) $text) : null;
    }
}
