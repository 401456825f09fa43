<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\Records\SaveRecord;
use App\Catalogue\Rooms\LibraryRooms;
use App\Catalogue\Rooms\RoomSubjects;
use App\Catalogue\SimilarTitles\CountBorrowedTogether;
use App\Models\LibraryRoom;
use App\Models\StaffList;
use App\Models\Title;
use App\Shared\RequestContext;
use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Desk\StaffRole;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\App\TestCase;

/** Rooms, the lists in them, how they open, and what is like what. */
final class RoomTest extends TestCase
{
    /** @param  list<string>  $subjects */
    private function record(
        string $name,
        array $subjects = ['Fiction'],
        ?string $ages = null,
        ?string $series = null,
        ?float $position = null,
        string $author = 'Tamsin Ebbing',
    ): Title {
        $range = AgeRange::parse($ages);
        $title = app(SaveRecord::class)(
            new Record(
                key: 'test:' . ++$this->made,
                format: Format::Ebook,
                name: $name,
                contributors: [['name' => $author, 'sort' => $author, 'role' => 'author']],
                extent: 90,
                audience: $range?->audience() ?? Audience::Adult,
                subjects: $subjects,
                series: $series,
                seriesPosition: $position,
                ages: $range,
            ),
            $this->now(),
        );
        $this->fileOf($title);
        $this->licence($title);

        return $title;
    }

    private function staffList(string $name, string $room, ?string $words = null, Title ...$titles): StaffList
    {
        $list = StaffList::query()->create([
            'library_id' => $this->library()->id,
            'name' => $name,
            'room' => $room,
            'words' => $words,
            'position' => StaffList::query()->count(),
        ]);
        foreach (array_values($titles) as $n => $title) {
            $list->titles()->attach($title->id, ['position' => $n]);
        }

        return $list;
    }

    public function test_a_room_begins_with_an_index_of_its_lists_with_counts_and_counts_ready(): void
    {
        [$kite, $boat] = [$this->record('The Kite', ages: '6-8'), $this->record('The Boat', ages: '3-5')];
        $this->borrow($this->card(), $boat);
        $this->staffList('Up and away', 'children', null, $kite, $boat);
        $this->staffList('Made of searching', 'children', 'title:kite OR title:nothing');
        $this->staffList('Elsewhere', 'study', null, $kite);
        $this->get('/rooms/children?library=saltmere')
            ->assertOk()
            ->assertSeeInOrder([
                'Lists in this room',
                'Up and away',
                '2 titles · 1 ready now',
                'Made of searching',
                '1 title · all ready now',
                'The Kite',
                'The Boat',
            ])
            ->assertDontSee('Elsewhere');
        $this->get('/rooms')
            ->assertOk()
            ->assertSeeInOrder(['Children’s room', 'Up and away', 'Study room', 'Elsewhere']);
        $this->get('/rooms/attic')->assertNotFound();
        // Below the Porch they come by themselves.
        $this->actingAs($this->card()->person)
            ->get('/porch')
            ->assertSee('hx-get="/porch/lists"', false)
            ->assertDontSee('Up and away');
        $this->get('/porch/lists', ['HX-Request' => 'true'])
            ->assertSeeInOrder(['Up and away', '2 titles · 1 ready now'])
            ->assertDontSee('<html', false);
        StaffList::query()->delete();
        $this->get('/porch/lists')->assertSee('no list on show today');
    }

    public function test_a_list_opens_whole_with_filters_in_its_own_order(): void
    {
        [$a, $b, $c] = [$this->record('Aft'), $this->record('Bow'), $this->record('Crew')];
        $list = $this->staffList('On board', 'reading', null, $c, $a, $b);
        $this->get("/catalogue?list={$list->id}&library=saltmere")->assertSeeInOrder(
            ['On board', 'Crew</bdi>', 'Aft</bdi>', 'Bow</bdi>'],
            false,
        );
        $this->get("/catalogue?list={$list->id}&order=title&ready=1")->assertSeeInOrder(
            ['Aft</bdi>', 'Bow</bdi>', 'Crew</bdi>'],
            false,
        );
        $bySearch = $this->staffList('Found', 'reading', 'title:bow OR title:aft');
        $this->get("/catalogue?list={$bySearch->id}")
            ->assertSee('2 titles')
            ->assertSee('Bow</bdi>', false)
            ->assertDontSee('Crew</bdi>', false);
        $this->get("/catalogue?list={$bySearch->id}&q=bow&order=relevance")
            ->assertSee('Bow</bdi>', false)
            ->assertDontSee('Aft</bdi>', false);
    }

