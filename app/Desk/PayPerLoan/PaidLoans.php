<?php

declare(strict_types=1);

namespace App\Desk\PayPerLoan;

use App\Models\Library;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Desk\SpendingForecast;
use Illuminate\Support\Facades\DB;

/** What a library has spent on loans that are paid one by one, and will have by the end of the month. */
final class PaidLoans
{
    public const MONTHS = 12;

    private const MEASURED_DAYS = 28;

    private const MOST_TITLES = 25;

    public function forecast(Library $library, DateTimeImmutable $now): SpendingForecast
    {
        $local = $now->setTimezone($library->zone());
        $end = $local->modify('first day of next month')->setTime(0, 0);
        $month = $this->month($library, $local->format('Y-m'));
        $first = DB::table('loans')
            ->join('licences', 'licences.id', 'loans.licence_id')
            ->where('licences.library_id', $library->id)
            ->where('licences.model', 'pay_per_loan')
            ->min('licences.starts_at');
        $known = $first === null ? 1 : ($now->getTimestamp() - (new DateTimeImmutable($first))->getTimestamp()) / 86400;
        $days = max(1.0, min(self::MEASURED_DAYS, $known));
        $paid = DB::select(
            'select l.paid_cents from loans l join licences li on li.id = l.licence_id where li.library_id = ?
                and li.model = \'pay_per_loan\' and l.paid_cents is not null and l.started_at > ?',
            [$library->id, Sql::second($now->modify('-' . (int) round($days * 86400) . ' seconds'))],
        );

        return SpendingForecast::of(
            $month['spent'],
            $month['budget'],
            array_map(intval(...), array_column($paid, 'paid_cents')),
            $days,
            ($end->getTimestamp() - $now->getTimestamp()) / 86400,
        );
    }

    /** @return array{budget: int, spent: int, own: bool} cents; own: the month has a budget of its own */
    public function month(Library $library, string $month): array
    {
        $row = DB::table('pay_per_loan_months')
            ->where('library_id', $library->id)
            ->where('month', "{$month}-01")
            ->first();

        return [
            'budget' => $row->budget_cents ?? $library->pay_per_loan_budget_cents,
            'spent' => $row->spent_cents ?? 0,
            'own' => $row !== null,
        ];
    }

    /**
     * @return list<array{month: string, budget: int, spent: int, own: bool, loans: int}> from three months on back to
     *     a year ago, "2026-11"
     */
    public function months(Library $library, DateTimeImmutable $now): array
    {
        $first = $now->setTimezone($library->zone())->modify('first day of this month')->setTime(0, 0);
        $counts = DB::select(
            "select to_char(l.started_at at time zone ?, 'YYYY-MM') as month, count(*) n from loans l
                join licences li on li.id = l.licence_id where li.library_id = ? and li.model = 'pay_per_loan'
                and l.started_at >= ? group by 1",
            [$library->timezone, $library->id, Sql::second($first->modify('-' . self::MONTHS . ' months'))],
        );
        $loans = array_column($counts, 'n', 'month');
        $months = [];
        for ($n = 3; $n > -self::MONTHS; $n--) {
            $month = $first->modify("{$n} months")->format('Y-m');
            $months[] = ['month' => $month, ...$this->month($library, $month), 'loans' => (int) ($loans[$month] ?? 0)];
        }

        return $months;
    }

    /**
     * @return list<object{id: int, name: string, format: string, loans: int, cents: int}> what the most was paid for
     *     in the last year
     */
    public function dearest(Library $library, DateTimeImmutable $now): array
    {
        return array_values(
            DB::select(
                'select t.id, t.name, t.format, count(*)::int loans, sum(l.paid_cents)::int cents from loans l
                    join licences li on li.id = l.licence_id join titles t on t.id = li.title_id
                    where li.library_id = ? and li.model = \'pay_per_loan\' and l.started_at > ?
                    group by t.id order by cents desc nulls last, t.id limit ' . self::MOST_TITLES,
                [$library->id, Sql::second($now->modify('-1 year'))],
            ),
        );
    }
}
