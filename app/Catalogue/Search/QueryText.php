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

/** A query in words: "with “low water” in the title, not read by dray, from 2015 to 2020". */
final class QueryText
{
    public static function of(Node $node): string
    {
        return match (true) {
            $node instanceof All => implode(', ', array_map(self::of(...), $node->parts)),
            $node instanceof Any => __('search.either', [
                'parts' => implode(' ' . __('search.or') . ' ', array_map(self::of(...), $node->parts)),
            ]),
            $node instanceof Not => __('search.not', ['part' => self::of($node->part)]),
            $node instanceof Range => self::range($node),
            $node instanceof Term => self::term($node),
            default => '',
        };
    }

    /** Whether it asks for more than that some words stand in the record. */
    public static function isPlain(?Node $node): bool
    {
        return $node === null ||
            ($node instanceof Term && $node->field === null && !$node->exact && !$node->begins) ||
            ($node instanceof All && array_filter($node->parts, fn(Node $part): bool => !self::isPlain($part)) === []);
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