    public function test_a_list_shows_on_its_days_and_on_no_others_by_the_clock_of_the_library(): void
    {
        $this->staffList('Midsummer', 'reading', null, $this->record('Aft'))->update([
            'shows_from' => '2026-06-01',
            'shows_until' => '2026-06-30',
        ]);
        foreach (
            [
                '2026-05-31 23:30:00 Atlantic/Azores' => false,
                '2026-06-01 00:30:00 Atlantic/Azores' => true,
                '2026-06-30 23:30:00 Atlantic/Azores' => true,
                '2026-07-01 00:30:00 Atlantic/Azores' => false,
            ]
            as $at => $shows
        ) {
            $this->travelTo(\Carbon\CarbonImmutable::parse($at));
            $response = $this->get('/rooms/reading?library=saltmere');
            $shows ? $response->assertSee('Midsummer') : $response->assertDontSee('Midsummer');
        }
    }

    /** @param  string|null  $words  of a list made by a search; null for one made by hand */
    #[TestWith([null])]
    #[TestWith(['author:ebbing'])]
    public function test_a_room_opens_as_a_person_has_set_it_once(?string $words): void
    {
        $titles = [
            $this->record('The Kite', ['Fiction', 'Wind'], '6-8'),
            $this->record('The Egg', ['Non-fiction', 'Birds'], '9-12'),
            $this->record('The Nest', ['Non-fiction', 'Birds'], '6-8'),
        ];
        $this->staffList('Up and away', 'children', $words, ...$words === null ? $titles : []);
        $person = $this->card()->person;
        $this->actingAs($person)->get('/rooms/children?library=saltmere')->assertSee('3 titles');
        $this->post('/rooms/children', ['ages' => '6-8', 'kind' => 'facts'])->assertRedirect('/rooms/children');
        $this->get('/rooms/children')
            ->assertSee('ages 6–8')
            ->assertSee('1 title ·')
            ->assertSee('The Nest')
            ->assertDontSee('The Kite')
            ->assertDontSee('The Egg');
        $birds = (string) DB::table('subjects')->where('name', 'Birds')->value('id');
        $this->post('/rooms/children', ['ages' => 'all of them', 'kind' => 'x', 'subjects' => [$birds, 'one']]);
        $this->get('/rooms/children')->assertSee('2 titles ·')->assertDontSee('The Kite');
        $this->post('/rooms/children', ['clear' => '1']);
        $this->get('/rooms/children')->assertSee('3 titles');
        auth()->logout();
        $cookie =
            $this->post('/rooms/children', ['ages' => '9-12'])
                ->getCookie('rooms')
                ?->getValue() ?? $this->fail('It is kept in the browser.');
        $this->withCookie('rooms', $cookie)->get('/rooms/children')->assertSee('The Egg')->assertDontSee('The Nest');
    }

    public function test_staff_make_order_and_schedule_lists_of_their_own_library(): void
    {
        [$aft, $bow] = [$this->record('Aft'), $this->record('Bow')];
        $this->actingAs($this->staff(), 'staff')
            ->post('/desk/lists', [
                'name' => 'On board',
                'note' => 'For the crossing',
                'room' => 'reading',
                'made' => 'hand',
                'shows_from' => '2026-04-01',
            ])
            ->assertRedirect();
        $list = StaffList::query()->firstOrFail();
        foreach ([$aft, $bow] as $title) {
            $this->post("/desk/lists/{$list->id}/titles", ['do' => "add:{$title->id}"]);
        }
        $this->post("/desk/lists/{$list->id}/titles", ['do' => "up:{$bow->id}"]);
        $this->assertSame(['Bow', 'Aft'], $list->titles()->pluck('name')->all());
        $this->get("/desk/lists/{$list->id}?find=aft")
            ->assertOk()
            ->assertSee('on the list');
        $this->post("/desk/lists/{$list->id}/titles", ['do' => "take-off:{$aft->id}"]);
        $this->assertSame(['Bow'], $list->titles()->pluck('name')->all());

        $this->post("/desk/lists/{$list->id}", [
            'name' => 'On board',
            'room' => 'teen',
            'made' => 'search',
            'words' => 'title:aft',
        ])->assertSessionHasNoErrors();
        $this->get("/desk/lists/{$list->id}")
            ->assertSee('The search finds 1 title')
            ->assertSee('Aft');
        foreach ([1, 2] as $ignored) {
            $this->post('/desk/lists', ['name' => 'Second', 'room' => 'teen', 'made' => 'hand']);
        }
        $this->assertSame(2, StaffList::query()->count(), 'the same form sent twice makes one list');
        $second = StaffList::query()->where('name', 'Second')->firstOrFail();
        $this->post("/desk/lists/{$second->id}/shift", ['by' => 'up']);
        $this->get('/desk/lists')->assertSeeInOrder(['Second', 'On board']);
        $this->post("/desk/lists/{$second->id}/remove")->assertRedirect('/desk/lists');
        $this->assertSame(1, StaffList::query()->count());

        $this->actingAs($this->staff($this->library('hollow')), 'staff');
        $this->get("/desk/lists/{$list->id}")->assertNotFound();
        $this->post("/desk/lists/{$list->id}/remove")->assertNotFound();
        $this->post("/desk/lists/{$list->id}/titles", ['do' => "add:{$aft->id}"])->assertNotFound();
    }

