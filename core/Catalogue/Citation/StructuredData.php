<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Citation;

use FigPorch\Core\Catalogue\Format;

/** A title for programs that read pages: JSON-LD in the words of schema.org, and Dublin Core (DCMI, ISO 15836). */
final class StructuredData
{
    /** @return array<string, mixed> */
    public static function jsonLd(CitedTitle $of): array
    {
        $people = fn(string $role): array => array_map(
            fn(Name $name): array => ['@type' => 'Person', 'name' => $name->natural()],
            $of->of($role),
        );
        $seconds = $of->seconds === null ? null : "PT{$of->seconds}S";

        return array_filter(
            [
                '@context' => 'https://schema.org',
                '@type' => match ($of->format) {
                    Format::Ebook, Format::Paper => 'Book',
                    Format::Audiobook => 'Audiobook',
                    Format::Magazine => 'PublicationIssue',
                    Format::Music => 'MusicAlbum',
                    Format::Video => 'VideoObject',
                    Format::Website => 'WebSite',
                },
                '@id' => $of->address,
                'url' => $of->address,
                'name' => $of->name,
                'alternativeHeadline' => $of->subtitle,
                'bookFormat' => $of->format === Format::Ebook ? 'https://schema.org/EBook' : null,
                'author' => $people('author') ?: null,
                'editor' => $people('editor') ?: null,
                'illustrator' => $people('illustrator') ?: null,
                'translator' => $people('translator') ?: null,
                'readBy' => $people('narrator') ?: null,
                'byArtist' => $of->format === Format::Music ? ($people('artist') ?: null) : null,
                'director' => $people('director') ?: null,
                'bookEdition' => $of->edition,
                'publisher' => $of->publisher === null ? null : ['@type' => 'Organization', 'name' => $of->publisher],
                'datePublished' => $of->published,
                'isbn' => $of->isbn,
                'inLanguage' => $of->language,
                'numberOfPages' => $of->pages,
                'duration' => $seconds,
                'isPartOf' => $of->series === null ? null : ['@type' => 'CreativeWorkSeries', 'name' => $of->series],
                'position' => $of->series === null ? null : $of->seriesPosition,
            ],
            fn(mixed $value): bool => $value !== null,
        );
    }

    /** @return list<array{string, string}> names and values of Dublin Core, as stand in a page's head */
    public static function dublinCore(CitedTitle $of): array
    {
        $creators = array_map(fn(Name $name): array => ['DC.creator', $name->inverted()], $of->makers());
        $rest = [
            'DC.publisher' => $of->publisher,
            'DC.date' => $of->published,
            'DC.language' => $of->language,
            'DC.identifier' => $of->isbn === null ? $of->address : "urn:isbn:{$of->isbn}",
            'DC.type' => match ($of->format) {
                Format::Video => 'MovingImage',
                Format::Audiobook, Format::Music => 'Sound',
                Format::Website => 'InteractiveResource',
                default => 'Text',
            },
        ];
        $known = array_filter($rest, fn(?string $value): bool => $value !== null);

        return [
            ['DC.title', $of->fullName()],
            ...$creators,
            ...array_map(fn(string $name, string $value): array => [$name, $value], array_keys($known), $known),
        ];
    }
}
