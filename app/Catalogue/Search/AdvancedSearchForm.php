<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Shared\Input;
use FigPorch\Core\Catalogue\Query\All;
use FigPorch\Core\Catalogue\Query\Clause;
use FigPorch\Core\Catalogue\Query\Clauses;
use FigPorch\Core\Catalogue\Query\Field;
use FigPorch\Core\Catalogue\Query\Joined;
use FigPorch\Core\Catalogue\Query\Matching;
use FigPorch\Core\Catalogue\Query\Node;
use FigPorch\Core\Catalogue\Query\QueryParser;
use FigPorch\Core\Catalogue\Query\Range;
use FigPorch\Core\Catalogue\Query\Term;
use Illuminate\Http\Request;

/** The advanced search: rows of words, ranges, and the query that they make. */
final readonly class AdvancedSearchForm
{
    private const ROWS = 3;

    public const MOST_ROWS = 10;

    /**
     * @param  list<Clause>  $clauses  as many as the form has rows
     * @param  array<string, string>  $ranges  year_from, year_to, level_from, level_to
     * @param  list<string>  $languages  that a query named, by their codes
     * @param  string  $rest  of a query, what fits in no row
     */
    private function __construct(
        public array $clauses,
        public array $ranges,
        public array $languages,
        public string $rest,
    ) {}

    /** What was filled in, or else what a query says, as far as rows can. */
    public static function read(Request $request): self
    {
        $rows = (int) Input::text($request, 'rows');

        return $rows > 0 ? self::filled($request, min($rows, self::MOST_ROWS)) : self::of(Input::text($request, 'q'));
    }

    private static function filled(Request $request, int $rows): self
    {
        $text = fn(string $name): string => mb_substr(Input::text($request, $name), 0, QueryParser::MOST_CHARACTERS);

        return new self(
            array_map(
                fn(int $n): Clause => new Clause(
                    $text("words_{$n}"),
                    Field::tryFrom($text("field_{$n}")),
                    Matching::tryFrom($text("matching_{$n}")) ?? Matching::All,
                    Joined::tryFrom($text("joined_{$n}")) ?? Joined::And,
                ),
                range(1, $rows),
            ),
            array_map($text, array_combine($names = ['year_from', 'year_to', 'level_from', 'level_to'], $names)),
            [],
            $text('rest'),
        );
    }

    private static function of(string $typed): self
    {
        $tree = QueryParser::read($typed)->tree;
        $ranges = $languages = $others = [];
        foreach ($tree instanceof All ? $tree->parts : array_filter([$tree]) as $part) {
            if ($part instanceof Range && !isset($ranges["{$part->field->value}_from"])) {
                $ranges["{$part->field->value}_from"] = (string) $part->from;
                $ranges["{$part->field->value}_to"] = (string) $part->to;
            } elseif ($part instanceof Term && $part->field === Field::Language && count($part->words) === 1) {
                $languages[] = $part->words[0];
            } else {
                $others[] = $part;
            }
        }
        // Of two languages a title would have to be in both.
        if (count($languages) > 1) {
            array_push($others, ...array_map(fn(string $of): Term => new Term([$of], Field::Language), $languages));
            $languages = [];
        }
        [$clauses, $left] = Clauses::of(count($others) > 1 ? new All($others) : $others[0] ?? null, self::MOST_ROWS);

        return new self(
            array_pad($clauses, max(self::ROWS, min(count($clauses) + 1, self::MOST_ROWS)), new Clause('')),
            $ranges,
            $languages,
            $left === null ? '' : $left->text(),
        );
    }

    /** The query as text. */
    public function text(): string
    {
        $all = Clauses::and(Clauses::node($this->clauses), QueryParser::read($this->rest)->tree);
        foreach (Field::cases() as $field) {
            $all = Clauses::and($all, $field->isRange() ? $this->range($field) : null);
        }

        return $all instanceof Node ? $all->text() : '';
    }

    /** @return list<Field> whose range says nothing that could be read */
    public function unreadable(): array
    {
        return array_values(
            array_filter(
                Field::cases(),
                fn(Field $of): bool => $this->ranges($of) !== ['', ''] && $this->range($of) === null,
            ),
        );
    }

    private function range(Field $field): ?Range
    {
        [$from, $to] = $this->ranges($field);

        return $from === '' && $to === '' ? null : Range::read($field, $from === $to ? $from : "{$from}-{$to}");
    }

    /** @return array{string, string} from, to */
    private function ranges(Field $field): array
    {
        return [$this->ranges["{$field->value}_from"] ?? '', $this->ranges["{$field->value}_to"] ?? ''];
    }
}
