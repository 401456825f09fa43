<?php

declare(strict_types=1);

namespace App\Actions\Catalogue;

use App\Queries\Catalogue\LikelyNames;
use Illuminate\Support\Facades\DB;

/** For each beginning of a word the titles, people, series and subjects that are most likely meant by it: what is shown while one types, in a large catalogue. */
final class GatherPrefixes
{
    /** Their numbers, roles, words, how likely they are, and how many titles they have. */
    private const KINDS = [
        'title' => "select t.id, '', tsvector_to_array(to_tsvector('fig_exact', t.name)), s.times_borrowed, 1 from search_rows s join titles t on t.id = s.title_id",
        'person' => 'select c.id, ct.role, tsvector_to_array(c.words), count(*), count(*) from contributors c join contributor_title ct on ct.contributor_id = c.id group by c.id, ct.role',
        'series' => "select x.id, '', tsvector_to_array(x.words), count(*), count(*) from series x join titles t on t.series_id = x.id group by x.id",
        'subject' => "select x.id, '', tsvector_to_array(x.words), count(*), count(*) from subjects x join subject_title st on st.subject_id = x.id group by x.id",
    ];

    /** Whether a catalogue that has sets has no beginnings beside them. */
    public function isDue(): bool
    {
        return DB::scalar('select exists (select from search_gatherings where gathered_at is not null) and not exists (select from search_prefixes)');
    }

    /** @return int how many there are now */
    public function __invoke(): int
    {
        return DB::transaction(function (): int {
            DB::table('search_prefixes')->delete();
            foreach (self::KINDS as $kind => $of) {
                DB::insert("insert into search_prefixes (prefix, kind, place, ref, role, titles) select prefix, ?, place, ref, role, titles from (
                        select prefix, ref, role, titles, row_number() over (partition by prefix order by n desc, ref, role) place from (
                            select distinct left(word, letters) prefix, ref, role, n, titles from ({$of}) x (ref, role, words, n, titles)
                                cross join unnest(x.words) word cross join generate_series(".LikelyNames::SHORTEST.', '.LikelyNames::LONGEST.') letters where length(word) >= letters) p) r
                    where place <= ?', [$kind, LikelyNames::KEPT]);
            }

            return DB::table('search_prefixes')->count();
        });
    }
}
