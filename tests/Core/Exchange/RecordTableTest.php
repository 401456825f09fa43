<?php

declare(strict_types=1);

namespace FigPorch\Tests\Core\Exchange;

use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Holding;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\WebLink;
use FigPorch\Core\Exchange\Table\RecordTable;
use FigPorch\Core\Exchange\UnreadableRecord;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Records as rows of a table: our own to the letter, those of others as they are usually written. */
final class RecordTableTest extends TestCase
{
    public function test_what_we_write_is_read_as_the_same_to_the_letter(): void
    {
        $record = new Record(
            key: 'epub:1',
            format: Format::Music,
            name: '=Low; "Water"',
            contributors: [
                ['name' => 'Íñigo Osei-Hale', 'sort' => 'Osei-Hale, Íñigo', 'role' => 'composer'],
                ['name' => 'The Gut Street Band', 'sort' => 'Gut Street Band, The', 'role' => 'artist'],
            ],
            extent: 12,
            subtitle: "'=not a formula",
            edition: '2. ed.',
            language: 'es-MX',
            audience: Audience::Teen,
            description: "One line; of it\n-and another.\n\n\"And more.\"",
            publisher: 'Reed & Daughters',
            published: '2019-03',
            identifiers: ['979-0-2600-0043-8', 'ISRC:GB-AAA-19-00001'],
            subjects: ['Tides; and currents', 'Ärmel'],
            series: 'Far Skerries',
            seriesPosition: 2.5,
            seconds: 2400,
            accessibility: ['accessMode' => ['auditory']],
            awards: ['Lantern Prize, 2020'],
            works: ['istc:A022009000000046', 'https://works.example/7'],
            level: 4.25,
            ages: AgeRange::parse('9-12'),
        );
        $table = RecordTable::of(RecordTable::COLUMNS);
        // As a table is written for spreadsheets, which take some texts for formulas.
        $inert = array_map(
            fn(string $of): string => (string) preg_replace('/(^|[;\t\r\n])(["\'\s]*)(?=[=+\-@])/u', "$1$2'", $of),
            RecordTable::row($record),
        );
        self::assertEquals($record, $table->read($inert));
    }

    public function test_shelves_and_websites_are_read_as_they_were_written(): void
    {
        $paper = new Record(
            key: 'paper:1',
            format: Format::Paper,
            name: 'Ropewalks',
            contributors: [],
            extent: 90,
            holdings: [new Holding('Upstairs', '=599.2', 2, ['31', '32']), new Holding('Annexe')],
        );
        $website = new Record(
            key: 'website:1',
            format: Format::Website,
            name: 'Tides',
            contributors: [],
            extent: 0,
            links: [new WebLink('https://tides.example/', 'Low; and high', OpenTo::InTheBuilding)],
        );
        $table = RecordTable::of(RecordTable::COLUMNS);
        foreach ([$paper, $website] as $record) {
            self::assertEquals($record, $table->read(RecordTable::row($record)));
        }
    }

    public function test_a_shelf_list_of_somebody_else_is_understood(): void
    {
        $table = RecordTable::of([
            'Title',
            'ISBN',
            'Location',
            'Shelfmark',
            'Copies',
            'Barcode',
            'URL',
            'Access',
            'Type',
            'Author',
        ]);
        $book = $table->read(['Gulls', '9780306406157', 'Upstairs', '598 GUL', '2', '31; 32', '', '', 'Book']);
        self::assertSame(['paper:isbn:9780306406157', Format::Paper], [$book->key, $book->format]);
        self::assertEquals([new Holding('Upstairs', '598 GUL', 2, ['31', '32'])], $book->holdings);
        $site = $table->read(['Tides', '', '', '', '', '', 'HTTP://tides.example', 'card', '']);
        self::assertEquals([new WebLink('http://tides.example/', '', OpenTo::CardHolders)], $site->links);
        self::assertSame($site->links[0]->key(), $site->key);
        // A book that is older than its numbers is known again by what it is, and by nothing that may change.
        $old = fn(string $name, string $place, string $author = 'Farrant, Odile'): string => $table->read([
            ...[$name, '', $place, '', '', '', '', '', ''],
            $author,
        ])->key;
        self::assertStringStartsWith('paper:edition:', $old('Gulls', 'Upstairs'));
        self::assertSame($old('Gulls', 'Upstairs'), $old('GULLS', 'Annexe'));
        self::assertNotSame($old('Gulls', 'Upstairs'), $old('Terns', 'Upstairs'));
        self::assertNotSame($old('Gulls', 'Upstairs'), $old('Gulls', 'Upstairs', 'Corran, Ann'));
        // Its name alone may be that of another library's other book.
        try {
            $old('Gulls', 'Upstairs', '');
            self::fail('It could be any.');
        } catch (UnreadableRecord $refused) {
            self::assertStringContainsString('say who wrote or published it', $refused->getMessage());
        }
        // An ebook whose supplier names its address is no website.
        self::assertSame(
            [Format::Ebook, []],
            [
                ($ebook = $table->read(['Gulls', '9780306406157', '', '', '', '', 'https://x.example', '', 'ebook']))
                    ->format,
                $ebook->links,
            ],
        );
        foreach (
            [
                ['Gulls', '9780306406157', '', '', '', '', '', '', 'print'],
                // A call number without a place: of a shelf list all the same, and no ebook.
                ['Gulls', '9780306406157', '', '598 GUL', '', '', '', '', ''],
                ['Gulls', '9780306406157', 'Upstairs', '', 'many', '', '', '', ''],
                ['Tides', '', '', '', '', '', 'tides.example', '', ''],
                ['Tides', '', '', '', '', '', 'https://tides.example', 'members', ''],
            ]
            as $row
        ) {
            try {
                $table->read($row);
                self::fail(implode(' ', $row));
            } catch (UnreadableRecord $refused) {
                self::assertMatchesRegularExpression('/place|open_to/', $refused->getMessage());
            }
        }
    }

