<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use FigPorch\Core\Catalogue\Query\All;
use FigPorch\Core\Catalogue\Query\Any;
use FigPorch\Core\Catalogue\Query\Field;
use FigPorch\Core\Catalogue\Query\Node;
use FigPorch\Core\Catalogue\Query\Not;
use FigPorch\Core\Catalogue\Query\Range;
use FigPorch\Core\Catalogue\Query\Refusal;
use FigPorch\Core\Catalogue\Query\Term;

/** A query in words: "with “low water” in the title, not read by dray, from 2015 to 2020". */
final class QueryText
{
    public static function of(Node $node): string
    {
        $each = fn(array $parts, string $between): string => implode($between, array_map(self::of(...), $parts));

        return $node->visit(
            all: fn(All $all): string => $each($all->parts, ', '),
            any: fn(Any $any): string => __('search.either', [
                'parts' => $each($any->parts, ' ' . __('search.or') . ' '),
            ]),
            not: fn(Not $not): string => __('search.not', ['part' => self::of($not->part)]),
            range: self::range(...),
            term: self::term(...),
        );
    }

    /** Why a query could not be read as typed, and what was done. */
    public static function refusal(Refusal $refusal): string
    {
        $why = __("search.unreadable.{$refusal->reason->value}", ['near' => $refusal->near]);

        return "{$why} " . __('search.plain');
    }

    /** Whether it asks for no more than that some words stand in the record. */
    public static function isPlain(?Node $node): bool
    {
        return $node?->visit(
            all: fn(All $all): bool => array_filter($all->parts, fn(Node $of): bool => !self::isPlain($of)) === [],
            any: fn(Any $any): bool => false,
            not: fn(Not $not): bool => false,
            range: fn(Range $range): bool => false,
            term: fn(Term $term): bool => $term->isPlain(),
        ) ?? true;
    }

    private static function term(Term $term): string
    {
        $words = __('search.quoted', ['words' => implode(' ', $term->words) . ($term->begins ? '…' : '')]);
        if ($term->field === Field::Language) {
            return __('search.in.lang', [
                'words' => (string) \Locale::getDisplayLanguage($term->words[0], app()->getLocale()),
            ]);
        }

        return __(
            $term->field === null
                ? ($term->exact
                    ? 'search.in.exact'
                    : 'search.in.anywhere')
                : "search.in.{$term->field->value}",
            ['words' => $words],
        );
    }

    private static function range(Range $range): string
    {
        $number = fn(?float $n): string => $n === null ? '' : rtrim(rtrim(number_format($n, 1, '.', ''), '0'), '.');
        $kind = match (true) {
            $range->from === $range->to => 'one',
            $range->from === null => 'to',
            $range->to === null => 'from',
            default => 'between',
        };

        return __("search.{$range->field->value}.{$kind}", [
            'from' => $number($range->from),
            'to' => $number($range->to),
        ]);
    }
}
