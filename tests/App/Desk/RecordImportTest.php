<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Models\Licence;
use App\Models\RecordImport;
use App\Models\RecordImportRow;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Desk\StaffRole;
use FigPorch\Core\Exchange\Marc\Iso2709;
use FigPorch\Core\Exchange\Marc\MarcOfRecord;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** Records from a file at the Desk: sent, looked at, some left out, taken in, sent again. */
final class RecordImportTest extends TestCase
{
    use SendsFiles;

    protected function setUp(): void
    {
        parent::setUp();
        $this->be($this->staff(role: StaffRole::Catalogue), 'staff');
    }

    private static function iso(int $n, string $name, string $publisher = 'Gullwing Press'): string
    {
        $record = new Record(
            key: "isbn:978000000000{$n}",
            format: Format::Ebook,
            name: $name,
            contributors: [['name' => 'Wren Ash', 'sort' => 'Ash, Wren', 'role' => 'author']],
            extent: 100,
            publisher: $publisher,
        );

        return Iso2709::write(MarcOfRecord::of($record, (string) $n, null, new DateTimeImmutable('2026-05-01')));
    }

    /** @param  array<string, string>  $more */
    private function send(string $file, array $more = []): RecordImport
    {
        $id = $this->sendFile('records.mrc', $file);
        $this->post('/desk/files/records', ['uploads' => $id, 'licence' => 'none', ...$more])->assertRedirect();
        $this->workThroughQueue('imports');

        return RecordImport::query()->latest('id')->firstOrFail();
    }

    /** @return list<string> "number outcome" */
    private static function outcomes(RecordImport $import): array
    {
        return array_values(
            $import
                ->rows()
                ->orderBy('id')
                ->get()
                ->map(fn(RecordImportRow $of): string => "{$of->number} {$of->outcome}")
                ->all(),
        );
    }

    private function row(RecordImport $import, int $number): RecordImportRow
    {
        return $import->rows()->where('number', $number)->sole();
    }

    public function test_a_file_is_looked_at_some_left_out_taken_in_and_said_in_the_trail(): void
    {
        $file = self::iso(1, 'Low Water') . "broken\x1D" . self::iso(2, 'Spring Tide') . self::iso(3, 'Neap');
        $import = $this->send($file, ['licence' => 'one_copy_one_user', 'copies' => '2', 'price' => '10']);
        $this->assertSame(
            ['read', ['1 new', '2 refused', '3 new', '4 new']],
            [$import->stage, self::outcomes($import)],
        );
        $this->assertSame(0, Title::query()->count(), 'looked at, nothing is changed');
        $this->get("/desk/files/records/{$import->id}")
            ->assertOk()
            ->assertSee('Take in 3 records')
            ->assertSee('Low Water');
        $this->get("/desk/files/records/{$import->id}?outcome=refused")
            ->assertOk()
            ->assertSee('does not begin as a MARC record');

        $this->post("/desk/files/records/{$import->id}/choose", [
            'row' => (string) $this->row($import, 4)->id,
            'chosen' => '0',
            'outcome' => 'new',
        ])->assertRedirect();
        $this->post("/desk/files/records/{$import->id}/apply")->assertSessionMissing('refusal');
        // Somebody clicks once more.
        $this->post("/desk/files/records/{$import->id}/apply")->assertSessionHas('refusal');
        $this->workThroughQueue('imports');
        $this->assertSame('applied', $import->refresh()->stage);
        $this->assertSame(['Low Water', 'Spring Tide'], Title::query()->orderBy('id')->pluck('name')->all());
        $this->assertSame([2, 2], Licence::query()->pluck('copies')->all());
        $this->get("/desk/files/records/{$import->id}")
            ->assertOk()
            ->assertSee('Taken in')
            ->assertSee('Left out');
        $change = DB::table('desk_changes')->where('what', 'records_imported')->sole();
        $this->assertSame([null, 2], json_decode((string) $change->facts, true)['records_new']);
        $this->be($this->staff(), 'staff');
        $this->get('/desk/trail')->assertOk()->assertSee('Took records in from a file');

        $this->be($this->staff(role: StaffRole::Catalogue), 'staff');
        $again = $this->send($file);
        $this->assertSame(['1 unchanged', '2 refused', '3 unchanged', '4 new'], self::outcomes($again));
    }

