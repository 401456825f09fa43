<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/**
 * The fields of a record that people edit, each as text: lists have an entry a line; a contributor is role, name and
 * how it sorts, with tabs between.
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
        'works',
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

    public const BETWEEN = "\t";

    /** @return array<string, string> text by field; '' where there is none */
    public static function of(Record $record): array
    {
        $number = fn(?float $of): string => $of === null ? '' : rtrim(rtrim(sprintf('%.2F', $of), '0'), '.');

        return [
            'name' => $record->name,
            'subtitle' => (string) $record->subtitle,
            'contributors' => implode(
                "\n",
                array_map(
                    fn(array $of): string => implode(self::BETWEEN, [$of['role'], $of['name'], $of['sort']]),
                    $record->contributors,
                ),
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
            'works' => implode("\n", $record->works),
            'subjects' => implode("\n", $record->subjects),
            'awards' => implode("\n", $record->awards),
            'description' => (string) $record->description,
        ];
    }

    /**
     * The record with other texts. What is not another than it was stays to the letter, however it came there; so does
     * a field in which something is wrong.
     *
     * @param  array<string, string>  $texts  by field; those that are not there stay
     * @return array{Record, list<string>} the record, and the fields that are wrong
     */
    public static function with(Record $record, array $texts): array
    {
        $is = self::of($record);
        $new = array_filter(
            array_map(fn(string $text): string => trim(str_replace("\r\n", "\n", $text)), $texts),
            fn(string $text, string $of): bool => $text !== trim($is[$of]),
            ARRAY_FILTER_USE_BOTH,
        );
        $wrong = array_values(array_filter(array_keys($new), fn(string $of): bool => !self::isGood($of, $new[$of])));
        $new = array_diff_key($new, array_flip($wrong));
        $text = fn(string $of, ?string $was): ?string => isset($new[$of])
            ? ($new[$of] === ''
                ? null
                : $new[$of])
            : $was;
        $number = fn(string $of, ?float $was): ?float => match (true) {
            !isset($new[$of]) => $was,
            $new[$of] === '' => null,
            default => (float) str_replace(',', '.', $new[$of]),
        };
        $series = $text('series', $record->series);

        return [
            new Record(
                key: $record->key,
                format: $record->format,
                name: $new['name'] ?? $record->name,
                contributors: isset($new['contributors'])
                    ? array_values(array_filter(array_map(self::contributor(...), self::lines($new['contributors']))))
                    : $record->contributors,
                extent: $record->extent,
                subtitle: $text('subtitle', $record->subtitle),
                edition: $text('edition', $record->edition),
                language: $text('language', $record->language),
                audience: Audience::from($new['audience'] ?? $record->audience->value),
                description: $text('description', $record->description),
                publisher: $text('publisher', $record->publisher),
                published: $text('published', $record->published),
                identifiers: isset($new['identifiers']) ? self::lines($new['identifiers']) : $record->identifiers,
                subjects: isset($new['subjects']) ? self::lines($new['subjects']) : $record->subjects,
                series: $series,
                seriesPosition: $series === null ? null : $number('series_position', $record->seriesPosition),
                seconds: $record->seconds,
                accessibility: $record->accessibility,
                awards: isset($new['awards']) ? self::lines($new['awards']) : $record->awards,
                level: $number('level', $record->level),
                ages: isset($new['ages']) ? AgeRange::parse($new['ages']) : $record->ages,
                holdings: $record->holdings,
                links: $record->links,
                prices: $record->prices,
                availableFrom: $record->availableFrom,
                works: isset($new['works']) ? self::lines($new['works']) : $record->works,
            ),
            $wrong,
        ];
    }

    /** @return list<string> each once */
    private static function lines(string $text): array
    {
        $lines = array_map(trim(...), explode("\n", str_replace("\r", "\n", $text)));

        return array_values(array_unique(array_filter($lines, fn(string $line): bool => $line !== '')));
    }

    private static function isGood(string $field, string $text): bool
    {
        $isNumber = preg_match('/^\d{1,5}([.,]\d{1,2})?$/D', $text) === 1;

        return match ($field) {
            'name' => $text !== '' && mb_strlen($text) <= Record::LETTERS['name'],
            'audience' => Audience::tryFrom($text) !== null,
            'ages' => $text === '' || AgeRange::parse($text) !== null,
            'level' => $text === '' || ($isNumber && (float) str_replace(',', '.', $text) <= 20),
            'series_position' => $text === '' || $isNumber,
            'published' => $text === '' || PublicationDate::read($text) === $text,
            'language' => $text === '' || preg_match('/^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*$/D', $text) === 1,
            // A number that has the shape of one and a wrong check digit is a typing error.
            'identifiers' => self::areShort($text, 'identifier') &&
                array_filter(explode("\n", $text), self::isMistyped(...)) === [],
            'contributors' => !in_array(null, array_map(self::contributor(...), self::lines($text)), true),
            'subjects' => self::areShort($text, 'subject'),
            'awards' => self::areShort($text, 'award'),
            'works' => self::areShort($text, 'work'),
            'description' => mb_strlen($text) <= Record::MOST['description'],
            default => mb_strlen($text) <= (Record::LETTERS[$field] ?? 20_000),
        };
    }

    private static function areShort(string $text, string $of): bool
    {
        $most = Record::LETTERS[$of];

        return array_filter(self::lines($text), fn(string $line): bool => mb_strlen($line) > $most) === [];
    }

    private static function isMistyped(string $number): bool
    {
        $bare = (string) preg_replace('/^(urn:)?(isbn|issn)[:\s]*|[-\s]/i', '', trim($number));

        return preg_match('/^(97[89]\d{10}|\d{9}[\dXx])$/D', $bare) === 1 && Identifier::parse($number) === null;
    }

    /** @return array{name: string, sort: string, role: string}|null */
    private static function contributor(string $line): ?array
    {
        [$role, $name, $sort] = array_map(trim(...), explode(self::BETWEEN, $line . self::BETWEEN . self::BETWEEN));

        return in_array($role, self::ROLES, true) && $name !== '' && mb_strlen($name) <= Record::LETTERS['person']
            ? [
                'name' => $name,
                'sort' => $sort === '' ? self::sorted($name) : $sort,
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
