<?php

declare(strict_types=1);

namespace Tests\App\Exchange;

use App\Exchange\Csv\CsvFile;
use App\Exchange\Records\ComparedRecord;
use App\Exchange\Records\CompareRecords;
use App\Exchange\Records\ExportRecords;
use App\Exchange\Records\ImportRecords;
use App\Lending\Licences\LicenceTerms;
use App\Models\Holding;
use App\Models\Library;
use App\Models\Link;
use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Exchange\Marc\MarcXml;
use FigPorch\Core\Exchange\Marc\RecordOfMarc;
use FigPorch\Core\Exchange\UnreadableRecord;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

/**
 * Records of other systems that tell of copies on paper (852) and of websites (856), as MARC 21 has them
 * (loc.gov/marc/holdings/hd852.html, bd856.html; the codes from memory).
 */
final class ElsewhereRecordsTest extends TestCase
{
    /** @param  array<int|string, list<string>|string>  $fields  by tag and indicators; control fields by tag alone */
    private static function marc(array $fields, string $leader = '00000nam a2200000 i 4500'): string
    {
        $xml = "<record xmlns=\"http://www.loc.gov/MARC21/slim\"><leader>{$leader}</leader>";
        foreach ($fields as $name => $values) {
            // PHP takes "24510" for a number.
            $name = (string) $name;
            [$tag, $first, $second] = [substr($name, 0, 3), $name[3] ?? ' ', $name[4] ?? ' '];
            foreach ((array) $values as $value) {
                if ($tag < '010') {
                    $xml .= "<controlfield tag=\"{$tag}\">" . htmlspecialchars($value, ENT_XML1) . '</controlfield>';

                    continue;
                }
                $xml .= "<datafield tag=\"{$tag}\" ind1=\"{$first}\" ind2=\"{$second}\">";
                foreach (array_filter(explode('$', $value)) as $subfield) {
                    $xml .=
                        "<subfield code=\"{$subfield[0]}\">" .
                        htmlspecialchars(substr($subfield, 1), ENT_XML1) .
                        '</subfield>';
                }
                $xml .= '</datafield>';
            }
        }

        return "{$xml}</record>";
    }

