<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\Batch;
use App\Models\BatchRow;
use App\Shared\DatabaseFaults;
use App\Shared\OneAtATime;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use PDOException;
use Throwable;

/**
 * Does a batch, or undoes it the last title first: a title at a time, each with its mark that it is done, so that one
 * that was ended from without goes on where it was.
 */
final class WorkThroughBatch implements ShouldQueue
{
    use Queueable;

    /** Then others that wait have their turn, and this goes on after them. */
    private const SECONDS = 20;

    /** Of one title, where others hold what it needs. */
    private const ATTEMPTS = 5;

    public int $tries = 20;

    public function __construct(private readonly int $batchId)
    {
        $this->onConnection('imports')->onQueue('imports');
    }

    public function handle(BatchWorks $works, RecordChange $recordChange): void
    {
        // Were there two workers, a title would be done twice.
        OneAtATime::run(self::class . $this->batchId, fn() => $this->goOn($works, $recordChange));
    }

    private function goOn(BatchWorks $works, RecordChange $recordChange): void
    {
        $batch = Batch::query()
            ->with(['library', 'member'])
            ->find($this->batchId);
        if ($batch === null || !$batch->isAtWork()) {
            return;
        }
        $batch->member->goTo($batch->library_id);
        $work = $works->of($batch->what);
        $this->isBegun($batch) || DB::transaction(fn() => $work->begin($batch, CarbonImmutable::now()));
        $until = CarbonImmutable::now()->addSeconds(self::SECONDS);
        do {
            $row = $this->next($batch);
            if ($row === null) {
                DB::transaction(function () use ($batch, $work, $recordChange): void {
                    $work->end($batch, CarbonImmutable::now());
                    $this->end($batch, $recordChange);
                });

                return;
            }
            $this->tried($batch, $row, $work);
        } while (CarbonImmutable::now() < $until);
        self::dispatch($this->batchId);
    }

    /** Begun anew after it was ended from without, it is begun once more only where no title was changed yet. */
    private function isBegun(Batch $batch): bool
    {
        return $batch->stage === 'applying'
            ? $batch->rows()->where('done', true)->exists()
            : $batch->rows()->whereNotNull('undo')->where('done', false)->exists();
    }

    private function next(Batch $batch): ?BatchRow
    {
        return $batch->stage === 'applying'
            ? $batch->rows()->where('outcome', 'ready')->where('done', false)->orderBy('id')->first()
            : $batch->rows()->where('done', true)->orderByDesc('id')->first();
    }

    /** What fails with one title is said beside it, and stops none of the others. */
    private function tried(Batch $batch, BatchRow $row, BatchWork $work): void
    {
        try {
            DB::transaction(fn() => $this->one($batch, $row, $work), self::ATTEMPTS);
        } catch (Throwable $fault) {
            // Without the database, or with a row locked, the whole is tried again later.
            if ($fault instanceof PDOException && DatabaseFaults::isPassing($fault)) {
                throw $fault;
            }
            report($fault);
            $row->refresh()->update(
                $batch->stage === 'applying'
                    ? ['outcome' => 'refused', 'note' => ['failed' => 1]]
                    : ['done' => false, 'kept' => 'failed'],
            );
        }
    }

    private function one(Batch $batch, BatchRow $row, BatchWork $work): void
    {
        $now = CarbonImmutable::now();
        if ($batch->stage === 'applying') {
            $undo = $work->do($batch, $row, $now);
            $row->update(
                $undo === null
                    ? ['outcome' => 'same', 'note' => ['meanwhile' => 1]]
                    : ['done' => true, 'undo' => $undo],
            );

            return;
        }
        $kept = $work->undo($batch, $row, $now);
        $row->update(['done' => false, 'kept' => $kept]);
    }

    private function end(Batch $batch, RecordChange $recordChange): void
    {
        DB::transaction(function () use ($batch, $recordChange): void {
            $now = CarbonImmutable::now();
            $isDone = $batch->stage === 'applying';
            $titles = $isDone
                ? $batch->rows()->where('done', true)->count()
                : $batch->rows()->whereNotNull('undo')->whereNull('kept')->count();
            $recordChange(
                $batch->member,
                $isDone ? ChangeKind::BatchDone : ChangeKind::BatchUndone,
                $batch->chosen,
                ['batch' => [null, $batch->what->value], 'titles' => [null, $titles]],
                $now,
            );
            $batch->update(
                $isDone ? ['stage' => 'applied', 'applied_at' => $now] : ['stage' => 'undone', 'undone_at' => $now],
            );
        });
    }
}
