<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;

/** What a library's rules come to for one patron group and one format. */
final readonly class LoanTerms
{
    /**
     * @param  int  $maxLoans  most open loans; of this format alone if $loansCountedByFormat
     * @param  non-empty-list<LoanLength>  $lengths  shortest first
     */
    public function __construct(
        public int $maxLoans,
        public bool $loansCountedByFormat,
        public int $maxHolds,
        public bool $holdsCountedByFormat,
        public array $lengths,
        public LoanLength $defaultLength,
        public int $renewalWindowDays,
        public int $maxRenewals,
        public int $holdKeptHours,
        public int $payPerLoanMonthly,
        public Audience $audienceCeiling,
    ) {}

    /**
     * Field by field, the most specific rule that says anything wins; below them all stand values of common practice.
     *
     * @param  iterable<LoanRule>  $rules
     * @param  LoanLength|null  $ownDefault  the patron's own default for the format, heeded if it is offered
     */
    public static function from(iterable $rules, string $group, Format $format, ?LoanLength $ownDefault = null): self
    {
        $applying = [];
        foreach ($rules as $rule) {
            if ($rule->appliesTo($group, $format)) {
                $applying[] = $rule;
            }
        }
        usort($applying, fn(LoanRule $a, LoanRule $b): int => $b->specificity() <=> $a->specificity());
        $applying[] = self::practice();

        $loans = self::first(
            $applying,
            fn(LoanRule $r): ?array => $r->maxLoans === null ? null : [$r->maxLoans, $r->format !== null],
        );
        $holds = self::first(
            $applying,
            fn(LoanRule $r): ?array => $r->maxHolds === null ? null : [$r->maxHolds, $r->format !== null],
        );
        $lengths = self::first($applying, fn(LoanRule $r): ?array => $r->lengths === [] ? null : $r->lengths);
        usort($lengths, fn(LoanLength $a, LoanLength $b): int => $a->nominalHours() <=> $b->nominalHours());
        $default =
            $ownDefault !== null && in_array($ownDefault, $lengths, false)
                ? $ownDefault
                : self::first($applying, fn(LoanRule $r): ?LoanLength => $r->defaultLength);

        return new self(
            maxLoans: $loans[0],
            loansCountedByFormat: $loans[1],
            maxHolds: $holds[0],
            holdsCountedByFormat: $holds[1],
            lengths: $lengths,
            defaultLength: in_array($default, $lengths, false) ? $default : $lengths[0],
            renewalWindowDays: self::first($applying, fn(LoanRule $r): ?int => $r->renewalWindowDays),
            maxRenewals: self::first($applying, fn(LoanRule $r): ?int => $r->maxRenewals),
            holdKeptHours: self::first($applying, fn(LoanRule $r): ?int => $r->holdKeptHours),
            payPerLoanMonthly: self::first($applying, fn(LoanRule $r): ?int => $r->payPerLoanMonthly),
            audienceCeiling: self::first($applying, fn(LoanRule $r): ?Audience => $r->audienceCeiling),
        );
    }

    /** The shortest look that is offered: a loan of hours that can become one of days. */
    public function shortLook(): ?LoanLength
    {
        return $this->lengths[0]->inHours && LongerDecision::usual($this) !== null ? $this->lengths[0] : null;
    }

    /** What holds where a library says nothing (common practice, no source). */
    public static function practice(): LoanRule
    {
        return new LoanRule(
            maxLoans: 7,
            maxHolds: 7,
            lengths: [LoanLength::days(7), LoanLength::days(14), LoanLength::days(21)],
            defaultLength: LoanLength::days(14),
            renewalWindowDays: 3,
            maxRenewals: 2,
            holdKeptHours: 72,
            payPerLoanMonthly: 3,
            audienceCeiling: Audience::Adult,
        );
    }

    public function offers(LoanLength $length): bool
    {
        return in_array($length, $this->lengths, false);
    }

    public function longest(): LoanLength
    {
        return $this->lengths[count($this->lengths) - 1];
    }

    /**
     * @template T
     *
     * @param  non-empty-list<LoanRule>  $rules  the last one says everything
     * @param  callable(LoanRule): (T|null)  $field
     * @return T
     */
    private static function first(array $rules, callable $field): mixed
    {
        foreach ($rules as $rule) {
            $value = $field($rule);
            if ($value !== null) {
                return $value;
            }
        }

        throw new \LogicException('The last rule leaves a field open.');
    }
}
