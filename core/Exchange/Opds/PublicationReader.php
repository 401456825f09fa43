<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Opds;

use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Isbn;
use FigPorch\Core\Catalogue\PublicationDate;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\SeriesPosition;
use InvalidArgumentException;

/**
 * A publication of an OPDS 2.0 feed as a catalogue record. Its metadata is that of the Readium Web Publication Manifest
 * (readium.org/webpub-manifest, "Metadata" and "Contexts"): a string may also be a map of languages, a name an object,
 * one value a list.
 */
final class PublicationReader
{
    /** schema.org types, by the last part of their address. */
    /** OPDS Catalog 1.2, 5.1.1, as OPDS 2.0 takes it over. */
    private const BUY = 'http://opds-spec.org/acquisition/buy';

    private const FORMATS = [
        'Book' => Format::Ebook,
        'EBook' => Format::Ebook,
        'ComicStory' => Format::Ebook,
        'Audiobook' => Format::Audiobook,
        'PublicationIssue' => Format::Magazine,
        'Periodical' => Format::Magazine,
        'MusicAlbum' => Format::Music,
        'MusicRecording' => Format::Music,
        'Movie' => Format::Video,
        'VideoObject' => Format::Video,
    ];

    private const MOST_OF_ANYTHING = 100_000_000;

    private const MOST_PRICE = 100_000;

    private const ROLES = [
        'author' => 'author',
        'narrator' => 'narrator',
        'illustrator' => 'illustrator',
        'translator' => 'translator',
        'editor' => 'editor',
        'artist' => 'artist',
        'contributor' => 'contributor',
    ];

    /**
     * @param  array<mixed>  $publication
     *
     * @throws UnreadableFeed
     */
    public static function read(array $publication): Offer
    {
        $metadata = is_array($publication['metadata'] ?? null) ? $publication['metadata'] : [];
        $name = self::text($metadata['title'] ?? null) ?? throw new UnreadableFeed('it has no title.');
        $format =
            self::FORMATS[basename((string) self::text($metadata['@type'] ?? 'http://schema.org/Book'))] ??
            throw new UnreadableFeed("“{$name}” is of a type that is not lent here.");
        $identifiers = array_values(
            array_filter(
                array_map(self::text(...), [
                    $metadata['identifier'] ?? null,
                    ...self::list($metadata['altIdentifier'] ?? []),
                ]),
            ),
        );
        $isbn = array_values(array_filter(array_map(Isbn::parse(...), $identifiers)))[0] ?? null;
        if ($identifiers === []) {
            throw new UnreadableFeed("“{$name}” has no identifier.");
        }
        $series =
            self::list(is_array($metadata['belongsTo'] ?? null) ? $metadata['belongsTo']['series'] ?? [] : [])[0] ??
            null;
        $seconds = self::amount($metadata['duration'] ?? null);
        $tracks = is_array($publication['readingOrder'] ?? null) ? count($publication['readingOrder']) : 0;
        $ages = AgeRange::parse(self::text($metadata['typicalAgeRange'] ?? null));
        $links = self::list($publication['links'] ?? []);
        [$cents, $currency] = self::price($links);
        try {
            return new Offer(
                new Record(
                    key: $isbn !== null ? "isbn:{$isbn->thirteen}" : 'supplied:' . mb_substr($identifiers[0], 0, 100),
                    format: $format,
                    name: $name,
                    contributors: self::contributors($metadata),
                    extent: match ($format) {
                        Format::Ebook, Format::Magazine => self::amount($metadata['numberOfPages'] ?? null) ?? 0,
                        Format::Music => $tracks,
                        default => $seconds ?? 0,
                    },
                    subtitle: self::text($metadata['subtitle'] ?? null),
                    language: self::text(self::list($metadata['language'] ?? [])[0] ?? null),
                    audience: $ages?->audience() ?? Audience::Adult,
                    description: self::plain(self::text($metadata['description'] ?? null)),
                    publisher: self::name(self::list($metadata['publisher'] ?? [])[0] ?? null),
                    published: PublicationDate::read(self::text($metadata['published'] ?? null)),
                    identifiers: $identifiers,
                    subjects: array_values(
                        array_unique(array_filter(array_map(self::name(...), self::list($metadata['subject'] ?? [])))),
                    ),
                    series: self::name($series),
                    seriesPosition: is_array($series) ? SeriesPosition::read($series['position'] ?? null) : null,
                    seconds: $format === Format::Music ? $seconds : null,
                    ages: $ages,
                ),
                $cents,
                $currency,
                self::buyAt($links),
            );
        } catch (InvalidArgumentException $problem) {
            throw new UnreadableFeed("“{$name}”: {$problem->getMessage()}");
        }
    }

