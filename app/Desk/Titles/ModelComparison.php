<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Desk\Licences\LibraryPressure;
use App\Desk\Licences\TitlePressures;
use App\Lending\Waits\WaitEstimates;
use App\Models\Library;
use App\Models\Title;
use App\Shared\Sql;
use DateInterval;
use DateTimeImmutable;
use FigPorch\Core\Desk\Demand;
use FigPorch\Core\Desk\LicenceCost;
use FigPorch\Core\Desk\LineChange;
use FigPorch\Core\Desk\Offer;
use FigPorch\Core\Desk\OfferValue;
use FigPorch\Core\Lending\Forecast\Forecast;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\WaitingHold;
use Illuminate\Support\Facades\DB;

/** What the same money would bring a title in each licence model. */
final class ModelComparison
{
    private const DEMAND_DAYS = 180;

    public function __construct(
        private readonly LibraryPressure $pressure,
        private readonly TitlePressures $pressures,
    ) {}

    /**
     * The same money in each model that the library knows a price of.
     *
     * @param  array{licences: list<LineLicence>, waiting: list<WaitingHold>}  $line
     * @param  list<Offer>  $offers
     * @return list<array{value: OfferValue, wait: float|null}> the cheapest loan first; the wait for who joins the line
     *     then, 8 in 10
     */
    public function compare(
        Library $library,
        Title $title,
        array $line,
        array $offers,
        int $moneyCents,
        float $horizonDays,
        DateTimeImmutable $now,
    ): array {
        $cost = new LicenceCost(
            $this->demand($library, $title, count($line['waiting']), $now),
            $this->pressure->forecast($library, $title->format)->cycle(),
            array_map(
                fn(LineLicence $l): Licence => $l->licence,
                WaitEstimates::countedOn($library->id, $line['licences'], $now),
            ),
            $horizonDays,
            $now,
        );
        $compared = [];
        foreach ($offers as $offer) {
            $value = $cost->of($offer, $moneyCents);
            $compared[] = ['value' => $value, 'wait' => $this->waitWith($library, $title, $line, $value, $now)];
        }
        usort(
            $compared,
            fn(array $a, array $b): int => ($a['value']->centsPerLoan ?? INF) <=> ($b['value']->centsPerLoan ?? INF),
        );

        return $compared;
    }

    public function demand(Library $library, Title $title, int $waiting, DateTimeImmutable $now): Demand
    {
        $row = DB::selectOne(
            'select count(*) n, least(?, extract(epoch from ?::timestamptz - (select min(starts_at) from licences
                where title_id = ? and library_id = ?)) / 86400) days
                from loans l join licences li on li.id = l.licence_id
                    where li.title_id = ? and li.library_id = ? and l.started_at > ?',
            [
                self::DEMAND_DAYS,
                Sql::second($now),
                $title->id,
                $library->id,
                $title->id,
                $library->id,
                Sql::second($now->modify('-' . self::DEMAND_DAYS . ' days')),
            ],
        );

        return Demand::measured($row->n, $waiting, (float) ($row->days ?? self::DEMAND_DAYS));
    }

    /**
     * What one of each model last cost the library for this title, else for others of its format (the middle price).
     *
     * @return array<string, Offer> by model
     */
    public function offers(Library $library, Title $title): array
    {
        $rows = DB::select(
            'select distinct on (model) model, price_cents, copies, loans_bought, extract(epoch
                from ends_at - starts_at) / 86400 days from (
                select li.*, li.title_id = ? own, percent_rank() over (partition by model, li.title_id = ?
                    order by price_cents::float / greatest(coalesce(copies, 1), 1)) place
                    from licences li join titles t on t.id = li.title_id
                        where li.library_id = ? and t.format = ? and price_cents > 0) x
                order by model, own desc, case when own then -extract(epoch
                    from starts_at) else abs(place - 0.5) end, id',
            [$title->id, $title->id, $library->id, $title->format->value],
        );
        $offers = [];
        foreach ($rows as $row) {
            $model = LicenceModel::from($row->model);
            $copies = $model->hasCopies() ? ($model->countsLoans() ? (int) $row->copies : 1) : null;
            $price = $copies === 1 && $row->copies > 1 ? intdiv($row->price_cents, $row->copies) : $row->price_cents;
            $offers[$row->model] = new Offer(
                $model,
                max(1, $price),
                $copies,
                $model->countsLoans() ? $row->loans_bought : null,
                $row->days === null ? null : (float) $row->days,
            );
        }

        return $offers;
    }

    /** @param  array{licences: list<LineLicence>, waiting: list<WaitingHold>}  $line */
    private function waitWith(
        Library $library,
        Title $title,
        array $line,
        OfferValue $value,
        DateTimeImmutable $now,
    ): ?float {
        $offer = $value->offer;
        if ($value->units === 0 || !$offer->model->hasCopies()) {
            return $value->units === 0 ? $this->pressures->of($library, $title->format, $line, 1, $now)['wait'] : null;
        }
        $copies = $value->units * (int) $offer->copies;
        $bought = new Licence(
            id: 0,
            libraryId: $library->id,
            model: $offer->model,
            copies: $copies,
            copiesFree: $copies,
            loansLeft: $offer->loans === null ? null : $value->units * $offer->loans,
            startsAt: $now,
            endsAt: $offer->days === null ? null : $now->add(new DateInterval('P' . (int) $offer->days . 'D')),
        );
        $of = $this->pressure->line(
            $library,
            LineChange::added($line['licences'], $bought)->licences,
            $line['waiting'],
            $now,
        );

        return $this->pressure->of($library, $title->format, Forecast::BRIEF)->wait($of, $now);
    }
}
