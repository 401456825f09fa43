<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

use DateTimeImmutable;
use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Citation\Name;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Genre;
use FigPorch\Core\Catalogue\IdentifierKind;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\WorkIdentifier;

/**
 * One of our records as MARC 21 (loc.gov/marc/bibliographic), without ISBD punctuation (leader, 18: c). RecordOfMarc
 * reads it as the same again: what MARC has no place for stands in fields that it leaves to those who use it ($9, 035).
 */
final class MarcOfRecord
{
    /** In 035 before the key of a record of ours. */
    public const OURS = '(FigPorch)';

    /** Letters of four bytes at most, of a field of 9,999. */
    private const FIELD_LETTERS = 2400;

    /** Leader, 6 (type of record) and 7 (bibliographic level). */
    private const TYPES = [
        'ebook' => 'am',
        'audiobook' => 'im',
        'magazine' => 'as',
        'music' => 'jm',
        'video' => 'gm',
        'paper' => 'am',
        'website' => 'mi',
    ];

    /** 758 $i: that what it points to is the work (RDA's term, from memory). */
    private const MANIFESTS = 'Work manifested:';

    /** 336, 337, 338: terms and codes of RDA, from memory. */
    private const CONTENT = [
        'ebook' => ['text', 'txt'],
        'audiobook' => ['spoken word', 'spw'],
        'magazine' => ['text', 'txt'],
        'music' => ['performed music', 'prm'],
        'video' => ['two-dimensional moving image', 'tdi'],
        'paper' => ['text', 'txt'],
        'website' => ['text', 'txt'],
    ];

    /**
     * @param  string  $number  by which we know it (001)
     * @param  string|null  $address  where it can be had (856)
     */
    public static function of(Record $of, string $number, ?string $address, DateTimeImmutable $changed): MarcRecord
    {
        $first = $of->contributors[0] ?? null;
        $main = $first !== null && $first['role'] === 'author' ? [$first] : [];
        $type = self::TYPES[$of->format->value];
        [$content, $code] = self::CONTENT[$of->format->value];

        return new MarcRecord("00000n{$type} a2200000 c 4500", [
            MarcField::control('001', $number),
            MarcField::control('003', 'FigPorch'),
            MarcField::control('005', $changed->format('YmdHis') . '.0'),
            ...$of->format === Format::Paper
                ? [MarcField::control('007', 'ta')]
                : [
                    MarcField::control('006', 'm     o  ' . ($of->format === Format::Ebook ? 'd' : 'h') . '        '),
                    MarcField::control('007', 'cr |||||||||||'),
                ],
            MarcField::control('008', self::fixed($of, $changed)),
            ...self::numbers($of),
            MarcField::of('035', '  ', a: self::OURS . $of->key),
            ...$of->language === null ? [] : [new MarcField('041', [['a', $of->language], ['2', 'rfc5646']], ' ', '7')],
            ...array_map(fn(array $person): MarcField => self::person('100', $person), $main),
            MarcField::of('245', $main === [] ? '00' : '10', a: $of->name, b: $of->subtitle),
            ...$of->edition === null ? [] : [MarcField::of('250', '  ', a: $of->edition)],
            ...$of->publisher === null && $of->published === null
                ? []
                : [MarcField::of('264', ' 1', b: $of->publisher, c: $of->published)],
            ...self::extent($of),
            ...MarcSupply::fields($of),
            new MarcField('336', [['a', $content], ['b', $code], ['2', 'rdacontent']]),
            ...self::carrier($of->format),
            ...self::series('490', '1 ', $of),
            ...self::description($of->description ?? ''),
            ...self::readers($of),
            ...self::accessibility($of),
            ...array_map(fn(string $award): MarcField => MarcField::of('586', '  ', a: $award), $of->awards),
            ...array_map(fn(string $subject): MarcField => MarcField::of('653', '  ', a: $subject), $of->subjects),
            ...array_map(
                fn(array $person): MarcField => self::person('700', $person),
                array_slice($of->contributors, count($main)),
            ),
            ...array_map(
                fn(string $work): MarcField => new MarcField('758', [
                    ['i', self::MANIFESTS],
                    ['0', WorkIdentifier::written($work)],
                ]),
                $of->works,
            ),
            ...self::series('830', ' 0', $of),
            ...MarcElsewhere::fieldsOfHoldings($of->holdings),
            ...MarcElsewhere::fieldsOfLinks($of->links),
            // Of what stands elsewhere our page only tells.
            ...$address === null ? [] : [MarcField::of('856', $of->format->isLent() ? '40' : '42', u: $address)],
        ]);
    }

    /** @return list<MarcField> 337, 338 */
    private static function carrier(Format $format): array
    {
        [$media, $carrier] =
            $format === Format::Paper
                ? [['unmediated', 'n'], ['volume', 'nc']]
                : [['computer', 'c'], ['online resource', 'cr']];

        return [
            new MarcField('337', [['a', $media[0]], ['b', $media[1]], ['2', 'rdamedia']]),
            new MarcField('338', [['a', $carrier[0]], ['b', $carrier[1]], ['2', 'rdacarrier']]),
        ];
    }

