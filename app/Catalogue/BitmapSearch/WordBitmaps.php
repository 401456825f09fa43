<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapSearch;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapIndex\IndexSnapshot;
use App\Catalogue\Search\QuerySql;
use App\Shared\Sql;
use FigPorch\Core\Catalogue\Query\Term;
use FigPorch\Core\Catalogue\TitleSet;
use LogicException;

/**
 * The titles that have a word: in any form, just so, beginning so, in names, or in a row with others. Of words too rare
 * for a set the index is asked.
 */
final class WordBitmaps
{
    /** @var array<string, array{string, string, string}> by word, as IndexSnapshot has them */
    private readonly array $stems;

    private readonly BitmapIndex $gathering;

    /** @param  IndexSnapshot  $first  to a question with all words that will be asked for */
    public function __construct(IndexSnapshot $first)
    {
        $this->gathering = $first->gathering;
        $this->stems = $first->stems;
    }

    /** Null where all its forms are rare. */
    public function inAnyForm(string $word): ?TitleSet
    {
        $stems = $this->stemsOf($word);
        if (array_filter($stems, fn(string $stem): bool => $this->gathering->has("stem:{$stem}")) === []) {
            return null;
        }
        $found = TitleSet::none();
        foreach ($stems as $stem) {
            $set = $this->gathering->set("stem:{$stem}") ?? self::withOneOf('stems', [$stem]);
            $not = $this->notIn($word, $stem);
            $found = $found->or($not === null ? $set : $set->without($this->gathering->every("language:{$not}")));
        }

        return $found;
    }

    /** @return list<string> every one once */
    private function stemsOf(string $word): array
    {
        return array_values(array_unique($this->stems[$word] ?? []));
    }

    /** The language in whose records a stem of a word is of other words: “car” is “care” in Spanish ones alone. */
    private function notIn(string $word, string $stem): ?string
    {
        [$english, $spanish, $exact] = $this->stems[$word];

        return match (true) {
            $stem === $exact, $english === $spanish => null,
            $stem === $english => 'es',
            default => 'en',
        };
    }

    /** @return list<string> the names of the sets of all its forms; none where some of them are rare */
    public function commonStems(string $word): array
    {
        $names = array_map(fn(string $stem): string => "stem:{$stem}", $this->stemsOf($word));

        return array_filter($names, $this->gathering->has(...)) === $names ? $names : [];
    }

    /** What has a word that begins so: a common one, or a rare one. */
    public function beginning(string $letters): TitleSet
    {
        return $this->together($this->gathering->beginning("exact:{$letters}"))->or(
            $this->restBeginning($letters) ?? $this->rareBeginning($letters),
        );
    }

    /** The same of the words of titles and the names of people; null where the index has to tell. */
    private function nameBeginning(string $letters): ?TitleSet
    {
        $rest = $this->restBeginning($letters, 'name');

        return $rest === null ? null : $this->together($this->gathering->beginning("name:{$letters}"))->or($rest);
    }

    /** What has a rare word that begins so; null where no more than four letters are kept. */
    private function restBeginning(string $letters, string $kind = 'rest'): ?TitleSet
    {
        return match (true) {
            mb_strlen($letters) < 4 => $this->together($this->gathering->beginning("{$kind}3:{$letters}")),
            mb_strlen($letters) === 4 => $this->gathering->every("{$kind}4:{$letters}"),
            default => null,
        };
    }

    private function rareBeginning(string $letters): TitleSet
    {
        $rare = ctype_digit($letters[0]) ? null : $this->gathering->rareWords($letters);

        return match ($rare) {
            null => BitmapSearch::byIndex(new Term([$letters], begins: true)),
            [] => TitleSet::none(),
            default => self::withOneOf('exact', $rare),
        };
    }

    /** @param  list<string>  $names  of sets */
    private function together(array $names): TitleSet
    {
        return array_reduce(
            $names,
            fn(TitleSet $all, string $name): TitleSet => $all->or($this->gathering->every($name)),
            TitleSet::none(),
        );
    }

    /** Words in a row are looked for where all of them are. */
    public function inARow(Term $phrase, TitleSet $among): TitleSet
    {
        foreach ($phrase->words as $word) {
            $set = $this->gathering->set("exact:{$word}");
            if ($set === null || $phrase->begins) {
                return $among->and(BitmapSearch::byIndex($phrase));
            }
            $among = $among->and($set);
        }
        [$paired, $certain] = $this->gathering->inARow($phrase->words);
        $among = $paired === null ? $among : $among->and($paired);
        if ($among->isEmpty() || $certain) {
            return $among;
        }
        $query = QuerySql::of($phrase);

        return BitmapSearch::asked("s.title_id = any(?::bigint[]) and {$query->sql}", [
            Sql::array($among->numbers()),
            ...$query->bindings,
        ]);
    }

    /**
     * What has all its words in its title or the names of its people, in any language's forms: for an order, not for
     * what is found.
     */
    public function named(Term $term): TitleSet
    {
        $beginning = $term->begins && count($term->words) === 1 ? $this->nameBeginning($term->words[0]) : null;
        if ($beginning !== null) {
            return $beginning;
        }
        if ($term->begins || array_diff($term->words, array_keys($this->stems)) !== []) {
            $names = QuerySql::names($term) ?? throw new LogicException('Words are looked for.');

            return BitmapSearch::asked("s.stems @@ {$names->sql}", $names->bindings);
        }
        $each = array_map(function (string $word): TitleSet {
            $stems = $this->stemsOf($word);
            $rare = array_values(
                array_filter($stems, fn(string $stem): bool => !$this->gathering->has("name:{$stem}")),
            );
            $found = $this->together(
                array_values(array_map(fn(string $stem): string => "name:{$stem}", array_diff($stems, $rare))),
            );

            return $rare === []
                ? $found
                : $found->or(self::withOneOf('stems', array_map(fn(string $stem): string => "t.{$stem}", $rare)));
        }, $term->words);

        return array_reduce(
            array_slice($each, 1),
            fn(TitleSet $all, TitleSet $one): TitleSet => $all->and($one),
            $each[0],
        );
    }

    /** @param  non-empty-list<string>  $words */
    private static function withOneOf(string $column, array $words): TitleSet
    {
        return BitmapSearch::asked("s.{$column} @@ ?::tsquery", [
            implode(' | ', array_map(QuerySql::lexeme(...), $words)),
        ]);
    }
}
