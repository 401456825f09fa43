<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use DateTimeImmutable;
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
use FigPorch\Core\Lending\LongerDecision;
use FigPorch\Core\Lending\OpenLoan;
use FigPorch\Core\Lending\PayPerLoan;
use FigPorch\Core\Lending\Refusal;
use FigPorch\Core\Lending\Refused;
use FigPorch\Core\Lending\RenewalDecision;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DecisionTest extends TestCase
{
    use Lending;

    /** @param  list<Licence>  $licences */
    private static function borrow(
        CardStanding $card,
        array $licences,
        Audience $for = Audience::Adult,
        ?int $open = null,
        ?int $kept = null,
        ?LoanLength $length = null,
        ?LoanTerms $terms = null,
        ?PayPerLoan $month = null,
    ): Granted|AlreadyOnLoan|Refused {
        return BorrowDecision::decide(
            card: $card,
            terms: $terms ?? self::terms(),
            titleAudience: $for,
            licences: $licences,
            openLoanId: $open,
            keptLicenceId: $kept,
            payPerLoan: $month,
            length: $length,
            libraryZone: new DateTimeZone('UTC'),
            now: self::now(),
        );
    }

    public function test_refusals_come_in_the_order_of_the_rules(): void
    {
        $teen = LoanTerms::from([new LoanRule(audienceCeiling: Audience::Teen)], 'teen', Format::Ebook);
        $full = [self::licence(M::OneCopyOneUser, free: 0)];
        $worst = self::card(loans: 7, blocked: true, expires: '-1 day');

        $this->assertSame(Refusal::CardBlocked, self::refusal(self::borrow($worst, [], terms: $teen)));
        $this->assertSame(
            Refusal::CardExpired,
            self::refusal(self::borrow(self::card(loans: 7, expires: '+0 seconds'), [], terms: $teen)),
        );
        $this->assertSame(Refusal::AboveAudience, self::refusal(self::borrow(self::card(loans: 7), [], terms: $teen)));
        $this->assertSame(Refusal::NoLicence, self::refusal(self::borrow(self::card(loans: 7), [])));
        $this->assertInstanceOf(AlreadyOnLoan::class, self::borrow(self::card(loans: 7), $full, open: 5));
        // A loan outlives its licence.
        $gone = [self::licence(M::MeteredByTime, ends: '-1 day')];
        $this->assertInstanceOf(AlreadyOnLoan::class, self::borrow(self::card(), $gone, open: 5));
        $ordered = [self::licence(M::OneCopyOneUser, onOrder: true), self::licence(M::PayPerLoan, 2, onOrder: true)];
        $this->assertSame(Refusal::OnOrder, self::refusal(self::borrow(self::card(loans: 7), $ordered)));
        $this->assertSame(Refusal::LoanLimit, self::refusal(self::borrow(self::card(loans: 7), $full)));
        $this->assertSame(
            Refusal::LengthNotOffered,
            self::refusal(self::borrow(self::card(), $full, length: LoanLength::days(8))),
        );
        $this->assertSame(Refusal::NoCopyFree, self::refusal(self::borrow(self::card(), $full)));
        $this->assertInstanceOf(Granted::class, self::borrow(self::card(loans: 6), [self::licence(M::OneCopyOneUser)]));
    }

    public function test_at_the_limit_the_loan_that_ends_soonest_is_named(): void
    {
        $soonest = new OpenLoan(3, 'Low Water', self::now('+1 day'));
        $card = new CardStanding(
            id: 1,
            libraryId: 1,
            blocked: false,
            expiresAt: null,
            loansOpen: 7,
            loansOpenOfFormat: 2,
            holdsOpen: 0,
            holdsOpenOfFormat: 0,
            soonestDue: $soonest,
        );
        $refused = self::borrow($card, [self::licence(M::OneCopyOneUser)]);

        $this->assertInstanceOf(Refused::class, $refused);
        $this->assertSame([7, $soonest], [$refused->limit, $refused->soonestDue]);
    }

    public function test_a_limit_of_one_format_counts_that_format_alone(): void
    {
        $terms = LoanTerms::from([new LoanRule(format: Format::Video, maxLoans: 2)], 'adult', Format::Video);

        $this->assertInstanceOf(
            Granted::class,
            self::borrow(
                new CardStanding(
                    id: 1,
                    libraryId: 1,
                    blocked: false,
                    expiresAt: null,
                    loansOpen: 7,
                    loansOpenOfFormat: 1,
                    holdsOpen: 0,
                    holdsOpenOfFormat: 0,
                ),
                [self::licence(M::OneCopyOneUser)],
                terms: $terms,
            ),
        );
        $this->assertSame(
            Refusal::LoanLimit,
            self::refusal(
                self::borrow(
                    new CardStanding(
                        id: 1,
                        libraryId: 1,
                        blocked: false,
                        expiresAt: null,
                        loansOpen: 2,
                        loansOpenOfFormat: 2,
                        holdsOpen: 0,
                        holdsOpenOfFormat: 0,
                    ),
                    [self::licence(M::OneCopyOneUser)],
                    terms: $terms,
                ),
            ),
        );
    }

    public function test_the_copy_kept_for_this_card_is_taken_first(): void
    {
        $granted = self::borrow(
            self::card(),
            [self::licence(M::Simultaneous, 1), self::licence(M::OneCopyOneUser, 2, free: 0)],
            kept: 2,
        );

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
        yield 'before publication' => [
            self::card(),
            [self::licence(M::OneCopyOneUser, starts: '+30 days')],
            false,
            false,
            null,
        ];
        yield 'blocked' => [self::card(blocked: true), [$out], false, false, Refusal::CardBlocked];
        yield 'on loan' => [self::card(), [$out], true, false, Refusal::AlreadyOnLoan];
        yield 'in line' => [self::card(), [$out], false, true, Refusal::AlreadyHeld];
        yield 'a copy is free' => [
            self::card(),
            [$out, self::licence(M::Simultaneous, 2)],
            false,
            false,
            Refusal::CopyFree,
        ];
        yield 'nothing licensed' => [self::card(), [], false, false, Refusal::NoLicence];
        yield 'only what is spent' => [
            self::card(),
            [self::licence(M::MeteredByLoans, left: 0)],
            false,
            false,
            Refusal::NoLicence,
        ];
        yield 'at the limit' => [self::card(holds: 7), [$out], false, false, Refusal::HoldLimit];
    }

    /** @param  list<Licence>  $licences */
    #[DataProvider('holds')]
    public function test_placing_a_hold(
        CardStanding $card,
        array $licences,
        bool $onLoan,
        bool $held,
        ?Refusal $expected,
    ): void {
        $this->assertSame(
            $expected,
            HoldDecision::refusal(
                card: $card,
                terms: self::terms(),
                titleAudience: Audience::Adult,
                licences: $licences,
                alreadyOnLoan: $onLoan,
                alreadyHeld: $held,
                payPerLoan: null,
                now: self::now(),
            )?->reason,
        );
    }

    public function test_pay_per_loan_comes_last_and_says_when_it_resets(): void
    {
        $month = fn(int $loans): PayPerLoan => new PayPerLoan($loans, 3, self::now('+30 days'));
        $paid = self::licence(M::PayPerLoan, 1, left: 5);
        $spent = self::licence(M::PayPerLoan, 1, left: 0);
        $out = self::licence(M::OneCopyOneUser, 2, free: 0);

        $granted = self::borrow(self::card(), [$paid, self::licence(M::OneCopyOneUser, 3)], month: $month(0));
        $this->assertSame(3, $granted instanceof Granted ? $granted->licence->id : null, 'a copy before money');
        $granted = self::borrow(self::card(), [$paid, $out], month: $month(2));
        $this->assertSame(1, $granted instanceof Granted ? $granted->licence->id : null, 'money before waiting');

        $this->assertSame(
            Refusal::NoCopyFree,
            self::refusal(self::borrow(self::card(), [$paid, $out], month: $month(3))),
            'a copy to wait for',
        );
        foreach (
            [[$paid, 3, Refusal::PayPerLoanCap], [$spent, 0, Refusal::PayPerLoanBudget]]
            as [$licence, $loans, $reason]
        ) {
            $refused = self::borrow(self::card(), [$licence], month: $month($loans));
            $this->assertSame($reason, self::refusal($refused));
            $this->assertEquals(self::now('+30 days'), $refused instanceof Refused ? $refused->at : null);
        }
        $this->assertSame(
            Refusal::NoLicence,
            HoldDecision::refusal(
                card: self::card(),
                terms: self::terms(),
                titleAudience: Audience::Adult,
                licences: [$spent],
                alreadyOnLoan: false,
                alreadyHeld: false,
                payPerLoan: $month(0),
                now: self::now(),
            )?->reason,
            'nobody can wait for a budget',
        );
        $this->assertNull(
            HoldDecision::refusal(
                card: self::card(),
                terms: self::terms(),
                titleAudience: Audience::Adult,
                licences: [$paid, $out],
                alreadyOnLoan: false,
                alreadyHeld: false,
                payPerLoan: $month(3),
                now: self::now(),
            ),
        );
    }

    /**
     * Months are those of the library: in the Azores (UTC−1, UTC in summer) November ends an hour after it does in
     * UTC.
     */
    public function test_the_month_is_the_librarys(): void
    {
        $zone = new DateTimeZone('Atlantic/Azores');
        $this->assertSame(
            '2026-12-01T01:00:00+00:00',
            PayPerLoan::nextMonth(new DateTimeImmutable('2026-12-01T00:30:00Z'), $zone)->format(DATE_ATOM),
        );
        $this->assertSame(
            '2027-01-01T01:00:00+00:00',
            PayPerLoan::nextMonth(new DateTimeImmutable('2026-12-01T01:00:00Z'), $zone)->format(DATE_ATOM),
        );
    }

    public function test_a_title_to_come_says_when(): void
    {
        $refused = self::borrow(self::card(), [self::licence(M::OneCopyOneUser, starts: '+9 days')]);
        $this->assertSame(Refusal::NotYet, self::refusal($refused));
        $this->assertEquals(self::now('+9 days'), $refused instanceof Refused ? $refused->at : null);
    }

    /** @return iterable<string, array{Refusal|null, string, int, int, int, bool, Licence}> */
    public static function renewals(): iterable
    {
        $out = self::licence(M::OneCopyOneUser, free: 0);
        yield 'granted' => [null, '+2 days', 0, 0, 0, false, $out];
        yield 'too early' => [Refusal::TooEarlyToRenew, '+4 days', 0, 0, 0, false, $out];
        yield 'others wait' => [Refusal::OthersWait, '+2 days', 0, 1, 0, false, $out];
        yield 'others wait, and a copy is free for them' => [null, '+2 days', 0, 1, 1, false, $out];
        yield 'renewed enough' => [Refusal::RenewedEnough, '+2 days', 2, 0, 0, false, $out];
        yield 'blocked' => [Refusal::CardBlocked, '+2 days', 0, 0, 0, true, $out];
        yield 'licence over' => [
            Refusal::LicenceEnded,
            '+2 days',
            0,
            0,
            0,
            false,
            self::licence(M::MeteredByTime, free: 0, ends: '-1 day'),
        ];
        yield 'loans run out' => [
            Refusal::LicenceEnded,
            '+2 days',
            0,
            0,
            0,
            false,
            self::licence(M::MeteredByLoans, free: 0, left: 0),
        ];
        yield 'cap of the month' => [Refusal::PayPerLoanCap, '+2 days', 0, 0, 0, false, self::licence(M::PayPerLoan)];
    }

    #[DataProvider('renewals')]
    public function test_renewing(
        ?Refusal $expected,
        string $due,
        int $renewals,
        int $waiting,
        int $free,
        bool $blocked,
        Licence $licence,
    ): void {
        $decision = RenewalDecision::decide(
            card: self::card(blocked: $blocked),
            terms: self::terms(),
            licence: $licence,
            dueAt: self::now($due),
            renewals: $renewals,
            waiting: $waiting,
            copiesFree: $free,
            payPerLoan: new PayPerLoan(3, 3, self::now('+30 days')),
            length: null,
            libraryZone: new DateTimeZone('UTC'),
            now: self::now(),
        );
        if ($expected !== null) {
            $this->assertSame($expected, self::refusal($decision));
        } else {
            $this->assertInstanceOf(Granted::class, $decision);
            $this->assertEquals(self::now($due)->modify('+14 days'), $decision->dueAt, 'from the due time on');
        }
    }

    public function test_a_short_look_becomes_a_loan_of_days_from_its_own_beginning(): void
    {
        $terms = LoanTerms::from(
            [new LoanRule(lengths: [LoanLength::hours(1), LoanLength::days(7)], defaultLength: LoanLength::hours(1))],
            'adult',
            Format::Ebook,
        );
        $decide = fn(
            LoanTerms $terms,
            ?LoanLength $length = null,
            int $waiting = 0,
            int $free = 0,
            string $was = '1h',
            bool $blocked = false,
        ): Granted|Refused => LongerDecision::decide(
            card: self::card(blocked: $blocked),
            terms: $terms,
            licence: self::licence(M::MeteredByTime, ends: '+1 hour'),
            was: LoanLength::parse($was),
            startedAt: self::now('-50 minutes'),
            waiting: $waiting,
            copiesFree: $free,
            length: $length,
            libraryZone: new DateTimeZone('UTC'),
            now: self::now(),
        );
        $granted = $decide($terms);
        $this->assertInstanceOf(Granted::class, $granted);
        $this->assertEquals(self::now('-50 minutes')->modify('+7 days'), $granted->dueAt, 'it outlives its licence');
        $this->assertSame('7d', $granted->length->code(), 'the shortest in days');
        $this->assertInstanceOf(Granted::class, $decide($terms, waiting: 2, free: 1));
        $this->assertSame(Refusal::OthersWait, self::refusal($decide($terms, waiting: 1)));
        $this->assertSame(Refusal::CardBlocked, self::refusal($decide($terms, waiting: 1, blocked: true)));
        foreach ([LoanLength::days(14), LoanLength::hours(1)] as $not) {
            $this->assertSame(Refusal::LengthNotOffered, self::refusal($decide($terms, $not)));
        }
        $this->assertSame(Refusal::LengthNotOffered, self::refusal($decide($terms, was: '7d')), 'it is long already');
        $this->assertSame('1h', $terms->shortLook()?->code());

        $hours = LoanTerms::from([new LoanRule(lengths: [LoanLength::hours(2)])], 'adult', Format::Ebook);
        $this->assertSame(Refusal::LengthNotOffered, self::refusal($decide($hours)), 'a library may lend so alone');
        $this->assertNull($hours->shortLook());
        $this->assertNull(self::terms()->shortLook());
    }

    public function test_what_counts_as_a_turnaway(): void
    {
        $this->assertSame(
            [Refusal::NoLicence, Refusal::NoCopyFree, Refusal::NotYet, Refusal::PayPerLoanBudget],
            array_values(array_filter(Refusal::cases(), fn(Refusal $r): bool => $r->isTurnaway())),
        );
    }

    private static function refusal(Granted|AlreadyOnLoan|Refused $decision): Refusal
    {
        self::assertInstanceOf(Refused::class, $decision);

        return $decision->reason;
    }
}
