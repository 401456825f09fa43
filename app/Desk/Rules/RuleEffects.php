<?php

declare(strict_types=1);

namespace App\Desk\Rules;

use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LoanTerms;
use FigPorch\Core\Lending\RuleTable;
use Illuminate\Support\Facades\DB;

/** What other rules would do to what is on loan and in line now. */
final class RuleEffects
{
    /**
     * @param  list<string>  $groups  those that the library has
     * @return array<string, int> cards above a new limit of loans or holds, loans that become renewable or are no more,
     *     holds of titles above a new ceiling; those that are none are left out
     */
    public function of(
        int $libraryId,
        RuleTable $before,
        RuleTable $after,
        array $groups,
        DateTimeImmutable $now,
    ): array {
        $effects = [
            'above_loans' => 0,
            'above_holds' => 0,
            'renewable' => 0,
            'not_renewable' => 0,
            'above_ceiling' => 0,
        ];
        foreach ($groups as $group) {
            $whole = ['loans' => false, 'holds' => false];
            foreach (Format::lent() as $format) {
                $old = LoanTerms::from($before->rules, $group, $format);
                $new = LoanTerms::from($after->rules, $group, $format);
                foreach (
                    [
                        'loans' => [$old->maxLoans, $new->maxLoans, $new->loansCountedByFormat],
                        'holds' => [$old->maxHolds, $new->maxHolds, $new->holdsCountedByFormat],
                    ]
                    as $what => [$was, $most, $byFormat]
                ) {
                    // One limit for all formats is counted once.
                    if ($most < $was && ($byFormat || !$whole[$what])) {
                        $effects["above_{$what}"] += $this->above(
                            $libraryId,
                            $group,
                            $what,
                            $most,
                            $byFormat ? $format : null,
                        );
                        $whole[$what] = $whole[$what] || !$byFormat;
                    }
                }
                [$more, $fewer] = $this->renewable(
                    libraryId: $libraryId,
                    group: $group,
                    format: $format,
                    old: $old,
                    new: $new,
                    now: $now,
                );
                $effects['renewable'] += $more;
                $effects['not_renewable'] += $fewer;
                $effects['above_ceiling'] += $this->holdsAbove($libraryId, $group, $format, $old, $new);
            }
        }

        return array_filter($effects);
    }

    private function above(int $libraryId, string $group, string $what, int $most, ?Format $format): int
    {
        $open = $what === 'loans' ? 'ended_at is null' : 'closed_at is null';

        return (int) ($format === null
            ? DB::scalar("select count(*) from cards where library_id = ? and patron_group = ? and {$what}_open > ?", [
                $libraryId,
                $group,
                $most,
            ])
            : DB::scalar(
                "select count(*) from (select x.card_id from {$what} x join cards c on c.id = x.card_id
                    join titles t on t.id = x.title_id where x.{$open} and c.library_id = ? and c.patron_group = ?
                    and t.format = ? group by 1 having count(*) > ?) y",
                [$libraryId, $group, $format->value, $most],
            ));
    }

    /** @return array{int, int} as far as dates and numbers go: that become renewable now, that no longer are */
    private function renewable(
        int $libraryId,
        string $group,
        Format $format,
        LoanTerms $old,
        LoanTerms $new,
        DateTimeImmutable $now,
    ): array {
        if ([$old->renewalWindowDays, $old->maxRenewals] === [$new->renewalWindowDays, $new->maxRenewals]) {
            return [0, 0];
        }
        $can = 'l.due_at <= ?::timestamptz + make_interval(days => ?) and l.renewals < ?';
        $at = Sql::second($now);
        $row = DB::selectOne(
            "select count(*) filter (where can and not could) more, count(*) filter (where could and not can) fewer
                from (select {$can} as could, {$can} as can from loans l join cards c on c.id = l.card_id
                join titles t on t.id = l.title_id where l.ended_at is null and c.library_id = ? and c.patron_group = ?
                and t.format = ?) x",
            [
                $at,
                $old->renewalWindowDays,
                $old->maxRenewals,
                $at,
                $new->renewalWindowDays,
                $new->maxRenewals,
                $libraryId,
                $group,
                $format->value,
            ],
        );

        return [(int) $row->more, (int) $row->fewer];
    }

    private function holdsAbove(int $libraryId, string $group, Format $format, LoanTerms $old, LoanTerms $new): int
    {
        $above = array_values(
            array_filter(
                Audience::cases(),
                fn(Audience $of): bool => $old->audienceCeiling->covers($of) && !$new->audienceCeiling->covers($of),
            ),
        );

        return $above === []
            ? 0
            : DB::table('holds')
                ->join('cards', 'cards.id', '=', 'holds.card_id')
                ->join('titles', 'titles.id', '=', 'holds.title_id')
                ->whereNull('closed_at')
                ->where('cards.library_id', $libraryId)
                ->where('patron_group', $group)
                ->where('titles.format', $format->value)
                ->whereIn('titles.audience', array_column($above, 'value'))
                ->count();
    }
}
