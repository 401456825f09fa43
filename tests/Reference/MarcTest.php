<?php

declare(strict_types=1);

namespace Tests\Reference;

use DateTimeImmutable;
use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Holding;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Catalogue\Price;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Catalogue\WebLink;
use FigPorch\Core\Exchange\Marc\Iso2709;
use FigPorch\Core\Exchange\Marc\MarcField;
use FigPorch\Core\Exchange\Marc\MarcLanguages;
use FigPorch\Core\Exchange\Marc\MarcOfRecord;
use FigPorch\Core\Exchange\Marc\MarcRecord;
use FigPorch\Core\Exchange\Marc\MarcXml;
use FigPorch\Core\Exchange\Marc\RecordOfMarc;
use FigPorch\Core\Exchange\UnreadableRecord;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;

/**
 * MARC 21 against Debian's yaz-marcdump and Perl's MARC::Record, which read what is written here without a warning, and
 * iso-codes, which knows the languages. What records of others look like is common practice, and from memory.
 */
final class MarcTest extends TestCase
{
    private const WORDS = [
        'Tide',
        'Ärmel',
        'lámpara',
        '灯台',
        'маяк',
        'φάρος',
        'Ash & Sons',
        '<i>Low</i>',
        '"bell"',
        '🜁',
    ];

    /** @return list<Record> of all that a record can have, at random */
    private static function records(int $many): array
    {
        $random = new Randomizer(new Mt19937(23));
        $one = fn(array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        $words = fn(int $most): string => implode(
            ' ',
            array_map(fn() => $one(self::WORDS), range(1, $random->getInt(1, $most))),
        );
        $some = fn(int $most, callable $make): array => array_map(
            fn() => $make(),
            array_fill(0, $random->getInt(0, $most), null),
        );
        $people = ['Maren Osei' => 'Osei, Maren', 'The Quay Choir' => 'The Quay Choir', 'O. Strand' => 'Strand, Olav'];
        $records = [];
        for ($n = 1; $n <= $many; $n++) {
            $format = $one(Format::cases());
            $isRead = in_array($format, [Format::Ebook, Format::Magazine, Format::Paper], true);
            $series = $one([null, $words(3)]);
            $records[] = new Record(
                key: "test:{$n}",
                format: $format,
                name: $words(8) . $one(['', '.', ' /', ': a tale']),
                contributors: array_values(
                    array_unique(
                        $some(4, function () use ($one, $people): array {
                            $name = $one(array_keys($people));

                            return ['name' => $name, 'sort' => $people[$name], 'role' => $one(RecordText::ROLES)];
                        }),
                        SORT_REGULAR,
                    ),
                ),
                extent: match (true) {
                    $isRead => $random->getInt(0, 3000),
                    $format === Format::Website => 0,
                    default => $random->getInt(0, $format === Format::Music ? 40 : 500_000),
                },
                subtitle: $one([null, $words(6)]),
                edition: $one([null, '2nd ed.', $words(2)]),
                language: $one([null, 'en', 'pt-BR', 'es', 'zh-Hant', 'gsw']),
                audience: $one(Audience::cases()),
                description: $one([null, $words(40), $words(5) . "\n\n" . $words(900), str_repeat('ñ', 19_000)]),
                publisher: $one([null, 'Gullwing & Sons, Ltd.', $words(2)]),
                published: $one([null, '1999', '2021-03', '2024-02-29']),
                identifiers: array_values(
                    array_unique(
                        $some(
                            4,
                            fn() => $one([
                                'urn:isbn:9780306406157',
                                '9780306406157',
                                'uri:x:1',
                                'Shelf 7',
                                '2049-3630',
                                'ISRC US-S1Z-99-00001',
                            ]),
                        ),
                    ),
                ),
                subjects: array_values(array_unique($some(5, fn() => $words(3)))),
                series: $series,
                seriesPosition: $series === null ? null : $one([null, 2.0, 1.5, 120.0]),
                seconds: $format === Format::Music ? $one([null, 1234, 400_000]) : null,
                accessibility: $one([[], ['accessibilityFeature' => ['tableOfContents', 'alternativeText']]]),
                awards: array_values(array_unique($some(2, fn() => 'Low Tide Prize ' . $random->getInt(1990, 2026)))),
                works: $one([[], ['istc:A022009000000046', 'https://works.example/7', 'gullwing:W (7)']]),
                level: $one([null, 3.5, 12.0]),
                ages: $one([null, AgeRange::parse('8-12'), AgeRange::parse('16-')]),
                prices: $one([[], [new Price(1250, 'EUR'), new Price(5, 'GBP')]]),
                availableFrom: $one([null, '2027-02-28']),
                holdings: $format === Format::Paper
                    ? Holding::together([
                        new Holding($words(3), $one(['', '599.2 GUL', $words(2)]), $random->getInt(1, 4)),
                        ...$some(3, fn() => new Holding('Annexe', $words(1), 1, ["3{$n}", "4{$n}"])),
                    ])
                    : [],
                links: $format === Format::Website
                    ? [
                        new WebLink(
                            "https://tides.example/{$n}?a=1&b=%C3%B1",
                            $one(['', $words(4)]),
                            $one(OpenTo::cases()),
                        ),
                        ...$some(1, fn() => new WebLink('http://xn--mller-kva.example/', '', OpenTo::Everybody)),
                    ]
                    : [],
            );
        }

        return $records;
    }

    private static function marc(Record $of, int $n): MarcRecord
    {
        return MarcOfRecord::of(
            $of,
            (string) $n,
            "https://lantern.example/titles/{$n}",
            new DateTimeImmutable('2026-05-01'),
        );
    }

    private static function file(string $text): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'marc');
        file_put_contents($file, $text);

