<?php

declare(strict_types=1);

namespace App\Desk\RecordImport;

use App\Exchange\Records\ComparedRecord;
use App\Models\RecordImport;
use App\Models\RecordImportRow;
use Illuminate\Contracts\Pagination\LengthAwarePaginator;
use Illuminate\Database\Eloquent\Collection;

/** Files of records that a library's staff sent. */
final class RecordImports
{
    private const LAST = 20;

    private const PAGE = 50;

    /** @return Collection<int, RecordImport> */
    public function last(int $libraryId): Collection
    {
        return RecordImport::query()
            ->with('member')
            ->where('library_id', $libraryId)
            ->orderByDesc('id')
            ->limit(self::LAST)
            ->get();
    }

    /** @return array<string, int> rows by outcome */
    public function counts(RecordImport $import): array
    {
        $counts = $import->rows()->groupBy('outcome')->selectRaw('outcome, count(*) n')->pluck('n', 'outcome')->all();

        return array_map(
            fn(string $of): int => (int) ($counts[$of] ?? 0),
            array_combine(ComparedRecord::OUTCOMES, ComparedRecord::OUTCOMES),
        );
    }

    /** @return array{done: int, of: int} */
    public function progress(RecordImport $import): array
    {
        return [
            'done' => $import->rows()->where('done', true)->count(),
            'of' => $import->rows()->where('chosen', true)->count(),
        ];
    }

    /** @return LengthAwarePaginator<int, RecordImportRow> */
    public function rows(RecordImport $import, string $outcome): LengthAwarePaginator
    {
        return $import
            ->rows()
            ->with('title:id,name,format,language,edition')
            ->where('outcome', $outcome)
            ->orderBy('id')
            ->paginate(self::PAGE)
            ->appends(['outcome' => $outcome]);
    }
}
