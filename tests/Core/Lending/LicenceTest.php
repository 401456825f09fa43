<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use FigPorch\Core\Lending\Availability;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel as M;
use FigPorch\Core\Lending\SpendingOrder;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LicenceTest extends TestCase
{
    use Lending;

    /** @return iterable<string, array{Licence, bool, bool}> licence, can lend now, may lend some day */
    public static function states(): iterable
    {
        yield 'a free copy' => [self::licence(M::OneCopyOneUser), true, true];
        yield 'no free copy' => [self::licence(M::OneCopyOneUser, free: 0), false, true];
        yield 'before its start' => [self::licence(M::OneCopyOneUser, starts: '+1 day'), false, true];
        yield 'at its start' => [self::licence(M::OneCopyOneUser, starts: '+0 seconds'), true, true];
        yield 'one second before its end' => [self::licence(M::MeteredByTime, ends: '+1 second'), true, true];
        yield 'at its end' => [self::licence(M::MeteredByTime, ends: '+0 seconds'), false, false];
        yield 'one loan left' => [self::licence(M::MeteredByLoans, left: 1), true, true];
        yield 'no loan left' => [self::licence(M::MeteredByLoans, left: 0), false, false];
        yield 'loans left and no copy' => [self::licence(M::MeteredByLoans, free: 0, left: 5), false, true];
        yield 'loans left and past its date' => [
            self::licence(M::MeteredByLoans, left: 5, ends: '-1 day'),
            false,
            false,
        ];
        yield 'concurrent, all in use' => [self::licence(M::Concurrent, copies: 5, free: 0, left: 50), false, true];
        yield 'simultaneous' => [self::licence(M::Simultaneous), true, true];
        yield 'simultaneous that ended' => [self::licence(M::Simultaneous, ends: '-1 hour'), false, false];
        yield 'on order' => [self::licence(M::OneCopyOneUser, onOrder: true), false, true];
        yield 'on order for everybody' => [self::licence(M::Simultaneous, onOrder: true), false, true];
        yield 'on order until its licence ended' => [
            self::licence(M::MeteredByTime, ends: '-1 day', onOrder: true),
            false,
            false,
        ];
        yield 'pay per loan with money' => [self::licence(M::PayPerLoan, left: 2), true, true];
        yield 'pay per loan without' => [self::licence(M::PayPerLoan, left: 0), false, true];
    }

    #[DataProvider('states')]
    public function test_lends_and_will_lend(Licence $licence, bool $canLend, bool $hasFuture): void
    {
        $this->assertSame($canLend, $licence->canLend(self::now()));
        $this->assertSame($hasFuture, $licence->hasFuture(self::now()));
        $expected = match (true) {
            $canLend && $licence->model === M::Simultaneous => Availability::AlwaysReady,
            $canLend => Availability::ReadyNow,
            $hasFuture && $licence->onOrder => Availability::OnOrder,
            $hasFuture => Availability::Wait,
            default => Availability::NotHere,
        };
        $this->assertSame($expected, Availability::of([$licence], self::now()));
    }

    public function test_spending_order(): void
    {
        $order = [
            self::licence(M::Simultaneous, 9),
            self::licence(M::MeteredByTime, 8, ends: '+10 days'),
            self::licence(M::MeteredByTime, 2, ends: '+20 days'),
            self::licence(M::OneCopyOneUser, 4),
            self::licence(M::OneCopyOneUser, 6),
            self::licence(M::MeteredByLoans, 7, left: 20, ends: '+100 days'),
            self::licence(M::Concurrent, 3, left: 20, ends: '+400 days'),
            self::licence(M::MeteredByLoans, 1, left: 99),
            self::licence(M::OneCopyOneUser, 0, library: 2),
            self::licence(M::PayPerLoan, 5),
        ];
        for ($from = 0; $from < count($order); $from++) {
            $rest = array_slice($order, $from);
            shuffle($rest);
            $this->assertSame($order[$from]->id, SpendingOrder::choose($rest, 1, self::now())?->id);
        }
        $this->assertNull(SpendingOrder::choose([self::licence(M::OneCopyOneUser, free: 0)], 1, self::now()));
    }

    public function test_nothing_licensed_is_not_here(): void
    {
        $this->assertSame(Availability::NotHere, Availability::of([], self::now()));
    }

    public function test_copies_and_loans_must_fit_the_model(): void
    {
        $this->expectException(InvalidArgumentException::class);
        new Licence(
            id: 1,
            libraryId: 1,
            model: M::MeteredByLoans,
            copies: 1,
            copiesFree: 1,
            loansLeft: null,
            startsAt: self::now(),
            endsAt: null,
        );
    }
}
