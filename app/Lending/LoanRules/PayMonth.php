<?php

declare(strict_types=1);

namespace App\Lending\LoanRules;

use App\Models\Card;
use App\Models\Library;
use App\Models\Person;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\PayPerLoan;

/** How far a card has come this month with loans paid for one by one. */
final class PayMonth
{
    public function __construct(private readonly LibraryRules $rules) {}

    /** What the card may borrow of what is ready; nobody's card may borrow everything. */
    public function eligibility(?Card $card, Library $library, DateTimeImmutable $now): CardEligibility
    {
        return $card === null
            ? new CardEligibility()
            : new CardEligibility(
                $this->rules->allowed($card),
                array_column(
                    array_filter(
                        Format::lent(),
                        fn(Format $f): bool => $this->of($card, $library, $f, $now)->capReached(),
                    ),
                    'value',
                ),
                $card->person->shows_older,
            );
    }

    /** @return array<int, CardEligibility> what a person's cards at other libraries may borrow, by library */
    public function elsewhere(?Person $person, Library $library, DateTimeImmutable $now): array
    {
        $elsewhere = [];
        foreach ($person->cards ?? [] as $card) {
            if ($card->library_id !== $library->id) {
                $elsewhere[$card->library_id] = $this->eligibility($card, $card->library, $now);
            }
        }

        return $elsewhere;
    }

    public function of(Card $card, Library $library, Format $format, DateTimeImmutable $now): PayPerLoan
    {
        $month = $now->setTimezone($library->zone())->format('Y-m-01');

        return new PayPerLoan(
            $card->pay_month === $month ? $card->pay_loans : 0,
            $this->rules->terms($card->library_id, $card->patron_group, $format)->payPerLoanMonthly,
            PayPerLoan::nextMonth($now, $library->zone()),
        );
    }
}
