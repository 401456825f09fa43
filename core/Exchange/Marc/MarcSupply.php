<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

use FigPorch\Core\Catalogue\Price;
use FigPorch\Core\Catalogue\Record;

/** For how much and from when on it is had: 365 (trade price), 366 (trade availability). */
final class MarcSupply
{
    /** @return list<Price> one of each currency */
    public static function prices(MarcRecord $of): array
    {
        $prices = [];
        foreach ($of->fields('365') as $field) {
            $price = Price::parse($field->get('b'), $field->get('c'));
            $price === null || ($prices[$price->currency] ??= $price);
        }

        return array_values($prices);
    }

    /** 366 $d: when it is expected to be had. */
    public static function availableFrom(MarcRecord $of): ?string
    {
        foreach ($of->values('366', 'd') as $day) {
            if (
                preg_match('/^(\d{4})(\d{2})(\d{2})$/D', $day, $m) === 1 &&
                checkdate((int) $m[2], (int) $m[3], (int) $m[1])
            ) {
                return "{$m[1]}-{$m[2]}-{$m[3]}";
            }
        }

        return null;
    }

    /** @return list<MarcField> */
    public static function fields(Record $of): array
    {
        return [
            ...array_map(
                fn(Price $price): MarcField => MarcField::of('365', '  ', b: $price->amount(), c: $price->currency),
                $of->prices,
            ),
            ...$of->availableFrom === null
                ? []
                : [MarcField::of('366', '  ', d: str_replace('-', '', $of->availableFrom))],
        ];
    }
}
