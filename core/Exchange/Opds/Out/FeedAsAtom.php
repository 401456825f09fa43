<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Opds\Out;

use DateTimeImmutable;
use DateTimeZone;
use XMLWriter;

/**
 * OPDS Catalog 1.2 (specs.opds.io/opds-1.2) on Atom (RFC 4287): the same as FeedAsJson, with OpenSearch 1.1 for pages
 * and RFC 4685 for counts.
 */
final class FeedAsAtom
{
    public const NAVIGATION = 'application/atom+xml;profile=opds-catalog;kind=navigation';

    public const ACQUISITION = 'application/atom+xml;profile=opds-catalog;kind=acquisition';

    public const ENTRY = 'application/atom+xml;type=entry;profile=opds-catalog';

    private const NAMESPACES = [
        'xmlns' => 'http://www.w3.org/2005/Atom',
        'xmlns:dc' => 'http://purl.org/dc/terms/',
        'xmlns:opds' => 'http://opds-spec.org/2010/catalog',
        'xmlns:opensearch' => 'http://a9.com/-/spec/opensearch/1.1/',
        'xmlns:thr' => 'http://purl.org/syndication/thread/1.0',
        'xmlns:schema' => 'http://schema.org/',
        'xmlns:lcp' => 'http://readium.org/lcp-specs/ns',
    ];

    private readonly XMLWriter $xml;

    private function __construct()
    {
        $this->xml = new XMLWriter();
        $this->xml->openMemory();
        $this->xml->startDocument('1.0', 'UTF-8');
    }

    public static function feed(Feed $feed): string
    {
        $of = new self();
        $of->begin('feed');
        $of->text('id', $feed->id);
        $of->text('title', $feed->title);
        $of->text('updated', self::moment($feed->modified));
        if ($feed->paging !== null) {
            $of->text('opensearch:totalResults', (string) $feed->paging['total']);
            $of->text('opensearch:itemsPerPage', (string) $feed->paging['perPage']);
            $of->text('opensearch:startIndex', (string) (($feed->paging['page'] - 1) * $feed->paging['perPage'] + 1));
        }
        foreach ($feed->links as $link) {
            $of->link($link);
        }
        foreach ($feed->facets as $group) {
            foreach ($group->links as $link) {
                $of->facet($group, $link);
            }
        }
        foreach ($feed->navigation ?? [] as $link) {
            $of->place($link, $feed->modified);
        }
        foreach ($feed->publications as $publication) {
            $of->xml->startElement('entry');
            $of->entry($publication);
        }

        return $of->end();
    }

    public static function publication(Publication $publication): string
    {
        $of = new self();
        $of->begin('entry');
        $of->entry($publication);

        return $of->xml->outputMemory() . "\n";
    }

    private function begin(string $element): void
    {
        $this->xml->startElement($element);
        foreach (self::NAMESPACES as $prefix => $address) {
            $this->xml->writeAttribute($prefix, $address);
        }
    }

    private function end(): string
    {
        $this->xml->endDocument();

        return $this->xml->outputMemory();
    }

    /** What the feed leads to, as an entry (5.1 of OPDS Catalog 1.2 wants a summary). */
    private function place(Link $link, DateTimeImmutable $modified): void
    {
        $this->xml->startElement('entry');
        $this->text('id', $link->href);
        $this->text('title', (string) $link->title);
        $this->text('updated', self::moment($modified));
        $this->text('content', (string) $link->title, ['type' => 'text']);
        $this->link($link);
        $this->xml->endElement();
    }

