<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\Filters\ListFilter;
use App\Lending\LoanRules\CardEligibility;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use stdClass;

/** All values that a library's titles have of a filter whose values have names: what they are about, their series. */
final class HeldValues
{
    public const PAGE = 100;

    /**
     * @param  class-string<ListFilter>  $filter
     * @param  int  $page  from 1
     * @return list<stdClass> value, name, titles, of (how many values in all); those of most titles first
     */
    public function of(
        int $libraryId,
        string $filter,
        CardEligibility $eligibility,
        int $page,
        DateTimeImmutable $now,
    ): array {
        [$held, $bindings] = HeldTitles::condition($libraryId, $now, eligibility: $eligibility);
        $values = $filter::values('search_rows s', $held);
        $names = $filter::NAMES;

        return array_values(
            DB::select(
                "select v as value, n.name, count(*) titles, count(*) over () \"of\" from ({$values}) x
                    join {$names} n on n.id = v group by v, n.name order by titles desc, n.name, v limit ? offset ?",
                [...$bindings, self::PAGE, ($page - 1) * self::PAGE],
            ),
        );
    }
}
