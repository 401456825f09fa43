<?php

declare(strict_types=1);

namespace App\Shared\View;

use DateTimeImmutable;
use DateTimeInterface;
use DateTimeZone;
use Illuminate\Support\HtmlString;
use IntlDateFormatter;
use IntlDatePatternGenerator;

/** Dates in words, in the reader's language and the library's time zone. */
final class Dates
{
    /**
     * What ICU's pattern generator gives for each skeleton; asking it takes a tenth of a page's time. A test asks it.
     */
    public const PATTERNS = [
        'en_GB' => [
            'Hm' => 'HH:mm',
            'EEEE' => 'cccc',
            'dMMMM' => 'd MMMM',
            'dMMMMy' => 'd MMMM y',
            'dMMM' => 'd MMM',
            'MMM' => 'LLL',
            'EEEEdMMMMyHm' => "EEEE, d MMMM y 'at' HH:mm",
            'MMMMy' => 'MMMM y',
        ],
        'es' => [
            'Hm' => 'H:mm',
            'EEEE' => 'cccc',
            'dMMMM' => "d 'de' MMMM",
            'dMMMMy' => "d 'de' MMMM 'de' y",
            'dMMM' => 'd MMM',
            'MMM' => 'LLL',
            'EEEEdMMMMyHm' => "EEEE, d 'de' MMMM 'de' y, H:mm",
            'MMMMy' => "MMMM 'de' y",
        ],
    ];

    /** "today at 18:00", "tomorrow at 18:00", "Thursday, in 2 days", "9 December". */
    public static function words(DateTimeInterface $at, DateTimeZone $zone, ?DateTimeInterface $now = null): string
    {
        $now ??= now();
        $days = self::daysUntil($at, $zone, $now);

        return match (true) {
            $days === 0 => self::atTime('today_at', $at, $zone),
            $days === 1 => self::atTime('tomorrow_at', $at, $zone),
            $days > 1 && $days < 7 => __('dates.in_days', ['day' => self::format($at, $zone, 'EEEE'), 'days' => $days]),
            default => self::day($at, $zone, $now),
        };
    }

    /** One o'clock is one in languages where the other hours are many. */
    private static function atTime(string $words, DateTimeInterface $at, DateTimeZone $zone): string
    {
        $isOne = (int) DateTimeImmutable::createFromInterface($at)->setTimezone($zone)->format('G') === 1;

        return trans_choice("dates.{$words}", $isOne ? 1 : 2, ['time' => self::format($at, $zone, 'Hm')]);
    }

    /** "9 December", with the year where it is another. */
    public static function day(DateTimeInterface $at, DateTimeZone $zone, ?DateTimeInterface $now = null): string
    {
        $year = fn(DateTimeInterface $t): string => DateTimeImmutable::createFromInterface($t)
            ->setTimezone($zone)
            ->format('Y');
        $sameYear = $year($at) === $year($now ?? now());

        return self::format($at, $zone, $sameYear ? 'dMMMM' : 'dMMMMy');
    }

    /** "9 Dec" */
    public static function short(DateTimeInterface $at, DateTimeZone $zone): string
    {
        return self::format($at, $zone, 'dMMM');
    }

    /** "Dec": above the columns of a chart */
    public static function monthShort(DateTimeInterface $at): string
    {
        return self::format($at, new DateTimeZone('UTC'), 'MMM');
    }

    /** "3 Mar – 20 Mar" */
    public static function shortRange(DateTimeInterface $from, DateTimeInterface $to, DateTimeZone $zone): string
    {
        [$a, $b] = [self::short($from, $zone), self::short($to, $zone)];

        return $a === $b ? $a : "{$a} – {$b}";
    }

    /** "Thursday 9 December 2026, 18:00" */
    public static function exact(DateTimeInterface $at, DateTimeZone $zone): string
    {
        return self::format($at, $zone, 'EEEEdMMMMyHm');
    }

    /** How long until then, roughly: "2 days", "3 weeks", "4 months". */
    public static function about(DateTimeInterface $at, ?DateTimeInterface $now = null): string
    {
        $days = max(1, (int) round(($at->getTimestamp() - ($now ?? now())->getTimestamp()) / 86400));

        return match (true) {
            $days < 11 => trans_choice('dates.days', $days),
            $days < 75 => trans_choice('dates.weeks', (int) round($days / 7)),
            default => trans_choice('dates.months', (int) round($days / 30.4)),
        };
    }

    /** "3–20 March", "28 March – 9 April": the range of a forecast. */
    public static function range(DateTimeInterface $from, DateTimeInterface $to, DateTimeZone $zone): string
    {
        [$a, $b] = [self::day($from, $zone), self::day($to, $zone)];

        return $a === $b ? $a : __('dates.range', ['from' => $a, 'to' => $b]);
    }

    /** A date in words (or in the text given) that tells its exact time to whoever asks. */
    public static function html(DateTimeInterface $at, DateTimeZone $zone, ?string $text = null): HtmlString
    {
        return new HtmlString(
            '<time datetime="' .
                $at->format(DATE_ATOM) .
                '" title="' .
                e(self::exact($at, $zone)) .
                '">' .
                e($text ?? self::words($at, $zone)) .
                '</time>',
        );
    }

    /** "2019", "November 2026" or "4 March 2021", from as much of an ISO 8601 date as there is. */
    public static function published(string $date): string
    {
        $utc = new DateTimeZone('UTC');

        return match (strlen($date)) {
            4 => $date,
            7 => self::format(new DateTimeImmutable("{$date}-01", $utc), $utc, 'MMMMy'),
            default => self::format(new DateTimeImmutable($date, $utc), $utc, 'dMMMMy'),
        };
    }

    private static function daysUntil(DateTimeInterface $at, DateTimeZone $zone, DateTimeInterface $now): int
    {
        $midnight = fn(DateTimeInterface $t): DateTimeImmutable => DateTimeImmutable::createFromInterface($t)
            ->setTimezone($zone)
            ->setTime(0, 0);

        return (int) $midnight($now)->diff($midnight($at))->format('%r%a');
    }

    private static function format(DateTimeInterface $at, DateTimeZone $zone, string $skeleton): string
    {
        static $formatters = [];
        $locale = app()->getLocale() === 'en' ? 'en_GB' : app()->getLocale();
        $formatter = $formatters["{$locale}|{$skeleton}|{$zone->getName()}"] ??= new IntlDateFormatter(
            $locale,
            IntlDateFormatter::NONE,
            IntlDateFormatter::NONE,
            $zone,
            null,
            self::PATTERNS[$locale][$skeleton] ??
                (string) (new IntlDatePatternGenerator($locale))->getBestPattern($skeleton),
        );

        return (string) $formatter->format($at);
    }
}
