<?php

declare(strict_types=1);

namespace App\Lending\Expiry;

use App\Account\Notices\GiveNotice;
use App\Lending\Queues\AssignFreedCopy;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Ends what is due, in order of due time, and passes the copies on: a small number in each transaction, and with a rest
 * between, so that those who borrow meanwhile do not wait for long.
 */
final class EndDueLoans
{
    private const TOGETHER = 25;

    /**
     * As a share of the time at work. Measured while no mail went out: a borrow meanwhile takes 1.9 times as long, not
     * 2.1; 1.75 with a rest as long as the work.
     */
    private const REST = 0.5;

    public function __construct(
        private readonly AssignFreedCopy $assignFreedCopy,
        private readonly GiveNotice $giveNotice,
    ) {}

    /** @return int how many loans were ended */
    public function __invoke(DateTimeImmutable $now, ?int $titleId = null): int
    {
        $ended = $worked = 0;
        $due = DB::table('loans')
            ->whereNull('ended_at')
            ->where('due_at', '<=', Sql::timestamp($now))
            ->when($titleId !== null, fn($query) => $query->where('title_id', $titleId))
            ->orderBy('due_at')
            ->orderBy('id')
            ->pluck('id')
            ->all();
        foreach (array_chunk($due, self::TOGETHER) as $n => $loans) {
            if ($n > 0 && $titleId === null) {
                usleep((int) ((self::REST * $worked) / 1000));
            }
            $begun = hrtime(true);
            // Of those that others wait for, one of a title at a time: whom its copy goes to decides who is next.
            do {
                $done = $this->together($loans, $now, lazily: $titleId === null);
                $ended += $done->ended;
            } while ($done->left > 0);
            $worked = hrtime(true) - $begun;
        }

        return $ended;
    }

    /**
     * @param  list<int>  $loans
     * @param  bool  $lazily  without waiting for the disk: what a crash takes back the next tick does again, and what
     *     others do because of
     *                        it, a loan or a mail, is committed after it and so has it on the disk first
     */
    private function together(array $loans, DateTimeImmutable $now, bool $lazily): stdClass
    {
        return DB::transaction(function () use ($loans, $now, $lazily): stdClass {
            if ($lazily && DB::transactionLevel() === 1) {
                DB::statement('set local synchronous_commit = off');
            }
            $json = DB::scalar('select lending_end_due(?::bigint[], ?, ?)', [
                Sql::array($loans),
                Sql::timestamp($now),
                NoticeKind::LoanEnded->value,
            ]);
            $done = json_decode((string) $json);
            $this->giveNotice->carry($done->told);
            $this->assignFreedCopy->returned($done->lines, $now);

            return $done;
        }, attempts: 5);
    }
}
