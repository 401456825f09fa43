<?php

declare(strict_types=1);

namespace App\Lending\Licences;

use Illuminate\Support\Facades\DB;

/** Takes a licence away as if it had never been, where it is in no loan, no hold and no order. */
final class RemoveUnusedLicence
{
    /** @return bool false where it is in use, and stays */
    public function __invoke(int $licenceId): bool
    {
        return DB::transaction(function () use ($licenceId): bool {
            // Nobody borrows with it meanwhile.
            DB::select('select from licences where id = ? for update', [$licenceId]);
            $removed = DB::delete(
                'delete from licences li where li.id = ? and not exists (select from loans l where l.licence_id = li.id)
                    and not exists (select from holds h where h.licence_id = li.id)
                    and not exists (select from orders o where o.licence_id = li.id)',
                [$licenceId],
            );

            return $removed === 1;
        });
    }
}
