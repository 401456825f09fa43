<?php

declare(strict_types=1);

namespace App\Desk\Weeding;

use App\Models\Library;
use App\Shared\PageAsked;
use App\Shared\Sql;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\LazyCollection;
use stdClass;

/**
 * Titles of a library's own that nobody has borrowed for so long, and what it costs to keep them. Counted last night;
 * what has been lent since is left out of what is shown.
 */
final class UnlentTitles
{
    public const MONTHS = [6, 12, 24, 36];

    private const PAGE = 50;

    private const AT_A_TIME = 500;

    private const ORDER = 'yearly desc, lent, title_id';

    /**
     * Own licences that live and were there before the time looked at. What one costs a year is its price by its
     * length; one without an end costs nothing more. A sum of money in cents.
     */
    private const TITLES = 'select li.title_id, count(*) licences, sum(li.copies)::int copies,
            coalesce(sum(u.lent), 0)::int lent, max(u.last_lent_at) last_lent_at, min(li.starts_at) since,
            min(li.ends_at) ends_at, sum(li.price_cents) paid,
            sum(case when li.ends_at is null then 0 else li.price_cents
                / greatest(extract(epoch from li.ends_at - li.starts_at) / 31557600, 0.02) end)::int yearly
        from title_use t join licences li on li.title_id = t.title_id and li.library_id = t.library_id
            left join licence_use u on u.licence_id = li.id
        where t.library_id = :library and t.last_at <= :since and li.model <> \'pay_per_loan\'
            and licence_has_future(li, :now)
        group by li.title_id having max(li.starts_at) <= :since';

    /** @return LengthAwarePaginator<int, UnlentTitle> what costs most to keep first, then what was lent least */
    public function page(Library $library, int $months, ?Format $format, DateTimeImmutable $now): LengthAwarePaginator
    {
        [$sql, $values] = $this->query($library, $months, $format, $now);
        $page = PageAsked::uncounted();
        $rows = $this->some($sql, $values, self::PAGE, ($page - 1) * self::PAGE);
        if ($rows === [] && $page > 1) {
            $page = PageAsked::of((int) DB::scalar("select count(*) from ({$sql}) x", $values), self::PAGE);
            $rows = $this->some($sql, $values, self::PAGE, ($page - 1) * self::PAGE);
        }

        return new LengthAwarePaginator($this->unlent($rows, $values), $rows[0]->found ?? 0, self::PAGE, $page, [
            'path' => route('desk.weeding', absolute: false),
        ]);
    }

    /** @return LazyCollection<int, UnlentTitle> as page() has them, some read at a time */
    public function all(Library $library, int $months, ?Format $format, DateTimeImmutable $now): LazyCollection
    {
        [$sql, $values] = $this->query($library, $months, $format, $now);

        return LazyCollection::make(fn() => DB::cursor("select * from ({$sql}) y order by " . self::ORDER, $values))
            ->chunk(self::AT_A_TIME)
            ->flatMap(fn(LazyCollection $some): array => $this->unlent(array_values($some->all()), $values));
    }

    /** @return array{string, array<string, string|int>} */
    private function query(Library $library, int $months, ?Format $format, DateTimeImmutable $now): array
    {
        $values = [
            'library' => $library->id,
            'now' => Sql::second($now),
            'since' => Sql::second($now->modify("-{$months} months")),
        ];

        return $format === null
            ? [self::TITLES, $values]
            : [
                'select x.* from (' . self::TITLES . ') x join titles t on t.id = x.title_id and t.format = :format',
                $values + ['format' => $format->value],
            ];
    }

    /**
     * @param  array<string, string|int>  $values
     * @return list<stdClass> so many of those that are found, each with how many those are
     */
    private function some(string $sql, array $values, int $limit, int $offset): array
    {
        return array_values(
            DB::select(
                "select *, count(*) over () as found from ({$sql}) y order by " .
                    self::ORDER .
                    ' limit :limit offset :offset',
                $values + ['limit' => $limit, 'offset' => $offset],
            ),
        );
    }

    /**
     * @param  list<stdClass>  $rows
     * @param  array<string, string|int>  $values
     * @return list<UnlentTitle>
     */
    private function unlent(array $rows, array $values): array
    {
        $ids = array_column($rows, 'title_id');
        $titles = TitleNames::titles($ids);
        $lentSince = DB::table('loans')
            ->join('licences', 'licences.id', 'loans.licence_id')
            ->where('licences.library_id', $values['library'])
            ->whereIn('licences.title_id', $ids)
            ->where('loans.started_at', '>', $values['since'])
            ->distinct()
            ->pluck('licences.title_id')
            ->flip();
        $unlent = [];
        foreach ($rows as $row) {
            $title = $titles->get($row->title_id);
            if ($title !== null && !$lentSince->has($row->title_id)) {
                $unlent[] = new UnlentTitle(
                    title: $title,
                    copies: $row->copies,
                    lent: $row->lent,
                    lastLentAt: $row->last_lent_at === null ? null : new DateTimeImmutable($row->last_lent_at),
                    since: new DateTimeImmutable($row->since),
                    endsAt: $row->ends_at === null ? null : new DateTimeImmutable($row->ends_at),
                    paidCents: (int) $row->paid,
                    yearlyCents: $row->yearly,
                );
            }
        }

        return $unlent;
    }
}