    /** 008: forty signs, of which some mean another thing in each format. */
    private static function fixed(Record $of, DateTimeImmutable $changed): string
    {
        $year = $of->published === null ? null : substr($of->published, 0, 4);
        $reader = match ($of->audience) {
            Audience::Child => 'j',
            Audience::Teen => 'd',
            Audience::Adult => 'e',
        };
        $fiction = match (Genre::isFiction($of->subjects)) {
            true => '1',
            false => '0',
            null => '|',
        };
        $own = match ($of->format) {
            Format::Ebook => "    {$reader}o     000 {$fiction} ",
            Format::Paper => "    {$reader}      000 {$fiction} ",
            Format::Website => "    {$reader}o  d        ",
            Format::Magazine => ' u p o     0   a0',
            Format::Audiobook, Format::Music => "nn  {$reader}o         n ",
            Format::Video => "--- {$reader}      o   vl",
        };

        return $changed->format('ymd') .
            ($year === null ? 'nuuuuuuuu' : "s{$year}    ") .
            'xx ' .
            $own .
            MarcLanguages::three($of->language) .
            ' d';
    }

    /** @return list<MarcField> 020, 022, 024; as it was written in 024 where that is another way */
    private static function numbers(Record $of): array
    {
        $fields = [];
        foreach ($of->numbers() as $number) {
            $fields[] = match ($number->kind) {
                IdentifierKind::Isbn => MarcField::of('020', '  ', a: $number->number),
                IdentifierKind::Issn => MarcField::of('022', '  ', a: $number->written),
                IdentifierKind::Ismn => MarcField::of('024', '2 ', a: $number->number),
                IdentifierKind::Isrc => MarcField::of('024', '0 ', a: $number->number),
            };
        }
        foreach ($of->identifiers as $written) {
            $fields[] =
                preg_match('/^[a-z][a-z0-9+.-]*:/iD', $written) === 1
                    ? new MarcField('024', [['a', $written], ['2', 'uri']], '7')
                    : MarcField::of('024', '8 ', a: $written);
        }
        usort($fields, fn(MarcField $a, MarcField $b): int => $a->tag <=> $b->tag);

        return $fields;
    }

    /** @param  array{name: string, sort: string, role: string}  $person */
    private static function person(string $tag, array $person): MarcField
    {
        $isInverted = str_contains($person['sort'], ',');
        $isSaid = Name::fromSorted($person['sort'])->natural() === $person['name'];

        return new MarcField(
            $tag,
            [
                ['a', $person['sort']],
                ['e', MarcRoles::term($person['role'])],
                ['4', MarcRoles::CODES[$person['role']] ?? 'ctb'],
                ...$isSaid ? [] : [['9', $person['name']]],
            ],
            $isInverted ? '1' : '0',
        );
    }

    /** @return list<MarcField> 300 and 306 */
    private static function extent(Record $of): array
    {
        $seconds = in_array($of->format, [Format::Audiobook, Format::Video], true) ? $of->extent : $of->seconds;
        $many = match ($of->format) {
            Format::Ebook, Format::Magazine, Format::Paper => "{$of->extent} pages",
            Format::Website => '1 website',
            Format::Music => "{$of->extent} tracks",
            Format::Audiobook => '1 audiobook',
            Format::Video => '1 video file',
        };
        $times = [];
        // Six digits a subfield: hours, minutes, seconds. What is longer than a hundred hours has several.
        for ($left = $seconds ?? 0; $left > 0; $left -= 359_999) {
            $part = min($left, 359_999);
            $times[] = ['a', sprintf('%02d%02d%02d', intdiv($part, 3600), intdiv($part, 60) % 60, $part % 60)];
        }

        return [MarcField::of('300', '  ', a: $many), ...$times === [] ? [] : [new MarcField('306', $times)]];
    }

    /** @return list<MarcField> */
    private static function series(string $tag, string $indicators, Record $of): array
    {
        return $of->series === null
            ? []
            : [
                MarcField::of(
                    $tag,
                    $indicators,
                    a: $of->series,
                    v: $of->seriesPosition === null ? null : (string) $of->seriesPosition,
                ),
            ];
    }

    /** @return list<MarcField> 521: ages (1), reading level (0), and the audience where 008 has no place for it */
    private static function readers(Record $of): array
    {
        return [
            ...$of->level === null ? [] : [MarcField::of('521', '0 ', a: (string) $of->level)],
            ...$of->ages === null
                ? []
                : [
                    MarcField::of(
                        '521',
                        '1 ',
                        a: "{$of->ages->from}-" . ($of->ages->to === AgeRange::OPEN ? '' : $of->ages->to),
                    ),
                ],
            ...$of->format === Format::Magazine ? [MarcField::of('521', '8 ', a: $of->audience->value)] : [],
        ];
    }

    /** @return list<MarcField> 520; what is too long for a field of ISO 2709 goes on in the next ($9: +) */
    private static function description(string $text): array
    {
        // Cut between two letters: what stands at the ends of a value does not count.
        $long = self::FIELD_LETTERS;
        preg_match_all("/.{1,{$long}}(?<=\\S)(?=\\S|\\s*$)|.{1,{$long}}/su", trim($text), $parts);

        return array_map(
            fn(string $part, int $n): MarcField => new MarcField('520', [
                ['a', $part],
                ...$n === 0 ? [] : [['9', '+']],
            ]),
            $parts[0],
            array_keys($parts[0]),
        );
    }

    /** @return list<MarcField> 532, each "property: value; value" */
    private static function accessibility(Record $of): array
    {
        $fields = [];
        foreach ($of->accessibility as $property => $values) {
            $fields[] = MarcField::of('532', '8 ', a: "{$property}: " . implode('; ', $values));
        }

        return $fields;
    }
}