    public function test_a_list_that_makes_no_sense_is_refused_with_what_to_do(): void
    {
        $this->actingAs($this->staff(), 'staff');
        foreach (
            [
                ['name' => ''],
                ['made' => 'search', 'words' => ''],
                ['shows_from' => '2026-06-31'],
                ['shows_from' => '2026-06-02', 'shows_until' => '2026-06-01'],
            ]
            as $wrong
        ) {
            $this->from('/desk/lists/new')
                ->post('/desk/lists', [...['name' => 'On board', 'room' => 'reading', 'made' => 'hand'], ...$wrong])
                ->assertRedirect('/desk/lists/new')
                ->assertSessionHasErrors();
        }
        $this->assertSame(0, StaffList::query()->count());
    }

    public function test_a_room_offers_what_titles_for_its_readers_are_most_about(): void
    {
        foreach ([['Birds', 'Tides'], ['Birds'], ['Birds', 'Boats'], ['Boats']] as $n => $subjects) {
            $this->record("For children {$n}", $subjects, ages: '6-9');
        }
        $this->record('For grown-ups', ['Taxes']);
        $library = $this->library();
        $of = fn(string $room): array => array_values(
            app(RoomSubjects::class)->of(
                $library->id,
                app(LibraryRooms::class)->find($library, $room) ?? $this->fail($room),
                $this->now(),
            ),
        );
        $this->assertSame(['Birds', 'Boats', 'Tides'], $of('children'));
        $room = LibraryRoom::query()->create([
            'library_id' => $library->id,
            'slug' => 'harbour',
            'names' => ['en' => 'Harbour'],
            'position' => 9,
        ]);
        $this->assertSame([], $of('harbour'));
        $this->staffList('Old boats', 'harbour', null, $this->record('A boat', ['Boats', 'Wood']));
        $this->assertSame(['Boats', 'Wood'], $of('harbour'));
    }

    public function test_others_like_it_share_series_people_and_subjects_and_can_be_had_here(): void
    {
        $title = $this->record(
            'The Long Tide',
            ['Tides', 'Fiction'],
            series: 'Tides of the Coast',
            position: 1,
            author: 'Maren Osei',
        );
        $this->record(
            'The Short Tide',
            ['Tides', 'Fiction'],
            series: 'Tides of the Coast',
            position: 2,
            author: 'Maren Osei',
        );
        $this->record('Another by Her', ['Cooking'], author: 'Maren Osei');
        $this->record('About Tides', ['Tides', 'Fiction'], author: 'Somebody Else');
        $this->record('Nothing of the Kind', ['Knitting'], author: 'Nobody Known');
        DB::table('licences')
            ->where(
                'title_id',
                $this->record('Gone', ['Tides', 'Fiction'], series: 'Tides of the Coast', author: 'Maren Osei')->id,
            )
            ->update(['ends_at' => $this->now()->subDay()]);
        $this->get("/titles/{$title->id}?library=saltmere")->assertSee("/titles/{$title->id}/alike", false);
        foreach ([[], ['HX-Request' => 'true']] as $headers) {
            $this->get("/titles/{$title->id}/alike?library=saltmere", $headers)
                ->assertOk()
                ->assertSeeInOrder(['The Short Tide', 'About Tides'])
                ->assertSee('Another by Her')
                ->assertDontSee('Nothing of the Kind')
                ->assertDontSee('Gone');
        }
    }

