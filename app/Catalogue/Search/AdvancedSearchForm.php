<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Shared\Input;
use FigPorch\Core\Catalogue\Query\All;
use FigPorch\Core\Catalogue\Query\Any;
use FigPorch\Core\Catalogue\Query\Field;
use FigPorch\Core\Catalogue\Query\Node;
use FigPorch\Core\Catalogue\Query\Not;
use FigPorch\Core\Catalogue\Query\QueryParser;
use FigPorch\Core\Catalogue\Query\Range;
use FigPorch\Core\Catalogue\Query\Term;
use FigPorch\Core\Catalogue\SearchWords;
use Illuminate\Http\Request;

/** The advanced search: fields to fill in, and the query that they make. */
final readonly class AdvancedSearchForm
{
    /**
     * @param  array<string, string>  $values  by field: all, phrase, any, none, year_from, level_to and the names of
     *     Field
     * @param  string  $rest  of a query, what fits no field
     */
    private function __construct(public array $values, public string $rest) {}

    /** What was filled in, or else what a query says, as far as the fields can. */
    public static function read(Request $request): self
    {
        $query = QueryParser::read(Input::text($request, 'q'));
        [$values, $rest] = $request->query('go') === null ? self::filledFrom($query->tree) : [[], ''];
        foreach (
            [
                'all',
                'phrase',
                'any',
                'none',
                'year_from',
                'year_to',
                'level_from',
                'level_to',
                'rest',
                ...array_column(Field::cases(), 'value'),
            ]
            as $name
        ) {
            $text = mb_substr(Input::text($request, $name), 0, 200);
            if ($text !== '') {
                $values[$name] = $text;
            }
        }

        return new self($values, $values['rest'] ?? $rest);
    }

    /** The query as text. */
    public function text(): string
    {
        $words = fn(string $name): array => SearchWords::of($this->values[$name] ?? '');
        $parts = [...$words('all')];
        if (($phrase = SearchWords::fold($this->values['phrase'] ?? '')) !== '') {
            $parts[] = "\"{$phrase}\"";
        }
        if (($any = $words('any')) !== []) {
            $parts[] = count($any) > 1 ? '(' . implode(' OR ', $any) . ')' : $any[0];
        }
        foreach (Field::cases() as $field) {
            if (!$field->isRange()) {
                foreach (
                    $field === Field::Isbn
                        ? array_filter([str_replace(' ', '-', trim($this->values['isbn'] ?? ''))])
                        : $words($field->value)
                    as $word
                ) {
                    $parts[] = "{$field->value}:{$word}";
                }
            } elseif (($range = $this->range($field)) !== null) {
                $parts[] = $range->text();
            }
        }
        array_push($parts, ...array_map(fn(string $word): string => "-{$word}", $words('none')));
        if ($this->rest !== '') {
            $parts[] = $this->rest;
        }

        return implode(' ', $parts);
    }

    private function range(Field $field): ?Range
    {
        $number = fn(string $end): ?float => preg_match(
            '/^\d{1,4}(\.\d)?$/',
            $this->values["{$field->value}_{$end}"] ?? '',
        ) === 1
            ? (float) $this->values["{$field->value}_{$end}"]
            : null;
        [$from, $to] = [$number('from'), $number('to')];

        return $from === null && $to === null ? null : new Range($field, $from, $to);
    }

    /** @return array{array<string, string>, string} the fields, and what fits none of them */
    private static function filledFrom(?Node $tree): array
    {
        $values = $rest = [];
        $parts =
            $tree?->visit(
                all: fn(All $all): array => $all->parts,
                any: fn(Any $any): array => [$any],
                not: fn(Not $not): array => [$not],
                range: fn(Range $range): array => [$range],
                term: fn(Term $term): array => [$term],
            ) ?? [];
        foreach ($parts as $part) {
            $fits = self::fields($part);
            // There is one field for a phrase, for words of which any will do, for a range; words add up in the others.
            $taken =
                preg_grep('/^(phrase|any|.*_from|.*_to)$/', array_keys(array_intersect_key($fits, $values))) !== [];
            if ($fits === [] || $taken) {
                $rest[] = $part instanceof Any ? "({$part->text()})" : $part->text();

                continue;
            }
            foreach ($fits as $field => $words) {
                $values[$field] = trim(($values[$field] ?? '') . " {$words}");
            }
        }

        return [array_filter($values, fn(string $v): bool => $v !== ''), implode(' ', $rest)];
    }

    /** @return array<string, string> what is to be filled in for a part, by field; none where it fits none */
    private static function fields(Node $part): array
    {
        $one = fn(Node $of): bool => $of instanceof Term && $of->isPlain() && count($of->words) === 1;
        $words = fn(Term ...$terms): string => implode(' ', array_merge(...array_column($terms, 'words')));

        return $part->visit(
            all: fn(All $all): array => [],
            any: fn(Any $any): array => array_filter($any->parts, $one) === $any->parts
                ? ['any' => $words(...$any->terms())]
                : [],
            not: fn(Not $not): array => $one($not->part) ? ['none' => $words(...$not->part->terms())] : [],
            range: fn(Range $range): array => [
                "{$range->field->value}_from" => (string) $range->from,
                "{$range->field->value}_to" => (string) $range->to,
            ],
            term: fn(Term $term): array => match (true) {
                $term->begins, $term->exact && $term->field !== null => [],
                $term->field !== null => [$term->field->value => $words($term)],
                count($term->words) > 1 => ['phrase' => $words($term)],
                $term->exact => [],
                default => ['all' => $words($term)],
            },
        );
    }
}
