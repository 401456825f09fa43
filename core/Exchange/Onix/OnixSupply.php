<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Onix;

use FigPorch\Core\Catalogue\Price;

/** For how much and from when on it is had: ProductSupply (code lists from memory). */
final class OnixSupply
{
    /** List 58, the dearest to a library last: net to it (05, 06), recommended (01, 02), by agency (41, 42). */
    private const TYPES = ['05', '06', '01', '02', '41', '42'];

    /** List 166: an embargo (02), then when it is expected (08). */
    private const DATES = ['02', '08'];

    /** @return list<Price> one of each currency */
    public static function prices(OnixElement $of): array
    {
        $known = [];
        foreach ($of->all('ProductSupply/SupplyDetail/Price') as $price) {
            $at = array_search($price->text('PriceType') ?? '01', self::TYPES, true);
            $one = Price::parse($price->text('PriceAmount'), $price->text('CurrencyCode'));
            if ($one !== null && $at !== false && $at < ($known[$one->currency][0] ?? PHP_INT_MAX)) {
                $known[$one->currency] = [$at, $one];
            }
        }

        return array_values(array_map(fn(array $of): Price => $of[1], $known));
    }

    /** @return string|null a whole ISO 8601 date */
    public static function availableFrom(OnixElement $of): ?string
    {
        foreach (self::DATES as $role) {
            foreach ($of->all('ProductSupply/SupplyDetail/SupplyDate') as $date) {
                if (
                    $date->text('SupplyDateRole') === $role &&
                    preg_match('/^(\d{4})(\d{2})(\d{2})/', (string) $date->text('Date'), $m) === 1 &&
                    checkdate((int) $m[2], (int) $m[3], (int) $m[1])
                ) {
                    return "{$m[1]}-{$m[2]}-{$m[3]}";
                }
            }
        }

        return null;
    }
}
