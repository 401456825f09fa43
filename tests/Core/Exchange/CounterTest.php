<?php

declare(strict_types=1);

namespace FigPorch\Tests\Core\Exchange;

use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Exchange\Counter\CounterError;
use FigPorch\Core\Exchange\Counter\CounterRefused;
use FigPorch\Core\Exchange\Counter\DataType;
use FigPorch\Core\Exchange\Counter\Item;
use FigPorch\Core\Exchange\Counter\Report;
use FigPorch\Core\Exchange\Counter\ReportDocument;
use FigPorch\Core\Exchange\Counter\ReportHeader;
use FigPorch\Core\Exchange\Counter\ReportJson;
use FigPorch\Core\Exchange\Counter\ReportParameters;
use FigPorch\Core\Exchange\Counter\ReportTable;
use FigPorch\Core\Exchange\Counter\Usage;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Reports of use as COUNTER Release 5.1 has them; its tables of reports, views and exceptions from memory. */
final class CounterTest extends TestCase
{
    private const DATES = ['begin_date' => '2026-01', 'end_date' => '2026-03'];

    /** @param  array<string, mixed>  $asked */
    private static function report(string $id, array $asked = [], string $ready = '2026-12'): ReportDocument
    {
        return new ReportDocument(
            ReportParameters::read($id, $asked + self::DATES, $ready),
            new ReportHeader(
                'Saltmere Library',
                'saltmere',
                'Fig Porch',
                'figporch',
                new DateTimeImmutable('2026-04-02'),
            ),
            self::usages(),
        );
    }

    private static function item(int $id, Format $format, string $year, ?int $serial = null): Item
    {
        return new Item(
            id: $id,
            name: "Title {$id}",
            dataType: DataType::of($format),
            publisher: $id === 1 ? null : 'Harbour Press',
            year: $year,
            isbn: $format === Format::Ebook ? '9780000000002' : null,
            issn: $serial === null ? null : '0317-8471',
            address: "http://127.0.0.1/titles/{$id}",
            authors: ['Ida Marsh', 'Tobias Reed', 'Wren Sáez', 'Orla Finch'],
            published: "{$year}-05",
            serial: $serial === null ? null : [$serial, 'Tidewater'],
        );
    }

    /** @return list<Usage> */
    private static function usages(): array
    {
        $book = self::item(1, Format::Ebook, '2019');
        $issues = [self::item(2, Format::Magazine, '2025', 7), self::item(3, Format::Magazine, '2026', 7)];
        $film = self::item(4, Format::Video, '2020');

        return [
            new Usage('2026-01', null, searches: 11),
            new Usage('2026-03', null, searches: 4),
            new Usage(
                '2026-01',
                $book,
                investigations: 9,
                uniqueInvestigations: 6,
                requests: 5,
                uniqueRequests: 3,
                limitExceeded: 2,
                noLicence: 1,
            ),
            new Usage('2026-03', $book, investigations: 2, uniqueInvestigations: 1, requests: 1, uniqueRequests: 1),
            new Usage(
                '2026-04',
                $book,
                investigations: 100,
                uniqueInvestigations: 100,
                requests: 100,
                uniqueRequests: 100,
            ),
            new Usage(
                '2026-02',
                $issues[0],
                investigations: 3,
                uniqueInvestigations: 3,
                requests: 2,
                uniqueRequests: 2,
            ),
            new Usage(
                '2026-02',
                $issues[1],
                investigations: 5,
                uniqueInvestigations: 4,
                requests: 4,
                uniqueRequests: 3,
                noLicence: 6,
            ),
            new Usage('2026-02', $film, investigations: 8, uniqueInvestigations: 7, requests: 6, uniqueRequests: 5),
        ];
    }

    /** @return array<string, array<string, int>> metric and month of the figures with such attributes, of all items */
    private static function performance(ReportDocument $report, string $attributes = ''): array
    {
        $sums = [];
        $items = ReportJson::of($report)['Report_Items'];
        $walk = function (array $of) use (&$walk, &$sums, $attributes): void {
            foreach ($of['Items'] ?? [] as $below) {
                $walk($below);
            }
            foreach ($of['Attribute_Performance'] ?? [] as $part) {
                $performance = $part['Performance'];
                unset($part['Performance']);
                if ($attributes === '' || implode(' ', $part) === $attributes) {
                    foreach ($performance as $metric => $months) {
                        foreach ($months as $month => $count) {
                            $sums[$metric][$month] = ($sums[$metric][$month] ?? 0) + $count;
                        }
                    }
                }
            }
        };
        self::assertIsArray($items);
        array_map($walk, $items);

        return $sums;
    }

