<?php

declare(strict_types=1);

namespace App\Shared\View;

use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Support\HtmlString;
use Locale;

/** A title's facts in words. */
final class TitleText
{
    /** Its name, in the language that it is in, and from its own side. */
    public static function name(Title $title): HtmlString
    {
        return self::named($title->name, $title->language);
    }

    /** A name in its language, where it is another than that of the page. */
    public static function named(string $name, ?string $language): HtmlString
    {
        $lang = self::isForeign($language) ? ' lang="' . e($language) . '"' : '';

        return new HtmlString("<bdi{$lang}>" . e($name) . '</bdi>');
    }

    /** What tells it from others of its name: "ebook · Spanish · 212 pages", "audiobook · 9 h 40 min" */
    public static function format(Title $title): string
    {
        return implode(
            ' · ',
            array_filter([
                __("catalogue.format.{$title->format->value}"),
                self::isForeign($title->language) ? self::language((string) $title->language) : null,
                $title->edition,
                self::extent($title),
            ]),
        );
    }

    /** Beside another title of its work, what tells it from that: "audiobook · 9 h 40 min", "ebook · Spanish" */
    public static function beside(Title $title, Title $other): string
    {
        $facts = array_filter([
            $title->language === $other->language ? null : self::language((string) $title->language),
            $title->format === $other->format ? $title->edition : null,
            $title->format === $other->format ? $title->year() : self::extent($title),
        ]);

        return implode(' · ', [__("catalogue.format.{$title->format->value}"), ...$facts]);
    }

    /** With its year: "ebook · 212 pages · 2019" */
    public static function kind(Title $title): string
    {
        return implode(' · ', array_filter([self::format($title), $title->year()]));
    }

    /** Whether a language is another than that of the page. */
    private static function isForeign(?string $language): bool
    {
        return $language !== null &&
            $language !== '' &&
            strtok(strtolower($language), '-') !== strtok(app()->getLocale(), '-');
    }

    public static function extent(Title $title): string
    {
        return match ($title->format) {
            Format::Website => '',
            Format::Paper => $title->extent === 0
                ? ''
                : trans_choice('catalogue.pages', $title->extent, ['count' => $title->extent]),
            Format::Ebook, Format::Magazine => trans_choice('catalogue.pages', $title->extent, [
                'count' => $title->extent,
            ]),
            Format::Audiobook, Format::Video => self::duration($title->extent),
            Format::Music => trans_choice('catalogue.tracks', $title->extent, ['count' => $title->extent]) .
                ($title->extent_seconds === null ? '' : ' · ' . self::duration($title->extent_seconds)),
        };
    }

    /** "9 h 40 min", "25 min", "40 s", which no line breaks. */
    public static function duration(int $seconds): string
    {
        $minutes = intdiv($seconds, 60);
        $words = match (true) {
            $minutes === 0 => "{$seconds} s",
            $minutes < 60 => "{$minutes} min",
            default => intdiv($minutes, 60) . ' h' . ($minutes % 60 === 0 ? '' : ' ' . $minutes % 60 . ' min'),
        };

        return str_replace(' ', "\u{A0}", $words);
    }

    /** Where it is in what plays: "1:02:09", "2:09". */
    public static function clock(float $seconds): string
    {
        $whole = (int) $seconds;

        return $whole >= 3600
            ? sprintf('%d:%02d:%02d', intdiv($whole, 3600), intdiv($whole, 60) % 60, $whole % 60)
            : sprintf('%d:%02d', intdiv($whole, 60), $whole % 60);
    }

    /** "Maren Osei, read by Juno Pike" */
    public static function people(Title $title): string
    {
        $makers =
            $title->namesOf('author') ?:
            ($title->namesOf('artist') ?:
            ($title->namesOf('composer') ?:
            $title->namesOf('director')));
        $words = implode(', ', array_slice($makers, 0, 3));
        $narrators = implode(', ', array_slice($title->namesOf('narrator'), 0, 2));

        return $narrators === ''
            ? $words
            : ($words === '' ? '' : "{$words}, ") . __('catalogue.read_by', ['name' => $narrators]);
    }

    /** "Choir House, book 1" */
    public static function series(Title $title): ?string
    {
        $series = $title->seriesName();
        if ($series === null || $title->format === Format::Magazine) {
            return null;
        }
        $position = $title->series_position === null ? null : rtrim(rtrim($title->series_position, '0'), '.');

        return $position === null ? $series : __('catalogue.in_series', ['series' => $series, 'position' => $position]);
    }

    public static function language(string $tag): string
    {
        return (string) Locale::getDisplayLanguage($tag, app()->getLocale());
    }
}
