<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Models\Title;
use Illuminate\Support\Facades\DB;

/** The names that lists of titles show — people, series, subjects — in one query, and without a model for each of them. */
final class TitleNames
{
    /** @param  iterable<Title>  $titles */
    public static function giveTo(iterable $titles): void
    {
        $byId = [];
        foreach ($titles as $title) {
            $byId[$title->id][] = $title;
        }
        if ($byId === []) {
            return;
        }
        $rows = DB::select(
            'select t.id, x.name as series,
                (select json_agg(json_build_array(ct.role, c.name) order by ct.position) from contributor_title ct join contributors c on c.id = ct.contributor_id where ct.title_id = t.id) people,
                (select json_agg(s.name order by s.name) from subject_title st join subjects s on s.id = st.subject_id where st.title_id = t.id) subjects
                from titles t left join series x on x.id = t.series_id where t.id = any(?::bigint[])',
            ['{'.implode(',', array_keys($byId)).'}'],
        );
        foreach ($rows as $row) {
            foreach ($byId[$row->id] as $title) {
                $title->giveNames(json_decode($row->people ?? '[]'), $row->series, json_decode($row->subjects ?? '[]'));
            }
        }
    }
}
