<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapSearch;

use App\Catalogue\BitmapIndex\BitmapIndex;
use FigPorch\Core\Catalogue\TitleSet;

/** What a search finds among the titles of which the sets can say, and the titles of which they cannot. */
final class BitmapResult
{
    /** @var array<string, TitleSet> what fits, by the filter that is left out */
    private array $matching = [];

    /**
     * @var array<string, array<string, array<int|string, int>>> of what fits, by the filter that is left out, how many
     *     have each value of each filter
     */
    private array $each = [];

    /**
     * @param  TitleSet  $called  titles whose names are just what was looked for, whatever else is asked for
     * @param  TitleSet  $base  what fits all but the filters of which one value is chosen
     * @param  array<string, TitleSet>  $chosen  by such a filter, the titles that have the value chosen
     * @param  array<string, TitleSet>  $can  what the cards can have at this moment, at any place, by FlagFilter
     * @param  list<list<string>>  $within  names of sets in which all that fits is: in one of each list at least
     * @param  QueryBitmap  $query  what was looked for
     * @param  list<int>  $oneByOne  titles to be looked at one by one, those that the words and filters fit; none of
     *     them is in the base
     */
    public function __construct(
        public readonly BitmapIndex $gathering,
        public readonly TitleSet $called,
        public readonly QueryBitmap $query,
        public readonly array $within,
        public readonly TitleSet $base,
        private readonly array $chosen,
        public readonly array $can,
        public readonly array $oneByOne,
    ) {}

    /** What fits everything, or everything but one filter. */
    public function matching(?string $but = null): TitleSet
    {
        $but = isset($this->chosen[$but ?? '']) ? $but : '';
        if (!isset($this->matching[$but])) {
            $matching = $this->base;
            foreach ($this->chosen as $filter => $set) {
                $matching = $filter === $but ? $matching : $matching->and($set);
            }
            $this->matching[$but] = $matching;
        }

        return $this->matching[$but];
    }

    /**
     * @return array<int|string, int> of what fits everything, or everything but one filter, how many have each value of
     *     a filter; only those that one has
     */
    public function each(string $filter, ?string $but = null): array
    {
        $but = isset($this->chosen[$but ?? '']) ? $but : '';
        $this->each[$but] ??= $this->gathering->each($this->matching($but));

        return $this->each[$but][$filter] ?? [];
    }
}