    public function test_what_the_same_people_borrowed_counts_from_ten_people_on(): void
    {
        [$one, $two, $three] = [$this->title('One'), $this->title('Two'), $this->title('Three')];
        foreach ([$one, $two, $three] as $title) {
            $this->licence($title, LicenceModel::Simultaneous);
        }
        for ($n = 1; $n <= CountBorrowedTogether::FEWEST_PEOPLE; $n++) {
            $card = $this->card();
            foreach ($n < CountBorrowedTogether::FEWEST_PEOPLE ? [$one, $two, $three] : [$one, $two] as $title) {
                $this->borrow($card, $title);
            }
        }
        $this->assertSame(2, app(CountBorrowedTogether::class)());
        $this->assertEqualsCanonicalizing(
            [[$one->id, $two->id, 10], [$two->id, $one->id, 10]],
            DB::table('title_neighbours')
                ->get()
                ->map(fn($row): array => [$row->title_id, $row->other_id, $row->people])
                ->all(),
        );
    }

    public function test_a_series_stands_in_order_with_what_is_next_for_this_person(): void
    {
        $titles = array_map(fn(int $n): Title => $this->record("Volume {$n}", series: 'Volumes', position: $n), [
            2,
            1,
            3,
        ]);
        $card = $this->card();
        $this->borrow($card, $titles[1]);
        $this->actingAs($card->person)
            ->get("/titles/{$titles[2]->id}?library=saltmere")
            ->assertSeeInOrder(['in order', 'Volume 1', 'borrowed before', 'Volume 2', 'Next for you', 'Volume 3']);
        auth()->logout();
        $this->get("/titles/{$titles[2]->id}")
            ->assertSee('in order')
            ->assertDontSee('Next for you');
    }

    public function test_a_series_says_of_each_whether_it_can_be_had_and_lends_it(): void
    {
        DB::table('loan_rules')->insert([
            'library_id' => $this->library()->id,
            'patron_group' => 'child',
            'audience_ceiling' => 'child',
        ]);
        [$one, $two, $three, $four, $five] = array_map(
            fn(int $n): Title => $this->record("Volume {$n}", series: 'Volumes', position: $n),
            range(1, 5),
        );
        DB::table('licences')->delete();
        foreach ([$one, $two] as $title) {
            $this->licence($title);
        }
        $this->borrow($this->card(), $two);
        // What the library has stands for a work before what it has not, whatever the format.
        $sound = $this->title('Volume 3', Format::Audiobook);
        $sound->update(['work_id' => $three->work_id, 'series_id' => $three->series_id, 'series_position' => 3]);
        $this->licence($sound, LicenceModel::Simultaneous);
        $this->licence($five);
        $this->actingAs(($card = $this->card())->person);
        $loan = $this->borrow($card, $five);
        $this->get("/titles/{$one->id}?library=saltmere")->assertSeeTextInOrder([
            'in order',
            'Volume 1',
            'Ready now',
            'Volume 2',
            'A wait',
            'Volume 3',
            'Always ready',
            'Borrow',
            'Volume 4',
            'Not here yet',
            'Volume 5',
            'On loan to you',
            'Read',
        ]);
        $this->get("/titles/{$one->id}")
            ->assertSee('<b><bdi>Volume 1</bdi></b>', false)
            ->assertSee("/titles/{$sound->id}/borrow", false)
            ->assertSee("/loans/{$loan->id}/read", false)
            ->assertDontSee("/titles/{$two->id}/borrow", false)
            ->assertDontSee("/titles/{$four->id}/borrow", false);
        // What is above a card's audience is not lent to it here either.
        $this->actingAs($this->card(group: 'child')->person)
            ->get("/titles/{$one->id}")
            ->assertDontSee("/titles/{$sound->id}/borrow", false);
    }

