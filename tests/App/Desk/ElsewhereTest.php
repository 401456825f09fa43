<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Models\Batch;
use App\Models\Holding;
use App\Models\Link;
use App\Models\RecordImport;
use App\Models\StaffMember;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Holding as CoreHolding;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Desk\StaffRole;
use FigPorch\Core\Exchange\Marc\Iso2709;
use FigPorch\Core\Exchange\Marc\MarcField;
use FigPorch\Core\Exchange\Marc\MarcOfRecord;
use FigPorch\Core\Exchange\Marc\MarcRecord;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

/** At the Desk: titles on paper and websites added, moved, taken away, and found dead. */
final class ElsewhereTest extends TestCase
{
    use SendsFiles;

    private StaffMember $member;

    protected function setUp(): void
    {
        parent::setUp();
        $this->be($this->member = $this->staff(role: StaffRole::Catalogue), 'staff');
    }

    private const BOOK = [
        'format' => 'paper',
        'name' => 'The Ropewalks of Saltmere',
        'people' => "Edda Corrow\r\nWystan Gullick",
        'identifiers' => '0-306-40615-2',
        'published' => '1984',
        'language' => 'en',
        'audience' => 'adult',
        'subjects' => 'Local history',
        'place' => 'Upstairs',
        'call_number' => '677.7 COR',
        'copies' => '2',
        'numbers' => "31001, 31002\n31003",
    ];

    private function begun(): Title
    {
        return Title::query()->latest('id')->firstOrFail();
    }

    /** @return list<string> what the audit trail has of it, the latest first */
    private function trail(): array
    {
        return array_values(array_map(strval(...), DB::table('desk_changes')->orderByDesc('id')->pluck('what')->all()));
    }

    public function test_a_title_on_paper_is_added_and_found_by_patrons_at_once(): void
    {
        $this->get('/desk/holdings')->assertOk()->assertSee('Nothing on paper is written down yet.');
        $this->get('/desk/today')->assertSee('This library has no titles yet.');
        $this->assertHtml(
            $this->get('/desk/holdings/new?format=paper')->assertOk(),
            'Call number',
            'Numbers of the copies',
        );
        $this->post('/desk/holdings', self::BOOK)->assertRedirect("/desk/titles/{$this->begun()->id}/elsewhere");
        $title = $this->begun();
        $this->assertSame([Format::Paper, 'paper:isbn:9780306406157'], [$title->format, $title->record_key]);
        $this->assertSame(['Edda Corrow', 'Wystan Gullick'], $title->namesOf('author'));
        $holding = Holding::query()->firstOrFail();
        // As many copies as have a number.
        $this->assertSame([3, ['31001', '31002', '31003']], [$holding->copies, $holding->numbers]);
        $this->assertSame(['holding_changed'], $this->trail());
        $this->get('/desk/today')->assertDontSee('This library has no titles yet.');
        $this->get('/catalogue?q=ropewalks&library=saltmere')->assertSee('On paper at Saltmere, Upstairs, 677.7 COR');
        $this->assertHtml($this->get('/desk/holdings'), 'The Ropewalks of Saltmere', 'Upstairs, 677.7 COR');
        $this->get('/desk/titles?find=ropewalks')->assertSee('on paper, 3 copies');
        // The page of what is licensed leads to that of what is not.
        $this->get("/desk/titles/{$title->id}")->assertRedirect("/desk/titles/{$title->id}/elsewhere");
        $this->get("/desk/titles/{$title->id}/record")->assertOk();
    }

