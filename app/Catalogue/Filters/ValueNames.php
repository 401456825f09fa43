<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Shared\Sql;
use Illuminate\Support\Facades\DB;

/** The names of values that are numbers, such as those of subjects: of all lists in one question. */
final class ValueNames
{
    /**
     * @param  array<string, list<int|string>>  $values  by the name of the list
     * @param  array<string, array<int, string>>  $known  names of some of them
     * @return array<string, array<int, string>> the names of all, by list and value; none of a list that has no numbers
     */
    public static function of(array $values, array $known = []): array
    {
        $names = $known + array_fill_keys(array_keys($values), []);
        $questions = $bindings = [];
        foreach ($values as $list => $of) {
            $table = Filters::list($list)::NAMES;
            $unknown = array_diff($of, array_keys($names[$list]));
            if ($table !== null && $unknown !== []) {
                $questions[] = "select '{$list}' as of, id, name from {$table} where id = any(?)";
                $bindings[] = Sql::array($unknown);
            }
        }
        foreach ($questions === [] ? [] : DB::select(implode(' union all ', $questions), $bindings) as $row) {
            $names[$row->of][$row->id] = $row->name;
        }

        return $names;
    }
}
