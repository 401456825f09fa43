<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use FigPorch\Core\Catalogue\Query\All;
use FigPorch\Core\Catalogue\Query\Any;
use FigPorch\Core\Catalogue\Query\Field;
use FigPorch\Core\Catalogue\Query\Node;
use FigPorch\Core\Catalogue\Query\Not;
use FigPorch\Core\Catalogue\Query\Range;
use FigPorch\Core\Catalogue\Query\Term;
use LogicException;

/**
 * A query as a condition on search_rows (alias s). Words are folded to letters and digits, so none can be read as an
 * operator.
 */
final readonly class QuerySql
{
    /** What brings a word to its forms: in English, in Spanish, and as it is. */
    private const CONFIGURATIONS = ['fig_en', 'fig_es', 'fig_exact'];

    /** Fields whose words the index of stems tells from others: anywhere, in the title, among people. */
    private const NAMES = [null, Field::Title, Field::Contributor];

    /** @param  list<mixed>  $bindings */
    private function __construct(public string $sql, public array $bindings) {}

    public static function of(?Node $node): self
    {
        return $node?->visit(
            all: fn(All $all): self => self::join(' and ', $all->parts),
            any: fn(Any $any): self => self::join(' or ', $any->parts),
            not: fn(Not $not): self => self::not($not->part),
            range: self::range(...),
            term: self::term(...),
        ) ?? new self('true', []);
    }

    /** Words above all else, for the order of relevance: those that are looked for anywhere or in the title. */
    public static function relevance(?Node $node): ?self
    {
        $parts = array_map(
            fn(Term $term): self => self::tsquery(new Term($term->words, null, false, $term->begins)),
            array_values(array_filter($node?->terms() ?? [], fn(Term $term): bool => $term->isIn(...self::NAMES))),
        );

        return $parts === []
            ? null
            : new self(implode(' || ', array_column($parts, 'sql')), array_merge(...array_column($parts, 'bindings')));
    }

    /**
     * What finds the words in titles and the names of people, as far as the index alone can tell; null where no words
     * are looked for.
     */
    public static function names(?Node $node): ?self
    {
        return $node?->visit(
            all: fn(All $all): ?self => self::namesOf($all->parts, ' && '),
            any: fn(Any $any): ?self => self::namesOf($any->parts, ' || ', every: true),
            not: fn(Not $not): ?self => null,
            range: fn(Range $range): ?self => null,
            term: function (Term $term): ?self {
                if (!$term->isIn(...self::NAMES)) {
                    return null;
                }
                $query = self::tsquery(new Term($term->words, null, false, $term->begins));

                return new self("search_names({$query->sql})", $query->bindings);
            },
        );
    }

    /**
     * @param  non-empty-list<Node>  $parts
     * @param  bool  $every  whether it says nothing if one of them does not look for words
     */
    private static function namesOf(array $parts, string $by, bool $every = false): ?self
    {
        $known = array_values(array_filter(array_map(self::names(...), $parts)));
        if ($known === [] || ($every && count($known) < count($parts))) {
            return null;
        }

        return new self(
            '(' . implode($by, array_column($known, 'sql')) . ')',
            array_merge(...array_column($known, 'bindings')),
        );
    }

    /** A word of the index as it stands there, for a tsquery. */
    public static function lexeme(string $word): string
    {
        return "'" . strtr($word, ["'" => "''", '\\' => '\\\\']) . "'";
    }

    /** @param  non-empty-list<Node>  $parts */
    private static function join(string $by, array $parts): self
    {
        // What asks the same index is asked in one: the index then reads each list of words once.
        $stems = array_values(array_filter($parts, self::asksStems(...)));
        $rest = array_values(array_filter($parts, fn(Node $part): bool => !self::asksStems($part)));
        $of = array_map(self::of(...), $rest);
        if ($stems !== []) {
            array_unshift($of, self::forms($stems, $by));
        }

        return new self(
            '(' . implode($by, array_column($of, 'sql')) . ')',
            array_merge(...array_column($of, 'bindings')),
        );
    }

    private static function asksStems(Node $node): bool
    {
        return $node->visit(
            all: fn(All $all): bool => false,
            any: fn(Any $any): bool => false,
            not: fn(Not $not): bool => self::asksStems($not->part),
            range: fn(Range $range): bool => false,
            term: fn(Term $term): bool => !$term->exact && !$term->begins && $term->isIn(...self::NAMES),
        );
    }

    /**
     * Words in the forms that the record's language has: “care” is no form of “car” where that is English. Of
     * other languages, and of none, nothing is known, and any form will do. Whether English and Spanish have the same
     * is seen while the question is planned: if so, the index alone answers it; if not, it is asked for all forms, and
     * those that it finds are looked at.
     *
     * @param  list<Node>  $parts  all of which ask stems
     */
    private static function forms(array $parts, string $by): self
    {
        /**
         * @param  list<Node>  $parts
         * @param  list<string>  $configurations
         */
        $together = function (array $parts, array $configurations) use ($by): self {
            $of = array_map(fn(Node $part): self => self::stems($part, array_values($configurations)), $parts);

            return new self(
                '(' . implode($by === ' and ' ? ' && ' : ' || ', array_column($of, 'sql')) . ')',
                array_merge(...array_column($of, 'bindings')),
            );
        };
        [$stem, $spanishStem, $english, $spanish, $any] = array_map(fn(array $of): self => $together($parts, $of), [
            ['fig_en'],
            ['fig_es'],
            ['fig_en', 'fig_exact'],
            ['fig_es', 'fig_exact'],
            self::CONFIGURATIONS,
        ]);
        $sought = array_values(array_filter($parts, fn(Node $part): bool => $part->terms() !== []));
        $indexed =
            $sought === [] || ($by === ' or ' && count($sought) < count($parts))
                ? null
                : $together($sought, self::CONFIGURATIONS);
        $first = $indexed === null ? new self('true', []) : new self("s.stems @@ {$indexed->sql}", $indexed->bindings);

        return new self(
            "({$stem->sql} = {$spanishStem->sql} and s.stems @@ {$any->sql} or {$stem->sql} <> {$spanishStem->sql} and
                {$first->sql}
                and s.stems @@ case s.language when 'en'
                    then {$english->sql} when 'es' then {$spanish->sql} else {$any->sql} end)",
            array_merge(
                ...array_column(
                    [$stem, $spanishStem, $any, $stem, $spanishStem, $first, $english, $spanish, $any],
                    'bindings',
                ),
            ),
        );
    }

    /** @param  list<string>  $configurations */
    private static function stems(Node $node, array $configurations): self
    {
        $no = fn(Node $other): never => throw new LogicException('Only words have stems, not ' . $other->text());

        return $node->visit(
            all: $no,
            any: $no,
            not: function (Not $not) use ($configurations): self {
                $part = self::stems($not->part, $configurations);

                return new self("!!({$part->sql})", $part->bindings);
            },
            range: $no,
            term: fn(Term $term): self => self::tsquery($term, $configurations),
        );
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

    /** The numbers of the subjects that a term names. */
    public static function subjects(Term $term): self
    {
        $query = self::tsquery(new Term($term->words, null, $term->exact, $term->begins));

        return new self("select id from subjects where words @@ {$query->sql}", $query->bindings);
    }

    private static function term(Term $term): self
    {
        $words = implode(' ', $term->words);
        $query = self::tsquery(new Term($term->words, null, $term->exact, $term->begins));
        $named = fn(string $select, string ...$also): self => new self("s.title_id in ({$select})", [
            ...$query->bindings,
            ...array_values($also),
        ]);
        $wordsOf = "words @@ {$query->sql}";

        return match ($term->field) {
            null, Field::Title, Field::Contributor => self::words($term),
            Field::Author, Field::Narrator => $named(
                "select ct.title_id from contributors c join contributor_title ct on ct.contributor_id = c.id
                    where c.{$wordsOf} and ct.role = ?",
                $term->field->value,
            ),
            Field::Series => $named(
                "select r.title_id from series x join search_rows r on r.series_id = x.id where x.{$wordsOf}",
            ),
            Field::Subject => $named(
                'select title_id from subject_title where subject_id in (' . self::subjects($term)->sql . ')',
            ),
            Field::Publisher => new self(
                "exists (select from titles t where t.id = s.title_id
                    and to_tsvector('fig_exact', coalesce(t.publisher, '')) @@ phraseto_tsquery('fig_exact', ?))",
                [$words],
            ),
            Field::Award => new self(
                "exists (select from titles t where t.id = s.title_id
                    and to_tsvector('fig_exact', t.awards) @@ phraseto_tsquery('fig_exact', ?))",
                [$words],
            ),
            Field::Isbn => new self('s.title_id in (select id from titles where numbers @> array[?])', [
                strtoupper($words),
            ]),
            Field::Language => new self('coalesce(s.language = ?, false)', [$words]),
            Field::Year, Field::Level => throw new LogicException('A range is no word.'),
        };
    }

    private static function words(Term $term): self
    {
        if (self::asksStems($term)) {
            return self::forms([$term], ' and ');
        }
        $query = self::tsquery($term);

        return new self("s.exact @@ ({$query->sql})", $query->bindings);
    }

    /** @param  list<string>  $configurations  by which a word is brought to its forms */
    private static function tsquery(Term $term, array $configurations = self::CONFIGURATIONS): self
    {
        $weight = match ($term->field) {
            Field::Title => 'A',
            Field::Contributor => 'B',
            default => '',
        };
        // A beginning is one of the words as they are; a word in any form is sought by what each language makes of it.
        $text = implode(
            ' <-> ',
            array_map(
                fn(string $word): string => "'{$word}'" .
                    ($weight === '' && !$term->begins ? '' : ':') .
                    ($term->begins ? '*' : '') .
                    $weight,
                $term->words,
            ),
        );

        return $term->exact || $term->begins
            ? new self("to_tsquery('fig_exact', ?)", [$text])
            : new self(
                '(' .
                    implode(' || ', array_map(fn(string $one): string => "to_tsquery('{$one}', ?)", $configurations)) .
                    ')',
                array_fill(0, count($configurations), $text),
            );
    }
}
