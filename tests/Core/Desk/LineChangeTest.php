<?php

declare(strict_types=1);

namespace Tests\Core\Desk;

use FigPorch\Core\Desk\LineChange;
use FigPorch\Core\Lending\LicenceModel as M;
use FigPorch\Core\Lending\LineLicence;
use InvalidArgumentException;
use PHPUnit\Framework\TestCase;
use Tests\Core\Lending\Lending;

final class LineChangeTest extends TestCase
{
    use Lending;

    /** Four copies: one on loan, two kept for holds, one free; 10 loans left. */
    private static function state(): LineLicence
    {
        return new LineLicence(
            self::licence(M::MeteredByLoans, id: 7, copies: 4, free: 1, left: 10),
            [self::now('+5 days')],
            [self::now('+1 day'), self::now('+2 days')],
            [self::now('-9 days')],
        );
    }

    public function test_raised_copies_are_free(): void
    {
        $change = LineChange::copies([self::state()], 7, 6);
        $this->assertSame(
            [6, 3, 0],
            [$change->licences[0]->licence->copies, $change->licences[0]->licence->copiesFree, $change->setBack],
        );
        $this->assertSame(3, $change->servedAtOnce(5, self::now()));
        $this->assertSame(2, $change->servedAtOnce(2, self::now()));
    }

    public function test_cut_copies_come_from_the_free_then_from_the_last_made_ready(): void
    {
        $three = LineChange::copies([self::state()], 7, 3);
        $this->assertSame([0, 0], [$three->licences[0]->licence->copiesFree, $three->setBack]);
        $two = LineChange::copies([self::state()], 7, 2);
        $this->assertSame(
            [0, 1, 11],
            [$two->licences[0]->licence->copiesFree, $two->setBack, $two->licences[0]->licence->loansLeft],
        );
        $this->assertEquals([self::now('+1 day')], $two->licences[0]->readyUntil);
        $this->assertSame(2, LineChange::copies([self::state()], 7, 1)->setBack);
    }

    public function test_a_licence_keeps_as_many_copies_as_are_on_loan(): void
    {
        $this->expectException(InvalidArgumentException::class);
        LineChange::copies([self::state()], 7, 0);
    }

    public function test_an_end_now_takes_ready_copies_back_and_a_later_one_shortens_their_time(): void
    {
        $now = LineChange::ended([self::state()], 7, self::now(), self::now());
        $this->assertSame([2, []], [$now->setBack, $now->licences[0]->readyUntil]);
        $this->assertFalse($now->licences[0]->licence->canLend(self::now()));
        $later = LineChange::ended([self::state()], 7, self::now('+36 hours'), self::now());
        $this->assertSame(0, $later->setBack);
        $this->assertEquals([self::now('+1 day'), self::now('+36 hours')], $later->licences[0]->readyUntil);
    }

    public function test_an_added_licence_serves_by_what_it_may_lend(): void
    {
        $added = fn(M $model, int $copies = 3, int $left = 2, string $starts = '-1 hour'): int => LineChange::added(
            [],
            self::licence($model, copies: $copies, free: $copies, left: $left, starts: $starts),
        )->servedAtOnce(9, self::now());
        $this->assertSame(3, $added(M::OneCopyOneUser));
        $this->assertSame(2, $added(M::MeteredByLoans), 'two loans are left');
        $this->assertSame(9, $added(M::Simultaneous));
        $this->assertSame(0, $added(M::PayPerLoan), 'no hold waits for pay per loan');
        $this->assertSame(0, $added(M::OneCopyOneUser, starts: '+3 days'));
    }
}
