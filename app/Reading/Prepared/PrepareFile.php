<?php

declare(strict_types=1);

namespace App\Reading\Prepared;

use App\Models\Loan;
use App\Models\PreparedFile;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * A file of a loan: at once where that is quick, in the background where it is not. Asked for again within two hours it
 * is the same file, also from a second window.
 */
final class PrepareFile
{
    /** Of one person at the same time: others wait for theirs too. */
    public const AT_A_TIME = 3;

    public function __construct(private readonly FileMakers $makers, private readonly MakeFile $make) {}

    /** @return PreparedFile|null null where as many files of theirs are being made as may be */
    public function __invoke(Loan $loan, string $kind, CarbonImmutable $now): ?PreparedFile
    {
        $isQuick = $this->makers->of($kind)->isQuick($loan, $kind);
        $file = DB::transaction(function () use ($loan, $kind, $now, $isQuick): ?PreparedFile {
            // Two windows that ask at once are answered one after the other.
            DB::select('select pg_advisory_xact_lock(hashtextextended(?, 2))', ["files of {$loan->card?->person_id}"]);
            $known = PreparedFile::query()->where('loan_id', $loan->id)->where('kind', $kind)->first();
            $isBeingMade = $known !== null && $known->ready_at === null && $known->failed_at === null;
            if ($isBeingMade || $known?->isReady() === true) {
                return $known;
            }
            if (!$isQuick && $this->beingMade($loan) >= self::AT_A_TIME) {
                return null;
            }
            // One that failed, or is gone from the disk, is made anew: as another file, so that nobody gets half of it.
            $known?->delete();
            $file = PreparedFile::query()->create([
                'loan_id' => $loan->id,
                'kind' => $kind,
                'locale' => app()->getLocale(),
                'asked_at' => $now,
            ]);
            if (!$isQuick) {
                PrepareInBackground::dispatch($file->id);
            }

            return $file;
        });
        if ($isQuick && $file !== null && !$file->isReady()) {
            ($this->make)($file);
        }

        return $file;
    }

    private function beingMade(Loan $loan): int
    {
        return PreparedFile::query()
            ->whereNull('ready_at')
            ->whereNull('failed_at')
            ->whereIn(
                'loan_id',
                Loan::query()
                    ->select('loans.id')
                    ->join('cards', 'cards.id', 'loans.card_id')
                    ->where('cards.person_id', $loan->card?->person_id),
            )
            ->count();
    }
}
