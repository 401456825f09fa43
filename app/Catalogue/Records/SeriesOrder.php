<?php

declare(strict_types=1);

namespace App\Catalogue\Records;

use App\Models\Library;
use App\Models\Person;
use App\Models\Title;
use App\Shared\TitleNames;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** A series in its order, a magazine with its latest issue first, and what of it a person has had. */
final class SeriesOrder
{
    private const MOST = 60;

    /**
     * @return Collection<int, Title> one edition of each work: one that the library has, of the title's own format,
     *     where there is one
     */
    public function of(Title $title, Library $library): Collection
    {
        if ($title->series_id === null) {
            return new Collection();
        }
        $order =
            $title->format === Format::Magazine
                ? 'series_position desc nulls last, published desc'
                : 'series_position nulls last';
        $ids = array_column(
            DB::select(
                "select id from (select distinct on (work_id) id, series_position, published, name
                    from titles left join search_rows s on s.title_id = id
                    where titles.series_id = ? order by work_id, id = ? desc, coalesce(? = any(s.held), false) desc,
                        titles.format = ? desc, id) x
                    order by {$order}, name limit ?",
                [$title->series_id, $title->id, $library->id, $title->format->value, self::MOST],
            ),
            'id',
        );

        return new Collection(TitleNames::inOrder($ids));
    }

    /**
     * @return array<int, true> works of the series that the person has or had on loan, as far as their history is kept
     */
    public function had(?Person $person, Title $title): array
    {
        if ($person === null || $title->series_id === null) {
            return [];
        }
        $cards = '{' . $person->cards->pluck('id')->implode(',') . '}';

        // Open loans and past ones each have an index of their own by card.
        return array_fill_keys(
            array_column(
                DB::select(
                    'select distinct t.work_id from titles t join (
                select title_id from loans where card_id = any(?::bigint[]) and ended_at is null
                union all select title_id from loans where card_id = any(?::bigint[]) and ended_at is not null
            ) l on l.title_id = t.id where t.series_id = ?',
                    [$cards, $cards, $title->series_id],
                ),
                'work_id',
            ),
            true,
        );
    }

    /**
     * What comes after the last that they had; null where they had none or all.
     *
     * @param  Collection<int, Title>  $series
     * @param  array<int, true>  $had
     */
    public function next(Collection $series, array $had): ?Title
    {
        $next = null;
        foreach ($series->reverse() as $title) {
            if (isset($had[$title->work_id])) {
                return $next;
            }
            $next = $title;
        }

        return null;
    }
}
