<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use DateTimeZone;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\AlreadyOnLoan;
use FigPorch\Core\Lending\BorrowDecision;
use FigPorch\Core\Lending\CardStanding;
use FigPorch\Core\Lending\Granted;
use FigPorch\Core\Lending\HoldDecision;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel as M;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\LoanRule;
use FigPorch\Core\Lending\LoanTerms;
use FigPorch\Core\Lending\OpenLoan;
use FigPorch\Core\Lending\Refusal;
use FigPorch\Core\Lending\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DecisionTest extends TestCase
{
    use Lending;

    /** @param  list<Licence>  $licences */
    private static function borrow(CardStanding $card, array $licences, Audience $for = Audience::Adult, ?int $open = null, ?int $kept = null, ?LoanLength $length = null, ?LoanTerms $terms = null): Granted|AlreadyOnLoan|Refused
    {
        return BorrowDecision::decide($card, $terms ?? self::terms(), $for, $licences, $open, $kept, $length, new DateTimeZone('UTC'), self::now());
    }

    public function test_refusals_come_in_the_order_of_the_rules(): void
    {
        $teen = LoanTerms::from([new LoanRule(audienceCeiling: Audience::Teen)], 'teen', Format::Ebook);
        $full = [self::licence(M::OneCopyOneUser, free: 0)];
        $worst = self::card(loans: 7, blocked: true, expires: '-1 day');

        $this->assertSame(Refusal::CardBlocked, self::refusal(self::borrow($worst, [], terms: $teen)));
        $this->assertSame(Refusal::CardExpired, self::refusal(self::borrow(self::card(loans: 7, expires: '+0 seconds'), [], terms: $teen)));
        $this->assertSame(Refusal::AboveAudience, self::refusal(self::borrow(self::card(loans: 7), [], terms: $teen)));
        $this->assertSame(Refusal::NoLicence, self::refusal(self::borrow(self::card(loans: 7), [])));
        $this->assertInstanceOf(AlreadyOnLoan::class, self::borrow(self::card(loans: 7), $full, open: 5));
        $this->assertSame(Refusal::LoanLimit, self::refusal(self::borrow(self::card(loans: 7), $full)));
        $this->assertSame(Refusal::LengthNotOffered, self::refusal(self::borrow(self::card(), $full, length: LoanLength::days(8))));
        $this->assertSame(Refusal::NoCopyFree, self::refusal(self::borrow(self::card(), $full)));
        $this->assertInstanceOf(Granted::class, self::borrow(self::card(loans: 6), [self::licence(M::OneCopyOneUser)]));
    }

    public function test_at_the_limit_the_loan_that_ends_soonest_is_named(): void
    {
        $soonest = new OpenLoan(3, 'Low Water', self::now('+1 day'));
        $card = new CardStanding(1, 1, false, null, 7, 2, 0, 0, $soonest);
        $refused = self::borrow($card, [self::licence(M::OneCopyOneUser)]);

        $this->assertInstanceOf(Refused::class, $refused);
        $this->assertSame([7, $soonest], [$refused->limit, $refused->soonestDue]);
    }

    public function test_a_limit_of_one_format_counts_that_format_alone(): void
    {
        $terms = LoanTerms::from([new LoanRule(format: Format::Video, maxLoans: 2)], 'adult', Format::Video);

        $this->assertInstanceOf(Granted::class, self::borrow(new CardStanding(1, 1, false, null, 7, 1, 0, 0), [self::licence(M::OneCopyOneUser)], terms: $terms));
        $this->assertSame(Refusal::LoanLimit, self::refusal(self::borrow(new CardStanding(1, 1, false, null, 2, 2, 0, 0), [self::licence(M::OneCopyOneUser)], terms: $terms)));
    }

    public function test_the_copy_kept_for_this_card_is_taken_first(): void
    {
        $granted = self::borrow(self::card(), [self::licence(M::Simultaneous, 1), self::licence(M::OneCopyOneUser, 2, free: 0)], kept: 2);

        $this->assertInstanceOf(Granted::class, $granted);
        $this->assertSame(2, $granted->licence->id);
    }

    public function test_default_and_chosen_length(): void
    {
        $granted = self::borrow(self::card(), [self::licence(M::Simultaneous)]);
        $this->assertInstanceOf(Granted::class, $granted);
        $this->assertEquals(self::now('+14 days'), $granted->dueAt);

        $granted = self::borrow(self::card(), [self::licence(M::Simultaneous)], length: LoanLength::days(21));
        $this->assertInstanceOf(Granted::class, $granted);
        $this->assertEquals(self::now('+21 days'), $granted->dueAt);
    }

    /** @return iterable<string, array{CardStanding, list<Licence>, bool, bool, Refusal|null}> */
    public static function holds(): iterable
    {
        $out = self::licence(M::OneCopyOneUser, free: 0);
        yield 'granted' => [self::card(), [$out], false, false, null];
        yield 'before publication' => [self::card(), [self::licence(M::OneCopyOneUser, starts: '+30 days')], false, false, null];
        yield 'blocked' => [self::card(blocked: true), [$out], false, false, Refusal::CardBlocked];
        yield 'on loan' => [self::card(), [$out], true, false, Refusal::AlreadyOnLoan];
        yield 'in line' => [self::card(), [$out], false, true, Refusal::AlreadyHeld];
        yield 'a copy is free' => [self::card(), [$out, self::licence(M::Simultaneous, 2)], false, false, Refusal::CopyFree];
        yield 'nothing licensed' => [self::card(), [], false, false, Refusal::NoLicence];
        yield 'only what is spent' => [self::card(), [self::licence(M::MeteredByLoans, left: 0)], false, false, Refusal::NoLicence];
        yield 'at the limit' => [self::card(holds: 7), [$out], false, false, Refusal::HoldLimit];
    }

    /** @param  list<Licence>  $licences */
    #[DataProvider('holds')]
    public function test_placing_a_hold(CardStanding $card, array $licences, bool $onLoan, bool $held, ?Refusal $expected): void
    {
        $this->assertSame($expected, HoldDecision::refusal($card, self::terms(), Audience::Adult, $licences, $onLoan, $held, self::now())?->reason);
    }

    public function test_what_counts_as_a_turnaway(): void
    {
        $this->assertSame([Refusal::NoLicence, Refusal::NoCopyFree], array_values(array_filter(Refusal::cases(), fn (Refusal $r): bool => $r->isTurnaway())));
    }

    private static function refusal(Granted|AlreadyOnLoan|Refused $decision): Refusal
    {
        self::assertInstanceOf(Refused::class, $decision);

        return $decision->reason;
    }
}
