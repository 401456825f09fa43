<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Opds\Out;

use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Identifier;
use FigPorch\Core\Catalogue\Record;

/** What the trade's words are for what a record says. */
final class Metadata
{
    /** schema.org, in its own words. */
    public static function type(Format $format): string
    {
        return 'http://schema.org/' .
            match ($format) {
                Format::Ebook, Format::Paper => 'Book',
                Format::Audiobook => 'Audiobook',
                Format::Magazine => 'PublicationIssue',
                Format::Music => 'MusicAlbum',
                Format::Video => 'VideoObject',
                Format::Website => 'WebSite',
            };
    }

    /** A key of the Readium Web Publication Manifest ("Metadata", contributors); null where it has none. */
    public static function key(string $role): ?string
    {
        return in_array($role, ['author', 'translator', 'editor', 'artist', 'illustrator', 'narrator'], true)
            ? $role
            : null;
    }

    /** MARC relator codes (id.loc.gov/vocabulary/relators), from memory. */
    public static function relator(string $role): string
    {
        return [
            'author' => 'aut',
            'narrator' => 'nrt',
            'illustrator' => 'ill',
            'translator' => 'trl',
            'editor' => 'edt',
            'artist' => 'art',
            'composer' => 'cmp',
            'director' => 'drt',
            'cast' => 'act',
        ][$role] ?? 'ctb';
    }

    /** @return list<string> numbers of the trade as URNs (RFC 8141), the ISBN first */
    public static function numbers(Record $record): array
    {
        $isbn = $record->isbn()?->thirteen;
        $urns = array_map(
            fn(Identifier $of): string => 'urn:' . strtolower($of->kind->value) . ":{$of->written}",
            $record->numbers(),
        );

        return array_values(array_unique($isbn === null ? $urns : ["urn:isbn:{$isbn}", ...$urns]));
    }

    /** Pages of what is read, null of what is heard or watched. */
    public static function pages(Record $record): ?int
    {
        return in_array($record->format, [Format::Ebook, Format::Magazine], true) && $record->extent > 0
            ? $record->extent
            : null;
    }

    public static function seconds(Record $record): ?int
    {
        return match ($record->format) {
            Format::Audiobook, Format::Video => $record->extent > 0 ? $record->extent : null,
            Format::Music => $record->seconds,
            default => null,
        };
    }

    /** schema.org typicalAgeRange: "8-12", "16-". */
    public static function ages(Record $record): ?string
    {
        $ages = $record->ages;

        return $ages === null ? null : "{$ages->from}-" . ($ages->to === AgeRange::OPEN ? '' : $ages->to);
    }
}
