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
                'select o.name, (select count(distinct li.title_id)::int from licences li where li.library_id = lib.id
                        and li.shared and licence_has_future(li, :now) and licence_serves(li.shared, lib, o)) given,
                    (select count(distinct li.title_id)::int from licences li where li.library_id = o.id
                        and li.shared and licence_has_future(li, :now) and licence_serves(li.shared, o, lib)) taken
                from libraries lib join libraries o on o.consortium_id = lib.consortium_id and o.id <> lib.id
                where lib.id = :library order by o.name',
                ['now' => Sql::second($now), 'library' => $library->id],
            ),
        );
    }
}
