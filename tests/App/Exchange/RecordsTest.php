<?php

declare(strict_types=1);

namespace Tests\App\Exchange;

use App\Catalogue\Records\SaveRecord;
use App\Desk\Records\EditRecord;
use App\Desk\Records\SayWork;
use App\Exchange\Records\ComparedRecord;
use App\Exchange\Records\CompareRecords;
use App\Exchange\Records\ExportRecords;
use App\Exchange\Records\FaultText;
use App\Exchange\Records\ImportRecords;
use App\Lending\Licences\LicenceTerms;
use App\Models\Licence;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Exchange\Marc\Iso2709;
use FigPorch\Core\Exchange\Marc\MarcField;
use FigPorch\Core\Exchange\Marc\MarcOfRecord;
use FigPorch\Core\Exchange\Marc\MarcRecord;
use FigPorch\Core\Exchange\Marc\MarcXml;
use FigPorch\Core\Exchange\RecordFault;
use FigPorch\Core\Exchange\UnreadableRecord;
use Generator;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/** Records of a file, as libraries exchange them: looked at, taken in, again, broken, and out again. */
final class RecordsTest extends TestCase
{
    use ImportsBooks;

    private static function record(int $n, string $name, string ...$more): Record
    {
        return new Record(
            key: "isbn:978000000000{$n}",
            format: Format::from($more['format'] ?? 'ebook'),
            name: $name,
            contributors: [
                ['name' => $more['by'] ?? 'Íñigo Osei', 'sort' => $more['sort'] ?? 'Osei, Íñigo', 'role' => 'author'],
            ],
            extent: 200,
            subtitle: $more['subtitle'] ?? null,
            language: 'es',
            subjects: ['Tides', 'Ärmel'],
        );
    }

    /** As ISO 2709 in UTF-8, without what tells our own records from those of others. */
    private static function iso(Record $of, int $n): string
    {
        $marc = MarcOfRecord::of($of, (string) $n, null, new DateTimeImmutable('2026-05-01'));

        return Iso2709::write($marc);
    }

    /** As a publisher would say what the record says. */
    private static function onix(Record $of): string
    {
        $text = fn(string $of): string => htmlspecialchars($of, ENT_XML1);
        $subtitle = $of->subtitle === null ? '' : "<Subtitle>{$text($of->subtitle)}</Subtitle>";
        $subjects = array_map(
            fn(string $name): string => "<Subject><SubjectHeadingText>{$text($name)}</SubjectHeadingText></Subject>",
            $of->subjects,
        );

        return "<Product><RecordReference>{$of->key}</RecordReference><NotificationType>03</NotificationType>
            <DescriptiveDetail><ProductForm>ED</ProductForm><TitleDetail><TitleType>01</TitleType><TitleElement>
            <TitleElementLevel>01</TitleElementLevel><TitleText>{$text($of->name)}</TitleText>{$subtitle}</TitleElement>
            </TitleDetail><Contributor><ContributorRole>A01</ContributorRole>
            <PersonNameInverted>{$text($of->contributors[0]['sort'])}</PersonNameInverted></Contributor>
            <Language><LanguageRole>01</LanguageRole><LanguageCode>spa</LanguageCode></Language>" .
            implode('', $subjects) .
            '</DescriptiveDetail></Product>';
    }

