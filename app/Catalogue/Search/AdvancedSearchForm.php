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

    /** @return array{array<string, string>, string} */
    private static function filledFrom(?Node $tree): array
    {
        $values = $rest = [];
        foreach ($tree instanceof All ? $tree->parts : array_filter([$tree]) as $part) {
            $name = match (true) {
                $part instanceof Term && $part->begins => null,
                $part instanceof Term && $part->field !== null => $part->exact ? null : $part->field->value,
                $part instanceof Term && count($part->words) > 1 => isset($values['phrase']) ? null : 'phrase',
                $part instanceof Term && $part->exact => null,
                $part instanceof Term => 'all',
                $part instanceof Not &&
                    $part->part instanceof Term &&
                    $part->part->field === null &&
                    count($part->part->words) === 1 &&
                    !$part->part->exact &&
                    !$part->part->begins
                    => 'none',
                $part instanceof Any &&
                    !isset($values['any']) &&
                    array_filter(
                        $part->parts,
                        fn(Node $p): bool => !($p instanceof Term) ||
                            $p->field !== null ||
                            count($p->words) > 1 ||
                            $p->exact ||
                            $p->begins,
                    ) === []
                    => 'any',
                default => null,
            };
            if ($part instanceof Range) {
                $values["{$part->field->value}_from"] = $part->from === null ? '' : (string) $part->from;
                $values["{$part->field->value}_to"] = $part->to === null ? '' : (string) $part->to;
            } elseif ($name === null) {
                $rest[] = $part instanceof Any ? "({$part->text()})" : $part->text();
            } else {
                $words = match (true) {
                    $part instanceof Term => $part->words,
                    $part instanceof Not && $part->part instanceof Term => $part->part->words,
                    $part instanceof Any => array_merge(
                        ...array_map(fn(Node $p): array => $p instanceof Term ? $p->words : [], $part->parts),
                    ),
                    default => [],
                };
                $values[$name] = trim(($values[$name] ?? '') . ' ' . implode(' ', $words));
            }
        }

        return [array_filter($values, fn(string $v): bool => $v !== ''), implode(' ', $rest)];
    }
}
