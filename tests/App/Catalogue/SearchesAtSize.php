<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\BitmapSearch\BitmapEngine;
use App\Catalogue\BitmapSearch\BitmapFacetCounter;
use App\Catalogue\BitmapSearch\BitmapSearch;
use App\Catalogue\Search\CatalogueSearch;
use App\Catalogue\Search\FacetSql;
use App\Catalogue\Search\SqlEngine;

/** Searching that does with a few titles what it else does with many. */
trait SearchesAtSize
{
    /**
     * @param  int  $ranked  more than so many are no longer put in order by the weight of their words
     * @param  int  $walked  more than so many are found along an index
     * @param  int  $few  of no more than so many what each has is counted
     */
    private function searching(
        int $ranked,
        int $walked,
        int $few = 3000,
        ?BitmapSearch $bitmaps = null,
    ): CatalogueSearch {
        $facets = new FacetSql();
        $sql = new SqlEngine($facets, $ranked, $walked);
        $counter = new BitmapFacetCounter($few);

        return new CatalogueSearch(
            new BitmapEngine(
                bitmaps: $bitmaps ?? new BitmapSearch(),
                sql: $sql,
                facetSql: $facets,
                counter: $counter,
                ranked: $ranked,
                walked: $walked,
            ),
            $sql,
        );
    }
}