        return $file;
    }

    /** @param  list<string>  $command */
    private static function printed(array $command): string
    {
        $process = new Process($command);
        $process->mustRun();
        self::assertSame('', $process->getErrorOutput());

        return $process->getOutput();
    }

    public function test_what_goes_out_comes_in_again_as_the_same_by_either_form(): void
    {
        $records = self::records(300);
        $marc = array_map(self::marc(...), $records, array_keys($records));
        $xml = self::file(MarcXml::HEAD . implode('', array_map(MarcXml::write(...), $marc)) . MarcXml::FOOT);
        // ISO 2709 as yaz-marcdump decodes it.
        $dumped = self::file(
            self::printed([
                'yaz-marcdump',
                '-i',
                'marc',
                '-o',
                'marcxml',
                self::file(implode('', array_map(Iso2709::write(...), $marc))),
            ]),
        );
        foreach (['MARCXML' => $xml, 'ISO 2709' => $dumped] as $form => $file) {
            $read = array_map(RecordOfMarc::read(...), iterator_to_array(MarcXml::read($file), false));
            $this->assertCount(count($records), $read);
            foreach ($records as $n => $record) {
                $this->assertEquals($record, $read[$n], "{$form}, record {$n}");
            }
        }
    }

    public function test_others_read_what_is_written_without_a_warning(): void
    {
        $records = self::records(200);
        $marc = array_map(self::marc(...), $records, array_keys($records));
        $iso = self::file(implode('', array_map(Iso2709::write(...), $marc)));
        $xml = self::file(MarcXml::HEAD . implode('', array_map(MarcXml::write(...), $marc)) . MarcXml::FOOT);
        // Both forms are the same records to yaz, but for how long each is.
        $lines = fn(string $form, string $file): string => (string) preg_replace(
            '/^\d{5}(n..)( a22)\d{5}/m',
            '$1$2',
            self::printed(['yaz-marcdump', '-i', $form, '-o', 'line', $file]),
        );
        $this->assertSame($lines('marc', $iso), $lines('marcxml', $xml));
        $titles = self::printed([
            'perl',
            '-CS',
            '-MMARC::Batch',
            '-we',
            'my $b = MARC::Batch->new("USMARC", shift); $b->strict_on; my $n = 0;
                while (my $r = $b->next) { $n++; die join "; ", $r->warnings if $r->warnings;
                print $r->subfield("245", "a"), "\n"; }
                die join "; ", $b->warnings if $b->warnings;',
            $iso,
        ]);
        $this->assertSame(
            array_map(fn(Record $of): string => trim($of->name), $records),
            explode("\n", rtrim($titles, "\n")),
        );
    }

    public function test_languages_are_those_of_iso_639_2(): void
    {
        $known = json_decode((string) file_get_contents('/usr/share/iso-codes/json/iso_639-2.json'), true)['639-2'];
        $expected = [];
        foreach ($known as $of) {
            isset($of['alpha_2']) && ($expected[$of['alpha_2']] = $of['bibliographic'] ?? $of['alpha_3']);
        }
        $ours = MarcLanguages::table();
        // A group, and a language withdrawn since.
        unset($expected['bh'], $expected['sh']);
        ksort($expected);
        ksort($ours);
        $this->assertSame($expected, $ours);
        $this->assertSame(
            ['ger', 'und', 'gsw', 'por'],
            array_map(MarcLanguages::three(...), ['de-CH', null, 'gsw', 'pt-BR']),
        );
        $this->assertSame(['fr', null, null, 'haw'], array_map(MarcLanguages::tag(...), ['fre', 'zxx', '   ', 'haw']));
    }

    /** As a catalogue has written a book for long: ISBD punctuation, headings, notes. */
    public function test_a_record_with_isbd_punctuation_is_understood(): void
    {
        $record = RecordOfMarc::read(
            new MarcRecord('00000cam a2200000 a 4500', [
                MarcField::control('001', 'ocn77'),
                MarcField::control('003', 'XxLan'),
                MarcField::control('008', '190214s2019    xx a   j      000 1 eng d'),
                MarcField::of('020', '  ', a: '9780306406157 (ebook)'),
                MarcField::of('020', '  ', z: '0306406152'),
                MarcField::of('100', '1 ', a: 'Ebbing, Tamsin,', d: '1971-', e: 'author.'),
                MarcField::of(
                    '245',
                    '10',
                    a: 'Low water.',
                    n: 'Part 2,',
                    p: 'The ledger :',
                    b: 'a tale of the coast /',
                    c: 'Tamsin Ebbing.',
                ),
                MarcField::of('250', '  ', a: '2nd ed.'),
                MarcField::of('264', ' 1', a: 'Saltmere :', b: 'Gullwing Press,', c: '[2019]'),
                MarcField::of('300', '  ', a: '1 online resource (xii, 340 pages) :', b: 'illustrations'),
                MarcField::of('490', '1 ', a: 'The quay ;', v: 'bk. 2'),
                MarcField::of('520', '  ', a: 'Twice a year the sea goes out.'),
                MarcField::of('521', '1 ', a: '009-012.'),
                MarcField::of('586', '  ', a: 'Low Tide Prize, 2020'),
                MarcField::of('650', ' 0', a: 'Tides', z: 'Lantern Coast', v: 'Juvenile fiction.'),
                MarcField::of('655', ' 7', a: 'Sea stories.'),
                MarcField::of('700', '1 ', a: 'Ash, Wren,', e: 'narrator.'),
                MarcField::of('700', '12', a: 'Strand, O.', t: 'Within.'),
                MarcField::of('830', ' 0', a: 'Quay ;', v: '2.'),
            ]),
        );
        $this->assertSame(
            [
                'isbn:9780306406157',
                'Low water. Part 2. The ledger',
                'a tale of the coast',
                '2nd ed.',
                'en',
                Audience::Child,
                'Gullwing Press',
                '2019',
                340,
                'Quay',
                2.0,
                ['Tides — Lantern Coast — Juvenile fiction', 'Sea stories'],
                ['Low Tide Prize, 2020'],
                [
                    ['name' => 'Tamsin Ebbing', 'sort' => 'Ebbing, Tamsin', 'role' => 'author'],
                    ['name' => 'Wren Ash', 'sort' => 'Ash, Wren', 'role' => 'narrator'],
                ],
            ],
            [
                $record->key,
                $record->name,
                $record->subtitle,
                $record->edition,
                $record->language,
                $record->audience,
                $record->publisher,
                $record->published,
                $record->extent,
                $record->series,
                $record->seriesPosition,
                $record->subjects,
                $record->awards,
                $record->contributors,
            ],
        );
    }

    /** @return iterable<string, array{MarcRecord, string}> */
    public static function refused(): iterable
    {
        $leader = '00000nam a2200000 i 4500';
        $title = MarcField::of('245', '00', a: 'Low water');
        yield 'without a title' => [new MarcRecord($leader, [MarcField::control('001', '1')]), 'no title'];
        yield 'a title of nothing' => [
            new MarcRecord($leader, [MarcField::control('001', '1'), MarcField::of('245', '00', a: ' / ')]),
            'no title',
        ];
        yield 'without a number' => [new MarcRecord($leader, [$title]), 'neither an ISBN'];
        yield 'a map' => [
            new MarcRecord('00000nem a2200000 i 4500', [MarcField::control('001', '1'), $title]),
            'not lent',
        ];
        yield 'no leader' => [new MarcRecord('', [MarcField::control('001', '1'), $title]), 'not lent'];
    }

    #[DataProvider('refused')]
    public function test_what_cannot_be_understood_says_why(MarcRecord $record, string $why): void
    {
        $this->expectException(UnreadableRecord::class);
        $this->expectExceptionMessage($why);
        RecordOfMarc::read($record);
    }
}
