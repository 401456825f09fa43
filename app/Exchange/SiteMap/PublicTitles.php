<?php

declare(strict_types=1);

namespace App\Exchange\SiteMap;

use Illuminate\Support\Facades\DB;

/** The titles whose pages anybody may see and some library lends, in parts by their numbers. */
final class PublicTitles
{
    /** Numbers of a part; a site map has 50,000 addresses at most (sitemaps.org/protocol.html). */
    private const PART = 40_000;

    /** @return list<int> the parts that have any */
    public function parts(): array
    {
        return array_column(
            DB::select(
                "select part from generate_series(0, (select max(title_id) from search_rows) / :part::bigint) part
                    where exists (select from search_rows where held <> '{}'
                        and title_id between part * :part::bigint and (part + 1) * :part::bigint - 1) order by 1",
                ['part' => self::PART],
            ),
            'part',
        );
    }

    /** @return list<int> numbers of titles */
    public function of(int $part): array
    {
        return array_column(
            DB::select("select title_id from search_rows where title_id between ? and ? and held <> '{}' order by 1", [
                $part * self::PART,
                ($part + 1) * self::PART - 1,
            ]),
            'title_id',
        );
    }
}