    public function test_a_table_of_somebody_else_is_understood(): void
    {
        $table = RecordTable::of([
            'Título',
            'Autor',
            'ISBN',
            'Año',
            'Idioma',
            'Materias',
            'Páginas',
            'Signatura',
            'Formato',
        ]);
        $record = $table->read([
            'Marea baja',
            'Osei, Íñigo; Tamsin Ebbing',
            '978-0-00-000000-2',
            '2019',
            'es',
            'Mareas; Costas',
            '200',
            'N 12',
            'Audiolibro',
        ]);
        self::assertSame('isbn:9780000000002', $record->key);
        self::assertSame(
            [Format::Audiobook, 'Marea baja', '2019', 'es', 200],
            [$record->format, $record->name, $record->published, $record->language, $record->extent],
        );
        self::assertSame(['Mareas', 'Costas'], $record->subjects);
        self::assertSame(
            [
                ['name' => 'Íñigo Osei', 'sort' => 'Osei, Íñigo', 'role' => 'author'],
                ['name' => 'Tamsin Ebbing', 'sort' => 'Ebbing, Tamsin', 'role' => 'author'],
            ],
            $record->contributors,
        );
    }

    public function test_columns_can_be_said_to_be_something_else(): void
    {
        $table = RecordTable::of(
            ['Obra', 'Escrito por', 'EAN'],
            [
                'obra' => 'name',
                'Escrito por' => 'author',
                'EAN' => 'identifiers',
            ],
        );
        $record = $table->read(['Marea baja', 'Ida Marsh', '9780000000002']);
        self::assertSame(['Marea baja', 'Ida Marsh'], [$record->name, $record->contributors[0]['name']]);
    }

    /** @return iterable<string, array{list<string>, list<string>, string}> */
    public static function wrong(): iterable
    {
        yield 'no title' => [['title', 'isbn'], ['', '9780000000002'], 'has no title'];
        yield 'nothing to know it by' => [['title', 'author'], ['Tide', 'Ida Marsh'], 'neither a key nor an ISBN'];
        yield 'a wrong check digit' => [['title', 'isbn'], ['Tide', '9780000000003'], 'neither a key nor an ISBN'];
        yield 'a date that is none' => [['title', 'isbn', 'year'], ['Tide', '9780000000002', 'long ago'], 'published'];
        yield 'a length that is none' => [['title', 'isbn', 'pages'], ['Tide', '9780000000002', 'many'], 'extent'];
        yield 'a kind that is not lent' => [['title', 'isbn', 'type'], ['Tide', '9780000000002', 'globe'], '“globe”'];
    }

    /**
     * @param  list<string>  $head
     * @param  list<string>  $row
     */
    #[DataProvider('wrong')]
    public function test_what_is_wrong_with_a_row_is_said(array $head, array $row, string $why): void
    {
        $this->expectException(UnreadableRecord::class);
        $this->expectExceptionMessage($why);
        RecordTable::of($head)->read($row);
    }

    public function test_a_table_without_titles_is_none(): void
    {
        foreach ([['a', 'b'], ['number', 'name of patron'], ['title', 'título', 'isbn']] as $head) {
            try {
                RecordTable::of($head);
                self::fail('It is no table of records.');
            } catch (UnreadableRecord $refused) {
                self::assertNotSame('', $refused->getMessage());
            }
        }
    }
}
