<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapSearch;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapIndex\IndexSnapshot;
use App\Catalogue\Filters\RangeFilter;
use App\Catalogue\Filters\SubjectFilter;
use App\Catalogue\Filters\YearFilter;
use App\Catalogue\Search\QuerySql;
use FigPorch\Core\Catalogue\Query\All;
use FigPorch\Core\Catalogue\Query\Any;
use FigPorch\Core\Catalogue\Query\Field;
use FigPorch\Core\Catalogue\Query\Node;
use FigPorch\Core\Catalogue\Query\Not;
use FigPorch\Core\Catalogue\Query\Range;
use FigPorch\Core\Catalogue\Query\Term;
use FigPorch\Core\Catalogue\TitleSet;
use Illuminate\Support\Facades\DB;

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
        return $node->visit(
            all: fn(All $all): array => array_merge(...array_map($this->withinOf(...), $all->parts)),
            any: function (Any $any): array {
                $parts = array_map($this->withinOf(...), $any->parts);

                return in_array([], $parts, true) ? [] : [array_merge(...array_column($parts, 0))];
            },
            not: fn(Not $not): array => [],
            range: fn(Range $range): array => [],
            term: fn(Term $term): array => $term->field !== null || $term->begins
                ? []
                : array_values(array_filter(array_map($this->words->commonStems(...), $term->words))),
        );
    }

    private function find(Node $node, TitleSet $among): TitleSet
    {
        $byIndex = fn(Node $of): TitleSet => $among->and($this->set($of) ?? BitmapSearch::byIndex($of));

        return $node->visit(
            all: fn(All $all): TitleSet => $this->all($all, $among),
            any: fn(Any $any): TitleSet => $this->any($any, $among),
            not: fn(Not $not): TitleSet => $among->without($this->find($not->part, $among)),
            range: $byIndex,
            term: fn(Term $term): TitleSet => self::isPhrase($term)
                ? $this->words->inARow($term, $among)
                : $byIndex($term),
        );
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
        // Words of records in one question. What other tables know each by itself: with "or" between, every title would
        // be looked at.
        $words = array_values(array_filter($asked, fn(Node $of): bool => $of instanceof Term && $of->field === null));
        $elsewhere = array_filter($asked, fn(Node $of): bool => !in_array($of, $words, true));
        $together = match (count($words)) {
            0 => [],
            1 => $words,
            default => [new Any($words)],
        };
        $found = TitleSet::none();
        foreach ([...$sets, ...array_map(BitmapSearch::byIndex(...), [...$together, ...$elsewhere])] as $set) {
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
        $parted = function (Node $part) use (&$made): void {
            $made[] = $part;
        };
        $alone = function (Node $part) use (&$sets, &$asked): void {
            $set = $this->set($part);
            if ($set === null) {
                $asked[] = $part;
            } else {
                $sets[] = $set;
            }
        };
        foreach ($parts as $part) {
            $part->visit(
                all: $parted,
                any: $parted,
                not: $parted,
                range: $alone,
                term: function (Term $term) use (&$inARow, $alone): void {
                    self::isPhrase($term) ? ($inARow[] = $term) : $alone($term);
                },
            );
        }

        return [$sets, $asked, [...$made, ...$inARow]];
    }

    private static function isPhrase(Term $term): bool
    {
        return $term->field === null && $term->exact && count($term->words) > 1;
    }

    /** The titles that fit, where sets tell; null where the index has to be asked. */
    private function set(Node $node): ?TitleSet
    {
        $unknown = fn(Node $other): ?TitleSet => null;

        return $node->visit(
            all: $unknown,
            any: $unknown,
            not: $unknown,
            range: fn(Range $range): ?TitleSet => $range->field === Field::Year
                ? RangeFilter::between($this->gathering, YearFilter::kind(), $range->from, $range->to)
                : null,
            term: fn(Term $term): ?TitleSet => match (true) {
                $term->field === Field::Subject => $this->subjects($term),
                count($term->words) === 1 => $this->word($term, $term->words[0]),
                default => null,
            },
        );
    }

    /** Where each subject has a set, those that are named are put together. */
    private function subjects(Term $term): ?TitleSet
    {
        if (!SubjectFilter::gathered()->isOfAll(count($this->gathering->values(SubjectFilter::kind())))) {
            return null;
        }
        $named = QuerySql::subjects($term);

        return array_reduce(
            array_column(DB::select($named->sql, $named->bindings), 'id'),
            fn(TitleSet $found, int $id): TitleSet => $found->or(
                $this->gathering->every(SubjectFilter::kind() . ":{$id}"),
            ),
            TitleSet::none(),
        );
    }

    private function word(Term $term, string $word): ?TitleSet
    {
        return match (true) {
            $term->field === Field::Language => $this->gathering->every("language:{$word}"),
            $term->field !== null => null,
            $term->begins => $this->words->beginning($word),
            $term->exact => $this->gathering->set("exact:{$word}"),
            default => $this->words->inAnyForm($word),
        };
    }

    private function namedBy(?Node $node): ?TitleSet
    {
        $nothing = fn(Node $other): ?TitleSet => null;

        return $node?->visit(
            all: fn(All $all): ?TitleSet => array_reduce(
                array_filter(array_map($this->namedBy(...), $all->parts)),
                fn(?TitleSet $found, TitleSet $set): TitleSet => $found?->and($set) ?? $set,
            ),
            any: function (Any $any): ?TitleSet {
                $sets = array_map($this->namedBy(...), $any->parts);

                return in_array(null, $sets, true)
                    ? null
                    : array_reduce($sets, fn(?TitleSet $found, TitleSet $set): TitleSet => $found?->or($set) ?? $set);
            },
            not: $nothing,
            range: $nothing,
            term: fn(Term $term): ?TitleSet => $term->isIn(null, Field::Title, Field::Contributor)
                ? $this->words->named($term)
                : null,
        );
    }

    /** @return list<string> those that are looked for in any form, or in names, also those that are ruled out */
    public static function words(?Node $node): array
    {
        $each = fn(All|Any $of): array => array_merge(...array_map(self::words(...), $of->parts));

        return $node?->visit(
            all: $each,
            any: $each,
            not: fn(Not $not): array => self::words($not->part),
            range: fn(Range $range): array => [],
            term: fn(Term $term): array => $term->words,
        ) ?? [];
    }
}
