<?php

declare(strict_types=1);

namespace App\Queries\Catalogue\Sets;

use App\Queries\Catalogue\QuerySql;
use FigPorch\Core\Catalogue\Query\All;
use FigPorch\Core\Catalogue\Query\Any;
use FigPorch\Core\Catalogue\Query\Field;
use FigPorch\Core\Catalogue\Query\Node;
use FigPorch\Core\Catalogue\Query\Not;
use FigPorch\Core\Catalogue\Query\Range;
use FigPorch\Core\Catalogue\Query\Term;
use FigPorch\Core\Catalogue\TitleSet;
use Illuminate\Support\Facades\DB;
use LogicException;

/** What a query finds by the sets of its words. Words too rare for a set, and all that is no matter of words, are asked of the indexes. */
final class QueryInSets
{
    /** @var array<string, non-empty-list<string>> by word, its stems in every language; but for what the database takes for more than a word */
    private array $stems;

    public function __construct(private readonly Gathering $gathering, private readonly ?Node $tree)
    {
        $this->stems = self::stems(self::words($tree));
    }

    public function among(TitleSet $titles): TitleSet
    {
        return $this->tree === null ? $titles : $this->find($this->tree, $titles);
    }

    /** What has the words in its title or the names of its people; null where no words are looked for there. */
    public function named(): ?TitleSet
    {
        return $this->namedBy($this->tree);
    }

    private function find(Node $node, TitleSet $among): TitleSet
    {
        $set = $this->set($node);

        return match (true) {
            $set !== null => $among->and($set),
            $node instanceof Not => $among->without($this->find($node->part, $among)),
            $node instanceof All => $this->all($node, $among),
            $node instanceof Any => $this->any($node, $among),
            self::isPhrase($node) => $this->inARow($node, $among),
            default => $among->and(self::byIndex($node)),
        };
    }

    /** What sets know first, then what the index is asked in one question, and what must be looked at title by title among the fewest. */
    private function all(All $node, TitleSet $among): TitleSet
    {
        [$sets, $asked, $others] = $this->sorted($node->parts);
        foreach ($sets as $set) {
            $among = $among->and($set);
        }
        if ($asked !== [] && ! $among->isEmpty()) {
            $among = $among->and(self::byIndex(count($asked) === 1 ? $asked[0] : new All($asked)));
        }
        foreach ($others as $part) {
            $among = $this->find($part, $among);
        }

        return $among;
    }

