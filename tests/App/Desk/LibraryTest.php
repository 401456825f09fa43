<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Desk\Library\KeepLogo;
use App\Desk\Library\SharedLicences;
use App\Models\Library;
use App\Models\StaffList;
use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\View;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\App\TestCase;

/** What a library is, how it speaks and looks, what stands on its front door. */
final class LibraryTest extends TestCase
{
    private const SETTINGS = [
        'name' => 'Saltmere Library',
        'short_name' => 'Saltmere',
        'place' => 'Saltmere',
        'timezone' => 'Atlantic/Azores',
        'pin_contact' => 'the front desk',
        'language' => 'en',
        'other_languages' => '1',
        'currency' => 'EUR',
        'budget_month' => '1',
        'symbology' => 'code128',
    ];

    private StaffMember $director;

    protected function setUp(): void
    {
        parent::setUp();
        $this->be($this->director = $this->staff(), 'staff');
    }

    public function test_a_library_speaks_the_languages_that_it_says(): void
    {
        $this->asVisitor()
            ->get('/', ['Accept-Language' => 'es'])
            ->assertSee('Lo que hay en');
        $this->save(['language' => 'es', 'other_languages' => '']);
        $this->assertSame(['es'], $this->library()->refresh()->languages);
        // It has no other, whatever browser or card ask for.
        $this->asVisitor()
            ->get('/', ['Accept-Language' => 'en'])
            ->assertSee('Lo que hay en')
            ->assertDontSee('English');
        $this->save(['language' => 'es', 'other_languages' => '1']);
        $this->asVisitor()
            ->get('/', ['Accept-Language' => 'en'])
            ->assertSee('What Saltmere');
        // To who wants neither it speaks its first.
        $this->asVisitor()
            ->get('/', ['Accept-Language' => 'fi'])
            ->assertSee('Lo que hay en');
        $this->withUnencryptedCookie('locale', 'en')
            ->get('/', ['Accept-Language' => 'fi'])
            ->assertSee('What Saltmere');
    }

    public function test_what_is_no_setting_is_refused_and_nothing_is_changed(): void
    {
        $before = Library::query()->where('slug', 'saltmere')->firstOrFail()->toArray();
        foreach (
            [
                'currency' => ['currency' => 'XYQ'],
                'name' => ['name' => ' '],
                'timezone' => ['timezone' => 'Mars/Olympus'],
                'language' => ['language' => 'fi'],
                'budget_month' => ['budget_month' => '13'],
                'edi_number' => ['edi_number' => 'with spaces'],
                'quiet_from' => ['quiet_from' => '21:00', 'quiet_until' => '21:00'],
                'quiet_until' => ['quiet_from' => '21:00', 'quiet_until' => ''],
            ]
            as $field => $wrong
        ) {
            $this->save($wrong)->assertSessionHasErrors($field);
        }
        $this->assertSame($before, Library::query()->where('slug', 'saltmere')->firstOrFail()->toArray());
        $this->assertSame(0, DB::table('desk_changes')->count());
        $this->save(['currency' => 'gbp', 'budget_month' => '4', 'edi_number' => 'GLN-1'])->assertSessionHasNoErrors();
        $facts = (string) DB::table('desk_changes')->value('facts');
        $this->assertStringContainsString('"library_currency": ["EUR", "GBP"]', $facts);
        $this->get('/desk/trail')->assertSee('Changed the library')->assertSee('Currency');
        $this->get('/desk/pay-per-loan')->assertSee('£');
    }

    public function test_in_quiet_hours_nothing_is_mailed_until_they_are_over(): void
    {
        $this->save(['quiet_from' => '21:00', 'quiet_until' => '07:30'])->assertSessionHasNoErrors();
        $zone = $this->library()->zone();
        $this->travelTo(CarbonImmutable::parse('2026-05-02 23:10', $zone));
        $title = $this->title('Wanted at night');
        $this->licence($title);
        $card = $this->card();
        $card->person->update(['email' => 'wren@lantern.example']);
        $other = $this->borrow($this->card(), $title);
        $this->hold($card, $title);
        Auth::shouldUse('web');
        $this->as($other->card)->post("/loans/{$other->id}/return");
        $this->workThroughQueue();
        $this->assertSame(0, $this->sentMail()->messages()->count());
        // In the application it stands at once.
        $this->assertSame(1, DB::table('notices')->where('person_id', $card->person_id)->count());
        $this->travelTo(CarbonImmutable::parse('2026-05-03 07:29', $zone));
        $this->workThroughQueue();
        $this->assertSame(0, $this->sentMail()->messages()->count());
        $this->travelTo(CarbonImmutable::parse('2026-05-03 07:30', $zone));
        $this->workThroughQueue();
        $this->assertSame(1, $this->sentMail()->messages()->count());
        $this->workThroughQueue();
        $this->assertSame(1, $this->sentMail()->messages()->count());
    }

