<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Models\Title;
use DateTimeImmutable;

/**
 * A way to find and count titles. What it says is exact and of the moment asked about; two engines asked the same say
 * the same (tests/App/Catalogue/BitmapSearchTest.php).
 */
interface SearchEngine
{
    /** How many titles a search finds. */
    public function count(SearchRequest $search, DateTimeImmutable $now): int;

    /**
     * @param  int  $total  as count() says
     * @return list<Title> so many, after so many, in the order asked for, with the names that lists show
     */
    public function titles(SearchRequest $search, int $total, int $count, int $from, DateTimeImmutable $now): array;

    /**
     * @param  int  $total  as count() says
     * @param  list<int>  $among
     * @return list<int> those of some titles that it finds, in the order asked for
     */
    public function inOrder(SearchRequest $search, int $total, array $among, DateTimeImmutable $now): array;

    /**
     * How many titles a search finds, how many of them are ready, and the first: for orders other than by relevance.
     *
     * @param  int  $first  so many come with it
     */
    public function glance(SearchRequest $search, int $first, DateTimeImmutable $now): FoundAtAGlance;

    /** @return array<string, int> how many titles it finds of each format that any has */
    public function formats(SearchRequest $search, DateTimeImmutable $now): array;

    /** How many titles have each value of each filter; but for the libraries, of which each is a search of its own. */
    public function facets(SearchRequest $search, DateTimeImmutable $now): Facets;
}
