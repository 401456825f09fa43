<?php

declare(strict_types=1);

namespace App\Actions\Catalogue;

use App\Queries\Catalogue\LikelyNames;
use Illuminate\Support\Facades\DB;

/** For each beginning of a word the titles, people, series and subjects that are most likely meant by it: what is shown while one types, in a large catalogue. */
final class GatherPrefixes
{
    /** As many are kept for each beginning. */
    private const EACH = 24;

    /** Their numbers, roles, words, and how likely they are. */
    private const KINDS = [
        'title' => "select t.id as ref, '' as role, tsvector_to_array(to_tsvector('fig_exact', t.name)) words, x.n from (select title_id, times_borrowed n from search_rows order by times_borrowed desc, title_id limit 100000) x join titles t on t.id = x.title_id",
        'person' => 'select c.id, ct.role, tsvector_to_array(c.words), count(*) from contributors c join contributor_title ct on ct.contributor_id = c.id group by c.id, ct.role',
        'series' => "select x.id, '', tsvector_to_array(x.words), count(*) from series x join titles t on t.series_id = x.id group by x.id",
        'subject' => "select x.id, '', tsvector_to_array(x.words), count(*) from subjects x join subject_title st on st.subject_id = x.id group by x.id",
    ];

    /** @return int how many there are now */
    public function __invoke(): int
    {
        return DB::transaction(function (): int {
            DB::table('search_prefixes')->delete();
            foreach (self::KINDS as $kind => $of) {
                DB::insert("insert into search_prefixes (prefix, kind, place, ref, role) select prefix, ?, place, ref, role from (
                        select prefix, ref, role, row_number() over (partition by prefix order by n desc, ref, role) place from (
                            select distinct left(word, letters) prefix, ref, role, n from ({$of}) x (ref, role, words, n)
                                cross join unnest(x.words) word cross join generate_series(".LikelyNames::SHORTEST.', '.LikelyNames::LONGEST.') letters where length(word) >= letters) p) r
                    where place <= ?', [$kind, self::EACH]);
            }

            return DB::table('search_prefixes')->count();
        });
    }
}
