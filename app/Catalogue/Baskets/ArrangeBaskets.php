<?php

declare(strict_types=1);

namespace App\Catalogue\Baskets;

use App\Models\Basket;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Makes baskets, puts one into another, takes them away; on signing in those begun in the browser become the person's.
 */
final class ArrangeBaskets
{
    public const MOST = 200;

    public const DEEPEST = 6;

    /**
     * @return Basket|null the one of that name there, if there is one; null when there are as many as there can be, or
     *     the place is too deep
     */
    public function make(BasketOwner $owner, string $name, ?Basket $into, DateTimeImmutable $now): ?Basket
    {
        return DB::transaction(function () use ($owner, $name, $into, $now): ?Basket {
            $this->lock($owner);
            $same = $owner->baskets()->where('parent_id', $into?->id)->where('name', $name)->first();
            if ($same !== null) {
                return $same;
            }
            if ($owner->baskets()->count() >= self::MOST || ($into !== null && $this->depth($into) >= self::DEEPEST)) {
                return null;
            }

            return Basket::query()->create([
                'person_id' => $owner->personId,
                'browser_key' => $owner->personId === null ? $owner->browserKey : null,
                'parent_id' => $into?->id,
                'name' => $name,
                'position' => 1 + (int) $owner->baskets()->where('parent_id', $into?->id)->max('position'),
                'created_at' => $now,
            ]);
        });
    }

    /** @return bool false when that would put a basket into itself, or too deep */
    public function putInto(BasketOwner $owner, Basket $basket, ?Basket $into): bool
    {
        return DB::transaction(function () use ($owner, $basket, $into): bool {
            $this->lock($owner);
            if ($into !== null) {
                $above = $this->above($into);
                if (in_array($basket->id, $above, true) || count($above) + $this->height($basket) > self::DEEPEST) {
                    return false;
                }
            }
            $basket->update([
                'parent_id' => $into?->id,
                'position' => 1 + (int) $owner->baskets()->where('parent_id', $into?->id)->max('position'),
            ]);

            return true;
        });
    }

    /** Up or down among those beside it. */
    public function shift(BasketOwner $owner, Basket $basket, int $by): void
    {
        DB::transaction(function () use ($owner, $basket, $by): void {
            $this->lock($owner);
            $beside = $owner
                ->baskets()
                ->where('parent_id', $basket->parent_id)
                ->orderBy('position')
                ->orderBy('id')
                ->pluck('id')
                ->all();
            foreach (self::shifted(array_values($beside), $basket->id, $by) as $position => $id) {
                Basket::query()
                    ->whereKey($id)
                    ->update(['position' => $position]);
            }
        });
    }

    public function rename(Basket $basket, string $name, string $note): void
    {
        $basket->update(['name' => $name, 'note' => $note === '' ? null : $note]);
    }

    /** With all the baskets that it holds. */
    public function remove(Basket $basket): void
    {
        $basket->delete();
    }

    /** Gives it an address to show it by, the one it has if it has one; or takes that away. */
    public function share(Basket $basket, bool $withdraw): void
    {
        $basket->update(['share_key' => $withdraw ? null : $basket->share_key ?? Str::random(40)]);
    }

    /** What was begun in a browser becomes a person's: into the basket of the same name at the top, if there is one. */
    public function claim(string $browserKey, int $personId): void
    {
        DB::transaction(function () use ($browserKey, $personId): void {
            $person = new BasketOwner($personId, null);
            $this->lock($person);
            foreach (
                (new BasketOwner(null, $browserKey))->baskets()->whereNull('parent_id')->lockForUpdate()->get()
                as $begun
            ) {
                $same = $person->baskets()->whereNull('parent_id')->where('name', $begun->name)->first();
                if ($same === null) {
                    $begun->update([
                        'position' => 1 + (int) $person->baskets()->whereNull('parent_id')->max('position'),
                    ]);

                    continue;
                }
                DB::insert(
                    'insert into basket_title (basket_id, title_id, position, note, added_at)
                        select ?, title_id, position + (select coalesce(max(position), 0) + 1 from basket_title
                        where basket_id = ?), note, added_at
                        from basket_title where basket_id = ? on conflict do nothing',
                    [$same->id, $same->id, $begun->id],
                );
                Basket::query()
                    ->where('parent_id', $begun->id)
                    ->update(['parent_id' => $same->id]);
                $begun->delete();
            }
            Basket::query()
                ->where('browser_key', $browserKey)
                ->whereNull('person_id')
                ->update(['person_id' => $personId, 'browser_key' => null]);
        });
    }

    /**
     * @template T
     *
     * @param  list<T>  $list
     * @param  T  $one
     * @return list<T> with one of it further on by so many places, or back
     */
    public static function shifted(array $list, mixed $one, int $by): array
    {
        $at = array_search($one, $list, true);
        if ($at === false) {
            return $list;
        }
        array_splice($list, $at, 1);
        array_splice($list, max(0, min(count($list), $at + $by)), 0, [$one]);

        return $list;
    }

    /** One change of an owner's baskets at a time, so that no two of them make a circle or one too many. */
    private function lock(BasketOwner $owner): void
    {
        DB::select('select pg_advisory_xact_lock(hashtextextended(?, 7))', [
            $owner->personId ?? "browser {$owner->browserKey}",
        ]);
    }

    /** @return list<int> the basket and all that hold it */
    private function above(Basket $basket): array
    {
        return array_column(
            DB::select(
                'with recursive a as (select id, parent_id from baskets where id = ? union select p.id, p.parent_id
                    from baskets p join a on p.id = a.parent_id) select id from a',
                [$basket->id],
            ),
            'id',
        );
    }

    private function depth(Basket $basket): int
    {
        return count($this->above($basket));
    }

    /** How many baskets lie one in another from this one down. */
    private function height(Basket $basket): int
    {
        return (int) DB::scalar(
            'with recursive b as (select id, 1 depth from baskets where id = ? union all select c.id, b.depth + 1
                from baskets c join b on c.parent_id = b.id where b.depth < 20) select max(depth) from b',
            [$basket->id],
        );
    }
}
