<?php

declare(strict_types=1);

namespace App\Desk\Orders;

use App\Models\Fund;
use App\Models\Library;
use FigPorch\Core\Desk\FundBalance;
use Illuminate\Support\Facades\DB;

/** What the funds of a library have in a budget year, and what orders have made of it. */
final class FundBalances
{
    public function of(Fund $fund, int $year): FundBalance
    {
        return $this->balances([$fund->id], $year)[$fund->id];
    }

    /**
     * @return list<array{fund: Fund, balance: FundBalance}> open funds, and closed ones that had something to do with
     *     the year; by name
     */
    public function all(Library $library, int $year): array
    {
        $funds = Fund::query()->where('library_id', $library->id)->orderByRaw('closed, lower(name)')->get();
        $balances = $this->balances(array_values($funds->pluck('id')->all()), $year);
        $rows = $funds->map(fn(Fund $fund): array => ['fund' => $fund, 'balance' => $balances[$fund->id]]);

        return array_values(
            $rows
                ->filter(fn(array $row): bool => !$row['fund']->closed || $row['balance'] != new FundBalance(0))
                ->all(),
        );
    }

    /** @return list<int> the budget years of which something is known, the newest first */
    public function years(Library $library): array
    {
        $years = DB::select(
            'select year from orders where library_id = ? union select y.year from fund_years y
                join funds f on f.id = y.fund_id where f.library_id = ? order by year desc',
            [$library->id, $library->id],
        );

        return array_map(intval(...), array_column($years, 'year'));
    }

    /**
     * @param  list<int>  $funds
     * @return array<int, FundBalance> by fund
     */
    private function balances(array $funds, int $year): array
    {
        $budgets = DB::table('fund_years')
            ->whereIn('fund_id', $funds)
            ->where('year', $year)
            ->pluck('budget_cents', 'fund_id');
        $sums = DB::table('orders')
            ->whereIn('fund_id', $funds)
            ->where('year', $year)
            ->groupBy('fund_id', 'state')
            ->get(['fund_id', 'state', DB::raw('sum(quantity::bigint * unit_cents) cents')])
            ->groupBy('fund_id');
        $balances = [];
        foreach ($funds as $fund) {
            $of = $sums->get($fund)?->pluck('cents', 'state') ?? collect();
            $balances[$fund] = new FundBalance(
                (int) ($budgets[$fund] ?? 0),
                (int) ($of['noted'] ?? 0),
                (int) ($of['ordered'] ?? 0),
                (int) ($of['received'] ?? 0),
            );
        }

        return $balances;
    }
}
