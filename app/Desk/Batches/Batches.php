<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Desk\Titles\LicenceForm;
use App\Models\Batch;
use App\Models\BatchRow;
use App\Models\StaffList;
use App\Shared\TitleNames;
use FigPorch\Core\Desk\BatchAction;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Pagination\LengthAwarePaginator;

/** What a library's batches are and have come to. */
final class Batches
{
    public const OUTCOMES = ['ready', 'same', 'refused'];

    private const LAST = 30;

    private const PAGE = 50;

    /** @return Collection<int, Batch> the last first */
    public function last(int $libraryId): Collection
    {
        return Batch::query()
            ->with('member')
            ->withCount(['rows' => fn($rows) => $rows->where('outcome', 'ready')])
            ->where('library_id', $libraryId)
            ->orderByDesc('id')
            ->limit(self::LAST)
            ->get();
    }

    /** @return Collection<int, StaffList> filled by hand */
    public function lists(int $libraryId): Collection
    {
        return StaffList::query()->where('library_id', $libraryId)->orderBy('name')->get();
    }

    /** @return array<string, int> rows by outcome */
    public function counts(Batch $batch): array
    {
        $counts = $batch->rows()->groupBy('outcome')->selectRaw('outcome, count(*) n')->pluck('n', 'outcome')->all();

        return array_map(intval(...), array_replace(array_fill_keys(self::OUTCOMES, 0), $counts));
    }

    /** @return LengthAwarePaginator<int, BatchRow> */
    public function rows(Batch $batch, string $outcome): LengthAwarePaginator
    {
        $page = $batch
            ->rows()
            ->with('title')
            ->where('outcome', $outcome)
            ->orderBy('id')
            ->paginate(self::PAGE)
            ->appends(['outcome' => $outcome]);
        TitleNames::giveTo($page->getCollection()->map(fn(BatchRow $row) => $row->title)->filter());

        return $page;
    }

    /** @return array{done: int, of: int, kept: int} */
    public function progress(Batch $batch): array
    {
        $of = $batch
            ->rows()
            ->selectRaw(
                "count(*) filter (where done) done, count(*) filter (where outcome = 'ready') ready,
                    count(*) filter (where undo is not null) was_done, count(kept) kept",
            )
            ->toBase()
            ->first();
        $isUndoing = in_array($batch->stage, ['undoing', 'undone'], true);

        return [
            'done' => (int) ($isUndoing ? $of?->was_done - $of?->done : $of?->done),
            'of' => (int) ($isUndoing ? $of?->was_done : $of?->ready),
            'kept' => (int) $of?->kept,
        ];
    }

    /** @return int|null cents in all that the licences of a batch would cost; null where it buys none */
    public function costs(Batch $batch, int $titles): ?int
    {
        return $batch->what === BatchAction::Licence && $batch->facts['model'] !== 'pay_per_loan'
            ? $titles * LicenceForm::cents((string) $batch->facts['price'])
            : null;
    }
}
