<?php

declare(strict_types=1);

namespace App\Desk\Renewals;

use App\Desk\Licences\LibraryPressure;
use App\Models\Library;
use App\Models\Title;
use App\Shared\PageAsked;
use App\Shared\Sql;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Desk\Demand;
use FigPorch\Core\Desk\LicenceCost;
use FigPorch\Core\Desk\Offer;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\LazyCollection;
use LogicException;
use stdClass;

/** A library's licences that end within a year, by the month of its calendar. */
final class EndingLicences
{
    public const MONTHS = 12;

    private const PAGE = 25;

    /** Over which demand is measured, as on a title's page. */
    private const DEMAND_DAYS = 180;

    private const AT_A_TIME = 500;

    private const ROWS = "select li.*, (select count(*) from loans l where l.licence_id = li.id) lent,
        (select count(*) from holds h where h.library_id = li.library_id and h.title_id = li.title_id
            and h.closed_at is null and h.state <> 'ready') waiting,
        (select count(*) from loans l join licences o on o.id = l.licence_id where o.library_id = li.library_id
            and o.title_id = li.title_id and l.started_at > :since) begun,
        (select extract(epoch from :now::timestamptz - min(o.starts_at)) / 86400 from licences o
            where o.library_id = li.library_id and o.title_id = li.title_id) days,
        exists (select from orders x where x.library_id = li.library_id and x.title_id = li.title_id
            and x.state in ('noted', 'ordered')) ordered
        from licences li where li.library_id = :library and li.ends_at > :from and li.ends_at <= :to
        order by li.ends_at, li.id";

    /** @var array<string, float> days from one loan of a copy to its next, by library and format */
    private array $cycles = [];

    public function __construct(private readonly LibraryPressure $pressure) {}

    /** @return array<string, array{count: int, cents: int}> by month, "2026-12", from this one on; empty ones too */
    public function calendar(Library $library, DateTimeImmutable $now): array
    {
        $month = $now->setTimezone($library->zone())->modify('first day of this month');
        $calendar = [];
        for ($n = 0; $n < self::MONTHS; $n++) {
            $calendar[$month->modify("+{$n} months")->format('Y-m')] = ['count' => 0, 'cents' => 0];
        }
        $rows = DB::select(
            "select to_char(ends_at at time zone ?, 'YYYY-MM') as month, count(*) n, sum(price_cents) cents
                from licences where library_id = ? and ends_at > ? group by 1",
            [$library->timezone, $library->id, Sql::second($now)],
        );
        foreach ($rows as $row) {
            if (isset($calendar[$row->month])) {
                $calendar[$row->month] = ['count' => (int) $row->n, 'cents' => (int) $row->cents];
            }
        }

        return $calendar;
    }

    /**
     * @param  string|null  $month  "2026-12"; null for the whole year
     * @return LengthAwarePaginator<int, EndingLicence> the next to end first
     */
    public function page(Library $library, ?string $month, DateTimeImmutable $now): LengthAwarePaginator
    {
        [$from, $to] = $this->span($library, $month, $now);
        $count = DB::table('licences')
            ->where('library_id', $library->id)
            ->where('ends_at', '>', Sql::second($from))
            ->where('ends_at', '<=', Sql::second($to))
            ->count();
        $page = PageAsked::of($count, self::PAGE);

        return new LengthAwarePaginator(
            $this->filled(
                $library,
                DB::select(self::ROWS . ' limit :limit offset :offset', [
                    ...self::values($library, $from, $to, $now),
                    'limit' => self::PAGE,
                    'offset' => ($page - 1) * self::PAGE,
                ]),
                $now,
            ),
            $count,
            self::PAGE,
            $page,
            ['path' => route('desk.renewals', absolute: false)],
        );
    }

    /** @return LazyCollection<int, EndingLicence> as page() has them, some read at a time */
    public function all(Library $library, ?string $month, DateTimeImmutable $now): LazyCollection
    {
        [$from, $to] = $this->span($library, $month, $now);

        return LazyCollection::make(fn() => DB::cursor(self::ROWS, self::values($library, $from, $to, $now)))
            ->chunk(self::AT_A_TIME)
            ->flatMap(fn(LazyCollection $some): array => $this->filled($library, $some->all(), $now));
    }