    private function any(Any $node, TitleSet $among): TitleSet
    {
        [$sets, $asked, $others] = $this->sorted($node->parts);
        $found = $asked === [] ? TitleSet::none() : self::byIndex(count($asked) === 1 ? $asked[0] : new Any($asked));
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
     * @return array{list<TitleSet>, list<Node>, list<Node>} what sets know, what the index is to be asked, and what is made of parts
     */
    private function sorted(array $parts): array
    {
        [$sets, $asked, $made, $inARow] = [[], [], [], []];
        foreach ($parts as $part) {
            $set = $this->set($part);
            match (true) {
                $set !== null => $sets[] = $set,
                $part instanceof All, $part instanceof Any, $part instanceof Not => $made[] = $part,
                self::isPhrase($part) => $inARow[] = $part,
                default => $asked[] = $part,
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
            return $node->field === Field::Year ? InSets::range($this->gathering, 'year', $node->from, $node->to) : null;
        }
        if (! $node instanceof Term || count($node->words) !== 1) {
            return null;
        }
        $word = $node->words[0];

        return match (true) {
            $node->field === Field::Language => $this->gathering->every("language:{$word}"),
            $node->field !== null => null,
            $node->begins => $this->beginning($word),
            $node->exact => $this->gathering->set("exact:{$word}"),
            default => $this->ofStems($this->stems[$word] ?? []),
        };
    }

    /**
     * @param  list<string>  $stems
     * @return TitleSet|null what has one of them; null where all are rare
     */
    private function ofStems(array $stems): ?TitleSet
    {
        $rare = array_values(array_filter($stems, fn (string $stem): bool => ! $this->gathering->has("stem:{$stem}")));
        $common = array_diff($stems, $rare);
        if ($common === []) {
            return null;
        }
        $found = $this->together(array_values(array_map(fn (string $stem): string => "stem:{$stem}", $common)));

        return $rare === [] ? $found : $found->or(self::withOneOf('stems', $rare));
    }

    /** What has a word that begins so: a common one, or a rare one. */
    private function beginning(string $letters): TitleSet
    {
        return $this->together($this->gathering->beginning("exact:{$letters}"))->or($this->restBeginning($letters) ?? $this->rareBeginning($letters));
    }

    /** The same of the words of titles and the names of people; null where the index has to tell. */
    private function nameBeginning(string $letters): ?TitleSet
    {
        $rest = $this->restBeginning($letters, 't.');

        return $rest === null ? null : $this->together($this->gathering->beginning("stem:t.{$letters}"))->or($rest);
    }

    /** What has a rare word that begins so; null where no more than four letters are kept. */
    private function restBeginning(string $letters, string $where = ''): ?TitleSet
    {
        return match (true) {
            mb_strlen($letters) < 4 => $this->together($this->gathering->beginning("rest3:{$where}{$letters}")),
            mb_strlen($letters) === 4 => $this->gathering->every("rest4:{$where}{$letters}"),
            default => null,
        };
    }

    private function rareBeginning(string $letters): TitleSet
    {
        $rare = ctype_digit($letters[0]) ? null : $this->gathering->rareWords($letters);

        return match ($rare) {
            null => self::byIndex(new Term([$letters], begins: true)),
            [] => TitleSet::none(),
            default => self::withOneOf('exact', $rare),
        };
    }

    /** @param  list<string>  $names  of sets */
    private function together(array $names): TitleSet
    {
        return array_reduce($names, fn (TitleSet $all, string $name): TitleSet => $all->or($this->gathering->every($name)), TitleSet::none());
    }

    /** Words in a row are looked for where all of them are. */
    private function inARow(Term $phrase, TitleSet $among): TitleSet
    {
        foreach ($phrase->words as $word) {
            $set = $this->gathering->set("exact:{$word}");
            if ($set === null || $phrase->begins) {
                return $among->and(self::byIndex($phrase));
            }
            $among = $among->and($set);
        }
        [$paired, $certain] = $this->gathering->inARow($phrase->words);
        $among = $paired === null ? $among : $among->and($paired);
        if ($among->isEmpty() || $certain) {
            return $among;
        }
        $query = QuerySql::of($phrase);

        return InSets::asked("s.title_id = any(?::bigint[]) and {$query->sql}", ['{'.implode(',', $among->numbers()).'}', ...$query->bindings]);
    }

    private function namedBy(?Node $node): ?TitleSet
    {
        if ($node instanceof Term && in_array($node->field, [null, Field::Title, Field::Contributor], true)) {
            return $this->namedByWords($node);
        }
        if (! $node instanceof All && ! $node instanceof Any) {
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

    private function namedByWords(Term $term): TitleSet
    {
        $beginning = $term->begins && count($term->words) === 1 ? $this->nameBeginning($term->words[0]) : null;
        if ($beginning !== null) {
            return $beginning;
        }
        if ($term->begins || array_diff($term->words, array_keys($this->stems)) !== []) {
            $names = QuerySql::names($term) ?? throw new LogicException('Words are looked for.');

            return InSets::asked("s.stems @@ {$names->sql}", $names->bindings);
        }
        $each = array_map(function (string $word): TitleSet {
            $stems = array_map(fn (string $stem): string => "t.{$stem}", $this->stems[$word]);

            return $this->ofStems($stems) ?? self::withOneOf('stems', $stems);
        }, $term->words);

        return array_reduce(array_slice($each, 1), fn (TitleSet $all, TitleSet $one): TitleSet => $all->and($one), $each[0]);
    }

    /** @return list<string> those that are looked for in any form, or in names */
    private static function words(?Node $node): array
    {
        return match (true) {
            $node instanceof Term => $node->words,
            $node instanceof Not => self::words($node->part),
            $node instanceof All, $node instanceof Any => array_merge(...array_map(self::words(...), $node->parts)),
            default => [],
        };
    }

    /**
     * @param  list<string>  $words
     * @return array<string, non-empty-list<string>>
     */
    private static function stems(array $words): array
    {
        if ($words === []) {
            return [];
        }
        $stems = [];
        foreach (DB::select("select word, to_json(tsvector_to_array(en || es || exact)) stems from unnest(?::text[]) word
            cross join lateral (select to_tsvector('fig_en', word) en, to_tsvector('fig_es', word) es, to_tsvector('fig_exact', word) exact) x where length(en) = 1 and length(es) = 1 and length(exact) = 1", ['{"'.implode('","', array_unique($words)).'"}']) as $row) {
            $stems[$row->word] = json_decode($row->stems);
        }

        return $stems;
    }

    /** @param  non-empty-list<string>  $words */
    private static function withOneOf(string $column, array $words): TitleSet
    {
        return InSets::asked("s.{$column} @@ ?::tsquery", [implode(' | ', array_map(QuerySql::lexeme(...), $words))]);
    }

    private static function byIndex(Node $node): TitleSet
    {
        $query = QuerySql::of($node);

        return InSets::asked($query->sql, $query->bindings);
    }
}
