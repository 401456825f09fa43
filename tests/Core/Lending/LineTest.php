<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Lending\HoldInLine;
use FigPorch\Core\Lending\LicenceModel as M;
use FigPorch\Core\Lending\LicenceReach;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\MissedHold;
use FigPorch\Core\Lending\NextInLine;
use FigPorch\Core\Lending\PickupWindow;
use FigPorch\Core\Lending\WorstCaseWait;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class LineTest extends TestCase
{
    use Lending;

    /** @param  list<LineLicence>  $licences */
    private static function latest(
        array $licences,
        int $place,
        string $length = '14d',
        int $kept = 0,
    ): ?DateTimeImmutable {
        return WorstCaseWait::at(
            licences: $licences,
            libraryId: 1,
            place: $place,
            longest: LoanLength::parse($length),
            holdKeptHours: $kept,
            libraryZone: new DateTimeZone('UTC'),
            now: self::now(),
        );
    }

    /**
     * Durations fixed at L and all C loans just begun: the wait of place p is ⌈p/C⌉·L. Source: the queue is a
     * deterministic batch server; worked by hand.
     */
    #[TestWith([1, 1])]
    #[TestWith([3, 1])]
    #[TestWith([3, 3])]
    #[TestWith([3, 4])]
    #[TestWith([5, 17])]
    #[TestWith([2, 40])]
    public function test_fixed_durations(int $copies, int $place): void
    {
        $due = array_fill(0, $copies, self::now('+14 days'));
        $line = [new LineLicence(self::licence(M::OneCopyOneUser, copies: $copies, free: 0), $due)];

        $this->assertEquals(self::now('+' . (int) ceil($place / $copies) * 14 . ' days'), self::latest($line, $place));
    }

    public function test_holds_ahead_are_taken_at_the_last_minute_for_the_longest_length(): void
    {
        $licence = self::licence(M::OneCopyOneUser, free: 0);

        $this->assertEquals(
            self::now('+5 days'),
            self::latest([new LineLicence($licence, [self::now('+5 days')])], 1, kept: 72),
        );
        $this->assertEquals(
            self::now('+22 days'),
            self::latest([new LineLicence($licence, [self::now('+5 days')])], 2, kept: 72),
            'let go, it would be free for this place',
        );
        $this->assertEquals(
            self::now('+45 days'),
            self::latest([new LineLicence($licence, [self::now('+5 days')])], 3, kept: 72),
            'let go once, then taken at the last minute',
        );
        $this->assertEquals(
            self::now('+39 days'),
            self::latest([new LineLicence($licence, [], [self::now('+2 days')])], 2, kept: 72),
            'who has it kept may let it go as well, and stand behind the other',
        );
        $this->assertEquals(
            self::now('+16 days'),
            self::latest([new LineLicence($licence, [], [self::now('+2 days')])], 1, kept: 72),
            'a copy kept for another',
        );
    }

    public function test_a_copy_leaves_when_its_licence_ends_or_its_loans_run_out(): void
    {
        $ends = new LineLicence(self::licence(M::MeteredByTime, free: 0, ends: '+10 days'), [self::now('+5 days')]);
        $this->assertEquals(self::now('+5 days'), self::latest([$ends], 1));
        $this->assertNull(self::latest([$ends], 2));

        $counted = new LineLicence(self::licence(M::MeteredByLoans, copies: 2, free: 0, left: 1), [
            self::now('+5 days'),
            self::now('+6 days'),
        ]);
        $this->assertEquals(self::now('+5 days'), self::latest([$counted], 1));
        $this->assertNull(self::latest([$counted], 2));
        $this->assertNull(self::latest([], 1));
    }

    public function test_several_licences_make_one_line(): void
    {
        $line = [
            new LineLicence(self::licence(M::OneCopyOneUser, 1, free: 0), [self::now('+9 days')]),
            new LineLicence(self::licence(M::MeteredByTime, 2, free: 0, ends: '+90 days'), [self::now('+4 days')]),
        ];
        $this->assertEquals(
            [self::now('+4 days'), self::now('+9 days'), self::now('+18 days')],
            array_map(fn(int $p) => self::latest($line, $p), [1, 2, 3]),
        );
    }

    public function test_a_licence_that_starts_later_counts_from_its_start(): void
    {
        $this->assertEquals(
            self::now('+30 days'),
            self::latest([new LineLicence(self::licence(M::OneCopyOneUser, starts: '+30 days'))], 1),
        );
        $this->assertEquals(
            self::now('+30 days'),
            self::latest([new LineLicence(self::licence(M::Simultaneous, starts: '+30 days'))], 500),
        );
    }

    public function test_later_places_never_come_earlier(): void
    {
        mt_srand(11);
        for ($round = 0; $round < 200; $round++) {
            $line = [];
            for ($l = 0; $l < mt_rand(1, 3); $l++) {
                $copies = mt_rand(1, 4);
                $due = array_map(fn() => self::now('+' . mt_rand(1, 500) . ' hours'), range(1, $copies));
                $line[] = new LineLicence(self::licence(M::OneCopyOneUser, $l, copies: $copies, free: 0), $due);
            }
            $turns = array_map(fn(int $p) => self::latest($line, $p, kept: mt_rand(0, 72)), [1, 2, 3, 5, 9]);
            $all = array_merge(...array_map(fn(LineLicence $s): array => $s->dueAt, $line));
            $this->assertNotSame([], $all);
            $this->assertEquals(min($all), $turns[0], 'the first in line gets the first copy');
        }
        $fixed = [
            new LineLicence(self::licence(M::OneCopyOneUser, copies: 3, free: 0), [
                self::now('+1 day'),
                self::now('+3 days'),
                self::now('+8 days'),
            ]),
        ];
        $turns = array_map(fn(int $p) => self::latest($fixed, $p, kept: 72), range(1, 30));
        $sorted = $turns;
        sort($sorted);
        $this->assertEquals($sorted, $turns);
    }

    public function test_who_is_next(): void
    {
        $line = [
            new HoldInLine(5, 4, self::now('-6 days')),
            new HoldInLine(1, 2, self::now('-5 days'), consortiumId: 9),
            new HoldInLine(2, 1, self::now('-4 days'), pausedUntil: self::now('+1 day'), consortiumId: 9),
            new HoldInLine(3, 1, self::now('-3 days'), consortiumId: 9),
            new HoldInLine(4, 1, self::now('-2 days'), consortiumId: 9),
        ];
        $next = fn(
            array $line,
            int $library,
            bool $shared,
            ?int $consortium = 9,
            string $at = 'now',
        ): ?int => NextInLine::choose(
            array_values($line),
            new LicenceReach($library, $shared, $consortium),
            self::now($at),
        )?->id;
        $this->assertSame(3, $next($line, 1, true), 'paused is passed over, own library first');
        $this->assertSame(2, $next($line, 1, true, at: '+1 day'), 'a pause that is over keeps its place');
        $this->assertSame(1, $next($line, 3, true), 'a shared copy goes on in order of placing');
        $this->assertNull($next($line, 3, false), 'one that is not shared stays at home');
        $this->assertNull($next([$line[0], $line[2]], 1, true), 'beyond the consortium it goes to nobody');
        $this->assertNull($next($line, 3, true, null), 'who is in no consortium shares with nobody');
    }

    public function test_copies_of_others_are_not_promised(): void
    {
        $shared = new LineLicence(self::licence(M::OneCopyOneUser, 2, free: 0, library: 2), [self::now('+1 day')]);
        $this->assertNull(self::latest([$shared], 1));
        $this->assertEquals(
            self::now('+9 days'),
            self::latest(
                [$shared, new LineLicence(self::licence(M::OneCopyOneUser, free: 0), [self::now('+9 days')])],
                1,
            ),
        );
        $this->assertNull(
            self::latest([new LineLicence(self::licence(M::PayPerLoan))], 1),
            'nobody can wait for a budget',
        );
    }

    /** Twice the rules' 72 hours in all; what is left is given, but no less than 24 hours. */
    public function test_copies_are_not_kept_in_vain_for_ever(): void
    {
        $hour = 3600;
        $this->assertSame(
            [72, 72, 62, 24],
            array_map(fn(int $used): int => intdiv(PickupWindow::seconds(72, $used * $hour), $hour), [0, 72, 82, 130]),
        );
        $this->assertSame(
            [true, true, false],
            array_map(fn(int $used): bool => PickupWindow::allowsAnother(72, $used * $hour), [0, 120, 121]),
        );
        $this->assertSame(1, intdiv(PickupWindow::seconds(1, 0), $hour), 'where the rules give one hour');
    }

    public function test_a_miss_pauses_and_a_second_one_lapses(): void
    {
        $first = MissedHold::after(0, 72, 72 * 3600, self::now());
        $this->assertFalse($first->lapses);
        $this->assertEquals(self::now('+7 days'), $first->pausedUntil);
        $this->assertTrue(MissedHold::after(1, 72, 144 * 3600, self::now())->lapses);
        $this->assertTrue(MissedHold::after(1, 72, 10 * 3600, self::now())->lapses, 'however shortly they were kept');
        $this->assertTrue(
            MissedHold::after(0, 72, 130 * 3600, self::now())->lapses,
            'copies were kept long enough in vain',
        );
    }
}