    public function test_the_platform_as_a_whole(): void
    {
        self::assertSame(
            [
                'Searches_Platform' => ['2026-01' => 11, '2026-03' => 4],
                'Total_Item_Requests' => ['2026-01' => 5, '2026-02' => 12, '2026-03' => 1],
                'Unique_Item_Requests' => ['2026-01' => 3, '2026-02' => 10, '2026-03' => 1],
                'Unique_Title_Requests' => ['2026-01' => 3, '2026-03' => 1],
            ],
            self::performance(self::report('pr_p1')),
        );
        $report = self::report('pr');
        self::assertSame(
            [
                'Total_Item_Investigations' => ['2026-02' => 8],
                'Total_Item_Requests' => ['2026-02' => 6],
                'Unique_Item_Investigations' => ['2026-02' => 7],
                'Unique_Item_Requests' => ['2026-02' => 5],
            ],
            self::performance($report, 'Audiovisual'),
        );
        self::assertSame(
            ['Searches_Platform' => ['2026-01' => 11, '2026-03' => 4]],
            self::performance($report, 'Platform'),
        );
    }

    public function test_the_catalogue_as_a_database(): void
    {
        self::assertSame(
            [
                'Searches_Regular' => ['2026-01' => 11, '2026-03' => 4],
                'Total_Item_Investigations' => ['2026-01' => 9, '2026-02' => 16, '2026-03' => 2],
                'Total_Item_Requests' => ['2026-01' => 5, '2026-02' => 12, '2026-03' => 1],
                'Unique_Item_Investigations' => ['2026-01' => 6, '2026-02' => 14, '2026-03' => 1],
                'Unique_Item_Requests' => ['2026-01' => 3, '2026-02' => 10, '2026-03' => 1],
            ],
            self::performance(self::report('dr_d1')),
        );
        self::assertSame(
            ['Limit_Exceeded' => ['2026-01' => 2], 'No_License' => ['2026-01' => 1, '2026-02' => 6]],
            self::performance(self::report('dr_d2')),
        );
    }

    public function test_books_and_serials_each_in_their_views(): void
    {
        self::assertSame(
            [
                'Total_Item_Requests' => ['2026-01' => 5, '2026-03' => 1],
                'Unique_Title_Requests' => ['2026-01' => 3, '2026-03' => 1],
            ],
            self::performance(self::report('TR_B1'), 'Book 2019'),
        );
        self::assertSame(
            ['Limit_Exceeded' => ['2026-01' => 2], 'No_License' => ['2026-01' => 1]],
            self::performance(self::report('tr_b2')),
        );
        self::assertSame(
            ['2026-01' => 6, '2026-03' => 1],
            self::performance(self::report('tr_b3'), 'Book 2019 Controlled')['Unique_Title_Investigations'],
        );
        // Issues of one serial are one title, and its years of publication two.
        $report = ReportJson::of(self::report('tr_j1'));
        self::assertIsArray($report['Report_Items']);
        self::assertCount(1, $report['Report_Items']);
        self::assertSame('Tidewater', $report['Report_Items'][0]['Title']);
        self::assertSame(
            ['Proprietary' => 'figporch:series-7', 'Online_ISSN' => '0317-8471'],
            $report['Report_Items'][0]['Item_ID'],
        );
        self::assertSame(
            ['Total_Item_Requests' => ['2026-02' => 6], 'Unique_Item_Requests' => ['2026-02' => 5]],
            self::performance(self::report('tr_j1')),
        );
        self::assertSame(
            ['Total_Item_Requests' => ['2026-02' => 4], 'Unique_Item_Requests' => ['2026-02' => 3]],
            self::performance(self::report('tr_j4'), '2026'),
        );
        self::assertSame(['No_License' => ['2026-02' => 6]], self::performance(self::report('tr_j2')));
        self::assertSame(
            ['Total_Item_Requests' => ['2026-02' => 6], 'Unique_Item_Requests' => ['2026-02' => 5]],
            self::performance(self::report('ir_m1'), 'Audiovisual'),
        );
    }

