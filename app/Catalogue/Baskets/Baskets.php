<?php

declare(strict_types=1);

namespace App\Catalogue\Baskets;

use App\Models\Basket;
use App\Models\Title;
use App\Shared\TitleNames;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use LogicException;
use stdClass;

/** Baskets in their tree, and what is in them. */
final class Baskets
{
    public const ORDERS = ['hand', 'title', 'author', 'added', 'year'];

    /** The baskets below one, itself first, with how deep each lies. */
    private const BELOW = 'with recursive b as (select id, 0 depth, array[position, id] path from baskets where id = ?
        union all select c.id, b.depth + 1, b.path || array[c.position, c.id] from baskets c
            join b on c.parent_id = b.id where b.depth < 20)
        select id, depth from b order by path';

    /** @return list<array{basket: Basket, depth: int, titles: int}> each before those that it holds */
    public function tree(BasketOwner $owner): array
    {
        $baskets = $owner->baskets()->orderBy('position')->orderBy('id')->get();
        $counts = DB::table('basket_title')
            ->whereIn('basket_id', $baskets->modelKeys())
            ->groupBy('basket_id')
            ->selectRaw('basket_id, count(*) n')
            ->pluck('n', 'basket_id');
        $byParent = $baskets->groupBy(fn(Basket $basket): int => $basket->parent_id ?? 0);
        $rows = [];
        $walk = function (int $parent, int $depth) use (&$walk, &$rows, $byParent, $counts): void {
            foreach ($byParent[$parent] ?? [] as $basket) {
                $rows[] = ['basket' => $basket, 'depth' => $depth, 'titles' => (int) ($counts[$basket->id] ?? 0)];
                $walk($basket->id, $depth + 1);
            }
        };
        $walk(0, 0);

        return $rows;
    }

    /** @return list<array{basket: Basket, depth: int}> a basket and all it holds */
    public function below(Basket $basket): array
    {
        $rows = DB::select(self::BELOW, [$basket->id]);
        $baskets = Basket::query()->findMany(array_column($rows, 'id'))->keyBy('id');

        return array_values(
            array_map(
                fn(stdClass $row): array => [
                    'basket' => $baskets[$row->id] ?? throw new LogicException('A basket that was found is there.'),
                    'depth' => $row->depth,
                ],
                $rows,
            ),
        );
    }

    /**
     * @return Collection<int, Title> in the basket's own order unless another is asked for, with the note on each as
     *     pivot
     */
    public function titles(Basket $basket, string $order = 'hand'): Collection
    {
        $titles = $basket->titles()->get();
        TitleNames::giveTo($titles);
        $author = fn(Title $title): string => mb_strtolower($title->people()[0][1] ?? '~');

        return match ($order) {
            'title' => $titles->sortBy(fn(Title $title): string => mb_strtolower($title->name))->values(),
            'author' => $titles
                ->sortBy([fn(Title $a, Title $b): int => [$author($a), $a->name] <=> [$author($b), $b->name]])
                ->values(),
            'added' => $titles
                ->sortByDesc('id')
                ->sortByDesc(
                    fn(Title $title): string => (string) $title->getRelation('pivot')->getAttribute('added_at'),
                )
                ->values(),
            'year' => $titles->sortByDesc(fn(Title $title): string => (string) $title->published)->values(),
            default => $titles,
        };
    }

    /** @return list<int> those of some titles that are in any basket of the owner */
    public function holding(BasketOwner $owner, int ...$titleIds): array
    {
        return $titleIds === []
            ? []
            : array_values(
                DB::table('basket_title')
                    ->whereIn('title_id', $titleIds)
                    ->whereIn('basket_id', $owner->baskets()->select('id'))
                    ->distinct()
                    ->pluck('title_id')
                    ->all(),
            );
    }

    /** Open to whoever has the address. */
    public function shared(string $key): ?Basket
    {
        return Basket::query()->where('share_key', $key)->first();
    }
}
