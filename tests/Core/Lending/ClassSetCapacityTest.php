<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use DateTimeImmutable;
use FigPorch\Core\Lending\ClassSetCapacity;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class ClassSetCapacityTest extends TestCase
{
    private const FROM = '2026-09-01 00:00 UTC';

    public function test_worked_examples(): void
    {
        // 3 copies, 30 days, a loan every 10: 9 loans.
        $this->assertSame([3, 9, 22, 6], $this->of(25, [$this->licence(copies: 3)], cycle: 10));
        // With 4 in line before them, 5 are left.
        $this->assertSame([3, 5, 22, 7], $this->of(25, [$this->licence(copies: 3)], waiting: 4, cycle: 10));
        // A copy is lent once however long a loan is.
        $this->assertSame([3, 3, 0, 0], $this->of(3, [$this->licence(copies: 3)], cycle: 90));
        // No more loans than were bought.
        $this->assertSame([2, 4, 8, 2], $this->of(10, [$this->licence(LicenceModel::MeteredByLoans, 2, 4)], cycle: 10));
        // One that ends after ten days lends once a copy; one that begins later counts from then.
        $this->assertSame(
            [2, 2, 8, 3],
            $this->of(10, [$this->licence(copies: 2, ends: '2026-09-11 00:00 UTC')], cycle: 10),
        );
        $this->assertSame(
            [2, 4, 8, 2],
            $this->of(10, [$this->licence(copies: 2, starts: '2026-09-11 00:00 UTC')], cycle: 10),
        );
        $this->assertSame([0, 0, 10, 4], $this->of(10, [$this->licence(ends: '2026-08-30 00:00 UTC')], cycle: 10));
        // The month's budget pays for 40 more.
        $this->assertSame(
            [40, 40, 0, 0],
            $this->of(25, [$this->licence(LicenceModel::PayPerLoan, null, 40)], cycle: 10),
        );
        $this->assertSame(
            [null, null, 0, 0],
            $this->of(500, [$this->licence(LicenceModel::Simultaneous, null)], cycle: 10),
        );
    }

    /**
     * Copies lent one after the other, moment by moment, to pupils who come at once: as many have had it as is said.
     */
    public function test_as_many_have_it_as_is_said_when_it_is_played_out(): void
    {
        $random = new Randomizer(new Mt19937(7));
        for ($n = 0; $n < 400; $n++) {
            $pupils = $random->getInt(1, 60);
            $waiting = $random->getInt(0, 8);
            $cycle = $random->getInt(1, 20);
            $licences = array_map(
                fn(): Licence => $this->licence(
                    $random->getInt(0, 1) === 1 ? LicenceModel::MeteredByLoans : LicenceModel::OneCopyOneUser,
                    $random->getInt(1, 6),
                    $random->getInt(1, 40),
                ),
                range(1, $random->getInt(1, 3)),
            );
            [$places, $loans, $atOnce, $inTurn] = $this->of($pupils, $licences, $waiting, $cycle);
            $had = $this->play($licences, $cycle);
            $this->assertSame(max(0, $had - $waiting), $loans);
            // With the copies more that are said each pupil has it, and with one fewer not.
            $more = fn(int $copies): int => $this->play(
                [...$licences, ...array_fill(0, $copies, $this->licence(copies: 1))],
                $cycle,
            );
            $inTurn > 0 && $this->assertGreaterThanOrEqual($pupils, max(0, $had - $waiting) + $more($inTurn) - $had);
            $inTurn > 0 && $this->assertLessThan($pupils, max(0, $had - $waiting) + $more($inTurn - 1) - $had);
            $this->assertSame(max(0, $pupils - (int) $places), $atOnce);
        }
    }

    /** @param  list<Licence>  $licences */
    private function play(array $licences, int $cycle): int
    {
        $had = 0;
        foreach ($licences as $licence) {
            $left = $licence->loansLeft ?? PHP_INT_MAX;
            foreach (range(1, (int) $licence->copies) as $copy) {
                // The first at the beginning, the next when it is back and there is time for a whole loan.
                for ($day = 0; $day === 0 || $day + $cycle <= 30; $day += $cycle) {
                    if ($left-- > 0) {
                        $had++;
                    }
                }
            }
        }

        return $had;
    }

    /**
     * @param  list<Licence>  $licences
     * @return array{int|null, int|null, int, int}
     */
    private function of(int $pupils, array $licences, int $waiting = 0, float $cycle = 10): array
    {
        $from = new DateTimeImmutable(self::FROM);
        $set = ClassSetCapacity::of(
            pupils: $pupils,
            licences: $licences,
            waiting: $waiting,
            cycleDays: $cycle,
            from: $from,
            to: $from->modify('+30 days'),
        );
        $this->assertSame($set->loans === null || $set->loans >= $pupils, $set->holdsInTurn());
        $set->holdsAtOnce() && $this->assertTrue($set->holdsInTurn());

        return [$set->places, $set->loans, $set->copiesForAll, $set->copiesInTurn];
    }

    private function licence(
        LicenceModel $model = LicenceModel::OneCopyOneUser,
        ?int $copies = 1,
        ?int $loans = null,
        string $starts = '2026-01-01 UTC',
        ?string $ends = null,
    ): Licence {
        return new Licence(
            id: 1,
            libraryId: 1,
            model: $model,
            copies: $copies,
            copiesFree: $copies,
            loansLeft: $model->countsLoans() || $model === LicenceModel::PayPerLoan ? $loans : null,
            startsAt: new DateTimeImmutable($starts),
            endsAt: $ends === null ? null : new DateTimeImmutable($ends),
        );
    }
}
