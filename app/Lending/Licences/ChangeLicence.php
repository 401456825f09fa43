<?php

declare(strict_types=1);

namespace App\Lending\Licences;

use App\Lending\Expiry\ExpireReadyHold;
use App\Lending\Queues\FillFreeCopies;
use App\Models\Licence;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Staff raise or cut a licence's copies, or end it. Copies on loan stay with their readers; copies kept for holds go
 * back, the last made ready first, and their patrons keep their place.
 */
final class ChangeLicence
{
    public function __construct(
        private readonly FillFreeCopies $fillFreeCopies,
        private readonly ExpireReadyHold $expireReadyHold,
    ) {}

    /** @return int|null how many copies are on loan, where that is more than would be left and nothing was changed */
    public function copies(Licence $licence, int $copies, DateTimeImmutable $now): ?int
    {
        return DB::transaction(function () use ($licence, $copies, $now): ?int {
            $this->lockHolds($licence);
            $row = DB::selectOne('select * from licences where id = ? for no key update', [$licence->id]);
            $onLoan = DB::scalar('select count(*) from loans where licence_id = ? and ended_at is null', [
                $licence->id,
            ]);
            if ($copies < $onLoan) {
                return $onLoan;
            }
            $short = $row->copies - $row->copies_free - $copies;
            if ($short > 0) {
                $this->takeBack($licence, $short, $now);
            }
            DB::update('update licences set copies_free = copies_free + ? - copies, copies = ? where id = ?', [
                $copies,
                $copies,
                $licence->id,
            ]);
            $this->fillFreeCopies->ofTitle($licence->title_id, $now);

            return null;
        }, attempts: 5);
    }

    /** @param  DateTimeImmutable  $at  now or later; loans run on to their due times */
    public function end(Licence $licence, DateTimeImmutable $at, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($licence, $at, $now): void {
            $this->lockHolds($licence);
            DB::update(
                'update licences set ends_at = greatest(?::timestamptz, starts_at + interval \'1 second\')
                    where id = ?',
                [Sql::second($at), $licence->id],
            );
            if ($at <= $now) {
                $this->takeBack($licence, PHP_INT_MAX, $now);
                $this->fillFreeCopies->ofTitle($licence->title_id, $now);
            } else {
                DB::update(
                    "update holds set kept_until = least(kept_until, ?) where licence_id = ? and state = 'ready'",
                    [Sql::second($at), $licence->id],
                );
            }
        }, attempts: 5);
    }

    /** What was ended goes on, to another day or without an end; a copy that is free goes to whoever waits. */
    public function reopen(Licence $licence, ?DateTimeImmutable $endsAt, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($licence, $endsAt, $now): void {
            DB::update('update licences set ends_at = ? where id = ?', [
                $endsAt === null ? null : Sql::second($endsAt),
                $licence->id,
            ]);
            $this->fillFreeCopies->ofTitle($licence->title_id, $now);
        }, attempts: 5);
    }

    /** Rows in the order card, hold, licence, as everywhere. */
    private function lockHolds(Licence $licence): void
    {
        DB::select(
            "select id from cards where id in (select card_id from holds where licence_id = ? and state = 'ready')
                order by id for no key update",
            [$licence->id],
        );
        DB::select("select id from holds where licence_id = ? and state = 'ready' order by id for no key update", [
            $licence->id,
        ]);
    }

    private function takeBack(Licence $licence, int $most, DateTimeImmutable $now): void
    {
        $ready = DB::select(
            "select h.*, t.name, c.person_id from holds h join titles t on t.id = h.title_id
                join cards c on c.id = h.card_id
                where h.licence_id = ? and h.state = 'ready' order by h.ready_at desc, h.id desc limit ?",
            [$licence->id, min($most, 1_000_000)],
        );
        foreach ($ready as $hold) {
            $this->expireReadyHold->setBack($hold, $hold->person_id, $now, pass: false);
            DB::update('update licences set copies_free = copies_free + 1, loans_left = loans_left + 1 where id = ?', [
                $licence->id,
            ]);
        }
    }
}
