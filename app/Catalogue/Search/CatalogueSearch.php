<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\BitmapSearch\BitmapEngine;
use App\Models\Title;
use App\Shared\PageAsked;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Reach;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use WeakMap;

/** Searching as the rest of the application knows it; which engine answers is decided here and nowhere else. */
final class CatalogueSearch
{
    /** @var WeakMap<SearchRequest, array{DateTimeImmutable, FewFound|null}> what was counted, at which moment */
    private WeakMap $counted;

    public function __construct(private readonly BitmapEngine $bitmaps, private readonly SqlEngine $sql)
    {
        $this->counted = new WeakMap();
    }

    /** How many titles a search finds, and nothing else. */
    public function total(SearchRequest $search, DateTimeImmutable $now): int
    {
        $few = $this->few($search, $now);

        return $few === null ? $this->engine($search, $now)->count($search, $now) : count($few->ids);
    }

    /**
     * @param  int  $total  how many match
     * @param  int|null  $first  only the first so many, whichever page is asked for
     * @return LengthAwarePaginator<int, Title>
     */
    public function page(
        SearchRequest $search,
        int $total,
        DateTimeImmutable $now,
        ?int $first = null,
    ): LengthAwarePaginator {
        $perPage = $first ?? (int) config('figporch.page_size');
        $page = $first === null ? PageAsked::of($total, $perPage) : 1;
        $from = ($page - 1) * $perPage;
        $few = $this->few($search, $now);
        $titles = match (true) {
            $total === 0 => [],
            $few !== null => TitleNames::inOrder(array_slice($few->ids, $from, $perPage)),
            default => $this->engine($search, $now)->titles($search, $total, $perPage, $from, $now),
        };

        return new LengthAwarePaginator($titles, $total, $perPage, $page, ['path' => Paginator::resolveCurrentPath()]);
    }

    /** @return list<Title> the first of what a search finds, with their names */
    public function first(SearchRequest $search, int $count, DateTimeImmutable $now): array
    {
        $engine = $this->engine($search, $now);
        $total = $engine->count($search, $now);

        return $total === 0 ? [] : $engine->titles($search, $total, $count, 0, $now);
    }

    /** @param  int  $first  so many come with it */
    public function glance(SearchRequest $search, int $first, DateTimeImmutable $now): FoundAtAGlance
    {
        return $this->engine($search, $now)->glance($search, $first, $now);
    }

    /** @return array<string, int> how many titles a search finds of each format that any has */
    public function formats(SearchRequest $search, DateTimeImmutable $now): array
    {
        return $this->engine($search, $now)->formats($search, $now);
    }

    /**
     * Those of some titles that a search finds, in the order in which its pages have them.
     *
     * @param  int  $total  how many match in all
     * @param  list<int>  $ids
     * @return list<int>
     */
    public function among(SearchRequest $search, int $total, array $ids, DateTimeImmutable $now): array
    {
        $few = $this->few($search, $now);

        return $few === null
            ? $this->engine($search, $now)->inOrder($search, $total, $ids, $now)
            : array_values(array_intersect($few->ids, $ids));
    }

    /** Exact counts of what a search finds, in all and for every value of every filter. */
    public function facets(SearchRequest $search, DateTimeImmutable $now): Facets
    {
        $engine = $this->engine($search, $now);
        $few = $engine instanceof SqlEngine ? $engine->few($search, $now) : null;
        $this->counted[$search] = [$now, $few];

        return ($few?->facets() ?? $engine->facets($search, $now))->byLibrary($this->byLibrary($search, $now));
    }

    /** All of what a search finds, where that is little and was counted at that very moment, as one object says it. */
    private function few(SearchRequest $search, DateTimeImmutable $now): ?FewFound
    {
        [$at, $few] = $this->counted[$search] ?? [null, null];

        return $at === $now ? $few : null;
    }

    private function engine(SearchRequest $search, DateTimeImmutable $now): SearchEngine
    {
        return $this->bitmaps->canAnswer($search, $now) ? $this->bitmaps : $this->sql;
    }

    /**
     * @return array<int, int> where several libraries count, how many each has, by library, and all together under
     *     0
     */
    private function byLibrary(SearchRequest $search, DateTimeImmutable $now): array
    {
        if ($search->scope !== Reach::Cards) {
            return [];
        }
        $counts = [];
        foreach (array_keys([0 => 1, $search->libraryId => 1] + $search->otherCards) as $id) {
            $counts[$id] = $this->total($search->changed(['at' => $id === 0 ? null : (string) $id]), $now);
        }

        return $counts;
    }
}
