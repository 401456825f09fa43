<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Models\Loan;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What loans have for files, and what their licences allow to be done with them. */
final class LoanFiles
{
    /**
     * @param  Collection<int, Loan>  $loans
     * @return array<int, stdClass> by loan: media_type, bytes of all files, offline, download (as DownloadRight);
     *     without those that have none
     */
    public function of(Collection $loans): array
    {
        return DB::table('loans')
            ->join('licences', 'licences.id', '=', 'licence_id')
            ->join('publications', 'publications.title_id', '=', 'loans.title_id')
            ->whereIn('loans.id', $loans->pluck('id'))
            ->selectRaw(
                'loans.id, media_type, offline, download, (select sum(value::bigint)::bigint
                    from jsonb_each_text(sizes)) bytes',
            )
            ->get()
            ->keyBy('id')
            ->all();
    }
}
