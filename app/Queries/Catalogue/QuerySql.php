<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use FigPorch\Core\Catalogue\Query\All;
use FigPorch\Core\Catalogue\Query\Any;
use FigPorch\Core\Catalogue\Query\Field;
use FigPorch\Core\Catalogue\Query\Node;
use FigPorch\Core\Catalogue\Query\Not;
use FigPorch\Core\Catalogue\Query\Range;
use FigPorch\Core\Catalogue\Query\Term;
use LogicException;

/** A query as a condition on search_rows (alias s). Words are folded to letters and digits, so none can be read as an operator. */
final readonly class QuerySql
{
    /** @param  list<mixed>  $bindings */
    private function __construct(public string $sql, public array $bindings)
    {
    }

    public static function of(?Node $node): self
    {
        return match (true) {
            $node === null => new self('true', []),
            $node instanceof All => self::join(' and ', $node->parts),
            $node instanceof Any => self::join(' or ', $node->parts),
            $node instanceof Not => self::not($node->part),
            $node instanceof Range => self::range($node),
            $node instanceof Term => self::term($node),
            default => throw new LogicException('A query has no such part: '.$node::class),
        };
    }

    /** Words above all else, for the order of relevance: those that are looked for anywhere or in the title. */
    public static function relevance(?Node $node): ?self
    {
        $terms = array_values(array_filter(self::termsOf($node), fn (Term $term): bool => $term->field === null || $term->field === Field::Title || $term->field === Field::Contributor));
        if ($terms === []) {
            return null;
        }
        $parts = array_map(fn (Term $term): self => self::tsquery(new Term($term->words, null, false, $term->begins)), $terms);

        return new self(implode(' || ', array_column($parts, 'sql')), array_merge(...array_column($parts, 'bindings')));
    }

    /** What finds the words in titles and the names of people, as far as the index alone can tell; null where no words are looked for. */
    public static function names(?Node $node): ?self
    {
        if ($node instanceof Term) {
            if (! in_array($node->field, [null, Field::Title, Field::Contributor], true)) {
                return null;
            }
            $query = self::tsquery(new Term($node->words, null, false, $node->begins));

            return new self("search_names({$query->sql})", $query->bindings);
        }
        if (! $node instanceof All && ! $node instanceof Any) {
            return null;
        }
        $parts = array_map(self::names(...), $node->parts);
        $known = array_values(array_filter($parts));
        if ($known === [] || $node instanceof Any && count($known) < count($parts)) {
            return null;
        }

        return new self('('.implode($node instanceof All ? ' && ' : ' || ', array_column($known, 'sql')).')', array_merge(...array_column($known, 'bindings')));
    }

    /** A word of the index as it stands there, for a tsquery. */
    public static function lexeme(string $word): string
    {
        return "'".strtr($word, ["'" => "''", '\\' => '\\\\'])."'";
    }

    /** @return list<Term> */
    private static function termsOf(?Node $node): array
    {
        return match (true) {
            $node instanceof Term => [$node],
            $node instanceof All, $node instanceof Any => array_merge(...array_map(self::termsOf(...), $node->parts)),
            default => [],
        };
    }

    /** @param  non-empty-list<Node>  $parts */
    private static function join(string $by, array $parts): self
    {
        // What asks the same index is asked in one: the index then reads each list of words once.
        $stems = array_values(array_filter($parts, self::asksStems(...)));
        $rest = array_values(array_filter($parts, fn (Node $part): bool => ! self::asksStems($part)));
        $of = array_map(self::of(...), $rest);
        if ($stems !== []) {
            $queries = array_map(fn (Node $part): self => self::stems($part), $stems);
            array_unshift($of, new self('s.stems @@ ('.implode($by === ' and ' ? ' && ' : ' || ', array_column($queries, 'sql')).')', array_merge(...array_column($queries, 'bindings'))));
        }

        return new self('('.implode($by, array_column($of, 'sql')).')', array_merge(...array_column($of, 'bindings')));
    }

    private static function asksStems(Node $node): bool
    {
        return $node instanceof Term ? ! $node->exact && ! $node->begins && in_array($node->field, [null, Field::Title, Field::Contributor], true)
            : $node instanceof Not && self::asksStems($node->part);
    }

    private static function stems(Node $node): self
    {
        if ($node instanceof Not) {
            $part = self::stems($node->part);

            return new self("!!({$part->sql})", $part->bindings);
        }

        return $node instanceof Term ? self::tsquery($node) : throw new LogicException('Only words have stems.');
    }

    private static function not(Node $part): self
    {
        $of = self::of($part);

        return new self("not {$of->sql}", $of->bindings);
    }

    private static function range(Range $range): self
    {
        $column = $range->field === Field::Year ? 's.year::numeric' : 's.level';

        return new self("coalesce({$column} between ? and ?, false)", [$range->from ?? -9999, $range->to ?? 9999]);
    }

    private static function term(Term $term): self
    {
        $words = implode(' ', $term->words);
        $query = self::tsquery(new Term($term->words, null, $term->exact, $term->begins));
        $named = fn (string $select, string ...$also): self => new self("s.title_id in ({$select})", [...$query->bindings, ...array_values($also)]);
        $wordsOf = "words @@ {$query->sql}";

        return match ($term->field) {
            null, Field::Title, Field::Contributor => self::words($term),
            Field::Author, Field::Narrator => $named("select ct.title_id from contributors c join contributor_title ct on ct.contributor_id = c.id where c.{$wordsOf} and ct.role = ?", $term->field->value),
            Field::Series => $named("select r.title_id from series x join search_rows r on r.series_id = x.id where x.{$wordsOf}"),
            Field::Subject => $named("select st.title_id from subjects x join subject_title st on st.subject_id = x.id where x.{$wordsOf}"),
            Field::Publisher => new self("exists (select from titles t where t.id = s.title_id and to_tsvector('fig_exact', coalesce(t.publisher, '')) @@ phraseto_tsquery('fig_exact', ?))", [$words]),
            Field::Award => new self("exists (select from titles t where t.id = s.title_id and to_tsvector('fig_exact', t.awards) @@ phraseto_tsquery('fig_exact', ?))", [$words]),
            Field::Isbn => new self('s.title_id in (select id from titles where numbers @> array[?])', [strtoupper($words)]),
            Field::Language => new self('coalesce(s.language = ?, false)', [$words]),
            Field::Year, Field::Level => throw new LogicException('A range is no word.'),
        };
    }

    private static function words(Term $term): self
    {
        $query = self::tsquery($term);

        return new self(($term->exact || $term->begins ? 's.exact' : 's.stems')." @@ ({$query->sql})", $query->bindings);
    }

    private static function tsquery(Term $term): self
    {
        $weight = match ($term->field) {
            Field::Title => 'A',
            Field::Contributor => 'B',
            default => '',
        };
        // A beginning is one of the words as they are; a word in any form is sought by what each language makes of it.
        $text = implode(' <-> ', array_map(fn (string $word): string => "'{$word}'".($weight === '' && ! $term->begins ? '' : ':').($term->begins ? '*' : '').$weight, $term->words));

        return $term->exact || $term->begins
            ? new self("to_tsquery('fig_exact', ?)", [$text])
            : new self("(to_tsquery('fig_en', ?) || to_tsquery('fig_es', ?) || to_tsquery('fig_exact', ?))", [$text, $text, $text]);
    }
}
