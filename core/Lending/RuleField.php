<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use FigPorch\Core\Catalogue\Audience;

/** What a loan rule can say, each by the name of its column. */
enum RuleField: string
{
    case MaxLoans = 'max_loans';
    case MaxHolds = 'max_holds';
    case Lengths = 'lengths';
    case DefaultLength = 'default_length';
    case RenewalWindowDays = 'renewal_window_days';
    case MaxRenewals = 'max_renewals';
    case HoldKeptHours = 'hold_kept_hours';
    case PayPerLoanMonthly = 'pay_per_loan_monthly';
    case AudienceCeiling = 'audience_ceiling';

    /** @return int|LoanLength|Audience|list<LoanLength>|null null where the rule leaves it to others */
    public function of(LoanRule $rule): int|LoanLength|Audience|array|null
    {
        return match ($this) {
            self::MaxLoans => $rule->maxLoans,
            self::MaxHolds => $rule->maxHolds,
            self::Lengths => $rule->lengths === [] ? null : $rule->lengths,
            self::DefaultLength => $rule->defaultLength,
            self::RenewalWindowDays => $rule->renewalWindowDays,
            self::MaxRenewals => $rule->maxRenewals,
            self::HoldKeptHours => $rule->holdKeptHours,
            self::PayPerLoanMonthly => $rule->payPerLoanMonthly,
            self::AudienceCeiling => $rule->audienceCeiling,
        };
    }

    /** As one writes it: "8", "7d 14d", "teen"; '' where the rule leaves it to others. */
    public function code(LoanRule $rule): string
    {
        $value = $this->of($rule);

        return match (true) {
            $value === null => '',
            is_int($value) => (string) $value,
            $value instanceof LoanLength => $value->code(),
            $value instanceof Audience => $value->value,
            default => implode(' ', array_map(fn(LoanLength $of): string => $of->code(), $value)),
        };
    }

    /** @return array{int, int}|null the least and the most; null where it is no number */
    public function range(): ?array
    {
        return match ($this) {
            self::MaxLoans, self::MaxHolds, self::PayPerLoanMonthly => [0, 500],
            self::RenewalWindowDays => [0, 365],
            self::MaxRenewals => [0, 50],
            self::HoldKeptHours => [1, 720],
            self::Lengths, self::DefaultLength, self::AudienceCeiling => null,
        };
    }
}