    private static function file(string $text): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'marc');
        file_put_contents($file, $text);

        return $file;
    }

    /**
     * @param  iterable<ComparedRecord>  $rows
     * @return list<string>
     */
    private static function outcomes(iterable $rows): array
    {
        $outcomes = [];
        foreach ($rows as $of) {
            $outcomes[] = $of->outcome;
        }

        return $outcomes;
    }

    /** @param  iterable<ComparedRecord>  $rows */
    private function taken(iterable $rows): void
    {
        $this->assertNotSame([], self::outcomes($rows));
    }

    /** @return list<string> */
    private function looked(string $file): array
    {
        return self::outcomes(app(CompareRecords::class)($file, $this->library()));
    }

    /** @return Generator<ComparedRecord> */
    private function import(string $file, ?string $licence = null, bool $doubtful = false): Generator
    {
        return app(
            ImportRecords::class,
        )($file, $this->library(), $licence === null ? null : LicenceTerms::parse($licence), $doubtful);
    }

    /** @return iterable<string, array{callable(list<Record>): string}> */
    public static function forms(): iterable
    {
        $iso = fn(array $records): string => implode('', array_map(self::iso(...), $records, array_keys($records)));
        yield 'ISO 2709 in UTF-8' => [$iso];
        yield 'ISO 2709 in MARC-8' => [
            fn(array $records): string => (new Process([
                ...['yaz-marcdump', '-i', 'marc', '-o', 'marc', '-f', 'utf-8', '-t', 'marc8', '-l', '9=32'],
                self::file($iso($records)),
            ]))
                ->mustRun()
                ->getOutput(),
        ];
        yield 'ONIX' => [
            fn(
                array $records,
            ): string => '<ONIXMessage release="3.0" xmlns="http://ns.editeur.org/onix/3.0/reference">' .
                implode('', array_map(self::onix(...), $records)) .
                '</ONIXMessage>',
        ];
        yield 'MARCXML' => [
            fn(array $records): string => MarcXml::HEAD .
                implode(
                    '',
                    array_map(
                        fn(Record $of): string => MarcXml::write(
                            MarcOfRecord::of($of, '1', null, new DateTimeImmutable()),
                        ),
                        $records,
                    ),
                ) .
                MarcXml::FOOT,
        ];
    }

    /** @param  callable(list<Record>): string  $write */
    #[DataProvider('forms')]
    public function test_a_file_is_looked_at_taken_in_and_again_changes_nothing(callable $write): void
    {
        $records = [self::record(1, 'Marea baja, ñandú'), self::record(2, 'Bell & Söhne')];
        $file = self::file($write($records));
        $this->assertSame(['new', 'new'], $this->looked($file));
        $this->assertSame(0, Title::query()->count(), 'looked at, nothing is written');

        $this->assertSame(['new', 'new'], self::outcomes($this->import($file, 'one_copy_one_user:copies=2')));
        $this->assertSame(['Marea baja, ñandú', 'Bell & Söhne'], Title::query()->orderBy('id')->pluck('name')->all());
        $title = Title::query()
            ->with(['contributors', 'subjects'])
            ->where('name', $records[0]->name)
            ->sole();
        $this->assertSame('Íñigo Osei', $title->contributors->sole()->name);
        $this->assertEqualsCanonicalizing(['Tides', 'Ärmel'], $title->subjects->pluck('name')->all());
        // Without its file it is on order; it is found at once.
        $this->get('/catalogue?library=saltmere&q=marea')->assertOk()->assertSee('Marea baja');
        $this->assertSame([2, 2], Licence::query()->pluck('copies')->all());

        $rows = json_encode([DB::table('titles')->get(), DB::table('licences')->get()]);
        $this->assertSame(
            ['unchanged', 'unchanged'],
            self::outcomes($this->import($file, 'one_copy_one_user:copies=2')),
        );
        $this->assertSame($rows, json_encode([DB::table('titles')->get(), DB::table('licences')->get()]));

        $changed = self::file($write([self::record(1, 'Marea alta', subtitle: 'Otra'), $records[1]]));
        $seen = iterator_to_array(app(CompareRecords::class)($changed, $this->library()), false);
        $this->assertSame(['changed', ['name', 'subtitle']], [$seen[0]->outcome, $seen[0]->fields]);
        $this->taken($this->import($changed));
        $this->assertSame('Marea alta', $title->refresh()->name);
    }

    public function test_one_that_is_broken_spoils_none_of_the_others(): void
    {
        $good = array_map(fn(int $n): string => self::iso(self::record($n, "Number {$n}"), $n), range(1, 6));
        $file = self::file(
            $good[0] .
                substr_replace($good[1], '99999', 0, 5) .
                "\n" .
                str_replace('Number 3', "Numb\xFFr 3", $good[2]) .
                "not a record at all\x1D" .
                $good[3] .
                $good[4] .
                // It says so and is in other characters.
                (string) preg_replace('/Number 6/', "N\xE1mber 6", $good[5]) .
                substr($good[0], 0, 80),
        );
        $rows = iterator_to_array(app(CompareRecords::class)($file, $this->library()), false);
        $this->assertSame(
            ['new', 'refused', 'refused', 'refused', 'new', 'new', 'refused', 'refused'],
            self::outcomes($rows),
        );
        $this->assertSame(range(1, 8), array_map(fn(ComparedRecord $of): int => $of->number, $rows));
        $this->assertStringContainsString('says to be 99999 bytes', (string) $rows[1]->why);
        $this->assertStringContainsString('UTF-8 and is not', (string) $rows[2]->why);
        $this->assertStringContainsString('breaks off', (string) $rows[7]->why);
        $this->taken($this->import($file));
        $this->assertSame(3, Title::query()->count());

        // Of XML that breaks off, what was read before stands.
        $marc = fn(int $n): string => MarcXml::write(
            MarcOfRecord::of(self::record($n, "Number {$n}"), '1', null, new DateTimeImmutable()),
        );
        $xml = MarcXml::HEAD . implode('', array_map($marc, range(100, 199))) . '<record><leader>';
        $outcomes = array_count_values($this->looked(self::file($xml)));
        $this->assertSame(1, $outcomes['refused']);
        $this->assertGreaterThan(90, $outcomes['new']);
    }

    /** @return iterable<string, array{string}> */
    public static function noRecords(): iterable
    {
        yield 'a text' => ['Dear library, here are our records.'];
        yield 'a page' => ['<html><body>none</body></html>'];
        yield 'nothing' => [''];
        yield 'digits' => ['0123456789'];
        yield 'an entity' => ['<!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/passwd">]><collection>&a;</collection>'];
    }

    #[DataProvider('noRecords')]
    public function test_what_is_no_file_of_records_is_refused_with_why(string $text): void
    {
        $path = self::file($text);
        try {
            $this->assertNotContains('new', $this->looked($path));
        } catch (UnreadableRecord $refused) {
            $this->assertNotSame('', $refused->getMessage());
        }
        $this->artisan('records:import', [
            'file' => $path,
            '--library' => 'saltmere',
            '--sure' => true,
        ])->assertFailed();
        $this->assertSame(0, Title::query()->count());
    }

    /** Fields of any length with anything in them: what is taken in is the same when it comes again. */
    public function test_no_record_is_too_odd_to_be_taken_in_or_refused_and_again_it_is_as_it_was(): void
    {
        $random = new Randomizer(new Mt19937(5));
        $odd = [
            ' ',
            ',',
            '/',
            'x',
            '灯台',
            "e\u{301}",
            "\u{202E}abc",
            '&amp;<b>',
            '“”',
            "a\nb",
            "tab\there",
            '0',
            '99999999999',
            str_repeat('long ', 300),
            str_repeat('ñ', 3000),
            str_repeat('word', 700),
            'unknown',
            '%00',
            "'; drop",
            '2024-13-45',
        ];
        $tags = [
            '020',
            '022',
            '024',
            '041',
            '100',
            '110',
            '245',
            '250',
            '260',
            '264',
            '300',
            '306',
            '490',
            '505',
            '520',
        ];
        $tags = [...$tags, '521', '532', '586', '600', '650', '653', '655', '700', '710', '830'];
        $records = [];
        foreach (range(1, 60) as $n) {
            $fields = [MarcField::control('001', "odd{$n}"), MarcField::control('008', str_repeat('9', 40))];
            $fields[] = MarcField::of('245', '00', a: "Odd {$n} " . $odd[$random->getInt(0, count($odd) - 1)]);
            foreach (range(1, 30) as $_) {
                $subfields = [];
                foreach (range(1, $random->getInt(1, 4)) as $__) {
                    $code = 'aaaaaabbbcdentvxyz2349'[$random->getInt(0, 21)];
                    $subfields[] = [$code, $odd[$random->getInt(0, count($odd) - 1)]];
                }
                $tag = $tags[$random->getInt(0, count($tags) - 1)];
                $fields[] = new MarcField(
                    $tag,
                    $subfields,
                    (string) $random->getInt(0, 9),
                    (string) $random->getInt(0, 9),
                );
            }
            $type = 'atijgmx'[$random->getInt(0, 6)];
            $records[] = MarcXml::write(new MarcRecord("00000n{$type}" . 'msb'[$n % 3] . ' a2200000   4500', $fields));
        }
        $file = self::file(MarcXml::HEAD . implode('', $records) . MarcXml::FOOT);
        $first = array_count_values(self::outcomes($this->import($file, doubtful: true)));
        $this->assertGreaterThan(30, $first['new'] ?? 0);
        $again = iterator_to_array(app(CompareRecords::class)($file, $this->library()), false);
        $changed = [];
        foreach ($again as $of) {
            $of->outcome === 'changed' && ($changed[$of->number] = implode(', ', $of->fields));
        }
        $this->assertSame([], $changed);
        $this->assertSame($first['new'], Title::query()->count());
    }

    public function test_one_that_cannot_be_taken_in_stops_none_of_the_others(): void
    {
        $file = self::file(
            implode('', array_map(fn(int $n): string => self::iso(self::record($n, "No {$n}"), $n), [1, 2, 3])),
        );
        DB::unprepared(
            "create function refuse_two() returns trigger language plpgsql as 'begin raise exception ''no''; end';
            create trigger refused before insert on titles for each row when (new.name = 'No 2')
                execute function refuse_two();",
        );
        try {
            $outcomes = self::outcomes($this->import($file));
        } finally {
            DB::unprepared('drop trigger refused on titles; drop function refuse_two()');
        }
        $this->assertSame(['new', 'refused', 'new'], $outcomes);
        $this->assertSame(['No 1', 'No 3'], Title::query()->orderBy('id')->pluck('name')->all());
    }

    public function test_what_may_be_another_is_said_and_left_out(): void
    {
        $this->taken($this->import(self::file(self::iso(self::record(1, 'Low Water'), 1))));
        $title = Title::query()->sole();
        $same = self::record(2, 'LOW WATER');
        $otherFormat = self::record(1, 'Low Water', format: 'audiobook');
        $file = self::file(self::iso($same, 2) . self::iso($otherFormat, 3) . self::iso($same, 4));
        $rows = iterator_to_array(app(CompareRecords::class)($file, $this->library()), false);
        $this->assertSame(['doubtful', 'refused', 'refused'], self::outcomes($rows));
        $this->assertSame($title->id, $rows[0]->titleId);
        $this->assertStringContainsString('as record 1', (string) $rows[2]->why);
        $this->taken($this->import($file));
        $this->assertSame(1, Title::query()->count());
        $this->taken($this->import($file, doubtful: true));
        $this->assertSame(2, Title::query()->count());
        // The same book in another number is the same work.
        $this->assertSame(1, Title::query()->distinct()->count('work_id'));
    }

    public function test_records_that_name_the_same_work_are_of_one_whatever_they_are_called(): void
    {
        $named = fn(int $n, string $name, string ...$works): Record => RecordText::with(self::record($n, $name), [
            'works' => implode("\n", $works),
        ])[0];
        $save = fn(Record ...$records): array => app(SaveRecord::class)->all(array_values($records), $this->now());
        $work = fn(int $n): int => Title::query()
            ->where('record_key', "isbn:978000000000{$n}")
            ->sole()->work_id;
        // Two at once, one that comes later, and one that knows the second of two numbers.
        $save(
            $named(1, 'Low Water', 'istc:A'),
            $named(2, 'Aguas bajas', 'istc:A', 'gullwing:7'),
            $named(3, 'Low Water'),
        );
        $save($named(4, 'Niedrigwasser', 'gullwing:7'));
        $save($named(5, 'Ebbe', 'istc:B'));
        $this->assertSame([$work(1)], array_values(array_unique(array_map($work, [1, 2, 3, 4]))));
        $this->assertNotSame($work(1), $work(5));
        // What is saved again stays, a record without the number goes back to the work of its name, and staff say more.
        app(SaveRecord::class)->again(Title::query()->where('name', 'Aguas bajas')->sole(), $this->now());
        $this->assertSame($work(1), $work(2));
        $save($named(4, 'Niedrigwasser'));
        $this->assertNotSame($work(1), $work(4));
        $apart = Title::query()->where('name', 'Aguas bajas')->sole();
        app(SayWork::class)->apart($this->staff(), $apart, $this->now());
        $save($named(2, 'Aguas bajas', 'istc:A', 'gullwing:7'));
        $this->assertNotSame($work(1), $work(2));
        // Two works that turn out to be one: the oldest has it.
        $save($named(6, 'Pleamar', 'istc:B', 'istc:A'));
        $this->assertSame($work(1), $work(6));
        $this->assertSame(['changed'], $this->looked(self::file(self::iso($named(4, 'Niedrigwasser', 'istc:A'), 4))));
    }

    public function test_the_word_of_staff_and_what_a_file_has_measured_stand(): void
    {
        $title = $this->importBook();
        $extent = $title->extent;
        $this->assertGreaterThan(0, $extent);
        app(EditRecord::class)(
            $this->staff(),
            $title,
            ['subtitle' => ''],
            ['subtitle' => 'As staff say'],
            $this->now(),
        );
        $record = new Record(
            key: $title->record_key,
            format: $title->format,
            name: 'As the record says',
            contributors: [],
            extent: 9,
            subtitle: 'Not this',
        );
        $file = self::file(self::iso($record, 1));
        $row = iterator_to_array(app(CompareRecords::class)($file, $this->library()), false)[0];
        $this->assertNotContains('subtitle', $row->fields);
        $this->taken($this->import($file));
        $title->refresh();
        $this->assertSame(
            ['As the record says', 'As staff say', $extent],
            [$title->name, $title->subtitle, $title->extent],
        );
        $this->assertSame(['unchanged'], $this->looked($file));
    }

    public function test_ended_in_the_middle_it_is_begun_again_and_nothing_is_done_twice(): void
    {
        $many = CompareRecords::AT_ONCE + 3;
        $records = array_map(fn(int $n): Record => self::record($n, "Number {$n}"), range(1, $many));
        $file = self::file(implode('', array_map(self::iso(...), $records, range(1, $many))));
        foreach ($this->import($file, 'one_copy_one_user:copies=1') as $n => $of) {
            if ($of->number === 2) {
                break;
            }
        }
        // Those together with it are in, and findable at once.
        $this->assertSame(CompareRecords::AT_ONCE, Licence::query()->count());
        $this->get('/catalogue?q=number+200&library=saltmere')->assertSee('Number 200');
        $this->assertSame(
            [...array_fill(0, CompareRecords::AT_ONCE, 'unchanged'), 'new', 'new', 'new'],
            self::outcomes($this->import($file, 'one_copy_one_user:copies=1')),
        );
        $this->assertSame([$many, $many], [Title::query()->count(), Licence::query()->count()]);
    }

    #[DataProvider('written')]
    public function test_what_a_library_has_goes_out_and_comes_in_as_the_same(string $form): void
    {
        $this->importBook();
        $this->licence($this->title('Low Water'));
        $this->licence($this->title('Elsewhere'), library: $this->library('larkspur'));
        $file = self::file('');
        $this->assertSame(
            0,
            Artisan::call('records:export', ['file' => $file, '--library' => 'saltmere', '--form' => $form]),
        );
        $this->assertSame(['unchanged', 'unchanged'], $this->looked($file));
        $this->artisan('records:export', ['file' => $file, '--library' => 'nowhere'])->assertExitCode(2);
        $this->artisan('records:export', ['file' => $file, '--library' => 'saltmere', '--form' => 'x'])->assertExitCode(
            2,
        );
    }

    /** @return iterable<string, array{string}> */
    public static function written(): iterable
    {
        foreach (ExportRecords::FORMS as $form) {
            yield $form => [$form];
        }
    }

    public function test_a_table_of_another_system_is_taken_in_and_its_broken_rows_are_named(): void
    {
        $this->library();
        $file = self::file(
            "Obra;Escrito por;ISBN;A\u{f1}o\n" .
                "Marea baja;Osei, \u{cd}\u{f1}igo;9780000000002;2019\n" .
                "Sin fecha;Ida Marsh;9780000000019;nunca\n" .
                "Sin n\u{fa}mero;Ida Marsh;;2020\n" .
                "Marea alta;Ida Marsh;9780000000026;2021\n",
        );
        $columns = ['--columns' => ['Obra=name', 'Escrito por=author']];
        $this->artisan('records:import', ['file' => $file, '--library' => 'saltmere', '--sure' => true, ...$columns])
            ->expectsOutputToContain("record 2: refused, \u{201c}Sin fecha\u{201d}: what stands in published")
            ->expectsOutputToContain('2 new, 0 changed, 0 unchanged, 0 doubtful, 2 refused')
            ->assertSuccessful();
        $this->assertSame(['Marea alta', 'Marea baja'], Title::query()->orderBy('name')->pluck('name')->all());
        $this->artisan('records:import', ['file' => $file, '--library' => 'saltmere', '--sure' => true, ...$columns])
            ->expectsOutputToContain('0 new, 0 changed, 2 unchanged')
            ->assertSuccessful();
        $this->artisan('records:import', ['file' => $file, '--library' => 'saltmere'])
            ->expectsOutputToContain("no column \u{201c}title\u{201d}")
            ->assertFailed();
        $this->artisan('records:import', ['file' => $file, '--library' => 'saltmere', '--columns' => ['Obra=shoe']])
            ->expectsOutputToContain("\u{201c}shoe\u{201d} is no column")
            ->assertFailed();
        // A quotation mark that has no end: what came before it is good.
        $broken = self::file("title,isbn\nTide,9780000000002\n\"Marsh,9780000000019\n" . str_repeat('x', 300_000));
        $this->assertSame(['changed', 'refused'], $this->looked($broken));
    }

    public function test_the_command_shows_what_it_would_do(): void
    {
        $this->library();
        $file = self::file(self::iso(self::record(1, 'Low <b> Water'), 1) . 'broken' . "\x1D");
        $report = self::file('');
        $this->assertSame(
            0,
            Artisan::call('records:import', ['file' => $file, '--library' => 'saltmere', '--report' => $report]),
        );
        $said = Artisan::output();
        foreach (
            ['record 1: new “Low <b> Water”', 'record 2: refused', '1 new, 0 changed', 'Nothing was written']
            as $words
        ) {
            $this->assertStringContainsString($words, $said);
        }
        $this->assertCount(2, (array) file($report));
        $this->artisan('records:import', ['file' => $file, '--library' => 'x'])->assertExitCode(2);
        $this->artisan('records:import', ['file' => '/nowhere', '--library' => 'saltmere'])->assertFailed();
        $this->artisan('records:import', [
            'file' => $file,
            '--library' => 'saltmere',
            '--licence' => 'nonsense',
        ])->assertFailed();
    }

    public function test_a_part_that_a_publisher_changes_is_taken_in_where_the_title_is_and_refused_where_it_is_not(): void
    {
        $update = fn(string $key, string $of): string => "<Product><RecordReference>{$key}</RecordReference>
            <NotificationType>04</NotificationType>{$of}</Product>";
        $file = fn(string ...$products): string => self::file(
            '<ONIXMessage release="3.0" xmlns="http://ns.editeur.org/onix/3.0/reference">' .
                implode('', $products) .
                '</ONIXMessage>',
        );
        $whole = $file(self::onix(self::record(1, 'Low Water', subtitle: 'A novel')));
        $this->taken($this->import($whole));
        $title = Title::query()->firstOrFail();
        $part = $file(
            $update(
                substr($title->record_key, 5),
                '<CollateralDetail><TextContent><TextType>03</TextType><Text>Anew.</Text></TextContent></CollateralDetail>',
            ),
            $update('nobody', '<PublishingDetail/>'),
        );
        $rows = iterator_to_array(app(CompareRecords::class)($part, $this->library()), false);
        $this->assertSame(
            [['changed', ['description']], ['refused', []]],
            array_map(fn(ComparedRecord $of): array => [$of->outcome, $of->fields], $rows),
        );
        $this->assertStringContainsString('a part of a title that is not here', (string) $rows[1]->why);
        $this->taken($this->import($part));
        $title->refresh();
        $this->assertSame(['Anew.', 'A novel', 'Low Water'], [$title->description, $title->subtitle, $title->name]);
        $this->assertSame(['unchanged', 'refused'], $this->looked($part));
    }

    public function test_a_price_in_the_library_s_own_money_and_a_day_of_supply_make_the_licence(): void
    {
        $this->library()->update(['currency' => 'EUR']);
        $supply = '<ProductSupply><SupplyDetail><SupplyDate><SupplyDateRole>08</SupplyDateRole><Date>20260601</Date></SupplyDate>
            <Price><PriceType>01</PriceType><PriceAmount>12.50</PriceAmount><CurrencyCode>%s</CurrencyCode></Price>
            </SupplyDetail></ProductSupply></Product>';
        $product = fn(int $n, string $currency): string => str_replace(
            '</Product>',
            sprintf($supply, $currency),
            self::onix(self::record($n, "Number {$n}")),
        );
        $file = self::file(
            '<ONIXMessage release="3.0" xmlns="http://ns.editeur.org/onix/3.0/reference">' .
                $product(1, 'EUR') .
                $product(2, 'GBP') .
                '</ONIXMessage>',
        );
        $this->taken($this->import($file, 'one_copy_one_user:copies=1,price=700'));
        $this->assertSame([1250, 700], Licence::query()->orderBy('id')->pluck('price_cents')->all());
        $this->assertSame(
            ['2026-06-01 00:00'],
            Licence::query()
                ->get()
                ->map(
                    fn(Licence $of): string => (string) $of->starts_at
                        ->setTimezone($this->library()->zone())
                        ->format('Y-m-d H:i'),
                )
                ->unique()
                ->all(),
        );
        // Not lent before that day, and waited for.
        $this->get('/catalogue?q=number&ready=1&library=saltmere')->assertDontSee('Number 1');
    }

    /** Each sentence that stands in the code has its translation, with the same facts in it. */
    public function test_what_is_wrong_with_a_record_is_said_in_the_language_of_the_page(): void
    {
        $root = dirname(__DIR__, 3);
        $sentences = [];
        foreach (['core/Exchange', 'app/Exchange/Records'] as $folder) {
            foreach (File::allFiles("{$root}/{$folder}") as $file) {
                preg_match_all(
                    "/new (?:RecordFault|UnreadableRecord)\((?:[^;'\"]*?\?\s*)?((?:\s*'(?:[^'\\\\]|\\\\.)*'\s*[.:]?)+)/u",
                    $file->getContents(),
                    $m,
                );
                foreach ($m[1] as $literal) {
                    foreach (preg_split("/'\s*:\s*'/u", trim($literal, " \n:")) ?: [] as $one) {
                        $sentences[] = (string) preg_replace("/^'|'$|'\s*\.\s*'/u", '', trim($one));
                    }
                }
            }
        }
        $this->assertGreaterThan(40, count(array_unique($sentences)));
        $spanish = trans('record_faults', locale: 'es');
        $this->assertSame([], array_values(array_diff($sentences, array_keys($spanish))));
        $this->assertSame([], array_values(array_diff(array_keys($spanish), $sentences)));
        foreach ($spanish as $english => $text) {
            $places = fn(string $of): array => preg_match_all('/:[a-z]+/', $of, $m) > 0 ? $m[0] : [];
            $this->assertEqualsCanonicalizing($places($english), $places($text), $english);
        }
        app()->setLocale('es');
        $fault = RecordFault::read(
            (new RecordFault('“:name” is of a kind that is not lent here.', ['name' => 'Ñu']))->written(),
        );
        $this->assertSame('«Ñu» es de una clase que aquí no se presta.', FaultText::of($fault));
        $this->assertSame('an older sentence', FaultText::of(RecordFault::read('an older sentence')));
    }
}