    public function test_colours_that_nobody_could_read_are_refused_with_how_they_stand(): void
    {
        $look = fn(string $roof, string $door) => $this->post('/desk/library/look', [
            'own_colours' => '1',
            'roof' => $roof,
            'door' => $door,
        ]);
        $look('#ffee00', '#1f4b56')->assertSessionHasErrors([
            'colours' => 'White on the roof has a contrast of 1.2 to 1; 4.5 is needed. Choose a darker roof.',
        ]);
        $look('blue', '#1f4b56')->assertSessionHasErrors('colours');
        $this->asVisitor()->get('/')->assertDontSee('/look/', false);
        $look('#5b1a1a', '#7a2048')->assertSessionHasNoErrors();
        preg_match('~/look/saltmere-[0-9a-f]{12}\.css~', (string) $this->asVisitor()->get('/')->getContent(), $m);
        $this->assertNotEmpty($m);
        $this->get($m[0])
            ->assertOk()
            ->assertHeader('Content-Type', 'text/css; charset=utf-8')
            ->assertSee('--color-eave:#5b1a1a;', false);
        $this->assertStringContainsString('immutable', (string) $this->get($m[0])->headers->get('Cache-Control'));
        $this->get('/look/saltmere-000000000000.css')->assertOk()->assertHeader('Cache-Control', 'max-age=60, public');
        $this->post('/desk/library/look', ['own_colours' => '0']);
        $this->asVisitor()->get('/')->assertDontSee('/look/', false);
    }

    public function test_a_logo_is_drawn_anew_and_what_is_none_is_refused(): void
    {
        $send = fn(string $name, string $bytes) => $this->post('/desk/library/look', [
            'logo' => UploadedFile::fake()->createWithContent($name, $bytes),
        ]);
        $svg =
            '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="60" height="20">' .
            '<script>alert(1)</script><rect width="60" height="20" fill="#7a2048" onload="alert(2)"/>' .
            '<image width="9" height="9" xlink:href="file:///etc/passwd"/></svg>';
        $send('logo.svg', $svg)->assertSessionHasNoErrors();
        $logo = (string) $this->library()->refresh()->logo;
        $png = (string) file_get_contents(KeepLogo::path($logo));
        $this->assertSame([432, 144], array_slice((array) getimagesizefromstring($png), 0, 2));
        $this->assertStringNotContainsString('alert', $png);
        $this->asVisitor()
            ->get('/')
            ->assertSee("/look/{$logo}.png", false);
        $this->get("/look/{$logo}.png")
            ->assertOk()
            ->assertHeader('Content-Type', 'image/png');

        // A PNG with text in it that does not belong to the picture.
        $picture = imagecreatetruecolor(300, 300);
        ob_start();
        imagepng($picture);
        $bytes = ob_get_clean() . 'trailing <script>alert(3)</script>';
        $send('logo.png', $bytes)->assertSessionHasNoErrors();
        $kept = (string) file_get_contents(KeepLogo::path((string) $this->library()->refresh()->logo));
        $this->assertStringNotContainsString('alert', $kept);
        $this->assertSame([144, 144], array_slice((array) getimagesizefromstring($kept), 0, 2));

        $wide = imagecreate(3000, 3000);
        imagecolorallocate($wide, 255, 255, 255);
        ob_start();
        imagepng($wide);
        $wide = (string) ob_get_clean();
        $this->assertLessThan(50_000, strlen($wide));
        // Nine million pixels in a few kilobytes; a picture of 100,000 by 100,000 in its head; text; a page; a broken
        // SVG; one that asks for itself.
        $huge =
            "\x89PNG\r\n\x1a\n" . pack('N', 13) . 'IHDR' . pack('NNCCCCC', 100_000, 100_000, 8, 6, 0, 0, 0) . 'xxxx';
        $entities =
            '<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa">' .
            implode(
                '',
                array_map(
                    fn(int $n): string => '<!ENTITY ' .
                        chr(98 + $n) .
                        ' "' .
                        str_repeat('&' . chr(97 + $n) . ';', 10) .
                        '">',
                    range(0, 9),
                ),
            ) .
            ']><svg xmlns="http://www.w3.org/2000/svg"><text>&k;</text></svg>';
        foreach (
            [
                'wide.png' => $wide,
                'huge.png' => $huge,
                'a.png' => 'hello',
                'a.svg' => '<html>',
                'b.svg' => '<svg',
                'large.png' => str_repeat('x', 600_000),
                'e.svg' => $entities,
            ]
            as $name => $wrong
        ) {
            $send($name, $wrong)->assertSessionHasErrors('logo');
        }
        $this->assertSame(hash('sha256', $kept), $this->library()->refresh()->logo);
        $this->post('/desk/library/look', ['no_logo' => '1']);
        $this->assertNull($this->library()->refresh()->logo);
    }

