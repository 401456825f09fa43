<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Desk\Orders\ArrangeFunds;
use App\Desk\Orders\MoveOrders;
use App\Desk\Orders\NoteOrder;
use App\Desk\Titles\ModelComparison;
use App\Models\Order;
use App\Models\StaffMember;
use App\Models\Title;
use Carbon\CarbonImmutable;
use FigPorch\Core\Desk\OrderState;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Funds, and orders for the titles with the longest lines. */
final class SeedOrders
{
    private const ORDERS = 6;

    private const SENT = 2;

    public function __construct(
        private readonly DemoLibraries $coast,
        private readonly ArrangeFunds $arrange,
        private readonly NoteOrder $note,
        private readonly MoveOrders $move,
        private readonly ModelComparison $models,
    ) {}

    public function orderForTheLongestLines(): void
    {
        $now = CarbonImmutable::instance($this->coast->now);
        foreach ($this->coast->libraries as $slug => $library) {
            $staff = StaffMember::query()
                ->whereHas('posts', fn($posts) => $posts->where('library_id', $library->id))
                ->first();
            if ($staff === null) {
                continue;
            }
            $staff->goTo($library->id);
            $funds = [];
            foreach (Members::FUNDS as $name => $cents) {
                $year = (int) $now->setTimezone($library->zone())->format('Y');
                $funds[] =
                    $this->arrange->add($staff, $name, $year, $cents, $now) ??
                    throw new \LogicException("There are two funds “{$name}”.");
            }
            $lines = DB::table('holds')
                ->join('cards', 'cards.id', 'holds.card_id')
                ->where('cards.library_id', $library->id)
                ->whereNull('holds.closed_at')
                ->groupBy('title_id')
                ->orderByRaw('count(*) desc, title_id')
                ->limit(self::ORDERS)
                ->pluck('title_id');
            foreach (Title::query()->findMany($lines) as $n => $title) {
                $offer = $this->models->offers($library, $title)[LicenceModel::OneCopyOneUser->value] ?? null;
                ($this->note)(
                    by: $staff,
                    title: $title,
                    fund: $funds[$n % count($funds)],
                    terms: [
                        'model' => LicenceModel::OneCopyOneUser,
                        'quantity' => 1 + ($n % 3),
                        'copies' => 1,
                        'unit_cents' => $offer->priceCents ?? 5500,
                        'shared' => false,
                        'pages_allowed' => 20,
                        'chapters_as_pdf' => false,
                        'offline' => true,
                        'download' => 'none',
                    ],
                    form: (string) Str::uuid(),
                    beyond: true,
                    now: $now->subDays(self::ORDERS - $n),
                );
            }
            $sent = Order::query()->where('library_id', $library->id)->orderBy('id')->limit(self::SENT)->pluck('id');
            ($this->move)($staff, array_values($sent->all()), OrderState::Ordered, $now->subDay());
        }
    }
}
