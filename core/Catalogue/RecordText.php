<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/**
 * The fields of a record that people edit, each as text: lists have an entry a line, a contributor is written
 * "role|name|how it sorts".
 */
final class RecordText
{
    public const FIELDS = [
        'name',
        'subtitle',
        'contributors',
        'edition',
        'series',
        'series_position',
        'language',
        'audience',
        'ages',
        'level',
        'publisher',
        'published',
        'identifiers',
        'subjects',
        'awards',
        'description',
    ];

    public const ROLES = [
        'author',
        'narrator',
        'illustrator',
        'translator',
        'editor',
        'artist',
        'composer',
        'director',
        'cast',
        'contributor',
    ];

    /** Signs of a field that is one word or line, as far as it may be longer than a name. */
    private const LONGEST = [
        'name' => 500,
        'subtitle' => 500,
        'edition' => 255,
        'series' => 255,
        'language' => 16,
        'publisher' => 255,
    ];

    /** @return array<string, string> text by field; '' where there is none */
    public static function of(Record $record): array
    {
        $number = fn(?float $of): string => $of === null ? '' : rtrim(rtrim(sprintf('%.2F', $of), '0'), '.');

        return [
            'name' => $record->name,
            'subtitle' => (string) $record->subtitle,
            'contributors' => implode(
                "\n",
                array_map(fn(array $of): string => "{$of['role']}|{$of['name']}|{$of['sort']}", $record->contributors),
            ),
            'edition' => (string) $record->edition,
            'series' => (string) $record->series,
            'series_position' => $number($record->seriesPosition),
            'language' => (string) $record->language,
            'audience' => $record->audience->value,
            'ages' => self::ages($record->ages),
            'level' => $number($record->level),
            'publisher' => (string) $record->publisher,
            'published' => (string) $record->published,
            'identifiers' => implode("\n", $record->identifiers),
            'subjects' => implode("\n", $record->subjects),
            'awards' => implode("\n", $record->awards),
            'description' => (string) $record->description,
        ];
    }

    /**
     * The record with other texts; what is wrong with one is told by its field, and that field stays as it was.
     *
     * @param  array<string, string>  $texts  by field; those that are not there stay
     * @return array{Record, list<string>} the record, and the fields that are wrong
     */
    public static function with(Record $record, array $texts): array
    {
        $texts = array_map(trim(...), $texts);
        $wrong = array_values(
            array_filter(array_keys($texts), fn(string $of): bool => !self::isGood($of, $texts[$of])),
        );
        $now = [...self::of($record), ...array_diff_key($texts, array_flip($wrong))];
        $lines = fn(string $of): array => array_values(
            array_unique(
                array_filter(
                    array_map(trim(...), explode("\n", str_replace("\r", "\n", $now[$of]))),
                    fn(string $line): bool => $line !== '',
                ),
            ),
        );
        $text = fn(string $of): ?string => $now[$of] === '' ? null : $now[$of];
        $number = fn(string $of): ?float => $now[$of] === '' ? null : (float) str_replace(',', '.', $now[$of]);

        return [
            new Record(
                key: $record->key,
                format: $record->format,
                name: $now['name'],
                contributors: array_values(array_filter(array_map(self::contributor(...), $lines('contributors')))),
                extent: $record->extent,
                subtitle: $text('subtitle'),
                edition: $text('edition'),
                language: $text('language'),
                audience: Audience::from($now['audience']),
                description: $text('description'),
                publisher: $text('publisher'),
                published: $text('published'),
                identifiers: $lines('identifiers'),
                subjects: array_map(fn(string $of): string => mb_substr($of, 0, 255), $lines('subjects')),
                series: $text('series'),
                seriesPosition: $now['series'] === '' ? null : $number('series_position'),
                seconds: $record->seconds,
                accessibility: $record->accessibility,
                awards: $lines('awards'),
                level: $number('level'),
                ages: AgeRange::parse($now['ages']),
            ),
            $wrong,
        ];
    }

    private static function isGood(string $field, string $text): bool
    {
        $isNumber = preg_match('/^\d{1,5}([.,]\d{1,2})?$/D', $text) === 1;

        return match ($field) {
            'name' => $text !== '' && mb_strlen($text) <= self::LONGEST['name'],
            'audience' => Audience::tryFrom($text) !== null,
            'ages' => $text === '' || AgeRange::parse($text) !== null,
            'level' => $text === '' || ($isNumber && (float) str_replace(',', '.', $text) <= 20),
            'series_position' => $text === '' || $isNumber,
            'published' => $text === '' || PublicationDate::read($text) === $text,
            'language' => $text === '' || preg_match('/^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*$/D', $text) === 1,
            // A number that has the shape of one and a wrong check digit is a typing error.
            'identifiers' => array_filter(explode("\n", $text), self::isMistyped(...)) === [],
            'contributors' => array_filter(
                array_filter(explode("\n", str_replace("\r", '', $text)), fn(string $of): bool => trim($of) !== ''),
                fn(string $of): bool => self::contributor(trim($of)) === null,
            ) === [],
            'description' => mb_strlen($text) <= Record::MOST['description'],
            default => mb_strlen($text) <= (self::LONGEST[$field] ?? 20_000),
        };
    }

    private static function isMistyped(string $number): bool
    {
        $bare = (string) preg_replace('/^(urn:)?(isbn|issn)[:\s]*|[-\s]/i', '', trim($number));

        return preg_match('/^(97[89]\d{10}|\d{9}[\dXx])$/D', $bare) === 1 && Identifier::parse($number) === null;
    }

    /** @return array{name: string, sort: string, role: string}|null */
    private static function contributor(string $line): ?array
    {
        [$role, $name, $sort] = array_map(trim(...), explode('|', "{$line}||"));

        return in_array($role, self::ROLES, true) && $name !== '' && mb_strlen($name) <= 255
            ? [
                'name' => $name,
                'sort' => mb_substr($sort === '' ? self::sorted($name) : $sort, 0, 255),
                'role' => $role,
            ]
            : null;
    }

    /** "Ebbing, Tamsin" of "Tamsin Ebbing": the last word first (common practice, no source). */
    private static function sorted(string $name): string
    {
        $at = mb_strrpos($name, ' ');

        return $at === false || str_contains($name, ',')
            ? $name
            : mb_substr($name, $at + 1) . ', ' . mb_substr($name, 0, $at);
    }

    private static function ages(?AgeRange $ages): string
    {
        return $ages === null ? '' : "{$ages->from}-" . ($ages->to === AgeRange::OPEN ? '' : $ages->to);
    }
}
