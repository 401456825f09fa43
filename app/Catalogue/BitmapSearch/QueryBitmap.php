<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapSearch;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapIndex\IndexSnapshot;
use App\Catalogue\Filters\RangeFilter;
use App\Catalogue\Filters\YearFilter;
use FigPorch\Core\Catalogue\Query\All;
use FigPorch\Core\Catalogue\Query\Any;
use FigPorch\Core\Catalogue\Query\Field;
use FigPorch\Core\Catalogue\Query\Node;
use FigPorch\Core\Catalogue\Query\Not;
use FigPorch\Core\Catalogue\Query\Range;
use FigPorch\Core\Catalogue\Query\Term;
use FigPorch\Core\Catalogue\TitleSet;

/** What a query finds by the sets of its words. What no set knows is asked of the indexes. */
final class QueryBitmap
{
    private readonly WordBitmaps $words;

    private readonly BitmapIndex $gathering;

    /** @param  IndexSnapshot  $first  to a question with all words of the tree */
    public function __construct(IndexSnapshot $first, private readonly ?Node $tree)
    {
        $this->gathering = $first->gathering;
        $this->words = new WordBitmaps($first);
    }

    public function among(TitleSet $titles): TitleSet
    {
        return $this->tree === null ? $titles : $this->find($this->tree, $titles);
    }

    /** @return list<list<string>> names of sets in which all is that it can find: in one of each list at least */
    public function within(): array
    {
        return $this->tree === null ? [] : $this->withinOf($this->tree);
    }

    /** What has the words in its title or the names of its people; null where no words are looked for there. */
    public function named(): ?TitleSet
    {
        return $this->namedBy($this->tree);
    }

    /** @return list<list<string>> */
    private function withinOf(Node $node): array
    {
        if ($node instanceof All) {
            return array_merge(...array_map($this->withinOf(...), $node->parts));
        }
        if ($node instanceof Any) {
            $parts = array_map($this->withinOf(...), $node->parts);

            return in_array([], $parts, true) ? [] : [array_merge(...array_column($parts, 0))];
        }
        if (!($node instanceof Term) || $node->field !== null || $node->begins) {
            return [];
        }

        return array_values(array_filter(array_map($this->words->commonStems(...), $node->words)));
    }

    private function find(Node $node, TitleSet $among): TitleSet
    {
        $set = $this->set($node);

        return match (true) {
            $set !== null => $among->and($set),
            $node instanceof Not => $among->without($this->find($node->part, $among)),
            $node instanceof All => $this->all($node, $among),
            $node instanceof Any => $this->any($node, $among),
            self::isPhrase($node) => $this->words->inARow($node, $among),
            default => $among->and(BitmapSearch::byIndex($node)),
        };
    }

    /**
     * What sets know first, then what the index is asked in one question, and what must be looked at title by title
     * among the fewest.
     */
    private function all(All $node, TitleSet $among): TitleSet
    {
        [$sets, $asked, $others] = $this->sorted($node->parts);
        foreach ($sets as $set) {
            $among = $among->and($set);
        }
        if ($asked !== [] && !$among->isEmpty()) {
            $among = $among->and(BitmapSearch::byIndex(count($asked) === 1 ? $asked[0] : new All($asked)));
        }
        foreach ($others as $part) {
            $among = $this->find($part, $among);
        }

        return $among;
    }

    private function any(Any $node, TitleSet $among): TitleSet
    {
        [$sets, $asked, $others] = $this->sorted($node->parts);
        $found =
            $asked === [] ? TitleSet::none() : BitmapSearch::byIndex(count($asked) === 1 ? $asked[0] : new Any($asked));
        foreach ($sets as $set) {
            $found = $found->or($set);
        }
        $found = $among->and($found);
        foreach ($others as $part) {
            $found = $found->or($this->find($part, $among));
        }

        return $found;
    }

    /**
     * @param  non-empty-list<Node>  $parts
     * @return array{list<TitleSet>, list<Node>, list<Node>} what sets know, what the index is to be asked, and what is
     *     made of parts
     */
    private function sorted(array $parts): array
    {
        [$sets, $asked, $made, $inARow] = [[], [], [], []];
        foreach ($parts as $part) {
            $set = $this->set($part);
            match (true) {
                $set !== null => ($sets[] = $set),
                $part instanceof All, $part instanceof Any, $part instanceof Not => ($made[] = $part),
                self::isPhrase($part) => ($inARow[] = $part),
                default => ($asked[] = $part),
            };
        }

        return [$sets, $asked, [...$made, ...$inARow]];
    }

    /** @phpstan-assert-if-true Term $node */
    private static function isPhrase(Node $node): bool
    {
        return $node instanceof Term && $node->field === null && $node->exact && count($node->words) > 1;
    }

    private function set(Node $node): ?TitleSet
    {
        if ($node instanceof Range) {
            return $node->field === Field::Year
                ? RangeFilter::between($this->gathering, YearFilter::kind(), $node->from, $node->to)
                : null;
        }
        if (!($node instanceof Term) || count($node->words) !== 1) {
            return null;
        }
        $word = $node->words[0];

        return match (true) {
            $node->field === Field::Language => $this->gathering->every("language:{$word}"),
            $node->field !== null => null,
            $node->begins => $this->words->beginning($word),
            $node->exact => $this->gathering->set("exact:{$word}"),
            default => $this->words->inAnyForm($word),
        };
    }

    private function namedBy(?Node $node): ?TitleSet
    {
        if ($node instanceof Term && in_array($node->field, [null, Field::Title, Field::Contributor], true)) {
            return $this->words->named($node);
        }
        if (!($node instanceof All) && !($node instanceof Any)) {
            return null;
        }
        $found = null;
        foreach ($node->parts as $part) {
            $set = $this->namedBy($part);
            if ($set === null) {
                if ($node instanceof Any) {
                    return null;
                }

                continue;
            }
            $found = $found === null ? $set : ($node instanceof All ? $found->and($set) : $found->or($set));
        }

        return $found;
    }

    /** @return list<string> those that are looked for in any form, or in names */
    public static function words(?Node $node): array
    {
        return match (true) {
            $node instanceof Term => $node->words,
            $node instanceof Not => self::words($node->part),
            $node instanceof All, $node instanceof Any => array_merge(...array_map(self::words(...), $node->parts)),
            default => [],
        };
    }
}
