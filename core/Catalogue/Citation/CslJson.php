<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Citation;

use FigPorch\Core\Catalogue\Format;

/** A title as an item of CSL-JSON (the data schema of the Citation Style Language 1.0.2). */
final class CslJson
{
    private const TYPES = [
        'ebook' => 'book',
        'audiobook' => 'book',
        'magazine' => 'periodical',
        'music' => 'song',
        'video' => 'motion_picture',
        'paper' => 'book',
        'website' => 'webpage',
    ];

    private const ROLES = [
        'author' => 'author',
        'artist' => 'author',
        'composer' => 'composer',
        'director' => 'director',
        'editor' => 'editor',
        'translator' => 'translator',
        'illustrator' => 'illustrator',
        'narrator' => 'narrator',
        'cast' => 'performer',
        'contributor' => 'contributor',
    ];

    /** @return array<string, mixed> */
    public static function of(CitedTitle $title): array
    {
        $people = [];
        foreach ($title->people as $role => $names) {
            foreach ($names as $name) {
                $people[self::ROLES[$role] ?? 'contributor'][] =
                    $name->given === null
                        ? ['literal' => $name->family]
                        : ['family' => $name->family, 'given' => $name->given];
            }
        }

        return array_filter(
            [
                'id' => $title->key,
                'type' => self::TYPES[$title->format->value],
                'title' => $title->fullName(),
                ...$people,
                'edition' => $title->issue() === null ? $title->edition : null,
                'issue' => $title->issue(),
                'publisher' => $title->publisher,
                'issued' =>
                    $title->published === null
                        ? null
                        : ['date-parts' => [array_map(intval(...), explode('-', $title->published))]],
                'ISBN' => $title->isbn,
                'language' => $title->language,
                'collection-title' => $title->series,
                'collection-number' => $title->seriesPosition,
                'number-of-pages' => $title->pages === null || $title->pages === 0 ? null : (string) $title->pages,
                'dimensions' =>
                    $title->seconds === null || $title->seconds === 0
                        ? null
                        : sprintf(
                            '%d:%02d:%02d',
                            intdiv($title->seconds, 3600),
                            intdiv($title->seconds, 60) % 60,
                            $title->seconds % 60,
                        ),
                'medium' => match ($title->format) {
                    Format::Audiobook => 'Audiobook',
                    Format::Music => 'Album',
                    Format::Video => 'Film',
                    default => null,
                },
                'URL' => $title->address,
                'accessed' =>
                    $title->accessed('Y') === null
                        ? null
                        : ['date-parts' => [array_map(intval(...), explode('-', (string) $title->accessed('Y-n-j')))]],
            ],
            fn(mixed $value): bool => $value !== null && $value !== '',
        );
    }
}
