<?php

declare(strict_types=1);

namespace App\Lending\Cards;

use Illuminate\Support\Facades\DB;

/** Rows that are another's from now on. */
final class TakeOver
{
    /**
     * @param  list<string>|null  $once  where the one that stays has the same already, the other's goes; null where
     *     each has one at the most
     */
    public static function rows(string $table, string $whose, int $from, int $to, ?array $once): void
    {
        if ($once !== []) {
            $same = implode(' and ', array_map(fn(string $column): string => "o.{$column} = t.{$column}", $once ?? []));
            $same = $same === '' ? 'true' : $same;
            $isOpen = $table === 'requests' ? " and t.state = 'open' and o.state = 'open'" : '';
            DB::delete(
                "delete from {$table} t where t.{$whose} = ? and exists (select from {$table} o where o.{$whose} = ?
                    and {$same}{$isOpen})",
                [$from, $to],
            );
        }
        DB::table($table)
            ->where($whose, $from)
            ->update([$whose => $to]);
    }
}