    public function test_what_is_of_other_libraries_is_not_changed_and_what_one_brought_is_ones_own(): void
    {
        $import = $this->send(self::iso(1, 'Low Water'));
        $this->post("/desk/files/records/{$import->id}/apply");
        $this->workThroughQueue('imports');
        // Without a licence, what one brought can still be corrected.
        $mine = $this->send(self::iso(1, 'Low Water, corrected'));
        $this->assertSame(['1 changed'], self::outcomes($mine));
        $this->assertSame(['name'], $this->row($mine, 1)->fields);
        $title = Title::query()->sole();
        $this->get("/desk/titles/{$title->id}/record")->assertOk();

        $this->be($this->staff($this->library('larkspur'), StaffRole::Catalogue), 'staff');
        $theirs = $this->send(self::iso(1, 'Not theirs'));
        $this->assertSame(['1 refused'], self::outcomes($theirs));
        $this->post("/desk/files/records/{$theirs->id}/choose", [
            'row' => (string) $this->row($theirs, 1)->id,
            'chosen' => '1',
        ])->assertSessionHas('refusal');
        $this->post("/desk/files/records/{$theirs->id}/apply");
        $this->workThroughQueue('imports');
        $this->assertSame('Low Water', $title->refresh()->name);
        $this->get("/desk/files/records/{$mine->id}")->assertNotFound();
    }

    public function test_what_came_in_meanwhile_is_seen_and_what_may_be_another_is_chosen_by_hand(): void
    {
        $first = $this->send(self::iso(1, 'Low Water'));
        $second = $this->send(self::iso(2, 'Low Water'));
        $this->assertSame(['1 new'], self::outcomes($second));
        $this->post("/desk/files/records/{$first->id}/apply");
        $this->workThroughQueue('imports');
        $this->post("/desk/files/records/{$second->id}/apply");
        $this->workThroughQueue('imports');
        // The second may be the first by now: nobody has said that it is another.
        $this->assertSame(['1 refused'], self::outcomes($second->refresh()));
        $this->assertSame(1, Title::query()->count());

        $third = $this->send(self::iso(2, 'Low Water'));
        $this->assertSame(['1 doubtful'], self::outcomes($third));
        $this->assertFalse($this->row($third, 1)->chosen);
        $this->get("/desk/files/records/{$third->id}")
            ->assertOk()
            ->assertSee('Take in as another title');
        $this->post("/desk/files/records/{$third->id}/choose", [
            'row' => (string) $this->row($third, 1)->id,
            'chosen' => '1',
            'outcome' => 'doubtful',
        ]);
        $this->post("/desk/files/records/{$third->id}/apply");
        $this->workThroughQueue('imports');
        $this->assertSame(2, Title::query()->count());
    }

    public function test_a_doubtful_record_can_be_that_title(): void
    {
        $first = $this->send(self::iso(1, 'Low Water', publisher: 'Old'));
        $this->post("/desk/files/records/{$first->id}/apply");
        $this->workThroughQueue('imports');
        $title = Title::query()->sole();
        $second = $this->send(self::iso(2, 'LOW WATER', publisher: 'New'));
        $this->post("/desk/files/records/{$second->id}/choose", [
            'row' => (string) $this->row($second, 1)->id,
            'chosen' => 'as_title',
            'outcome' => 'doubtful',
        ])->assertSessionMissing('refusal');
        $this->get("/desk/files/records/{$second->id}")
            ->assertOk()
            ->assertSee('Taken as that title');
        $this->post("/desk/files/records/{$second->id}/apply");
        $this->workThroughQueue('imports');
        $this->assertSame(1, Title::query()->count());
        $title->refresh();
        $this->assertSame(
            ['LOW WATER', 'New', 'isbn:9780000000001'],
            [$title->name, $title->publisher, $title->record_key],
        );
        // One that is new is no other title.
        $third = $this->send(self::iso(3, 'Neap'));
        $this->post("/desk/files/records/{$third->id}/choose", [
            'row' => (string) $this->row($third, 1)->id,
            'chosen' => 'as_title',
        ])->assertSessionHas('refusal');
    }

    /** Whose record it is does not change by bringing one that says the same. */
    public function test_a_record_that_says_what_is_there_gives_no_say_over_a_title_of_others(): void
    {
        $first = $this->send(self::iso(1, 'Low Water'));
        $this->post("/desk/files/records/{$first->id}/apply");
        $this->workThroughQueue('imports');
        $title = Title::query()->sole();
        $this->be($this->staff($this->library('larkspur'), StaffRole::Catalogue), 'staff');
        $theirs = $this->send(self::iso(2, 'Low Water'));
        $this->post("/desk/files/records/{$theirs->id}/choose", [
            'row' => (string) $this->row($theirs, 1)->id,
            'chosen' => 'as_title',
        ])->assertSessionMissing('refusal');
        $this->post("/desk/files/records/{$theirs->id}/apply");
        $this->workThroughQueue('imports');
        $this->assertSame('applied', $theirs->refresh()->stage);
        $this->get("/desk/titles/{$title->id}/record")->assertForbidden();
        $this->assertSame(['1 refused'], self::outcomes($this->send(self::iso(1, 'Not theirs'))));
        $this->get('/desk/files/records/' . RecordImport::query()->max('id') . '?outcome=refused')
            ->assertOk()
            ->assertSee('This record is edited by the libraries that have the title.');
    }

