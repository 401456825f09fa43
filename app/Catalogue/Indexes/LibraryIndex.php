<?php

declare(strict_types=1);

namespace App\Catalogue\Indexes;

use App\Models\Library;
use App\Shared\PageAsked;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;
use stdClass;

/** A library's index, as it was counted last night. */
final class LibraryIndex
{
    public const ORDERS = ['name', 'titles'];

    private const PAGE = 60;

    /** @return array<string, int> entries by letter, those that have any */
    public function letters(Library $library, IndexKind $kind): array
    {
        return DB::table('index_entries')
            ->where(['library_id' => $library->id, 'kind' => $kind->value])
            ->groupBy('letter')
            ->orderByRaw("letter = '#', letter")
            ->selectRaw('letter, count(*) as n')
            ->pluck('n', 'letter')
            ->all();
    }

    /**
     * @param  array<string, int>  $letters  as letters() has them
     * @param  string|null  $letter  null for all
     * @return LengthAwarePaginator<int, stdClass> entry_id, name, sort_name and titles of each
     */
    public function page(
        Library $library,
        IndexKind $kind,
        array $letters,
        ?string $letter,
        string $order,
    ): LengthAwarePaginator {
        $total = $letter === null ? array_sum($letters) : $letters[$letter] ?? 0;
        $page = PageAsked::of($total, self::PAGE);
        $query = DB::table('index_entries')
            ->where(['library_id' => $library->id, 'kind' => $kind->value])
            ->when($letter !== null, fn($query) => $query->where('letter', $letter))
            ->when($order === 'titles', fn($query) => $query->orderByDesc('titles'))
            ->orderBy('sort_name')
            ->orderBy('name')
            ->limit(self::PAGE)
            ->offset(($page - 1) * self::PAGE);

        return new LengthAwarePaginator(
            $query->get(['entry_id', 'name', 'sort_name', 'titles']),
            $total,
            self::PAGE,
            $page,
            ['path' => Paginator::resolveCurrentPath()],
        );
    }

    /** @return list<string> names of entries from A to Z, so many at the most */
    public function names(Library $library, IndexKind $kind, int $most): array
    {
        $entries = DB::table('index_entries')
            ->where(['library_id' => $library->id, 'kind' => $kind->value])
            ->orderBy('sort_name')
            ->limit($most)
            ->get(['name']);

        return array_column($entries->all(), 'name');
    }
}
