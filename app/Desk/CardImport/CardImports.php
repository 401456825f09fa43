<?php

declare(strict_types=1);

namespace App\Desk\CardImport;

use App\Models\CardImport;
use App\Models\CardImportRow;
use Illuminate\Contracts\Pagination\LengthAwarePaginator;
use Illuminate\Database\Eloquent\Collection;

/** Files of patrons that a library's staff sent. */
final class CardImports
{
    public const OUTCOMES = ['new', 'changed', 'moved', 'left', 'refused', 'same'];

    private const LAST = 20;

    private const PAGE = 50;

    /** @return Collection<int, CardImport> */
    public function last(int $libraryId): Collection
    {
        return CardImport::query()
            ->with('member')
            ->where('library_id', $libraryId)
            ->orderByDesc('id')
            ->limit(self::LAST)
            ->get();
    }

    /** @return array<string, int> rows by outcome */
    public function counts(CardImport $import): array
    {
        $counts = $import->rows()->groupBy('outcome')->selectRaw('outcome, count(*) n')->pluck('n', 'outcome')->all();

        return array_map(
            fn(string $of): int => (int) ($counts[$of] ?? 0),
            array_combine(self::OUTCOMES, self::OUTCOMES),
        );
    }

    /** @return array{done: int, of: int, kept: int, pins: int} */
    public function progress(CardImport $import): array
    {
        $row = $import
            ->rows()
            ->toBase()
            ->selectRaw(
                "count(*) filter (where done) done, count(*) filter (where outcome in ('new', 'changed', 'moved',
                'left')) as all, count(kept) kept, count(pin) filter (where done) pins",
            )
            ->first();

        return [
            'done' => (int) $row?->done,
            'of' => (int) $row?->all,
            'kept' => (int) $row?->kept,
            'pins' => (int) $row?->pins,
        ];
    }

    /** @return LengthAwarePaginator<int, CardImportRow> */
    public function rows(CardImport $import, string $outcome): LengthAwarePaginator
    {
        return $import
            ->rows()
            ->where('outcome', $outcome)
            ->orderBy('id')
            ->paginate(self::PAGE)
            ->appends(['outcome' => $outcome]);
    }

    /** @return iterable<CardImportRow> those with a PIN that was made */
    public function pins(CardImport $import): iterable
    {
        return $import->rows()->with('card')->where('done', true)->whereNotNull('pin')->orderBy('id')->lazy();
    }
}