    public function test_items_stand_below_what_they_are_issues_of(): void
    {
        $items = ReportJson::of(self::report('ir', ['attributes_to_show' => 'YOP|Access_Type']))['Report_Items'];
        self::assertIsArray($items);
        self::assertSame(
            [['Title 1', 'Title 4'], ['Title 2', 'Title 3']],
            array_map(fn(array $of): array => array_column($of['Items'], 'Item'), $items),
        );
        self::assertSame([false, 'Tidewater'], [isset($items[0]['Title']), $items[1]['Title']]);
        self::assertSame(
            ['Item', 'Item_ID', 'Publisher', 'Platform', 'Authors', 'Publication_Date', 'Attribute_Performance'],
            array_keys($items[1]['Items'][0]),
        );
        self::assertSame(
            [['Name' => 'Ida Marsh'], ['Name' => 'Tobias Reed'], ['Name' => 'Wren Sáez']],
            $items[0]['Items'][0]['Authors'],
        );
        self::assertSame(
            ['Data_Type' => 'Book', 'YOP' => '2019', 'Access_Type' => 'Controlled'],
            array_diff_key($items[0]['Items'][0]['Attribute_Performance'][0], ['Performance' => true]),
        );
    }

    public function test_the_head_says_what_was_asked_for(): void
    {
        $head = ReportJson::of(
            self::report('tr', [
                'metric_type' => 'unique_title_requests|Nonsense',
                'yop' => '2000-2019|2021|x-y',
                'granularity' => 'totals',
                'attributes_to_show' => 'yop|Shoe_Size',
                'colour' => 'blue',
            ]),
        );
        self::assertSame(
            [
                'Report_Name' => 'Title Report',
                'Report_ID' => 'TR',
                'Release' => '5.1',
                'Institution_Name' => 'Saltmere Library',
                'Institution_ID' => ['Proprietary' => ['figporch:saltmere']],
                'Report_Filters' => [
                    'Metric_Type' => ['Unique_Title_Requests'],
                    'YOP' => ['2000-2019', '2021'],
                    'Begin_Date' => '2026-01-01',
                    'End_Date' => '2026-03-31',
                ],
                'Created' => '2026-04-02T00:00:00Z',
                'Created_By' => 'Fig Porch',
                'Registry_Record' => '',
                'Report_Attributes' => ['Attributes_To_Show' => ['Data_Type', 'YOP'], 'Granularity' => 'Totals'],
                'Exceptions' => [
                    ['Code' => 3050, 'Message' => 'Parameter Not Recognized in this Context', 'Data' => 'colour'],
                    ['Code' => 3060, 'Message' => 'Invalid ReportFilter Value', 'Data' => 'metric_type=Nonsense'],
                    ['Code' => 3060, 'Message' => 'Invalid ReportFilter Value', 'Data' => 'yop=x-y'],
                    [
                        'Code' => 3062,
                        'Message' => 'Invalid ReportAttribute Value',
                        'Data' => 'attributes_to_show=Shoe_Size',
                    ],
                ],
            ],
            $head['Report_Header'],
        );
        self::assertSame(
            ['Unique_Title_Requests' => ['Total' => 4]],
            self::performance(
                self::report('tr', ['metric_type' => 'unique_title_requests', 'granularity' => 'totals']),
            ),
        );
    }