    public function test_the_same_book_of_another_library_is_one_title_with_two_shelves(): void
    {
        $this->post('/desk/holdings', self::BOOK);
        $title = $this->begun();
        $other = $this->staff($this->library('larkspur'), role: StaffRole::Catalogue);
        $this->be($other, 'staff');
        $this->post('/desk/holdings', [...self::BOOK, 'name' => 'Something else', 'place' => 'Ferry room'])
            ->assertRedirect("/desk/titles/{$title->id}/elsewhere")
            ->assertSessionHas('said', fn(string $said): bool => str_contains($said, 'in the catalogue already'));
        $this->assertSame([1, 2], [Title::query()->count(), Holding::query()->count()]);
        $this->assertSame('The Ropewalks of Saltmere', $title->refresh()->name);
        // Its record is of who had it first.
        $this->get("/desk/titles/{$title->id}/record")->assertForbidden();
        $holding = Holding::query()->where('library_id', $this->member->library_id)->firstOrFail();
        foreach (["/desk/holdings/{$holding->id}", "/desk/holdings/{$holding->id}/remove"] as $address) {
            $this->post($address, ['place' => 'Gone'])->assertNotFound();
        }
        $this->assertSame('Upstairs', $holding->refresh()->place);
    }

    public function test_a_shelf_is_changed_and_two_of_one_name_become_one(): void
    {
        $this->post('/desk/holdings', self::BOOK);
        $title = $this->begun();
        $this->post("/desk/titles/{$title->id}/holdings", ['place' => 'Annexe', 'copies' => '1'])->assertSessionHas(
            'said',
        );
        [$upstairs, $annexe] = Holding::query()->orderBy('id')->get()->all();
        $this->post("/desk/holdings/{$annexe->id}", ['place' => 'Cellar', 'call_number' => 'X', 'copies' => '4']);
        $this->assertSame(['Cellar', 'X', 4], [$annexe->refresh()->place, $annexe->call_number, $annexe->copies]);
        $this->post("/desk/holdings/{$annexe->id}", [
            'place' => 'Upstairs',
            'call_number' => '677.7 COR',
            'copies' => '5',
        ]);
        $this->assertSame(1, Holding::query()->count());
        $this->assertSame(5, $upstairs->refresh()->copies);
        $this->post("/desk/holdings/{$upstairs->id}/remove")->assertSessionHas('said');
        $this->assertSame(0, Holding::query()->count());
        $this->assertSame('holding_removed', $this->trail()[0]);
        $this->get("/desk/titles/{$title->id}/elsewhere")->assertSee('It is not at this library.');
        $this->get('/desk/titles?find=ropewalks')->assertSee('not here any more');
    }

    /**
     * @return iterable<string, array{array<string, string>, string}> what is written otherwise, and the field that is
     *     wrong
     */
    public static function wrong(): iterable
    {
        yield 'no name' => [['name' => ''], 'name'];
        yield 'no place' => [['place' => ' '], 'place'];
        yield 'no copies' => [['copies' => '0'], 'copies'];
        yield 'too many copies' => [['copies' => '1000'], 'copies'];
        yield 'copies in words' => [['copies' => 'two'], 'copies'];
        yield 'a mistyped number' => [['identifiers' => '0-306-40615-3'], 'identifiers'];
        yield 'a date that is none' => [['published' => 'last year'], 'published'];
        yield 'no address' => [['format' => 'website', 'address' => 'tides.example', 'open_to' => 'card'], 'address'];
        yield 'a script' => [
            ['format' => 'website', 'address' => 'javascript:alert(1)', 'open_to' => 'card'],
            'address',
        ];
        yield 'for nobody' => [
            ['format' => 'website', 'address' => 'https://tides.example', 'open_to' => ''],
            'open_to',
        ];
    }

    /** @param  array<string, string>  $otherwise */
    #[DataProvider('wrong')]
    public function test_what_is_wrong_is_said_beside_its_field_and_nothing_is_lost(
        array $otherwise,
        string $field,
    ): void {
        $this->from('/desk/holdings/new')
            ->post('/desk/holdings', [...self::BOOK, ...$otherwise])
            ->assertRedirect('/desk/holdings/new')
            ->assertSessionHasErrors([$field]);
        $this->assertSame([0, 0, 0], [Title::query()->count(), Holding::query()->count(), Link::query()->count()]);
        $this->assertSame(self::BOOK['people'], session()->getOldInput('people'));
    }

