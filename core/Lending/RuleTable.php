<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use FigPorch\Core\Catalogue\Format;

/** A library's loan rules as one table: what holds for a group and a format, and which rule says so. */
final readonly class RuleTable
{
    /** @param  list<LoanRule>  $rules */
    public function __construct(public array $rules) {}

    /** The rule of exactly this group and format; one that says nothing where there is none. */
    public function rule(?string $group, ?Format $format): LoanRule
    {
        foreach ($this->rules as $rule) {
            if ($rule->group === $group && $rule->format === $format) {
                return $rule;
            }
        }

        return new LoanRule($group, $format);
    }

    /**
     * The rule that has the word: as in LoanTerms, the most specific that says anything. For all groups or all formats
     * it is what holds where nothing more specific does.
     *
     * @return array{LoanRule, RuleOrigin}
     */
    public function saying(RuleField $field, ?string $group, ?Format $format): array
    {
        $best = null;
        foreach ($this->rules as $rule) {
            $applies =
                ($rule->group === null || $rule->group === $group) &&
                ($rule->format === null || $rule->format === $format);
            if (
                $applies &&
                $field->of($rule) !== null &&
                ($best === null || $rule->specificity() > $best->specificity())
            ) {
                $best = $rule;
            }
        }

        return $best === null ? [LoanTerms::practice(), RuleOrigin::Practice] : [$best, RuleOrigin::of($best)];
    }

    /** The same with another rule in place of the one for its group and format. */
    public function with(LoanRule $new): self
    {
        $others = array_filter(
            $this->rules,
            fn(LoanRule $rule): bool => $rule->group !== $new->group || $rule->format !== $new->format,
        );

        return new self([...array_values($others), $new]);
    }

    /** @return string|null the length that is proposed and not offered, such as "28d": nobody could choose it */
    public function impossibleDefault(LoanRule $rule): ?string
    {
        $with = $this->with($rule);
        [$offering] = $with->saying(RuleField::Lengths, $rule->group, $rule->format);
        $offered = explode(' ', RuleField::Lengths->code($offering));

        return $rule->defaultLength !== null && !in_array($rule->defaultLength->code(), $offered, true)
            ? $rule->defaultLength->code()
            : null;
    }
}
