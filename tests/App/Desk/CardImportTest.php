<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Models\Card;
use App\Models\CardImport;
use App\Models\Person;
use App\Models\StaffMember;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

/** Patrons from files, as spreadsheets and school systems write them. */
final class CardImportTest extends TestCase
{
    use SendsFiles;

    private StaffMember $staff;

    protected function setUp(): void
    {
        parent::setUp();
        $this->be($this->staff = $this->staff(role: StaffRole::Lending), 'staff');
        DB::table('loan_rules')->insert(
            array_map(fn(string $group): array => ['library_id' => $this->library()->id, 'patron_group' => $group], [
                'student',
                'teacher',
            ]),
        );
        // Hashing takes a quarter of a second each in earnest.
        Hash::swap(new \Illuminate\Hashing\BcryptHasher(['rounds' => 4]));
    }

    /** @param  array<string, string>  $settings */
    private function send(string $csv, array $settings = []): CardImport
    {
        $id = $this->sendFile('class.csv', $csv);
        $this->post('/desk/patrons/files', $settings + ['uploads' => $id, 'group' => 'student'])->assertRedirect();
        $this->workThroughQueue('imports');

        return CardImport::query()->latest('id')->firstOrFail();
    }

    private function apply(CardImport $import): void
    {
        $this->post("/desk/patrons/files/{$import->id}/apply")->assertSessionMissing('refusal');
        $this->workThroughQueue('imports');
        $this->assertSame('applied', $import->refresh()->stage);
    }

    /** @return array<string, int> */
    private function counts(CardImport $import): array
    {
        return $import->rows()->groupBy('outcome')->selectRaw('outcome, count(*) n')->pluck('n', 'outcome')->all();
    }

    /** @return list<string> "number name group class until" of all cards */
    private function cards(): array
    {
        return array_values(
            Card::query()
                ->with('person')
                ->orderBy('number')
                ->get()
                ->map(
                    fn(Card $c): string => implode(' ', [
                        $c->number,
                        $c->person->name,
                        $c->patron_group,
                        $c->class ?? '-',
                        $c->expires_at?->setTimezone('Atlantic/Azores')->format('Y-m-d') ?? '-',
                    ]),
                )
                ->all(),
        );
    }

    public function test_a_class_list_is_looked_at_taken_in_and_lets_pupils_in(): void
    {
        $import = $this->send(
            "Card number,Name,Class,PIN\n701,Ida Marsh,7b,4071\n702,Íñigo Sáez,7b,\n,Wren Okoro,7c,\n",
        );
        $this->assertSame(['new' => 3], $this->counts($import));
        $this->assertSame(0, Card::query()->count(), 'nothing is changed yet');
        $this->get("/desk/patrons/files/{$import->id}")
            ->assertOk()
            ->assertSee('Ida Marsh')
            ->assertSee('3 cards');
        $this->apply($import);
        $this->assertSame(
            ['10000001 Wren Okoro student 7c -', '701 Ida Marsh student 7b -', '702 Íñigo Sáez student 7b -'],
            $this->cards(),
        );
        $csv = $this->get("/desk/patrons/files/{$import->id}/pins.csv")
            ->assertOk()
            ->streamedContent();
        $this->assertSame(1, preg_match('/^702,"Íñigo Sáez",7b,(\d{6})\r$/mu', $csv, $pin));
        $this->assertStringNotContainsString('4071', $csv, 'a PIN that the file says is known');
        $this->assertStringNotContainsString($pin[1], (string) json_encode(DB::table('card_import_rows')->get()));

        $this->app['auth']->forgetGuards();
        $this->flushSession();
        Auth::shouldUse('web');
        foreach (['701' => '4071', '702' => $pin[1]] as $number => $code) {
            $this->withUnencryptedCookie('library', 'saltmere')
                ->post('/sign-in', ['number' => (string) $number, 'pin' => $code])
                ->assertRedirect('/porch');
            $this->post('/sign-out');
        }
        $this->be($this->staff, 'staff')->post("/desk/patrons/files/{$import->id}/pins/forget");
        $this->assertSame(0, $import->rows()->whereNotNull('pin')->count());
    }

    public function test_the_same_file_again_does_nothing(): void
    {
        $csv = "Name;Class;Good until\nIda Marsh;7b;30.6.2027\nTobias Reed;7b;2027-06-30\n";
        $this->apply($this->send($csv));
        $before = $this->cards();
        $again = $this->send($csv);
        $this->assertSame(['same' => 2], $this->counts($again));
        $this->get("/desk/patrons/files/{$again->id}")->assertSee('there is nothing to change');
        $this->assertSame($before, $this->cards());
        $this->assertSame('10000001 Ida Marsh student 7b 2027-06-30', $before[0]);
    }

