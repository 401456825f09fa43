<?php

declare(strict_types=1);

namespace App\Catalogue\Suggestions;

use Illuminate\Support\Facades\DB;

/**
 * For each beginning of a word the titles, people, series and subjects that are most likely meant by it: what is shown
 * while one types, in a large catalogue.
 */
final class IndexPrefixes
{
    /**
     * Of each kind the names (x) with number, role, words, how likely they are and how many titles they have; and what
     * is kept of one of them (g) for those who type.
     */
    private const KINDS = [
        'title' => [
            "select t.id, '', to_tsvector('fig_exact', t.name), s.times_borrowed, 1 from search_rows s
                join titles t on t.id = s.title_id",
            "json_build_object('kind', 'title', 'id', t.id, 'role', '', 'name', t.name, 'edition', t.edition,
                'language', t.language, 'format', t.format, 'many', false, 'titles', array[t.id])
                from titles t where t.id = g.ref",
        ],
        'person' => [
            'select c.id, ct.role, c.words, count(*), count(*) from contributors c
                join contributor_title ct on ct.contributor_id = c.id group by c.id, ct.role',
            self::ABOUT .
            ' from contributors x cross join lateral (select array_agg(title_id) titles from contributor_title ct
                where not g.many and ct.contributor_id = x.id and ct.role = g.role) o where x.id = g.ref',
        ],
        'series' => [
            "select x.id, '', x.words, count(*), count(*) from series x join titles t on t.series_id = x.id
                group by x.id",
            self::ABOUT .
            ' from series x cross join lateral (select array_agg(title_id) titles from search_rows s
                where s.series_id = x.id) o where x.id = g.ref',
        ],
        'subject' => [
            "select x.id, '', x.words, count(*), count(*) from subjects x
                join subject_title st on st.subject_id = x.id group by x.id",
            self::ABOUT .
            ' from subjects x cross join lateral (select array_agg(title_id) titles from subject_title st
                where not g.many and st.subject_id = x.id) o where x.id = g.ref',
        ],
    ];

    private const ABOUT =
        "json_build_object('kind', g.kind, 'id', x.id, 'role', g.role, 'name', x.name, 'many', " .
        "g.many, 'titles', coalesce(o.titles, '{}'))";

    /** @param  int  $many  a name with more titles is counted by sets; a series never is, it has few and no set */
    public function __construct(private readonly int $many = 100) {}

    /** Whether a catalogue that has sets has no beginnings beside them. */
    public function isDue(): bool
    {
        return DB::scalar(
            'select exists (select from search_gatherings where gathered_at is not null) and not exists (select
                from search_prefixes)',
        );
    }

    /** @return int how many there are now */
    public function __invoke(): int
    {
        return DB::transaction(function (): int {
            DB::table('search_prefixes')->delete();
            DB::table('search_names')->delete();
            foreach (self::KINDS as $kind => [$of, $about]) {
                DB::statement("create temporary table gathering_names on commit drop as
                    select (select coalesce(max(id), 0)
                        from search_names) + row_number()
                        over () id, '{$kind}' kind, ref, role, words, n, '{$kind}' <> 'series'
                        and titles > {$this->many} many
                        from ({$of}) x (ref, role, words, n, titles)");
                DB::insert(
                    'insert into search_prefixes (prefix, kind, place, name_id) select prefix, ?, place, id from (
                        select prefix, id, row_number() over (partition by prefix order by n desc, ref, role) place
                            from (
                            select distinct left(word, letters) prefix, id, ref, role, n from gathering_names cross
                                join unnest(tsvector_to_array(words)) word
                                cross join generate_series(' .
                        LikelyNames::SHORTEST .
                        ', ' .
                        LikelyNames::LONGEST .
                        ') letters where length(word) >= letters) p) r
                    where place <= ?',
                    [$kind, LikelyNames::KEPT],
                );
                DB::insert(
                    "insert into search_names (id, words, about) select g.id, g.words, (select {$about})
                        from gathering_names g where g.id in (select name_id from search_prefixes where kind = ?)",
                    [$kind],
                );
                DB::unprepared('drop table gathering_names');
            }

            // Otherwise they would be looked for as among rows of which nothing is known, until the database comes by.
            DB::unprepared('analyze search_prefixes, search_names');

            return DB::table('search_prefixes')->count();
        });
    }
}
