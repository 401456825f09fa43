<?php

declare(strict_types=1);

namespace Tests\Core\Desk;

use FigPorch\Core\Desk\Demand;
use FigPorch\Core\Desk\LicenceCost;
use FigPorch\Core\Desk\Offer;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel as M;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Lending\Lending;

/**
 * Worked by hand: a title wanted 0.2 times a day, 10 in line, loans of 10 days each, looked at over 500 days: 110 loans
 * wanted.
 */
final class LicenceCostTest extends TestCase
{
    use Lending;

    /** @param  list<Licence>  $others */
    private static function cost(array $others = [], float $perDay = 0.2, int $waiting = 10): LicenceCost
    {
        return new LicenceCost(new Demand($perDay, $waiting), 10.0, $others, 500.0, self::now());
    }

    #[DataProvider('offers')]
    public function test_the_same_money_in_each_model(
        Offer $offer,
        int $money,
        int $units,
        float $loans,
        ?float $centsPerLoan,
    ): void {
        $value = self::cost()->of($offer, $money);
        $this->assertSame($units, $value->units);
        $this->assertEqualsWithDelta($loans, $value->loans, 1e-9);
        $centsPerLoan === null
            ? $this->assertNull($value->centsPerLoan)
            : $this->assertEqualsWithDelta($centsPerLoan, $value->centsPerLoan, 1e-9);
    }

    /** @return iterable<string, array{Offer, int, int, float, float|null}> */
    public static function offers(): iterable
    {
        // One copy gives 500 / 10 = 50 loans.
        yield 'one copy' => [new Offer(M::OneCopyOneUser, 5000, 1, null, null), 5000, 1, 50, 100];
        // 110 are wanted, so three copies are enough, whatever the money.
        yield 'no more copies than are wanted' => [
            new Offer(M::OneCopyOneUser, 5000, 1, null, null),
            99_999,
            3,
            110,
            15_000 / 110,
        ];
        // A year: 10 + 0.2 · 365 = 83 wanted; a copy gives 36.5.
        yield 'metered by time' => [new Offer(M::MeteredByTime, 3650, 1, null, 365), 3650, 1, 36.5, 100];
        yield 'metered by loans' => [new Offer(M::MeteredByLoans, 2600, 1, 26, null), 5200, 2, 52, 100];
        yield 'metered by loans, ending before they are lent' => [
            new Offer(M::MeteredByLoans, 1000, 1, 26, 100),
            1000,
            1,
            10,
            100,
        ];
        yield 'concurrent' => [new Offer(M::Concurrent, 8000, 5, 80, null), 8000, 1, 80, 100];
        yield 'simultaneous' => [new Offer(M::Simultaneous, 11_000, null, null, null), 11_000, 1, 110, 100];
        yield 'pay per loan' => [new Offer(M::PayPerLoan, 250, null, null, null), 10_000, 40, 40, 250];
        yield 'pay per loan, no more than are wanted' => [
            new Offer(M::PayPerLoan, 50, null, null, null),
            10_000,
            110,
            110,
            50,
        ];
        yield 'more than the money' => [new Offer(M::Simultaneous, 20_000, null, null, null), 10_000, 0, 0, null];
    }

    public function test_what_other_licences_can_serve_is_no_gain(): void
    {
        $offer = new Offer(M::PayPerLoan, 100, null, null, null);
        $loans = fn(Licence ...$others): float => self::cost(array_values($others))->of($offer, 1_000_000)->loans;

        $this->assertEqualsWithDelta(60, $loans(self::licence(M::OneCopyOneUser)), 1e-9, 'a copy serves 50');
        $this->assertEqualsWithDelta(
            100,
            $loans(self::licence(M::MeteredByTime, ends: '+100 days')),
            1e-9,
            'a copy for 100 days serves 10',
        );
        $this->assertEqualsWithDelta(103, $loans(self::licence(M::MeteredByLoans, left: 7)), 1e-9, 'seven are left');
        $this->assertEqualsWithDelta(
            70,
            $loans(self::licence(M::OneCopyOneUser, starts: '+100 days')),
            1e-9,
            'it begins in 100 days',
        );
        $this->assertEqualsWithDelta(110, $loans(self::licence(M::PayPerLoan)), 1e-9, 'it is what a licence replaces');
        $this->assertSame(0.0, $loans(self::licence(M::Simultaneous)));
        $this->assertNull(self::cost([self::licence(M::Simultaneous)])->of($offer, 1000)->centsPerLoan);
    }

    public function test_demand_as_of_late(): void
    {
        $demand = Demand::measured(30, 6, 180);
        $this->assertEqualsWithDelta(0.2, $demand->perDay, 1e-9);
        $this->assertSame(6, $demand->waiting);
        $this->assertSame(3.0, Demand::measured(2, 1, 0.1)->perDay, 'a licence of this morning counts as a day');
    }

    public function test_an_offer_that_says_too_little_is_none(): void
    {
        $this->expectException(InvalidArgumentException::class);
        new Offer(M::MeteredByLoans, 100, 1, null, null);
    }
}