    public function test_a_years_change_moves_ends_and_brings_back_and_is_undone_as_a_whole(): void
    {
        $this->apply($this->send("Number,Name,Class,Mail\n1,Ada,7b,ada@l.example\n2,Ben,7b,\n3,Cy,7b,\n4,Dot,8a,\n"));
        Card::query()
            ->where('number', '4')
            ->update(['expires_at' => $this->now()->subMonth()]);
        $this->card(group: 'teacher');
        $before = $this->cards();
        $year = $this->send("Number,Name,Class,Mail\n1,Ada Marsh,7b,\n2,Ben,8b,\n4,Dot,,\n5,Eve,7b,\n", [
            'leavers' => 'student',
            'expires' => '2027-07-15',
        ]);
        $counts = $this->counts($year);
        ksort($counts);
        $this->assertSame(['changed' => 2, 'left' => 1, 'moved' => 1, 'new' => 1], $counts);
        $this->get("/desk/patrons/files/{$year->id}?outcome=moved")->assertSee('Class: 7b → 8b');
        $this->get("/desk/patrons/files/{$year->id}?outcome=left")->assertSee('Cy');
        $this->apply($year);
        $today = $this->now()->setTimezone('Atlantic/Azores')->format('Y-m-d');
        $this->assertSame(
            [
                '1 Ada Marsh student 7b 2027-07-15',
                '2 Ben student 8b 2027-07-15',
                "3 Cy student 7b {$today}",
                '4 Dot student 8a 2027-07-15',
                '5 Eve student 7b 2027-07-15',
            ],
            array_values(array_filter($this->cards(), fn(string $c): bool => !str_contains($c, 'teacher'))),
        );
        $this->assertSame('ada@l.example', Person::query()->where('name', 'Ada Marsh')->sole()->email);

        $this->post("/desk/patrons/files/{$year->id}/undo")->assertSessionMissing('refusal');
        $this->workThroughQueue('imports');
        $this->assertSame($before, $this->cards());
        $this->assertSame(['undone', 0], [$year->refresh()->stage, Person::query()->where('name', 'Eve')->count()]);
        $this->post("/desk/patrons/files/{$year->id}/undo")->assertSessionHas('refusal');
    }

    public function test_undoing_leaves_what_is_in_use_or_was_changed_since(): void
    {
        $first = $this->send("Number,Name,Class\n1,Ada,7b\n2,Ben,7b\n");
        $this->apply($first);
        $second = $this->send("Number,Name,Class\n1,Ada,8b\n2,Ben,8b\n");
        $this->apply($second);
        $this->licence($title = $this->title());
        $ben = Card::query()->where('number', '2')->sole();
        $this->post("/desk/cards/{$ben->id}", ['name' => 'Ben', 'group' => 'student', 'class' => '9z']);
        $this->borrow($ben, $title);
        foreach ([$second, $first] as $import) {
            $this->post("/desk/patrons/files/{$import->id}/undo");
            $this->workThroughQueue('imports');
        }
        $this->assertSame(['2 Ben student 9z -'], $this->cards());
        $this->get("/desk/patrons/files/{$first->id}")
            ->assertSee('One card stays as it is')
            ->assertSee('on loan');
        $this->assertEveryCountIsTrue();
    }

    public function test_each_line_that_cannot_be_is_refused_and_the_others_go_on(): void
    {
        $this->card($this->library('larkspur'), person: ($here = $this->card(group: 'student'))->person);
        Person::query()->create(['name' => 'Twin']);
        foreach ([1, 2] as $n) {
            $this->card(person: Person::query()->create(['name' => 'Same Name']));
        }
        $lines = [
            'x1,Good One,student,,',
            'x2,,student,,',
            'x/3,Bad Number,student,,',
            'x4,Bad Mail,student,nowhere,',
            'x5,Bad Group,pirate,,',
            'x6,Bad Day,student,,31/12/2027',
            'x1,Twice,student,,',
            ',Same Name,student,,',
            'x8,' . str_repeat('x', 121) . ',student,,',
            "{$here->number},Renamed Elsewhere,STUDENT,,",
            'x9,"Quoted, with ""marks""",Teacher,q@l.example,2027-06-30',
        ];
        $import = $this->send("number,name,group,mail,expires\n" . implode("\n", $lines) . "\n");
        $whys = $import->rows()->whereNotNull('why')->orderBy('line')->pluck('why', 'line')->all();
        $this->assertSame(
            [
                3 => 'no_name',
                4 => 'bad_number',
                5 => 'bad_email',
                6 => 'no_group',
                7 => 'bad_day',
                8 => 'twice',
                9 => 'which_one',
                10 => 'long_name',
            ],
            $whys,
        );
        $page = $this->get("/desk/patrons/files/{$import->id}?outcome=refused")->assertOk();
        foreach (['There is no name.', 'No rule here knows that group.', 'stands further up'] as $words) {
            $page->assertSee($words);
        }
        $this->assertSame(
            ['new' => 2, 'refused' => 8, 'same' => 1],
            collect($this->counts($import))->sortKeys()->all(),
        );
        $this->apply($import);
        $this->assertContains('x9 Quoted, with "marks" teacher - 2027-06-30', $this->cards());
    }

