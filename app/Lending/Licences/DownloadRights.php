<?php

declare(strict_types=1);

namespace App\Lending\Licences;

use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\DownloadRight;
use Illuminate\Support\Facades\DB;

/** What may come of borrowing a title: the most that a licence says that would be borrowed of. */
final class DownloadRights
{
    /**
     * @param  list<int>  $titleIds
     * @return array<int, DownloadRight> by title; without those that have no such licence
     */
    public function of(int $libraryId, array $titleIds, DateTimeImmutable $now): array
    {
        if ($titleIds === []) {
            return [];
        }
        $rows = DB::select(
            "select li.title_id, bool_or(li.download = 'open') is_open, bool_or(li.download = 'protected') is_protected
                from licences li where li.title_id = any(?::bigint[])
                and (li.ends_at is null or li.ends_at > ?) and " .
                UsableLicences::FOR_LIBRARY .
                ' group by li.title_id',
            [Sql::array($titleIds), Sql::second($now), $libraryId],
        );
        $rights = [];
        foreach ($rows as $row) {
            $rights[$row->title_id] = match (true) {
                $row->is_open => DownloadRight::Open,
                $row->is_protected => DownloadRight::Protected,
                default => DownloadRight::None,
            };
        }

        return $rights;
    }
}
