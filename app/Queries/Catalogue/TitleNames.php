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
        $rows = DB::select('select * from title_names(?)', ['{'.implode(',', array_keys($byId)).'}']);
        foreach ($rows as $row) {
            foreach ($byId[$row->id] as $title) {
                $title->giveNames(json_decode($row->people ?? '[]'), $row->series, array_column(json_decode($row->subjects ?? '[]'), 1, 0), $row->has_file);
            }
        }
    }
}