    /** @return iterable<string, array{string, string}> */
    public static function unreadable(): iterable
    {
        yield 'a spreadsheet' => ["PK\x03\x04rest", 'own file'];
        yield 'a picture' => ["\x89PNG\r\n\x1A\n\0\0\0", 'no text'];
        yield 'no columns' => ["a,b,c\n1,2,3\n", 'a, b, c'];
        yield 'the same twice' => ["name,mail,e-mail\nx,y,z\n", 'e-mail'];
        yield 'nothing in it' => ["name\n", 'nothing below'];
        yield 'no line' => ["\n\n", 'nothing below'];
        yield 'a mark that does not end' => ["name,number\n\"Ida,1\n" . str_repeat("Ben,2\n", 3000), 'line 2'];
    }

    #[DataProvider('unreadable')]
    public function test_a_file_that_is_no_table_is_refused_with_what_to_do(string $bytes, string $words): void
    {
        $import = $this->send($bytes);
        $this->assertSame('unreadable', $import->stage);
        $this->get("/desk/patrons/files/{$import->id}")
            ->assertOk()
            ->assertSee($words);
        $this->post("/desk/patrons/files/{$import->id}/discard")->assertRedirect('/desk/patrons/files');
        $this->assertSame(0, CardImport::query()->count());
    }

    /** @return iterable<string, array{string}> */
    public static function writings(): iterable
    {
        $rows = "Número de carné;Nombre;Apellidos;Clase\r\n7;Íñigo;Sáez Núñez;7ñ\r\n";
        yield 'UTF-8 with its mark' => ["\xEF\xBB\xBF" . $rows];
        yield 'Windows-1252' => [(string) mb_convert_encoding($rows, 'Windows-1252', 'UTF-8')];
        yield 'UTF-16, little end first' => ["\xFF\xFE" . mb_convert_encoding($rows, 'UTF-16LE', 'UTF-8')];
        yield 'UTF-16, big end first' => ["\xFE\xFF" . mb_convert_encoding($rows, 'UTF-16BE', 'UTF-8')];
        yield 'accents put together' => [(string) \Normalizer::normalize($rows, \Normalizer::FORM_C)];
        yield 'tabs and lone line feeds' => [str_replace([';', "\r\n"], ["\t", "\n"], $rows)];
        yield 'lone carriage returns' => [str_replace("\r\n", "\r", $rows)];
        yield 'spaces around' => [str_replace(';', " ;\u{A0}", $rows)];
    }

    #[DataProvider('writings')]
    public function test_files_are_read_however_spreadsheets_write_them(string $bytes): void
    {
        $this->apply($this->send($bytes));
        $this->assertSame(['7 Íñigo Sáez Núñez student 7ñ -'], $this->cards());
    }

    public function test_what_changed_between_looking_and_taking_in_is_not_overwritten(): void
    {
        $this->apply($this->send("Number,Name,Class\n1,Ada,7b\n"));
        $import = $this->send("Number,Name,Class\n1,Ada,8b\n2,Ben,8b\n");
        Card::query()
            ->where('number', '1')
            ->update(['class' => '9a']);
        $this->card()->update(['number' => '2']);
        $this->apply($import);
        $this->assertSame(['meanwhile', 'taken'], $import->rows()->orderBy('line')->pluck('why')->all());
        $this->assertContains('1 Ada student 9a -', $this->cards());
        // Two windows.
        $this->post("/desk/patrons/files/{$import->id}/apply")->assertSessionHas('refusal');
    }

    public function test_an_import_that_was_ended_from_without_goes_on_where_it_was(): void
    {
        $lines = implode('', array_map(fn(int $n): string => "{$n},Pupil {$n}\n", range(1, 25)));
        $import = $this->send("Number,Name\n{$lines}");
        $this->post("/desk/patrons/files/{$import->id}/apply");
        // Ten were done when it was killed: the job comes again.
        $this->card()->update(['number' => 'keeper']);
        $job = DB::table('jobs')->first();
        $this->workThroughQueue('imports');
        DB::table('jobs')->insert((array) $job);
        CardImport::query()->update(['stage' => 'applying']);
        $import
            ->rows()
            ->where('line', '>', 12)
            ->update(['done' => false, 'card_id' => null]);
        Card::query()->whereIn('number', array_map(strval(...), range(12, 25)))->delete();
        $this->workThroughQueue('imports');
        $this->assertSame(['applied', 25], [$import->refresh()->stage, $import->rows()->where('done', true)->count()]);
        $this->assertSame(26, Card::query()->count());
    }

    public function test_files_and_pins_are_kept_for_no_longer_than_is_said(): void
    {
        $import = $this->send("Number,Name\n1,Ada\n");
        $this->apply($import);
        $this->travel(8)->days();
        Artisan::call('privacy:keep-terms');
        $this->assertSame([1, 0], [CardImport::query()->count(), $import->rows()->whereNotNull('pin')->count()]);
        $this->travel(23)->days();
        Artisan::call('privacy:keep-terms');
        $this->assertSame([0, 0], [CardImport::query()->count(), DB::table('card_import_rows')->count()]);
    }
}
