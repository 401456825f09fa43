<?php

declare(strict_types=1);

namespace App\Desk\Entries;

use App\Catalogue\Records\EntryKind;
use App\Models\Contributor;
use App\Models\Series;
use App\Models\Subject;
use App\Shared\PageAsked;
use FigPorch\Core\Catalogue\SearchWords;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Facades\DB;

/** People, series and subjects that records name, with how many titles name each. */
final class FindEntries
{
    private const PAGE = 50;

    /** So many are put in order; what finds more needs more words. */
    public const MOST = 2000;

    /**
     * @return LengthAwarePaginator<int, array{id: int, name: string, titles: int}> those that begin with the words
     *     first
     */
    public function page(EntryKind $kind, string $find): LengthAwarePaginator
    {
        $words = SearchWords::of($find);
        $table = $kind->query()->getModel()->getTable();
        $query = implode(' & ', array_map(fn(string $word): string => "'{$word}':*", $words));
        $ids =
            $words === []
                ? $kind->query()->orderByRaw('lower(name)')->limit(self::MOST)->pluck('id')->all()
                : array_column(
                    DB::select(
                        "select id from {$table} where words @@ to_tsquery('fig_exact', ?)
                        order by lower(name) not like ?, lower(name) limit " . self::MOST,
                        [$query, addcslashes(mb_strtolower($find), '%_\\') . '%'],
                    ),
                    'id',
                );
        $page = PageAsked::of(count($ids), self::PAGE);
        $shown = array_slice($ids, ($page - 1) * self::PAGE, self::PAGE);
        $names = $kind->query()->findMany($shown)->keyBy('id');
        /** @var list<array{id: int, name: string, titles: int}> $rows */
        $rows = array_map(
            fn(int $id): array => [
                'id' => $id,
                'name' => $names[$id]->name ?? '',
                'titles' => $kind->titles($id)->count(),
            ],
            $shown,
        );

        return new LengthAwarePaginator($rows, count($ids), self::PAGE, $page, [
            'path' => route('desk.entries', absolute: false),
            'query' => array_filter(['kind' => $kind->value, 'find' => $find]),
        ]);
    }

    /** The one of the name, whatever the case of its letters; the very name first. */
    public function named(EntryKind $kind, string $name): Contributor|Series|Subject|null
    {
        return $kind
            ->query()
            ->whereRaw('lower(name) = lower(?)', [$name])
            ->orderByRaw('name <> ?', [$name])
            ->first();
    }
}