    public function test_a_website_is_added_changed_followed_and_taken_away(): void
    {
        $this->post('/desk/holdings', [
            'format' => 'website',
            'name' => 'Tide tables',
            'address' => 'HTTPS://Tides.Example/a b',
            'about' => 'High and low water',
            'open_to' => 'card',
        ])->assertSessionHas('said');
        $link = Link::query()->firstOrFail();
        $this->assertSame(['https://tides.example/a%20b', OpenTo::CardHolders], [$link->address, $link->open_to]);
        // The same website is the same title, whoever points to it.
        $this->post('/desk/holdings', [
            'format' => 'website',
            'name' => 'Tides',
            'address' => 'http://tides.example/a%20b',
            'open_to' => 'everybody',
        ]);
        $this->assertSame([1, 2], [Title::query()->count(), Link::query()->count()]);
        Link::query()->whereKeyNot($link->id)->delete();
        $dead = ['tries' => 5, 'trouble' => 'gone', 'dead_at' => $this->now(), 'asked_at' => $this->now()];
        $link->update([...$dead, 'moved_to' => 'https://tides.example/new']);
        $this->get('/desk/today')->assertSee('website that is not there any more');
        $this->assertHtml(
            $this->get('/desk/holdings?show=dead')->assertOk(),
            'there is nothing of this address',
            'https://tides.example/new',
        );
        $this->post("/desk/links/{$link->id}/follow")->assertSessionHas('said');
        // Of the new address nothing is known yet: it is looked at soon.
        $this->assertSame(
            ['https://tides.example/new', 0, null, null, null],
            [$link->refresh()->address, $link->tries, $link->trouble, $link->dead_at, $link->moved_to],
        );
        $this->assertTrue($link->ask_at <= $this->now());
        $this->get('/desk/today')->assertDontSee('website that is not there any more');
        $this->post("/desk/links/{$link->id}/follow")->assertSessionHas(
            'said',
            'It does not say any more that it has moved.',
        );
        $link->update([...$dead, 'ask_at' => $this->now()->addDays(7)]);
        $this->post("/desk/links/{$link->id}/look");
        $this->assertTrue($link->refresh()->ask_at <= $this->now());
        $this->post("/desk/links/{$link->id}", [
            'address' => $link->address,
            'about' => 'Tides',
            'open_to' => 'building',
        ]);
        $this->assertSame(
            ['Tides', OpenTo::InTheBuilding, 'gone'],
            [$link->refresh()->about, $link->open_to, $link->trouble],
        );
        $this->post("/desk/links/{$link->id}/remove");
        $this->assertSame(0, Link::query()->count());
        $this->assertSame('link_removed', $this->trail()[0]);
        $this->get('/desk/trail?find=tide')->assertDontSee('holdings_desk.');
    }

    public function test_what_is_not_lent_has_no_licence_order_or_file_at_the_desk(): void
    {
        $this->be($this->staff(), 'staff');
        $title = $this->title('On paper', Format::Paper, onOrder: true);
        $this->standsElsewhere($title);
        foreach (['order', 'change?do=add&model=one_copy_one_user&copies=1', 'file'] as $page) {
            $this->get("/desk/titles/{$title->id}/{$page}")->assertNotFound();
        }
        $this->post("/desk/titles/{$title->id}/order")->assertNotFound();
        $this->post("/desk/titles/{$title->id}/change", ['do' => 'add', 'model' => 'simultaneous'])->assertNotFound();
        $this->post("/desk/titles/{$title->id}/links", [
            'address' => 'https://x.example',
            'open_to' => 'card',
        ])->assertNotFound();
        $this->post("/desk/titles/{$this->title()->id}/holdings", ['place' => 'Upstairs'])->assertNotFound();
        // In a batch it is said beside it, and the others get theirs.
        $lent = $this->title('On order', onOrder: true);
        $title->update(['isbn' => '9780306406157', 'numbers' => '{9780306406157}']);
        $lent->update(['isbn' => '9780131103627', 'numbers' => '{9780131103627}']);
        $this->post('/desk/batches', [
            'choose' => 'numbers',
            'numbers' => "9780306406157\n9780131103627",
            'what' => 'licence',
            'model' => 'simultaneous',
            'price' => '0',
        ])->assertSessionHasNoErrors();
        $this->workThroughQueue('imports');
        $batch = Batch::query()->latest('id')->firstOrFail();
        $this->get("/desk/batches/{$batch->id}?outcome=refused")->assertSee('it has no licences');
        $this->post("/desk/batches/{$batch->id}/apply");
        $this->workThroughQueue('imports');
        $this->assertSame(1, DB::table('licences')->where('title_id', $lent->id)->count());
        $this->assertSame(0, DB::table('licences')->where('title_id', $title->id)->count());
    }