    public function test_a_book_and_its_recording_are_one_on_the_front_door(): void
    {
        $book = $this->title('Once', Format::Ebook);
        $recording = $this->title('Once', Format::Audiobook);
        $recording->update(['work_id' => $book->work_id]);
        $others = array_map(fn(int $n): Title => $this->title("Another {$n}"), range(1, 4));
        foreach ([$book, $recording, ...$others] as $title) {
            $this->licence($title, LicenceModel::Simultaneous);
        }
        $page = $this->asVisitor()->get('/?library=saltmere')->assertOk();
        $page
            ->assertSee("href=\"/titles/{$book->id}\"", false)
            ->assertDontSee("href=\"/titles/{$recording->id}\"", false);
        foreach ($others as $other) {
            $page->assertSee("href=\"/titles/{$other->id}\"", false);
        }
    }

    public function test_rows_of_the_front_door_stand_in_the_order_and_on_the_days_that_were_chosen(): void
    {
        $this->licence($this->title('The Kelp Almanac'));
        $list = StaffList::query()->create([
            'library_id' => $this->library()->id,
            'room' => 'reading',
            'name' => 'Winter nights',
            'note' => 'By the stove',
            'position' => 0,
        ]);
        $list->titles()->attach(DB::table('titles')->value('id'), ['position' => 0]);
        $this->asVisitor()
            ->get('/')
            ->assertSeeInOrder(['What Saltmere', 'Ready now', 'From the librarians']);
        $this->desk()
            ->post('/desk/library/front', [
                'row' => "list {$list->id}",
                'from' => '2026-12-01',
                'until' => '2026-12-31',
            ])
            ->assertSessionHas('said');
        $this->desk()
            ->post('/desk/library/front', ['row' => 'newest'])
            ->assertSessionHas('said');
        $seen = fn(): string => $this->matched('~name="seen" value="\s*([0-9a-f]{12})~', '/desk/library/front');
        $this->desk()->post('/desk/library/front/shift', ['at' => '4', 'to' => 'up', 'seen' => ($old = $seen())]);
        // Another window, which does not know that.
        $this->desk()
            ->post('/desk/library/front/shift', ['at' => '0', 'to' => 'away', 'seen' => $old])
            ->assertSessionHas('refusal');
        $this->desk()
            ->post('/desk/library/front/shift', ['at' => '0', 'to' => 'away', 'seen' => $seen()])
            ->assertSessionHas('said');
        $this->assertSame(
            ['ready', 'lists', 'newest', 'list'],
            array_column((array) $this->library()->refresh()->front_rows, 'kind'),
        );
        $this->asVisitor()->get('/')->assertDontSee('What Saltmere')->assertDontSee('By the stove</p>', false);
        $this->desk()
            ->get('/desk/library/front/preview?on=2026-12-24')
            ->assertSeeInOrder(['as on 24 December', 'Ready now', 'New', 'Winter nights', 'By the stove</p>'], false);
        $this->desk()->get('/desk/library/front/preview?on=2026-12-31')->assertSee('By the stove</p>', false);
        $this->desk()->get('/desk/library/front/preview?on=2027-01-01')->assertDontSee('By the stove</p>', false);
        foreach (
            [
                ['row' => 'list 999999'],
                ['row' => 'nonsense'],
                ['row' => 'newest', 'from' => '2026-02-30'],
                ['row' => 'newest', 'from' => '2026-12-02', 'until' => '2026-12-01'],
            ]
            as $wrong
        ) {
            $this->desk()->post('/desk/library/front', $wrong)->assertSessionHas('refusal');
        }
        $list->delete();
        $this->desk()->get('/desk/library/front')->assertOk()->assertSee('one that is not there any more');
        $this->desk()->get('/desk/library/front/preview?on=2026-12-24')->assertOk()->assertDontSee('Winter nights');
    }

