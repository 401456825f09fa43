<?php

declare(strict_types=1);

namespace App\Queries\Catalogue\Sets;

use FigPorch\Core\Catalogue\TitleSet;

/** What a search finds among the titles of which the sets can say, and the titles of which they cannot. */
final readonly class FoundInSets
{
    /**
     * @param  TitleSet  $base  what fits all but the filters of which one value is chosen
     * @param  array<string, TitleSet>  $chosen  by such a filter, the titles that have the value chosen
     * @param  TitleSet  $ready  what the cards can borrow at this moment, at any place
     * @param  TitleSet  $always  the same of what is always ready
     * @param  list<int>  $oneByOne  titles to be looked at one by one; none of them is in the base
     */
    public function __construct(public Gathering $gathering, public TitleSet $base, private array $chosen, public TitleSet $ready, public TitleSet $always, public array $oneByOne)
    {
    }

    /** What fits everything, or everything but one filter. */
    public function matching(?string $but = null): TitleSet
    {
        $matching = $this->base;
        foreach ($this->chosen as $filter => $set) {
            $matching = $filter === $but ? $matching : $matching->and($set);
        }

        return $matching;
    }
}
