<?php

declare(strict_types=1);

namespace App\Desk\Rules;

use App\Shared\Input;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\LoanRule;
use FigPorch\Core\Lending\RuleField;
use Illuminate\Http\Request;
use InvalidArgumentException;

/** A loan rule as somebody wrote it: the rule, or what is wrong with it. */
final readonly class RuleInput
{
    private const MOST_LENGTHS = 8;

    /**
     * @param  array<string, string>  $wrong  by field
     * @param  DateTimeImmutable|null  $from  the beginning of the day from which it holds; null: at once
     * @param  string  $seen  codes of the rule as the form showed it
     */
    private function __construct(
        public LoanRule $rule,
        public array $wrong,
        public ?DateTimeImmutable $from,
        public string $seen,
    ) {}

    public static function of(Request $request, ?string $group, ?Format $format, DateTimeZone $zone): self
    {
        $values = [];
        $wrong = [];
        foreach (RuleField::cases() as $field) {
            $text = mb_substr(Input::text($request, $field->value), 0, 100);
            try {
                $values[$field->value] = $text === '' ? null : self::value($field, $text);
            } catch (InvalidArgumentException) {
                $range = $field->range();
                $wrong[$field->value] =
                    $range === null
                        ? __("rules.wrong.{$field->value}")
                        : __('rules.wrong.number', ['least' => (string) $range[0], 'most' => (string) $range[1]]);
            }
        }
        $day = Input::text($request, 'from');
        $from = DateTimeImmutable::createFromFormat('!Y-m-d', $day, $zone);
        $isDay = $from !== false && $from->format('Y-m-d') === $day;
        if ($day !== '' && (!$isDay || $from < CarbonImmutable::now() || $day > '2200')) {
            $wrong['from'] = __('rules.wrong.from');
        }

        return new self(
            self::rule($group, $format, $values),
            $wrong,
            $isDay ? $from : null,
            Input::text($request, 'seen'),
        );
    }

    /** What tells whether a rule is still the one that a form showed. */
    public static function seen(LoanRule $rule): string
    {
        return implode('|', array_map(fn(RuleField $field): string => $field->code($rule), RuleField::cases()));
    }

    /** @param  array<string, string>  $codes  by field, as one writes them; '' for nothing */
    public static function fromCodes(?string $group, ?Format $format, array $codes): LoanRule
    {
        $values = [];
        foreach (RuleField::cases() as $field) {
            $code = $codes[$field->value] ?? '';
            $values[$field->value] = $code === '' ? null : self::value($field, $code);
        }

        return self::rule($group, $format, $values);
    }

    /** @return int|LoanLength|Audience|list<LoanLength> */
    private static function value(RuleField $field, string $text): int|LoanLength|Audience|array
    {
        $range = $field->range();
        if ($range !== null) {
            $number = preg_match('/^\d{1,4}$/D', $text) === 1 ? (int) $text : -1;

            return $number >= $range[0] && $number <= $range[1] ? $number : throw new InvalidArgumentException();
        }
        if ($field === RuleField::AudienceCeiling) {
            return Audience::tryFrom($text) ?? throw new InvalidArgumentException();
        }
        $codes = preg_split('/[\s,;]+/', mb_strtolower($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        // A number alone is of days.
        $lengths = array_map(
            fn(string $code): LoanLength => LoanLength::parse(ctype_digit($code) ? "{$code}d" : $code),
            array_values(array_unique($codes)),
        );
        $most = $field === RuleField::DefaultLength ? 1 : self::MOST_LENGTHS;
        if ($lengths === [] || count($lengths) > $most) {
            throw new InvalidArgumentException();
        }

        return $field === RuleField::DefaultLength ? $lengths[0] : $lengths;
    }

    /** @param  array<string, mixed>  $values  by field */
    private static function rule(?string $group, ?Format $format, array $values): LoanRule
    {
        $number = fn(RuleField $of): ?int => is_int($values[$of->value] ?? null) ? $values[$of->value] : null;
        $lengths = $values[RuleField::Lengths->value] ?? null;
        $default = $values[RuleField::DefaultLength->value] ?? null;
        $ceiling = $values[RuleField::AudienceCeiling->value] ?? null;

        return new LoanRule(
            group: $group,
            format: $format,
            maxLoans: $number(RuleField::MaxLoans),
            maxHolds: $number(RuleField::MaxHolds),
            lengths: is_array($lengths)
                ? array_values(array_filter($lengths, fn($l) => $l instanceof LoanLength))
                : null,
            defaultLength: $default instanceof LoanLength ? $default : null,
            renewalWindowDays: $number(RuleField::RenewalWindowDays),
            maxRenewals: $number(RuleField::MaxRenewals),
            holdKeptHours: $number(RuleField::HoldKeptHours),
            payPerLoanMonthly: $number(RuleField::PayPerLoanMonthly),
            audienceCeiling: $ceiling instanceof Audience ? $ceiling : null,
        );
    }
}
