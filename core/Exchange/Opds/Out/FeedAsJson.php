<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Opds\Out;

use DateTimeImmutable;
use FigPorch\Core\Catalogue\Record;

/**
 * OPDS 2.0 (drafts.opds.io/opds-2.0) on the Readium Web Publication Manifest (readium.org/webpub-manifest). What is not
 * known is left out.
 */
final class FeedAsJson
{
    public const FEED = 'application/opds+json';

    public const PUBLICATION = 'application/opds-publication+json';

    /** @return array<string, mixed> */
    public static function feed(Feed $feed): array
    {
        $paging = $feed->paging;

        return self::known([
            'metadata' => self::known([
                'title' => $feed->title,
                'modified' => self::moment($feed->modified),
                'numberOfItems' => $paging['total'] ?? null,
                'itemsPerPage' => $paging['perPage'] ?? null,
                'currentPage' => $paging['page'] ?? null,
            ]),
            'links' => array_map(self::link(...), $feed->links),
            'navigation' => $feed->navigation === null ? null : array_map(self::link(...), $feed->navigation),
            'publications' =>
                $feed->navigation === null ? array_map(self::publication(...), $feed->publications) : null,
            'facets' =>
                array_map(
                    fn(FacetGroup $of): array => [
                        'metadata' => ['title' => $of->title],
                        'links' => array_map(self::link(...), $of->links),
                    ],
                    $feed->facets,
                ) ?:
                null,
        ]);
    }

    /** @return array<string, mixed> */
    public static function publication(Publication $of): array
    {
        return self::known([
            'metadata' => self::metadata($of->record, $of->id, $of->modified),
            'links' => array_map(self::link(...), $of->links),
            'images' => array_map(self::link(...), $of->images) ?: null,
        ]);
    }

    /**
     * A record as a Web Publication Manifest has it.
     *
     * @param  string  $id  an address, for what has no number or another beside it
     * @return array<string, mixed>
     */
    public static function metadata(Record $record, string $id, DateTimeImmutable $modified): array
    {
        $numbers = Metadata::numbers($record);

        return self::known([
            '@type' => Metadata::type($record->format),
            'title' => $record->name,
            'subtitle' => $record->subtitle,
            'identifier' => $numbers[0] ?? $id,
            'altIdentifier' => [...array_slice($numbers, 1), ...$numbers === [] ? [] : [$id]] ?: null,
            ...self::contributors($record),
            'language' => $record->language,
            'publisher' => $record->publisher,
            'published' => $record->published,
            'modified' => self::moment($modified),
            'description' => $record->description,
            'numberOfPages' => Metadata::pages($record),
            'duration' => Metadata::seconds($record),
            'typicalAgeRange' => Metadata::ages($record),
            'subject' => array_map(fn(string $name): array => ['name' => $name], $record->subjects) ?: null,
            'belongsTo' =>
                $record->series === null
                    ? null
                    : [
                        'series' => self::known([
                            'name' => $record->series,
                            'position' => $record->seriesPosition,
                        ]),
                    ],
        ]);
    }

    /** @return array<string, list<array<string, mixed>>> */
    private static function contributors(Record $record): array
    {
        $all = [];
        foreach ($record->contributors as $of) {
            $key = Metadata::key($of['role']);
            $all[$key ?? 'contributor'][] = self::known([
                'name' => $of['name'],
                'sortAs' => $of['sort'] === $of['name'] ? null : $of['sort'],
                'role' => $key === null ? Metadata::relator($of['role']) : null,
            ]);
        }

        return $all;
    }

    /** @return array<string, mixed> */
    private static function link(Link $link): array
    {
        $properties = self::known([
            'numberOfItems' => $link->items,
            'indirectAcquisition' => self::indirect($link->indirect) ?: null,
            'lcp_hashed_passphrase' => $link->hashedPassphrase(),
            ...$link->supply === null ? [] : self::supply($link->supply),
        ]);

        return self::known([
            'rel' => $link->rel,
            'href' => $link->href,
            'type' => $link->type,
            'title' => $link->title,
            'templated' => $link->templated ?: null,
            'properties' => $properties ?: null,
        ]);
    }

    /** @return array<string, mixed> */
    private static function supply(Supply $of): array
    {
        return self::known([
            'availability' => self::known([
                'state' => $of->state,
                'since' => $of->since === null ? null : self::moment($of->since),
                'until' => $of->until === null ? null : self::moment($of->until),
                'detail' => $of->detail,
            ]),
            'copies' => $of->copies,
            'holds' => $of->holds === null ? null : self::known($of->holds),
        ]);
    }

    /**
     * @param  list<string>  $types
     * @return list<array<string, mixed>>
     */
    private static function indirect(array $types): array
    {
        return $types === []
            ? []
            : [self::known(['type' => $types[0], 'child' => self::indirect(array_slice($types, 1)) ?: null])];
    }

    private static function moment(DateTimeImmutable $at): string
    {
        return $at->format('Y-m-d\TH:i:sP');
    }

    /**
     * @param  array<string, mixed>  $values
     * @return array<string, mixed>
     */
    private static function known(array $values): array
    {
        return array_filter($values, fn(mixed $of): bool => $of !== null);
    }
}