    public function test_nothing_there_and_months_that_are_not_over(): void
    {
        $said = fn(ReportDocument $of): array => array_column(
            (array) (ReportJson::of($of)['Report_Header']['Exceptions'] ?? []),
            'Code',
        );
        self::assertSame([], $said(self::report('pr')));
        self::assertSame([3030], $said(self::report('pr', ['begin_date' => '2020-01', 'end_date' => '2020-12'])));
        self::assertSame([3030], $said(self::report('tr', ['access_type' => 'Open'])));
        self::assertSame([3030], $said(self::report('tr', ['access_method' => 'TDM'])));
        self::assertSame([3030], $said(self::report('tr', ['item_id' => '99'])));
        $items = ['9780000000002', 'ISBN:978-0-00-000000-2', 'Proprietary:figporch:1', 'figporch:1', '1'];
        foreach ([...$items, 'URI:http://127.0.0.1/titles/1'] as $number) {
            self::assertSame([], $said(self::report('tr', ['item_id' => $number])), $number);
            self::assertSame(
                ['2026-01' => 5, '2026-03' => 1],
                self::performance(self::report('tr', ['item_id' => $number]))['Total_Item_Requests'],
                $number,
            );
        }
        foreach (['Online_ISSN:0317-8471', '03178471', 'Proprietary:figporch:series-7'] as $number) {
            self::assertSame(
                ['2026-02' => 6],
                self::performance(self::report('tr', ['item_id' => $number]))['Total_Item_Requests'],
                $number,
            );
        }
        // A database, or a platform, that is not this one has nothing.
        self::assertSame([], $said(self::report('dr', ['database' => 'saltmere library: Catalogue'])));
        self::assertSame([3030], $said(self::report('dr', ['database' => 'Another'])));
        self::assertSame([3030], $said(self::report('pr', ['platform' => 'Another'])));
        self::assertSame([3031], $said(self::report('pr', ready: '2026-02')));
        self::assertEquals(
            ['2026-01' => 5, '2026-02' => 12],
            self::performance(self::report('pr', ready: '2026-02'))['Total_Item_Requests'],
        );
        // All of it is still to come: that nothing is there is no news.
        self::assertSame([3031], $said(self::report('pr', ready: '2025-12')));
        // Views take no filters of their own.
        self::assertSame([3050], $said(self::report('tr_b1', ['yop' => '2019'])));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function wrongDates(): iterable
    {
        yield 'none' => [['begin_date' => null]];
        yield 'a word' => [['end_date' => 'march']];
        yield 'a month that there is not' => [['begin_date' => '2026-00']];
        yield 'one too many' => [['end_date' => '2026-13']];
        yield 'in the middle of a month' => [['begin_date' => '2026-01-15']];
        yield 'a last day that is none' => [['end_date' => '2026-02-31']];
        yield 'a last day before the last' => [['end_date' => '2026-02-27']];
        yield 'the other way round' => [['begin_date' => '2026-04']];
        yield 'a list' => [['begin_date' => ['2026-01']]];
        yield 'more than anybody has' => [['begin_date' => '1990-01']];
        yield 'with a line after it' => [['begin_date' => "2026-01\n01"]];
    }

    /** @param  array<string, mixed>  $asked */
    #[DataProvider('wrongDates')]
    public function test_dates_that_are_none_are_refused(array $asked): void
    {
        $this->expectExceptionObject(new CounterRefused(CounterError::InvalidDates));
        ReportParameters::read('TR', $asked + self::DATES, '2026-12');
    }

    public function test_whole_months_may_be_said_by_their_days(): void
    {
        self::assertSame(
            ['2024-02'],
            ReportParameters::read(
                'TR',
                ['begin_date' => '2024-02-01', 'end_date' => '2024-02-29'],
                '2026-12',
            )->months(),
        );
        self::assertSame(
            ['2025-11', '2025-12', '2026-01'],
            ReportParameters::read('TR', ['begin_date' => '2025-11', 'end_date' => '2026-01'], '2026-12')->months(),
        );
    }

    public function test_a_report_that_there_is_not_is_refused(): void
    {
        $this->expectExceptionObject(new CounterRefused(CounterError::ReportNotSupported));
        ReportParameters::read('TR_X1', self::DATES, '2026-12');
    }

    /** The table says what the JSON says, line by line. */
    public function test_the_table_has_the_same_figures(): void
    {
        foreach (Report::cases() as $of) {
            $report = self::report($of->value);
            $table = ReportTable::of($report);
            self::assertSame([], $table[13]);
            $heads = array_map(strval(...), $table[14]);
            self::assertSame(['Jan-2026', 'Feb-2026', 'Mar-2026'], array_slice($heads, -3), $of->value);
            self::assertSame($heads, array_unique($heads));
            $sums = [];
            foreach (array_slice($table, 15) as $line) {
                self::assertCount(count($heads), $line, $of->value);
                $cells = array_combine($heads, $line);
                self::assertSame(
                    $cells['Reporting_Period_Total'],
                    (int) $cells['Jan-2026'] + (int) $cells['Feb-2026'] + (int) $cells['Mar-2026'],
                );
                foreach (
                    ['Jan-2026' => '2026-01', 'Feb-2026' => '2026-02', 'Mar-2026' => '2026-03']
                    as $head => $month
                ) {
                    if ($cells[$head] !== 0) {
                        $sums[$cells['Metric_Type']][$month] =
                            ($sums[$cells['Metric_Type']][$month] ?? 0) + $cells[$head];
                    }
                }
            }
            $json = self::performance($report);
            self::assertEquals(self::performance($report), $sums, $of->value);
        }
        self::assertSame(
            ['Metric_Types', 'Total_Item_Requests; Unique_Title_Requests'],
            ReportTable::of(self::report('tr_b1'))[5],
        );
        self::assertSame(
            ['Report_Filters', 'Data_Type=Book|Reference_Work; Access_Type=Controlled; Access_Method=Regular'],
            ReportTable::of(self::report('tr_b1'))[6],
        );
        self::assertSame(
            [
                'Title',
                'Publisher',
                'Publisher_ID',
                'Platform',
                'DOI',
                'Proprietary_ID',
                'ISBN',
                'Print_ISSN',
                'Online_ISSN',
                'URI',
                'Data_Type',
                'YOP',
                'Metric_Type',
                'Reporting_Period_Total',
            ],
            array_slice(ReportTable::of(self::report('tr_b1'))[14], 0, 14),
        );
    }
}