    public function test_a_library_makes_rooms_of_its_own_names_them_and_puts_them_in_order(): void
    {
        $this->staffList('Up and away', 'children', null, $this->record('Kite', ages: '6-8'));
        $theirs = LibraryRoom::query()->create([
            'library_id' => $this->library('dunmere')->id,
            'slug' => 'children',
            'names' => ['en' => 'Nursery'],
            'position' => 0,
        ]);
        $this->withUnencryptedCookie('library', 'saltmere');
        $this->be($this->staff(role: StaffRole::Lists), 'staff');
        $this->get('/desk/rooms')
            ->assertOk()
            ->assertSeeInOrder(['Children’s room', 'one list', 'Study room']);
        $this->get('/rooms')->assertSee('Children’s room')->assertSee('For courses');
        $form = [
            'name_en' => 'The Map Room',
            'about_en' => 'For navigators',
            'audience' => 'adult',
            'ages' => "6 – 8\n 9-12",
        ];
        $this->post('/desk/rooms', $form)->assertSessionHas('said');
        $this->post('/desk/rooms', $form)->assertSessionHas('said');
        $this->get('/rooms/the-map-room')
            ->assertOk()
            ->assertSee('The Map Room')
            ->assertSee('For navigators')
            ->assertSee('9–12')
            ->assertSee('audience=adult', false);
        $this->get('/rooms/the-map-room-2')->assertOk();
        $this->post('/desk/rooms/the-map-room/shift', ['by' => 'up']);
        $this->post('/desk/rooms/the-map-room/shift', ['by' => 'up']);
        $this->post('/desk/rooms/children', [
            'name_en' => 'Little ones',
            'audience' => 'child',
            'ages' => '',
        ])->assertSessionHas('said');
        $this->get('/rooms')->assertSeeInOrder([
            'Little ones',
            'Up and away',
            'Teen room',
            'The Map Room',
            'Reading room',
        ]);
        $cookie =
            $this->post('/rooms/the-map-room', ['ages' => '6-8', 'kind' => ''])
                ->assertSessionHas('said')
                ->getCookie('rooms')
                ?->getValue() ?? $this->fail('It is kept in the browser.');
        $this->withCookie('rooms', $cookie)->get('/rooms/the-map-room')->assertSee('ages 6–8');
        $this->assertSame(['en' => 'Nursery'], $theirs->refresh()->names, 'another library has its own of that name');
        // A list is put in it, and then it cannot go.
        $this->post('/desk/lists', ['name' => 'Charts', 'room' => 'the-map-room'])->assertSessionHasNoErrors();
        $this->assertSame('the-map-room', StaffList::query()->where('name', 'Charts')->sole()->room);
        $this->post('/desk/lists', ['name' => 'Nowhere', 'room' => 'attic'])->assertSessionHasErrors('room');
        $this->assertSame(0, StaffList::query()->where('name', 'Nowhere')->count());
        $this->post('/desk/rooms/the-map-room/remove')->assertSessionHas('refusal');
        $this->post('/desk/rooms/the-map-room-2/remove')->assertSessionHas('said');
        $this->get('/rooms/the-map-room-2')->assertNotFound();
        // At another library it is as it was, and this one's rooms are not there.
        $this->library('larkspur');
        $this->app->forgetScopedInstances();
        $this->app->make(RequestContext::class);
        $this->assertNull(app(LibraryRooms::class)->find($this->library('larkspur'), 'the-map-room'));
        $this->assertCount(4, app(LibraryRooms::class)->of($this->library('larkspur')));
    }

    public function test_what_a_room_cannot_be_is_refused_and_nothing_is_changed(): void
    {
        $this->be($this->staff(role: StaffRole::Lists), 'staff');
        $wrong = [
            'name_en' => [['name_en' => ' ']],
            'ages' => [
                ['name_en' => 'A', 'ages' => 'six'],
                ['name_en' => 'A', 'ages' => '8-6'],
                ['name_en' => 'A', 'ages' => '1-999'],
                ['name_en' => 'A', 'ages' => implode(',', array_fill(0, 9, '1-2'))],
            ],
        ];
        foreach ($wrong as $field => $forms) {
            foreach ($forms as $form) {
                $this->post('/desk/rooms', $form)->assertSessionHasErrors($field);
            }
        }
        $this->assertSame(0, LibraryRoom::query()->count());
        foreach (range(1, 8) as $n) {
            $this->post('/desk/rooms', ['name_en' => "Комната {$n}"])->assertSessionHas('said');
        }
        $this->post('/desk/rooms', ['name_en' => 'One too many'])->assertSessionHas('refusal');
        $this->assertSame(12, LibraryRoom::query()->count());
        foreach (LibraryRoom::query()->orderBy('id')->pluck('slug') as $slug) {
            $this->assertMatchesRegularExpression('/^[a-z0-9-]{1,40}$/', $slug);
            $this->get("/rooms/{$slug}")->assertOk();
            $this->post("/desk/rooms/{$slug}/remove");
        }
        $this->assertSame(1, LibraryRoom::query()->count(), 'the last one stays');
    }
}
