<?php

declare(strict_types=1);

namespace App\Desk\Requests;

use App\Models\Library;
use App\Models\TitleRequest;
use App\Shared\PageAsked;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What patrons ask a library to get, by title; nothing says who asks. */
final class RequestedTitles
{
    private const PER_PAGE = 50;

    private const WORDS_SHOWN = 200;

    private const ROWS = "select t.id, t.name, t.format, (select string_agg(c.name, ', ' order by ct.position)
        from contributor_title ct join contributors c on c.id = ct.contributor_id where ct.title_id = t.id) people,
            t.isbn as number, count(*) asked, count(*)
                filter (where r.wants_hold) line, min(r.asked_at) first_at, max(r.asked_at) last_at, st.price_cents,
                st.currency
        from requests r join titles t on t.id = r.title_id left join supplied_titles st on st.title_id = t.id
        where r.library_id = ? and r.state = 'open' group by t.id, st.title_id order by asked desc, first_at, t.id";

    /** @return LengthAwarePaginator<int, stdClass> the most asked for first */
    public function byTitle(Library $library): LengthAwarePaginator
    {
        $total = $this->titles($library);
        $page = PageAsked::of($total, self::PER_PAGE);

        return new LengthAwarePaginator(
            DB::select(self::ROWS . ' limit ? offset ?', [$library->id, self::PER_PAGE, ($page - 1) * self::PER_PAGE]),
            $total,
            self::PER_PAGE,
            $page,
            ['path' => Paginator::resolveCurrentPath()],
        );
    }

    /**
     * @return list<stdClass> all of them, and after them those in words, which have no title and so no number of one,
     *     but perhaps a standard number
     */
    public function all(Library $library): array
    {
        return array_values([
            ...DB::select(self::ROWS, [$library->id]),
            ...DB::select(
                "select null id, r.name, r.format, r.people, r.number, 1 asked, r.wants_hold::int line,
                    r.asked_at first_at, r.asked_at last_at, null price_cents, null currency
                from requests r where r.library_id = ? and r.state = 'open' and r.title_id is null
                    order by r.asked_at, r.id",
                [$library->id],
            ),
        ]);
    }

    public function titles(Library $library): int
    {
        return DB::table('requests')
            ->where('library_id', $library->id)
            ->where('state', 'open')
            ->distinct()
            ->count('title_id');
    }

    public function people(Library $library): int
    {
        return DB::table('requests')
            ->where('library_id', $library->id)
            ->whereNotNull('title_id')
            ->where('state', 'open')
            ->count();
    }

    /**
     * @return list<stdClass> one for each who asked for a title, the first first: when, which group, what they wish,
     *     and what came of it
     */
    public function ofTitle(Library $library, int $titleId): array
    {
        return array_values(
            DB::select(
                "select r.asked_at, c.patron_group, r.wants_notice, r.wants_hold, r.state, r.answered_at, r.answer
                    from requests r left join cards c on c.id = r.card_id
                where r.library_id = ? and r.title_id = ? and r.state <> 'withdrawn'
                    order by r.state = 'open' desc, r.asked_at, r.id limit 500",
                [$library->id, $titleId],
            ),
        );
    }

    /**
     * @return Collection<int, TitleRequest> those in words, of which nobody has said yet which title they mean; the
     *     first first
     */
    public function inWords(Library $library): Collection
    {
        return TitleRequest::query()
            ->where('library_id', $library->id)
            ->whereNull('title_id')
            ->where('state', 'open')
            ->orderBy('asked_at')
            ->orderBy('id')
            ->limit(self::WORDS_SHOWN)
            ->get();
    }

    /** @return stdClass|null price_cents and currency, where the supplier offers the title */
    public function offer(int $titleId): ?stdClass
    {
        return DB::table('supplied_titles')
            ->where('title_id', $titleId)
            ->first(['price_cents', 'currency']);
    }

    /** @return stdClass|null the supplier's last reading */
    public function lastReading(): ?stdClass
    {
        return DB::table('supplier_readings')->whereNotNull('ended_at')->orderByDesc('id')->first();
    }

    /** Titles that the supplier is known to offer. */
    public function supplied(): int
    {
        return DB::table('supplied_titles')->count();
    }
}
