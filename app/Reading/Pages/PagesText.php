<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Shared\View\Numbers;

/**
 * Pages that a loan may take, and what something takes of them, in words: never less than it costs, nor more than is
 * left.
 */
final class PagesText
{
    /** Of one page; hundredths are told of less than that. */
    private const LITTLE = 1.0;

    public static function allowed(?float $left): string
    {
        return $left === null ? __('pages.allowed_all') : self::say('pages.allowed', $left);
    }

    public static function price(float $price, float $left): string
    {
        return $price <= 0
            ? __('pages.copy_free')
            : self::say('pages.copy_price', $left, ['price' => self::up($price)]);
    }

    public static function tooMany(float $price, float $left): string
    {
        return self::say('pages.too_many', $left, ['asked' => self::up($price)]);
    }

    public static function copied(?float $left): string
    {
        return $left === null ? __('pages.copied') : self::say('pages.copied_left', $left);
    }

    /** @param  array<string, string>  $more */
    private static function say(string $words, float $left, array $more = []): string
    {
        $decimals = self::decimals($left);
        $shown = floor($left * 10 ** $decimals + 1e-6) / 10 ** $decimals;

        return trans_choice($words, $shown <= 0 ? 0 : ($shown === 1.0 ? 1 : 2), [
            'left' => Numbers::upTo($shown, 2),
            ...$more,
        ]);
    }

    private static function up(float $price): string
    {
        $decimals = self::decimals($price);
        $shown = ceil($price * 10 ** $decimals - 1e-6) / 10 ** $decimals;

        return Numbers::upTo($shown, 2);
    }

    private static function decimals(float $pages): int
    {
        return $pages < self::LITTLE ? 2 : 1;
    }
}
