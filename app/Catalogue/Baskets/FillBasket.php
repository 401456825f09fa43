<?php

declare(strict_types=1);

namespace App\Catalogue\Baskets;

use App\Models\Basket;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Puts titles into a basket, orders them, and takes them out. */
final class FillBasket
{
    public const MOST = 2000;

    /** @return bool false when the basket is full */
    public function put(Basket $basket, int $titleId, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($basket, $titleId, $now): bool {
            $this->lock($basket);
            if (
                DB::table('basket_title')
                    ->where('basket_id', $basket->id)
                    ->where('title_id', '<>', $titleId)
                    ->count() >= self::MOST
            ) {
                return false;
            }
            DB::insert(
                'insert into basket_title (basket_id, title_id, position, added_at)
                    select ?, ?, coalesce(max(position), 0) + 1, ? from basket_title
                    where basket_id = ? on conflict do nothing',
                [$basket->id, $titleId, Sql::timestamp($now), $basket->id],
            );

            return true;
        });
    }

    /** @param  list<int>  $titleIds */
    public function takeOut(Basket $basket, array $titleIds): int
    {
        return DB::table('basket_title')->where('basket_id', $basket->id)->whereIn('title_id', $titleIds)->delete();
    }

    /**
     * With their notes.
     *
     * @param  list<int>  $titleIds
     */
    public function moveTo(Basket $from, Basket $to, array $titleIds): int
    {
        return DB::transaction(function () use ($from, $to, $titleIds): int {
            foreach (collect([$from, $to])->sortBy('id') as $basket) {
                $this->lock($basket);
            }
            $ids = Sql::array($titleIds);
            DB::insert(
                'insert into basket_title (basket_id, title_id, position, note, added_at)
                    select ?, title_id, (select coalesce(max(position), 0) from basket_title
                        where basket_id = ?) + row_number() over (order by position), note, added_at
                    from basket_title where basket_id = ? and title_id = any(?::bigint[]) on conflict do nothing',
                [$to->id, $to->id, $from->id, $ids],
            );

            return DB::delete('delete from basket_title where basket_id = ? and title_id = any(?::bigint[])', [
                $from->id,
                $ids,
            ]);
        });
    }

    /** Up or down by one place. */
    public function shift(Basket $basket, int $titleId, int $by): void
    {
        DB::transaction(function () use ($basket, $titleId, $by): void {
            $this->lock($basket);
            $ids = DB::table('basket_title')
                ->where('basket_id', $basket->id)
                ->orderBy('position')
                ->orderBy('title_id')
                ->pluck('title_id')
                ->all();
            $shifted = ArrangeBaskets::shifted(array_values($ids), $titleId, $by);
            DB::update(
                'update basket_title b set position = o.n from unnest(?::bigint[]) with ordinality o(id, n)
                    where b.basket_id = ? and b.title_id = o.id',
                [Sql::array($shifted), $basket->id],
            );
        });
    }

    /** @param  array<int, string>  $notes  by title; an empty one takes the note away */
    public function note(Basket $basket, array $notes): void
    {
        if ($notes !== []) {
            DB::update(
                "update basket_title b set note = nullif(n.note, '') from json_each_text(?) n(id, note)
                    where b.basket_id = ? and b.title_id = n.id::bigint and coalesce(b.note, '') <> n.note",
                [json_encode((object) $notes, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), $basket->id],
            );
        }
    }

    private function lock(Basket $basket): void
    {
        DB::select('select from baskets where id = ? for no key update', [$basket->id]);
    }
}
