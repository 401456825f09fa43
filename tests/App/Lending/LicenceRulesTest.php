<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\HoldInLine;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LicenceReach;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\App\TestCase;

/** What the database says in its questions to many rows is what the core's rules say of each. */
final class LicenceRulesTest extends TestCase
{
    private Randomizer $random;

    protected function setUp(): void
    {
        parent::setUp();
        $this->random = new Randomizer(new Mt19937(16));
    }

    public function test_of_any_licence_the_same_is_said(): void
    {
        $now = $this->now()->toDateTimeImmutable();
        $times = 0;
        for ($n = 0; $n < 400; $n++) {
            $model = $this->one(LicenceModel::cases());
            $copies = $model->hasCopies() ? $this->random->getInt(1, 3) : null;
            $licence = new Licence(
                id: $n,
                libraryId: 1,
                model: $model,
                copies: $copies,
                copiesFree: $copies === null ? null : $this->random->getInt(0, $copies),
                // What is left of a month's budget is asked apart: here there is enough.
                loansLeft: $model->countsLoans()
                    ? $this->random->getInt(0, 2)
                    : ($model === LicenceModel::PayPerLoan
                        ? 1
                        : null),
                startsAt: $now->modify($this->one(['-1 year', '-1 second', '+0 seconds', '+1 second'])),
                endsAt: $this->one([null, $now->modify('-1 second'), $now, $now->modify('+1 second')]),
                onOrder: $this->random->getInt(1, 4) === 1,
            );
            $said = DB::selectOne(
                'select licence_is_live(li, ?) live, licence_can_lend(li, ?) lend, licence_has_future(li, ?) future
                    from jsonb_populate_record(null::licences, ?) li',
                [...array_fill(0, 3, Sql::timestamp($now)), $this->row($licence)],
            );
            $rules = [$licence->isLive($now), $licence->canLend($now), $licence->hasFuture($now)];
            $this->assertSame($rules, [$said->live, $said->lend, $said->future], $this->row($licence));
            $times += array_sum(array_map(intval(...), $rules));
        }
        $this->assertGreaterThan(150, $times);
        $this->assertLessThan(1050, $times);
    }

    public function test_of_any_two_libraries_the_same_is_said(): void
    {
        $outcomes = [];
        for ($n = 0; $n < 100; $n++) {
            [$owner, $at] = [$this->random->getInt(1, 2), $this->random->getInt(1, 3)];
            [$owners, $ats] = [$this->one([null, 1, 2]), $this->one([null, 1, 2])];
            $ats = $owner === $at ? $owners : $ats;
            $shared = $this->random->getInt(0, 1) === 1;
            $library = fn(int $id, ?int $consortium): string => json_encode(
                ['id' => $id, 'consortium_id' => $consortium],
                JSON_THROW_ON_ERROR,
            );
            $said = DB::scalar(
                'select coalesce(licence_serves(?, jsonb_populate_record(null::libraries, ?),
                    jsonb_populate_record(null::libraries, ?)), false)',
                [$shared ? 't' : 'f', $library($owner, $owners), $library($at, $ats)],
            );
            $rule = (new LicenceReach($owner, $shared, $owners))->serves($at, $ats);
            $this->assertSame($rule, $said, json_encode([$owner, $owners, $shared, $at, $ats]) ?: '');
            $outcomes[] = $rule;
        }
        $this->assertCount(2, array_unique($outcomes));
    }

    public function test_of_any_hold_and_card_the_same_is_said(): void
    {
        $now = $this->now()->toDateTimeImmutable();
        $at = fn(?DateTimeImmutable $moment): ?string => $moment?->format('Y-m-d\TH:i:s.uP');
        $outcomes = [];
        for ($n = 0; $n < 200; $n++) {
            $paused = $this->one([null, $now->modify('-1 second'), $now, $now->modify('+1 second')]);
            $state = $paused === null ? $this->one(['waiting', 'ready', 'filled', 'cancelled', 'expired']) : 'paused';
            $blocked = $this->one([null, null, $now]);
            $expires = $this->one([null, $now->modify('-1 second'), $now, $now->modify('+1 second')]);
            $said = DB::scalar(
                'select coalesce(hold_can_be_filled(jsonb_populate_record(null::holds, ?),
                    jsonb_populate_record(null::cards, ?), ?), false)',
                [
                    json_encode(['state' => $state, 'paused_until' => $at($paused)]),
                    json_encode(['blocked_at' => $at($blocked), 'expires_at' => $at($expires)]),
                    Sql::timestamp($now),
                ],
            );
            $mayBorrow = $blocked === null && ($expires === null || $expires > $now);
            $hold = new HoldInLine(1, 1, $now, $paused, cardMayBorrow: $mayBorrow);
            $rule = in_array($state, ['waiting', 'paused'], true) && !$hold->isPaused($now) && $hold->cardMayBorrow;
            $this->assertSame($rule, $said, json_encode([$state, $at($paused), $blocked, $at($expires)]) ?: '');
            $outcomes[] = $rule;
        }
        $this->assertCount(2, array_unique($outcomes));
    }

    private function row(Licence $licence): string
    {
        return json_encode(
            [
                'id' => $licence->id,
                'model' => $licence->model->value,
                'copies' => $licence->copies,
                'copies_free' => $licence->copiesFree,
                'loans_left' => $licence->model === LicenceModel::PayPerLoan ? null : $licence->loansLeft,
                'starts_at' => $licence->startsAt->format('Y-m-d\TH:i:s.uP'),
                'ends_at' => $licence->endsAt?->format('Y-m-d\TH:i:s.uP'),
                'file_came_at' => $licence->onOrder ? null : $licence->startsAt->format('Y-m-d\TH:i:s.uP'),
            ],
            JSON_THROW_ON_ERROR,
        );
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @return T
     */
    private function one(array $of): mixed
    {
        return $of[$this->random->getInt(0, count($of) - 1)];
    }
}
