<?php

declare(strict_types=1);

namespace App\Catalogue\SimilarTitles;

use App\Catalogue\Search\HeldTitles;
use App\Lending\LoanRules\CardEligibility;
use App\Models\Title;
use App\Shared\TitleNames;
use DateTimeImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Others like a title: by what they are about, who made them, their series, and what the same people borrowed. */
final class SimilarTitles
{
    /**
     * A shared series counts most, then people, then subjects, rare ones more than common ones; the weights are our
     * own. Of each subject only its most borrowed titles are looked at. Those of a subject with few are put in order;
     * of one with many, the most borrowed of all titles are gone through until enough are of it, and some of its
     * newest are taken. Either takes as long as looking at some ten thousand titles, of a million.
     */
    private const FIND = <<<'SQL'
    with own as (select * from search_rows where title_id = :title),
    about as (select st.subject_id, x.n from subject_title st cross join lateral (select count(*) n from (select
        from subject_title o where o.subject_id = st.subject_id limit 8000) y) x where st.title_id = :title),
    near as (
        select r.title_id, 3.0 weight from own join search_rows r on r.series_id = own.series_id
        union all (select ct.title_id, case when own.role = 'author' then 2.5 else 1.0 end from contributor_title own
            join contributor_title ct on ct.contributor_id = own.contributor_id where own.title_id = :title limit 500)
        union all select o.title_id, 4.0 / ln(10 + about.n) from about cross join lateral (
            select st.title_id from subject_title st cross join lateral (select r.times_borrowed from search_rows r
                where r.title_id = st.title_id offset 0) r where st.subject_id = about.subject_id
                order by r.times_borrowed desc, st.title_id limit 200) o where about.n < 8000
        union all select o.title_id, 4.0 / ln(10 + about.n) from about cross join lateral (
            (select r.title_id from (select title_id, times_borrowed from search_rows
                order by times_borrowed desc, title_id limit 50000) r where exists (select from subject_title st
                where st.title_id = r.title_id and st.subject_id = about.subject_id offset 0)
                order by r.times_borrowed desc, r.title_id limit 200)
            union (select title_id from subject_title st where st.subject_id = about.subject_id
                order by title_id desc limit 200)) o where about.n = 8000
        union all select other_id, 1.0 + ln(people) / 2 from title_neighbours where title_id = :title
    ), summed as (
        select near.title_id, sum(weight) weight from near group by near.title_id
    ), fit as (
        select s.title_id, t.work_id, summed.weight + case when s.audience = own.audience then 1 else 0 end + case
            when s.language = own.language then 0.5 else 0 end
                + case when s.format = own.format then 0.4 else 0 end + case when had.can & 2 > 0 then 0.3 else 0
                    end as weight, s.times_borrowed
            from summed join search_rows s on s.title_id = summed.title_id join titles t on t.id = s.title_id cross
                join own cross join lateral (select %s can offset 0) had
            where t.work_id <> :work and had.can & 1 > 0
    ), one_of_each as (select distinct on (work_id) * from fit order by work_id, weight desc, title_id)
    select title_id from one_of_each order by weight desc, times_borrowed desc, title_id limit :most
    SQL;

    /** @return Collection<int, Title> such as the library has, the likest first, one edition of each work */
    public function to(
        Title $title,
        int $libraryId,
        DateTimeImmutable $now,
        CardEligibility $eligibility = new CardEligibility(),
        int $most = 6,
    ): Collection {
        [$can, $bindings] = HeldTitles::can($libraryId, $now, $eligibility);
        // PDO takes names or question marks, not both: the names become marks in the order in which they stand.
        $all = [];
        $sql = (string) preg_replace_callback(
            '/:(title|work|most)\b|\x01/',
            function (array $m) use (&$all, $title, $most, $bindings): string {
                array_push(
                    $all,
                    ...match ($m[1] ?? '') {
                        'title' => [$title->id],
                        'work' => [$title->work_id],
                        'most' => [$most],
                        default => $bindings,
                    },
                );

                return ($m[1] ?? '') === '' ? '' : '?';
            },
            sprintf(self::FIND, "\x01{$can}"),
        );
        $ids = array_column(DB::select($sql, $all), 'title_id');
        $titles = Title::query()
            ->findMany($ids)
            ->sortBy(fn(Title $one): int => (int) array_search($one->id, $ids, true))
            ->values();
        TitleNames::giveTo($titles);

        return $titles;
    }
}
