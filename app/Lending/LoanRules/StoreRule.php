<?php

declare(strict_types=1);

namespace App\Lending\LoanRules;

use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\LoanRule;
use Illuminate\Support\Facades\DB;

/** Writes the rule of a library for a group and a format, in place of the one there was. */
final class StoreRule
{
    public function __invoke(int $libraryId, LoanRule $rule): void
    {
        DB::table('loan_rules')
            ->where('library_id', $libraryId)
            ->where('patron_group', $rule->group)
            ->where('format', $rule->format?->value)
            ->delete();
        DB::table('loan_rules')->insert(['library_id' => $libraryId, ...self::row($rule)]);
    }

    /** @return array<string, int|string|null> columns of loan_rules */
    public static function row(LoanRule $rule): array
    {
        return [
            'patron_group' => $rule->group,
            'format' => $rule->format?->value,
            'max_loans' => $rule->maxLoans,
            'max_holds' => $rule->maxHolds,
            'lengths' =>
                $rule->lengths === null
                    ? null
                    : json_encode(
                        array_map(fn(LoanLength $of): string => $of->code(), $rule->lengths),
                        JSON_THROW_ON_ERROR,
                    ),
            'default_length' => $rule->defaultLength?->code(),
            'renewal_window_days' => $rule->renewalWindowDays,
            'max_renewals' => $rule->maxRenewals,
            'hold_kept_hours' => $rule->holdKeptHours,
            'pay_per_loan_monthly' => $rule->payPerLoanMonthly,
            'audience_ceiling' => $rule->audienceCeiling?->value,
        ];
    }
}