    private function entry(Publication $of): void
    {
        $record = $of->record;
        $this->text('id', $of->id);
        $this->text('title', $record->subtitle === null ? $record->name : "{$record->name}: {$record->subtitle}");
        $this->text('updated', self::moment($of->modified));
        foreach ($record->contributors as $person) {
            $this->xml->startElement($person['role'] === 'author' ? 'author' : 'contributor');
            $person['role'] === 'author' || $this->xml->writeAttribute('opds:role', Metadata::relator($person['role']));
            $this->text('name', $person['name']);
            $this->xml->endElement();
        }
        foreach (Metadata::numbers($record) as $number) {
            $this->text('dc:identifier', $number);
        }
        foreach (
            [
                'dc:language' => $record->language,
                'dc:publisher' => $record->publisher,
                'dc:issued' => $record->published,
                'dc:extent' => self::extent(Metadata::pages($record), Metadata::seconds($record)),
                'schema:typicalAgeRange' => Metadata::ages($record),
            ]
            as $name => $value
        ) {
            $value === null || $this->text($name, $value);
        }
        foreach ($record->subjects as $subject) {
            $this->xml->startElement('category');
            $this->xml->writeAttribute('term', self::clean($subject));
            $this->xml->writeAttribute('label', self::clean($subject));
            $this->xml->endElement();
        }
        if ($record->series !== null) {
            $this->xml->startElement('schema:Series');
            $this->xml->writeAttribute('schema:name', self::clean($record->series));
            $record->seriesPosition === null ||
                $this->xml->writeAttribute('schema:position', (string) $record->seriesPosition);
            $this->xml->endElement();
        }
        $record->description === null || $this->text('summary', $record->description, ['type' => 'text']);
        foreach ([...$of->links, ...$of->images] as $link) {
            $this->link($link);
        }
        $this->xml->endElement();
    }

    private static function extent(?int $pages, ?int $seconds): ?string
    {
        return match (true) {
            $pages !== null => "{$pages} pages",
            // ISO 8601, 5.5.2.
            $seconds !== null => "PT{$seconds}S",
            default => null,
        };
    }

    private function facet(FacetGroup $group, Link $link): void
    {
        $this->xml->startElement('link');
        $this->attributes([
            'rel' => 'http://opds-spec.org/facet',
            'href' => $link->href,
            'type' => $link->type,
            'title' => $link->title,
            'opds:facetGroup' => $group->title,
            'opds:activeFacet' => $link->rel === 'self' ? 'true' : null,
            'thr:count' => $link->items === null ? null : (string) $link->items,
        ]);
        $this->xml->endElement();
    }

    private function link(Link $link): void
    {
        $this->xml->startElement('link');
        $this->attributes([
            'rel' => $link->rel,
            'href' => $link->href,
            'type' => $link->type,
            'title' => $link->title,
            'thr:count' => $link->items === null ? null : (string) $link->items,
        ]);
        foreach ($link->indirect as $type) {
            $this->xml->startElement('opds:indirectAcquisition');
            $this->xml->writeAttribute('type', $type);
        }
        foreach ($link->indirect as $_) {
            $this->xml->endElement();
        }
        $link->supply === null || $this->supply($link->supply);
        if ($link->hashedPassphrase() !== null) {
            $this->text('lcp:hashed_passphrase', $link->hashedPassphrase());
        }
        $this->xml->endElement();
    }

    private function supply(Supply $of): void
    {
        $this->xml->startElement('opds:availability');
        $this->attributes([
            'status' => $of->state,
            'since' => $of->since === null ? null : self::moment($of->since),
            'until' => $of->until === null ? null : self::moment($of->until),
        ]);
        $this->xml->endElement();
        foreach (['opds:copies' => $of->copies, 'opds:holds' => $of->holds] as $name => $counts) {
            if ($counts !== null) {
                $this->xml->startElement($name);
                $this->attributes(
                    array_map(fn(?int $count): ?string => $count === null ? null : (string) $count, $counts),
                );
                $this->xml->endElement();
            }
        }
    }

    /** @param  array<string, string>  $attributes */
    private function text(string $name, string $text, array $attributes = []): void
    {
        $this->xml->startElement($name);
        $this->attributes($attributes);
        $this->xml->text(self::clean($text));
        $this->xml->endElement();
    }

    /** @param  array<string, string|null>  $attributes */
    private function attributes(array $attributes): void
    {
        foreach ($attributes as $name => $value) {
            $value === null || $this->xml->writeAttribute($name, self::clean($value));
        }
    }

    private static function moment(DateTimeImmutable $at): string
    {
        return $at->setTimezone(new DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
    }

    /** XML 1.0 has no control characters but these three (2.2), not even written as numbers. */
    private static function clean(string $text): string
    {
        return (string) preg_replace(
            '/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u',
            '',
            $text,
        );
    }
}