    private static function file(string ...$records): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'marc');
        file_put_contents($file, MarcXml::HEAD . implode('', $records) . MarcXml::FOOT);

        return $file;
    }

    /** @param  list<string>|string  ...$more */
    private static function book(int $n, array|string ...$more): string
    {
        return self::marc([
            '001' => "b{$n}",
            '003' => 'SALT',
            '007' => 'ta',
            '008' => '840101s1984    xx            000 0 eng d',
            '1001 ' => '$aCorrow, Edda,$eauthor.',
            '24510' => "\$aThe ropewalks of Saltmere {$n} /\$cEdda Corrow.",
            '300  ' => '$ax, 212 pages',
            '852  ' => [
                "\$aSALT\$bUpstairs\$cLocal history\$h677.7\$iCOR\$p3100{$n}",
                "\$aSALT\$bAnnexe\$h677.7\$p3200{$n}",
            ],
            ...$more,
        ]);
    }

    /**
     * @return iterable<string, array{string, array<string, mixed>|string, 2?: OpenTo}> record, what is read or why not
     */
    public static function records(): iterable
    {
        yield 'a book with its shelves' => [
            self::book(1),
            [
                'key' => 'paper:marc:SALT:b1',
                'format' => Format::Paper,
                'extent' => 212,
                'shelves' => ["Upstairs, Local history\t677.7 COR\t1\t31001", "Annexe\t677.7\t1\t32001"],
            ],
        ];
        yield 'copies of one shelf' => [
            self::book(1, ...['852  ' => ['$bAnnexe$h5$p31', '$bAnnexe$h5$p32', '$bAnnexe$h5']]),
            ['shelves' => ["Annexe\t5\t3\t31 32"]],
        ];
        yield 'a book by its carrier alone' => [
            self::marc(['001' => '1', '24500' => '$aBells', '338  ' => '$avolume$bnc', '852  ' => '$aBRANCH 3']),
            ['format' => Format::Paper, 'shelves' => ["BRANCH 3\t\t1\t"]],
        ];
        yield 'an ebook, though it says where its paper stands' => [
            self::marc([
                '001' => '1',
                '24500' => '$aBells',
                '338  ' => '$aonline resource$bcr',
                '020  ' => '$a9780306406157',
                '852  ' => '$bUpstairs',
                '85640' => '$uhttps://lender.example/1',
            ]),
            ['key' => 'isbn:9780306406157', 'format' => Format::Ebook, 'shelves' => [], 'websites' => []],
        ];
        yield 'an ebook with an address, where addresses are websites' => [
            self::marc([
                '001' => '1',
                '24500' => '$aBells',
                '007' => 'cr |||',
                '020  ' => '$a9780306406157',
                '85640' => [
                    '$uhttps://lender.example/1$yRead it',
                    '$uhttps://lender.example/2$70',
                    '$uftp://x.example',
                ],
                '85642' => '$uhttps://lender.example/cover.jpg$3Cover',
            ]),
            [
                'key' => 'website:isbn:9780306406157',
                'format' => Format::Website,
                'websites' => ["https://lender.example/1\tbuilding\tRead it", "https://lender.example/2\teverybody\t"],
            ],
            OpenTo::InTheBuilding,
        ];
        yield 'a database' => [
            self::marc(
                [
                    '24500' => '$aTide tables',
                    '5061 ' => '$aCard holders only.',
                    '85640' => '$uhttps://Tides.example$zAt home',
                ],
                '00000nai a2200000 i 4500',
            ),
            [
                'format' => Format::Website,
                'key' => 'website:' . substr(hash('sha256', 'tides.example'), 0, 40),
                'websites' => ["https://tides.example/\tcard\tAt home"],
            ],
        ];
        yield 'a loose-leaf work on a shelf' => [
            self::marc(
                [
                    '001' => '1',
                    '007' => 'ta',
                    '24500' => '$aBylaws',
                    '852  ' => '$bOffice',
                    '85641' => '$uhttps://x.example',
                ],
                '00000nai a2200000 i 4500',
            ),
            ['format' => Format::Paper],
        ];
        yield 'a book that nobody knows where to find' => [
            self::marc(['001' => '1', '007' => 'ta', '24500' => '$aBells']),
            'on paper, and the record does not say where it stands',
        ];
        yield 'a disc' => [
            self::marc(['001' => '1', '007' => 'sd fungnn', '24500' => '$aBells'], '00000njm a2200000 i 4500'),
            'on a disc or a tape',
        ];
        yield 'sound from the web' => [
            self::marc(['001' => '1', '007' => 'sr |||', '24500' => '$aBells'], '00000njm a2200000 i 4500'),
            ['format' => Format::Music],
        ];
    }

    /** @param  array<string, mixed>|string  $expected */
    #[DataProvider('records')]
    public function test_what_a_record_says_of_where_it_is(
        string $marc,
        array|string $expected,
        ?OpenTo $webFor = null,
    ): void {
        try {
            $record = RecordOfMarc::read(MarcXml::one($marc), $webFor);
        } catch (UnreadableRecord $refused) {
            $this->assertIsString($expected, $refused->getMessage());
            $this->assertStringContainsString($expected, $refused->getMessage());

            return;
        }
        $this->assertIsArray($expected);
        $is = [
            'key' => $record->key,
            'format' => $record->format,
            'extent' => $record->extent,
            'shelves' => array_map(fn($of): string => $of->written(), $record->holdings),
            'websites' => array_map(fn($of): string => $of->written(), $record->links),
        ];
        $this->assertSame($expected, array_intersect_key(array_replace($expected, $is), $expected));
    }

    /** @return list<string> */
    private function outcomes(string $file, ?Library $library = null): array
    {
        return array_map(
            fn(ComparedRecord $of): string => trim("{$of->outcome} " . implode(',', $of->fields)),
            iterator_to_array(app(CompareRecords::class)($file, $library ?? $this->library()), false),
        );
    }

    private function take(string $file, ?Library $library = null, ?LicenceTerms $terms = null): void
    {
        iterator_to_array(app(ImportRecords::class)($file, $library ?? $this->library(), $terms, false), false);
    }

    public function test_a_shelf_list_is_taken_in_and_again_changes_nothing(): void
    {
        $file = self::file(self::book(1), self::book(2));
        $this->assertSame(['new', 'new'], $this->outcomes($file));
        // A licence for each is none for what is not lent.
        $this->take($file, terms: LicenceTerms::parse('one_copy_one_user:copies=2'));
        $this->assertSame(
            [2, 4, 0],
            [Title::query()->count(), Holding::query()->count(), DB::table('licences')->count()],
        );
        $rows = json_encode([DB::table('titles')->get(), DB::table('holdings')->get()]);
        $this->assertSame(['unchanged', 'unchanged'], $this->outcomes($file));
        $this->take($file);
        $this->assertSame($rows, json_encode([DB::table('titles')->get(), DB::table('holdings')->get()]));
        $this->assertHtml($this->get('/catalogue?q=ropewalks&library=saltmere'), 'Upstairs, Local history, 677.7 COR');

        // One copy moved, one is gone: what is said now stands.
        $moved = self::file(self::book(1, ...['852  ' => ['$bAnnexe$h677.7$p31001']]));
        $this->assertSame(['changed holdings'], $this->outcomes($moved));
        $this->take($moved);
        $this->assertSame(
            [['Annexe', '677.7', ['31001']]],
            Holding::query()
                ->whereHas('title', fn($of) => $of->where('record_key', 'paper:marc:SALT:b1'))
                ->get()
                ->map(fn(Holding $of): array => [$of->place, $of->call_number, $of->numbers])
                ->all(),
        );
    }

    /** @param  list<list<string>>  $rows */
    private static function table(array $rows): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'csv');
        $head = ['Title', 'Author', 'ISBN', 'Location', 'Shelfmark', 'Barcode', 'Copies'];
        file_put_contents($file, implode('', array_map(CsvFile::line(...), [$head, ...$rows])));

        return $file;
    }

    /** @return list<string> "title: place, copies, numbers", in order */
    private static function shelves(): array
    {
        $shelves = Holding::query()
            ->with('title')
            ->get()
            ->map(function (Holding $of): string {
                $numbers = $of->numbers;
                sort($numbers);

                return "{$of->title->name}: {$of->place}, {$of->copies}, " . implode(' ', $numbers);
            })
            ->all();
        sort($shelves);

        return $shelves;
    }

    public function test_a_row_for_each_copy_is_one_title_with_all_of_them(): void
    {
        $file = self::table([
            ['Gulls', 'Odile Farrant', '', 'Upstairs', '598', '31', ''],
            ['Terns', 'Odile Farrant', '', 'Upstairs', '598', '', '2'],
            ['Gulls', 'Odile Farrant', '', 'Upstairs', '598', '32', ''],
            ['Gulls', 'Odile Farrant', '', 'Annexe', '598', '', ''],
            // The same once more is no other copy; and what is called otherwise is no copy of it.
            ['Gulls', 'Odile Farrant', '', 'Upstairs', '598', '31', ''],
            ['Terns', 'Odile Farrant', '', 'Upstairs', '598', '', '2'],
            ['Skerries', 'Ann Corran', '9780306406157', 'Upstairs', '598', '41', ''],
            ['Far Skerries', 'Ann Corran', '9780306406157', 'Upstairs', '598', '42', ''],
        ]);
        $this->assertSame(['new', 'new', 'refused', 'refused', 'new', 'refused'], $this->outcomes($file));
        $this->take($file);
        $expected = [
            'Gulls: Annexe, 1, ',
            'Gulls: Upstairs, 2, 31 32',
            'Skerries: Upstairs, 1, 41',
            'Terns: Upstairs, 2, ',
        ];
        $this->assertSame($expected, self::shelves());
        $this->assertSame(
            ['unchanged', 'unchanged', 'refused', 'refused', 'unchanged', 'refused'],
            $this->outcomes($file),
        );
        $this->take($file);
        $this->assertSame($expected, self::shelves());
    }

    /** Copies at random, in any order of their rows, over more rows than are compared at once. */
    public function test_copies_at_random_are_found_again_whatever_the_order_of_their_rows(): void
    {
        mt_srand(2311);
        $rows = $shelves = [];
        for ($copy = 0; $copy < 2 * CompareRecords::AT_ONCE + 50; $copy++) {
            $name = 'Tides ' . mt_rand(1, 90);
            $place = ['Upstairs', 'Annexe', 'Ferry room'][mt_rand(0, 2)];
            $rows[] = [$name, 'Odile Farrant', '', $place, '551', "c{$copy}", ''];
            $shelves["{$name}: {$place}"][] = "c{$copy}";
        }
        $expected = [];
        foreach ($shelves as $shelf => $numbers) {
            sort($numbers);
            $expected[] = "{$shelf}, " . count($numbers) . ', ' . implode(' ', $numbers);
        }
        sort($expected);
        shuffle($rows);
        $this->take(self::table($rows));
        $this->assertSame($expected, self::shelves());
        shuffle($rows);
        $file = self::table($rows);
        $this->take($file);
        $this->assertSame($expected, self::shelves());
        $this->assertSame(['unchanged'], array_values(array_unique($this->outcomes($file))));
    }

    public function test_each_library_has_its_own_shelves_of_one_title(): void
    {
        $other = $this->library('larkspur');
        $this->take(self::file(self::book(1)));
        $theirs = self::file(self::book(1, ...['852  ' => '$bFerry room']));
        $this->assertSame(['changed holdings'], $this->outcomes($theirs, $other));
        $this->take($theirs, $other);
        $this->assertSame([1, 3], [Title::query()->count(), Holding::query()->count()]);
        $this->assertSame(['unchanged'], $this->outcomes($theirs, $other));
        $this->assertSame(['unchanged'], $this->outcomes(self::file(self::book(1))));
    }

    /** @return iterable<string, array{string}> */
    public static function forms(): iterable
    {
        foreach (ExportRecords::FORMS as $form) {
            yield $form => [$form];
        }
    }

    #[DataProvider('forms')]
    public function test_what_stands_elsewhere_goes_out_and_comes_in_as_the_same(string $form): void
    {
        $this->take(
            self::file(
                self::book(1),
                self::marc(
                    [
                        '24500' => '$aTide tables',
                        '85640' => ['$uhttps://tides.example/?a=1&b=2$yÑandú$71', '$uhttp://x.example'],
                    ],
                    '00000nai a2200000 i 4500',
                ),
            ),
        );
        $this->assertSame(
            [1, 2, 2],
            [Title::query()->where('format', 'website')->count(), Holding::query()->count(), Link::query()->count()],
        );
        $file = (string) tempnam(sys_get_temp_dir(), 'out');
        file_put_contents(
            $file,
            implode('', iterator_to_array(app(ExportRecords::class)($this->library(), $form), false)),
        );
        $this->assertSame(['unchanged', 'unchanged'], $this->outcomes($file));
        // Nobody who points to none of them gets them.
        $this->assertStringNotContainsString(
            'tides.example',
            implode('', iterator_to_array(app(ExportRecords::class)($this->library('larkspur'), $form), false)),
        );
    }

    public function test_the_command_takes_addresses_for_websites_where_it_is_told_to(): void
    {
        $file = self::file(
            self::marc([
                '001' => '1',
                '24500' => '$aBells',
                '007' => 'cr |||',
                '85640' => '$uhttps://lender.example/1',
            ]),
        );
        $this->library();
        $this->artisan("records:import {$file} --library=saltmere --websites=members")
            ->expectsOutputToContain('--websites is everybody, card or building.')
            ->assertFailed();
        $this->artisan("records:import {$file} --library=saltmere --websites=card --sure")->assertSuccessful();
        $this->assertSame(
            ['https://lender.example/1', OpenTo::CardHolders],
            [Link::query()->firstOrFail()->address, Link::query()->firstOrFail()->open_to],
        );
    }
}