    private function sent(string $file, string $links = ''): RecordImport
    {
        $id = $this->sendFile('records.mrc', $file);
        $this->post('/desk/files/records', [
            'uploads' => $id,
            'licence' => 'none',
            'links' => $links,
        ])->assertRedirect();
        $this->workThroughQueue('imports');

        return RecordImport::query()->latest('id')->firstOrFail();
    }

    public function test_a_shelf_list_is_looked_at_and_taken_in_at_the_desk_whoever_s_the_records_are(): void
    {
        $iso = fn(string $name, string $place): string => Iso2709::write(
            MarcOfRecord::of(
                new Record(
                    key: 'paper:isbn:9780306406157',
                    format: Format::Paper,
                    name: $name,
                    contributors: [],
                    extent: 90,
                    holdings: [new CoreHolding($place)],
                ),
                '1',
                null,
                new DateTimeImmutable('2026-05-01'),
            ),
        );
        $import = $this->sent($iso('Ropewalks', 'Upstairs'));
        $this->post("/desk/files/records/{$import->id}/apply");
        $this->workThroughQueue('imports');
        $this->assertSame(['Upstairs'], Holding::query()->pluck('place')->all());

        $this->be($this->staff($this->library('larkspur'), role: StaffRole::Catalogue), 'staff');
        $theirs = $this->sent($iso('Ropewalks, other', 'Ferry room'));
        $this->assertSame(
            ['changed', ['holdings']],
            [$theirs->rows()->first()?->outcome, $theirs->rows()->first()?->fields],
        );
        $this->assertHtml($this->get("/desk/files/records/{$theirs->id}"), 'where it stands');
        $this->post("/desk/files/records/{$theirs->id}/apply");
        $this->workThroughQueue('imports');
        $this->assertSame(['Ferry room', 'Upstairs'], Holding::query()->orderBy('place')->pluck('place')->all());
        $this->assertSame('Ropewalks', Title::query()->firstOrFail()->name);
        $again = $this->sent($iso('Ropewalks, other', 'Ferry room'));
        $this->assertSame(
            'refused',
            $again->rows()->first()?->outcome,
            'the record is others’, and the shelf is known',
        );
    }

    public function test_records_with_an_address_become_websites_where_that_is_chosen(): void
    {
        $marc = Iso2709::write(
            new MarcRecord('00000nam a2200000 c 4500', [
                MarcField::control('001', '1'),
                MarcField::control('007', 'cr |||'),
                MarcField::of('245', '00', a: 'Bells'),
                MarcField::of('856', '40', u: 'https://lender.example/1'),
            ]),
        );
        $this->assertSame('Bells', $this->sent($marc)->rows()->first()?->name);
        $import = $this->sent($marc, 'building');
        $this->post("/desk/files/records/{$import->id}/apply");
        $this->workThroughQueue('imports');
        $this->assertSame([OpenTo::InTheBuilding], Link::query()->get()->pluck('open_to')->all());
    }
}