    public function test_what_is_no_file_of_records_says_so_and_is_put_away(): void
    {
        $import = $this->send('Dear library, here are our records.');
        $this->assertSame('unreadable', $import->stage);
        $this->get("/desk/files/records/{$import->id}")
            ->assertOk()
            ->assertSee('neither ONIX, MARCXML nor ISO 2709')
            ->assertSee('Send it as MARC 21, ONIX 3.0, or a table (CSV)');
        $this->post("/desk/files/records/{$import->id}/discard")->assertRedirect('/desk/files/records');
        $this->assertSame(0, RecordImport::query()->count());
        // Left for a month, it goes when the next one comes.
        $left = $this->send(self::iso(1, 'Low Water'));
        $left->update(['asked_at' => $this->now()->subDays(31)]);
        $this->send(self::iso(2, 'Spring Tide'));
        $this->assertModelMissing($left);
        $this->post('/desk/files/records', ['licence' => 'none', 'uploads' => 'x'])->assertSessionHas('refusal');
        $this->post('/desk/files/records', ['licence' => 'one_copy_one_user', 'copies' => '0'])->assertSessionHasErrors(
            ['copies', 'price'],
        );
    }

    public function test_a_record_that_breaks_is_said_and_stops_none_of_the_others(): void
    {
        $import = $this->send(self::iso(1, 'One') . self::iso(2, 'Two') . self::iso(3, 'Three'));
        DB::unprepared(
            "create function refuse_two() returns trigger language plpgsql as 'begin raise exception ''no''; end';
            create trigger refused before insert on titles for each row when (new.name = 'Two')
                execute function refuse_two();",
        );
        try {
            $this->post("/desk/files/records/{$import->id}/apply");
            $this->workThroughQueue('imports');
        } finally {
            DB::unprepared('drop trigger refused on titles; drop function refuse_two()');
        }
        $this->assertSame(
            ['applied', ['1 new', '2 refused', '3 new']],
            [$import->refresh()->stage, self::outcomes($import)],
        );
        $this->assertSame(['One', 'Three'], Title::query()->orderBy('id')->pluck('name')->all());
    }

    public function test_the_librarys_own_records_are_a_file(): void
    {
        $this->licence($this->title('Low Water'));
        $this->licence($this->title('Elsewhere'), library: $this->library('larkspur'));
        foreach (['marc', 'marcxml'] as $form) {
            $file = $this->get("/desk/files/records/all.{$form}")
                ->assertOk()
                ->streamedContent();
            $this->assertStringContainsString('Low Water', $file);
            $this->assertStringNotContainsString('Elsewhere', $file);
            $this->assertSame(['1 unchanged'], self::outcomes($this->send($file)));
        }
        $this->get('/desk/files/records/all.pdf')->assertNotFound();
    }

    public function test_columns_of_a_table_are_named_at_the_desk_and_what_is_wrong_is_said_in_its_language(): void
    {
        $table = "Obra,Escrito por,Cosa,isbn\nMarea baja,Íñigo Osei,zapato,9780306406157\nMarea alta,Íñigo Osei,,\n";
        $this->from('/desk/files/records')
            ->post('/desk/files/records', ['uploads' => '', 'licence' => 'none', 'columns' => 'Obra = shoe'])
            ->assertSessionHasErrors('columns');
        $this->assertStringContainsString('“shoe” is no column', session('errors')->first('columns'));
        $import = $this->send($table, ['columns' => "Obra = name\r\nEscrito por=author"]);
        $this->assertSame(['1 new', '2 refused'], self::outcomes($import));
        $this->assertSame('Marea baja', $import->rows()->first()?->name);
        $this->assertHtml(
            $this->withUnencryptedCookie('locale', 'es')->get("/desk/files/records/{$import->id}?outcome=refused"),
            '«Marea alta» no tiene ni clave ni ISBN: nadie podría reconocerlo.',
        );
    }

    public function test_two_of_one_work_in_a_file_are_said_before_any_of_them_is_taken_in(): void
    {
        $import = $this->send(self::iso(1, 'Low Water') . self::iso(2, 'Low Water'));
        $this->assertSame(['1 new', '2 doubtful'], self::outcomes($import));
        $page = $this->get("/desk/files/records/{$import->id}?outcome=doubtful")
            ->assertSee('may be record 1 of this file')
            ->assertDontSee('It is that title');
        $this->assertStringContainsString('Take in as another title', (string) $page->getContent());
        $this->post("/desk/files/records/{$import->id}/apply");
        $this->workThroughQueue('imports');
        $this->assertSame(1, Title::query()->count());
        // Chosen, it is one of its own.
        $again = $this->send(self::iso(1, 'Low Water') . self::iso(2, 'Low Water'));
        $this->assertSame(['1 unchanged', '2 doubtful'], self::outcomes($again));
    }
}
