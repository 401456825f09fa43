<?php

declare(strict_types=1);

namespace App\Desk\Records;

use App\Shared\Sql;
use Illuminate\Support\Facades\DB;

/**
 * A record is everybody's who finds the title; it is edited by those who have, or had, a licence for it, or sent its
 * file, or the record by which it came. Of what stands on paper or on the web it is edited by who had it first.
 */
final class EditableTitles
{
    /**
     * @param  list<int>  $ids
     * @return list<int> those whose records a library's staff may edit
     */
    public static function among(int $libraryId, array $ids): array
    {
        return array_column(
            DB::select(
                'select t.id from unnest(?::bigint[]) t(id)
                    where exists (select from licences l where l.title_id = t.id and l.library_id = ?)
                    or exists (select from file_imports f where f.title_id = t.id and f.library_id = ?)
                    or exists (select from record_import_rows r join record_imports i on i.id = r.record_import_id
                        where r.title_id = t.id and r.made and i.library_id = ?)
                    or ? = (select library_id from (select id, library_id from holdings where title_id = t.id
                        union all select id, library_id from links where title_id = t.id) e order by id limit 1)',
                [Sql::array($ids), $libraryId, $libraryId, $libraryId, $libraryId],
            ),
            'id',
        );
    }
}
