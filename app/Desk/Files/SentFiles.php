<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Models\FileImport;
use Illuminate\Contracts\Pagination\LengthAwarePaginator;

/** Files that a library's staff sent, the last first. */
final class SentFiles
{
    private const PAGE = 25;

    /** @return LengthAwarePaginator<int, FileImport> */
    public function page(int $libraryId): LengthAwarePaginator
    {
        return FileImport::query()
            ->with(['title', 'member'])
            ->where('library_id', $libraryId)
            ->where('put_away', false)
            ->orderByDesc('id')
            ->paginate(self::PAGE);
    }

    /** @return int how many wait or are at work */
    public function atWork(int $libraryId): int
    {
        return FileImport::query()->where('library_id', $libraryId)->whereNull('ended_at')->count();
    }
}