    public function test_closed_days_are_said_a_week_before_and_no_longer(): void
    {
        $this->desk()->post('/desk/library/closed', [
            'first_day' => '2026-12-24',
            'last_day' => '2026-12-26',
            'closed_name' => 'Midwinter',
        ]);
        $this->desk()->post('/desk/library/closed', [
            'first_day' => '2026-12-24',
            'last_day' => '2026-12-26',
            'closed_name' => 'Midwinter',
        ]);
        $this->assertSame(1, DB::table('closed_days')->count());
        $this->desk()
            ->post('/desk/library/closed', [
                'first_day' => '2026-12-26',
                'last_day' => '2026-12-24',
            ])
            ->assertSessionHasErrors('first_day');
        foreach (
            [
                '2026-12-16 12:00' => false,
                '2026-12-17 12:00' => true,
                '2026-12-26 23:30' => true,
                '2026-12-27 00:30' => false,
            ]
            as $at => $said
        ) {
            $this->travelTo(CarbonImmutable::parse($at, $this->library()->zone()));
            $page = $this->asVisitor()->get('/');
            $said
                ? $page->assertSee('closed from 24 December to 26 December')->assertSee('Midwinter')
                : $page->assertDontSee('closed from');
        }
        $this->travelTo('2026-12-20');
        $this->desk()->get('/desk/library')->assertSee('24 December – 26 December');
        $this->desk()->post('/desk/library/closed/' . DB::table('closed_days')->value('id') . '/remove');
        $this->asVisitor()->get('/')->assertDontSee('closed from');
    }

    public function test_new_licences_are_shared_where_the_library_says_so(): void
    {
        $title = $this->title('To share');
        $this->get("/desk/titles/{$title->id}")->assertDontSee(
            'value="1" checked class="accent-shutter w-4 h-4">Shared',
            false,
        );
        $this->save(['shares' => '1']);
        $this->desk();
        $this->assertMatchesRegularExpression(
            '/name="shared" value="1"\s+checked/',
            (string) $this->get("/desk/titles/{$title->id}")->getContent(),
        );
    }

    public function test_what_is_shared_is_counted_both_ways(): void
    {
        $consortium = DB::table('consortia')->insertGetId(['name' => 'Lantern Coast Libraries']);
        DB::table('libraries')
            ->where('slug', 'saltmere')
            ->update(['consortium_id' => $consortium]);
        $theirs = $this->library('larkspur', $consortium);
        $apart = $this->library('hollow');
        [$one, $two] = [$this->title('One'), $this->title('Two')];
        foreach ([$one, $one, $two] as $title) {
            $this->licence($title)->update(['shared' => true]);
        }
        $this->licence($this->title('Kept for ourselves'));
        $this->licence($one, library: $theirs)->update(['shared' => true]);
        $this->licence($two, library: $theirs, ends: '-1 day')->update(['shared' => true]);
        $this->licence($two, library: $apart)->update(['shared' => true]);
        $shared = app(SharedLicences::class)->byLibrary($this->director->library->refresh(), $this->now());
        $this->assertEquals([(object) ['name' => $theirs->name, 'given' => 2, 'taken' => 1]], $shared);
    }

    /**
     * @param  array<string, string>  $with
     * @return TestResponse<Response>
     */
    private function save(array $with): TestResponse
    {
        return $this->post('/desk/library', $with + self::SETTINGS);
    }

    /** Nothing of the requests before is remembered. */
    private function asVisitor(): static
    {
        $this->forget();

        return $this->withUnencryptedCookie('library', 'saltmere');
    }

    /** As in a request of its own, which looks the library up. */
    private function desk(): static
    {
        $this->forget();

        return $this->be($this->director->unsetRelation('library'), 'staff');
    }

    private function forget(): void
    {
        $this->app->forgetInstance(RequestContext::class);
        View::share('current', $this->app->make(RequestContext::class));
    }

    private function matched(string $pattern, string $address): string
    {
        preg_match($pattern, (string) $this->desk()->get($address)->getContent(), $m);

        return $m[1] ?? $this->fail("{$address} has no {$pattern}.");
    }
}
