<?php

declare(strict_types=1);

namespace App\Desk\Figures;

use App\Lending\Waits\EstimateText;
use App\Models\Library;
use App\Shared\View\Dates;
use DateTimeImmutable;
use FigPorch\Core\Lending\DownloadRight;
use FigPorch\Core\Lending\Forecast\WaitEstimate;
use IntlDateFormatter;
use NumberFormatter;

/** Figures of the Desk in words. */
final class DeskText
{
    /** Days of waiting; null for none, infinite where there may be no copy. */
    public static function wait(?float $days): string
    {
        return match (true) {
            $days === null => __('figures.no_wait'),
            is_infinite($days) => __('figures.no_date'),
            default => trans_choice('figures.days', max(1, (int) ceil($days))),
        };
    }

    /** Without its currency: in a field, or in a file. */
    public static function money(int $cents): string
    {
        return number_format($cents / 100, 2, '.', '');
    }

    /** "€12.50", as the language writes it. */
    public static function price(int $cents, string $currency): string
    {
        $format = new NumberFormatter(app()->getLocale(), NumberFormatter::CURRENCY);

        return (string) $format->formatCurrency($cents / 100, $currency);
    }

    /** "20 pages to print, offline" of a licence's row */
    public static function rights(\stdClass $licence): string
    {
        return implode(
            ', ',
            array_filter([
                $licence->pages_allowed === null
                    ? __('figures.may_all_pages')
                    : trans_choice('figures.may_pages', $licence->pages_allowed),
                $licence->chapters_as_pdf ? __('figures.may_short.pdf') : null,
                $licence->offline ? __('figures.may_short.offline') : null,
                self::download($licence->download),
            ]),
        );
    }

    /**
     * @param  mixed  $right  as DownloadRight writes it; what was written down before there were protected files is a
     *     bool
     */
    private static function download(mixed $right): ?string
    {
        $right = is_string($right) ? DownloadRight::tryFrom($right) : ($right === true ? DownloadRight::Open : null);

        return $right === null || $right === DownloadRight::None
            ? null
            : (string) __("figures.may_short.{$right->value}");
    }

    /**
     * "Metered by loans, 2 copies, 26 loans, 1 May 2026 – no end, €29.50, 20 pages to print, offline"
     *
     * @param  array<string, mixed>  $facts  as ChangeLicences writes them down
     */
    public static function terms(array $facts, Library $library): string
    {
        $day = fn(mixed $at): string => Dates::day(new DateTimeImmutable((string) $at), $library->zone());
        $price = self::price((int) $facts['price'], (string) $facts['currency']);

        return implode(
            ', ',
            array_filter([
                __("desk.models.{$facts['model']}"),
                $facts['copies'] === null ? null : trans_choice('orders.copies', (int) $facts['copies']),
                $facts['loans'] === null ? null : trans_choice('orders.loans', (int) $facts['loans']),
                $day($facts['from']) . ' – ' . ($facts['at'] === null ? __('figures.no_end_day') : $day($facts['at'])),
                $facts['model'] === 'pay_per_loan' ? __('desk.price_each', ['price' => $price]) : $price,
                self::rights((object) $facts['rights']),
            ]),
        );
    }

    /** "Monday" for 1 */
    public static function weekday(int $weekday): string
    {
        $name = new IntlDateFormatter(app()->getLocale(), pattern: 'cccc', timezone: 'UTC');

        // The first of June 2026 is a Monday.
        return (string) $name->format(new DateTimeImmutable("2026-06-0{$weekday} 12:00 UTC"));
    }

    /** "November 2026" from "2026-11" */
    public static function month(string $month, string $pattern = 'LLLL y'): string
    {
        return (string) (new IntlDateFormatter(app()->getLocale(), pattern: $pattern, timezone: 'UTC'))->format(
            new DateTimeImmutable("{$month}-01", new \DateTimeZone('UTC')),
        );
    }

    /** "3–20 March, at the latest 2 April", or what else is to be said of a turn. */
    public static function turn(WaitEstimate $turn, Library $library, DateTimeImmutable $now): string
    {
        $range = match (true) {
            $turn->to === null || $turn->from === null => __('figures.no_date'),
            $turn->to <= $now => __('figures.at_once_turn'),
            default => Dates::range($turn->from, $turn->to, $library->zone()),
        };

        return $range . EstimateText::after($turn, $library->zone(), $now);
    }
}