    /** @return array<string, string|int> what ROWS asks for */
    private static function values(
        Library $library,
        DateTimeImmutable $from,
        DateTimeImmutable $to,
        DateTimeImmutable $now,
    ): array {
        return [
            'since' => Sql::second($now->modify('-' . self::DEMAND_DAYS . ' days')),
            'now' => Sql::second($now),
            'library' => $library->id,
            'from' => Sql::second($from),
            'to' => Sql::second($to),
        ];
    }

    /** @return array{DateTimeImmutable, DateTimeImmutable} from after the first to the second */
    private function span(Library $library, ?string $month, DateTimeImmutable $now): array
    {
        $first = new DateTimeImmutable(
            ($month ?? $now->setTimezone($library->zone())->format('Y-m')) . '-01 00:00',
            $library->zone(),
        );
        $end = $first->modify($month === null ? '+' . self::MONTHS . ' months' : '+1 month')->modify('-1 second');

        return [max($now, $first->modify('-1 second')), $end];
    }

    /**
     * @param  array<stdClass>  $rows  as ROWS has them
     * @return list<EndingLicence>
     */
    private function filled(Library $library, array $rows, DateTimeImmutable $now): array
    {
        $ids = array_column($rows, 'title_id');
        $titles = TitleNames::titles(array_values(array_unique($ids)));
        $others = $this->otherLicences($library, $ids, $now);

        $ending = [];
        foreach ($rows as $row) {
            $title = $titles[$row->title_id] ?? throw new LogicException('A licence is of a title.');
            $ending[] = $this->ending($library, $title, $row, $others[$row->title_id] ?? [], $now);
        }

        return $ending;
    }

    /** @param  list<Licence>  $licences  of the title that the library has now */
    private function ending(
        Library $library,
        Title $title,
        stdClass $row,
        array $licences,
        DateTimeImmutable $now,
    ): EndingLicence {
        $model = LicenceModel::from($row->model);
        $starts = new DateTimeImmutable($row->starts_at);
        $ends = new DateTimeImmutable($row->ends_at);
        $days = max(1.0, ($ends->getTimestamp() - $starts->getTimestamp()) / 86400);
        $price = (int) $row->price_cents;
        $renewed = null;
        if ($price > 0 && $model !== LicenceModel::PayPerLoan) {
            $cost = new LicenceCost(
                Demand::measured($row->begun, $row->waiting, min(self::DEMAND_DAYS, (float) $row->days)),
                $this->cycle($library, $title->format),
                array_values(array_filter($licences, fn(Licence $other): bool => $other->id !== $row->id)),
                $days,
                $now,
            );
            $offer = new Offer($model, $price, $row->copies, $model->countsLoans() ? $row->loans_bought : null, $days);
            $renewed = $cost->of($offer, $price);
        }

        return new EndingLicence(
            id: $row->id,
            title: $title,
            model: $model,
            copies: $row->copies,
            loansBought: $row->loans_bought,
            loansLeft: $row->loans_left,
            priceCents: $price,
            startsAt: $starts,
            endsAt: $ends,
            lent: $row->lent,
            waiting: $row->waiting,
            centsPerLoan: $price === 0 || $row->lent === 0 ? null : $price / $row->lent,
            renewed: $renewed,
            ordered: $row->ordered,
        );
    }

    private function cycle(Library $library, Format $format): float
    {
        return $this->cycles["{$library->id} {$format->value}"] ??= $this->pressure
            ->forecast($library, $format)
            ->cycle();
    }

    /**
     * @param  list<int>  $titles
     * @return array<int, list<Licence>> by title
     */
    private function otherLicences(Library $library, array $titles, DateTimeImmutable $now): array
    {
        $rows = DB::table('licences')
            ->where('library_id', $library->id)
            ->whereIn('title_id', $titles)
            // Pay per loan is the last resort that a licence replaces: LicenceCost does not count it.
            ->where('model', '<>', LicenceModel::PayPerLoan)
            ->whereRaw('licence_has_future(licences, ?)', [Sql::second($now)])
            ->get();
        $licences = [];
        foreach ($rows as $row) {
            $licences[$row->title_id][] = new Licence(
                id: $row->id,
                libraryId: $row->library_id,
                model: LicenceModel::from($row->model),
                copies: $row->copies,
                copiesFree: $row->copies_free,
                loansLeft: $row->loans_left,
                startsAt: new DateTimeImmutable($row->starts_at),
                endsAt: $row->ends_at === null ? null : new DateTimeImmutable($row->ends_at),
                onOrder: $row->file_came_at === null,
            );
        }

        return $licences;
    }
}