    /**
     * @param  array<mixed>  $metadata
     * @return list<array{name: string, sort: string, role: string}>
     */
    private static function contributors(array $metadata): array
    {
        $all = [];
        foreach (self::ROLES as $key => $role) {
            foreach (self::list($metadata[$key] ?? []) as $person) {
                $name = self::name($person);
                if ($name !== null) {
                    $all[] = [
                        'name' => $name,
                        'sort' => (is_array($person) ? self::text($person['sortAs'] ?? null) : null) ?? $name,
                        'role' => $role,
                    ];
                }
            }
        }

        return $all;
    }

    /**
     * Where it is bought, by the first link that says so and leads to a page.
     *
     * @param  list<mixed>  $links
     */
    private static function buyAt(array $links): ?string
    {
        foreach ($links as $link) {
            $rels = is_array($link) ? (array) ($link['rel'] ?? []) : [];
            $href = is_array($link) ? $link['href'] ?? null : null;
            if (in_array(self::BUY, $rels, true) && is_string($href) && ($link['templated'] ?? false) !== true) {
                return $href === '' ? null : $href;
            }
        }

        return null;
    }

    /**
     * The price of the first acquisition link that has one.
     *
     * @param  list<mixed>  $links
     * @return array{int|null, string|null} hundredths, and the ISO 4217 code
     */
    private static function price(array $links): array
    {
        foreach ($links as $link) {
            $price =
                is_array($link) && is_array($link['properties'] ?? null) ? $link['properties']['price'] ?? null : null;
            $currency = is_array($price) ? $price['currency'] ?? null : null;
            if (
                is_array($price) &&
                is_numeric($price['value'] ?? null) &&
                $price['value'] >= 0 &&
                $price['value'] < self::MOST_PRICE &&
                is_string($currency) &&
                preg_match('/^[A-Z]{3}$/', $currency) === 1
            ) {
                return [(int) round(100 * (float) $price['value']), $currency];
            }
        }

        return [null, null];
    }

    /** A whole number from 0 to what a title can have of anything. */
    private static function amount(mixed $value): ?int
    {
        return is_numeric($value) && $value >= 0 && $value <= self::MOST_OF_ANYTHING ? (int) $value : null;
    }

    /** @return list<mixed> */
    private static function list(mixed $value): array
    {
        return match (true) {
            is_array($value) && array_is_list($value) => $value,
            $value === null => [],
            default => [$value],
        };
    }

    private static function name(mixed $value): ?string
    {
        return self::text(is_array($value) && array_key_exists('name', $value) ? $value['name'] : $value);
    }

    /** A string, or the first of a map of languages. */
    private static function text(mixed $value): ?string
    {
        $value = is_array($value) ? reset($value) : $value;
        $text = is_string($value) ? trim((string) preg_replace('/[\s\p{Cc}]+/u', ' ', mb_scrub($value))) : '';

        return $text === '' ? null : $text;
    }

    /** Descriptions may be HTML. */
    private static function plain(?string $html): ?string
    {
        return $html === null ? null : trim(html_entity_decode(strip_tags($html), ENT_QUOTES | ENT_HTML5));
    }
}
