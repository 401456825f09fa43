<?php

declare(strict_types=1);

namespace App\Desk\Library;

use App\Models\Library;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** What a library shares with each other of its consortium, and what they share with it. */
final class SharedLicences
{
    /** @return list<object{name: string, given: int, taken: int}> titles with licences that live; by name */
    public function byLibrary(Library $library, DateTimeImmutable $now): array
    {
        return array_values(
            DB::select(
                'with counted as materialized (select library_id, count(*)::int titles from (
                        select distinct li.library_id, li.title_id from licences li
                            join libraries l on l.id = li.library_id
                            join libraries own on own.consortium_id = l.consortium_id and own.id = :library
                            where li.shared and licence_has_future(li, :now)) each group by 1)
                select o.name,
                    case when licence_serves(true, lib, o) then coalesce(given.titles, 0) else 0 end given,
                    case when licence_serves(true, o, lib) then coalesce(taken.titles, 0) else 0 end taken
                from libraries lib join libraries o on o.consortium_id = lib.consortium_id and o.id <> lib.id
                    left join counted given on given.library_id = lib.id
                    left join counted taken on taken.library_id = o.id
                where lib.id = :library order by o.name',
                ['now' => Sql::second($now), 'library' => $library->id],
            ),
        );
    }
}
