<?php

declare(strict_types=1);

namespace Tests\App\Exchange;

use App\Exchange\Counter\Act;
use App\Exchange\Counter\AddUpUsage;
use App\Exchange\Counter\CounterKeys;
use App\Exchange\Counter\LibraryUsage;
use App\Exchange\Counter\RecordUse;
use App\Lending\Loans\ReturnLoan;
use App\Models\Library;
use App\Models\Title;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Exchange\Counter\Report;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Symfony\Component\HttpFoundation\Response;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/** How the catalogue is used: noted, counted as COUNTER Release 5.1 does (from memory), and reported. */
final class UsageTest extends TestCase
{
    use ImportsBooks;

    private const PEOPLE = 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0';

    /** @return array<string, string> */
    private static function visitor(string $visitor): array
    {
        return ['User-Agent' => self::PEOPLE . " {$visitor}"];
    }

    private function acts(): string
    {
        return implode(' ', DB::table('usage_events')->orderBy('id')->pluck('act')->all());
    }

    private function act(Act $act, Title $title, string $visitor, ?Library $library = null): void
    {
        $request = Request::create('/', server: ['HTTP_USER_AGENT' => self::PEOPLE . " {$visitor}"]);
        app(RecordUse::class)($request, $act, ($library ?? $this->library())->id, $title->id);
    }

    /** @return array<string, int> what was counted in the month that is on */
    private function counted(?Library $library = null): array
    {
        $library ??= $this->library();
        $month = CarbonImmutable::now()->setTimezone($library->zone())->format('Y-m');

        return app(LibraryUsage::class)->months($library, [$month])[$month];
    }

    public function test_what_is_looked_at_read_and_taken_is_noted_with_nobodys_name(): void
    {
        $title = $this->importBook();
        DB::table('licences')->update(['download' => 'open']);
        $loan = $this->borrow($card = $this->card(), $title);
        $this->withHeaders(self::visitor('a'));
        foreach (
            [
                "/titles/{$title->id}?library=saltmere" => 'record',
                "/titles/{$title->id}/excerpt" => 'excerpt',
                "/titles/{$title->id}/cite" => 'citation',
                "/titles/{$title->id}.ris" => 'citation',
            ]
            as $address => $act
        ) {
            DB::table('usage_events')->delete();
            $this->get($address)->assertOk();
            $this->assertSame($act, $this->acts(), $address);
        }
        DB::table('usage_events')->delete();
        $this->be($card->person);
        foreach (['read', 'offline', 'download/epub'] as $way) {
            $this->get("/loans/{$loan->id}/{$way}")->assertOk();
        }
        $this->assertSame('reading file file', $this->acts());
        $this->assertSame(
            [$this->library()->id, $title->id],
            [DB::table('usage_events')->value('library_id'), DB::table('usage_events')->value('title_id')],
        );
        // What is not shown, and what is only looked up on the way, is no use.
        DB::table('usage_events')->delete();
        $this->get("/loans/{$loan->id}/files/nothing.xhtml")->assertNotFound();
        $this->get('/titles/999999?library=saltmere')->assertNotFound();
        $this->get("/titles/{$title->id}/cover");
        $this->get("/titles/{$title->id}?library=saltmere", ['Sec-Purpose' => 'prefetch;prerender'])->assertOk();
        $this->head("/titles/{$title->id}?library=saltmere")->assertOk();
        $this->get("/loans/{$loan->id}/places")->assertOk();
        app(ReturnLoan::class)($loan->id, CarbonImmutable::now());
        $this->get("/loans/{$loan->id}/read")->assertStatus(410);
        $this->assertSame('', $this->acts());
    }

    public function test_a_search_is_one_however_one_goes_on_in_what_it_found(): void
    {
        $this->licence($this->title());
        $this->withHeaders(self::visitor('a'));
        $asked = fn(string $query, ?string $from = null): TestResponse => $this->get(
            "/catalogue?library=saltmere&{$query}",
            $from === null ? [] : ['Referer' => url("/catalogue?library=saltmere&{$from}")],
        )->assertOk();
        $asked('q=low');
        $asked('q=low&format=ebook&order=name', 'q=low');
        $asked('q=low&page=2');
        $asked('format=ebook');
        // Sent on to another address, it is counted there.
        $this->get('/catalogue?library=saltmere&q=sent+on&formats[]=ebook')->assertRedirect();
        $this->assertSame('search', $this->acts());
        $asked('q=water&order=name', 'q=low&order=name');
        $this->get('/opds/2/saltmere/titles?q=low')->assertOk();
        $this->assertSame('search search search', $this->acts());
        // Of its words nothing is kept by which they could be told.
        $words = DB::table('usage_events')->pluck('words')->all();
        $this->assertSame($words[0], $words[2]);
        $this->assertNotSame($words[0], $words[1]);
    }

    public function test_who_wants_it_and_cannot_have_it_is_turned_away_once(): void
    {
        $this->licence($lent = $this->title('Lent'));
        $none = $this->title('Not here');
        $this->borrow($this->card(), $lent);
        $this->be($this->card()->person)->withHeaders(self::visitor('a'));
        $this->post("/titles/{$lent->id}/borrow", ['library' => 'saltmere']);
        $this->post("/titles/{$none->id}/borrow", ['library' => 'saltmere']);
        $this->assertSame('no_copy no_licence', $this->acts());
        $this->post("/titles/{$lent->id}/borrow", ['library' => 'saltmere']);
        $this->assertSame(['limit_exceeded' => 1, 'no_licence' => 1], array_slice($this->counted(), -2));
    }

    public function test_a_hold_is_on_the_disk_before_it_is_said_to_be_placed(): void
    {
        $title = $this->title();
        $this->act(Act::Record, $title, 'a');

        $commit = DB::transaction(function () use ($title): string {
            DB::statement('set local synchronous_commit = on');
            $this->act(Act::Record, $title, 'b');

            return DB::scalar('show synchronous_commit');
        });

        self::assertSame('on', $commit);
    }

    public function test_robots_are_left_out_and_whoever_is_signed_in_is_none(): void
    {
        $this->licence($title = $this->title());
        foreach (['Googlebot/2.1 (+http://www.google.com/bot.html)', 'curl/8.5.0', 'okhttp/4.12'] as $program) {
            $this->get("/titles/{$title->id}?library=saltmere", ['User-Agent' => $program])->assertOk();
        }
        $this->assertSame('', $this->acts());
        $this->be($this->card()->person);
        $this->get("/titles/{$title->id}?library=saltmere", ['User-Agent' => 'okhttp/4.12'])->assertOk();
        $this->assertSame('record', $this->acts());
    }

    /**
     * @return iterable<string, array{list<int>, int}> seconds after 10:01:00 (the examples from memory), and how many
     *     count
     */
    public static function clicks(): iterable
    {
        yield 'one' => [[0], 1];
        yield 'twice at once' => [[0, 1], 1];
        yield 'thirty seconds apart' => [[0, 30], 1];
        yield 'thirty-one' => [[0, 31], 2];
        // 10:01:00, 10:01:29, 10:01:51 and 10:02:20: each within 30 seconds of the one before, so the last counts.
        yield 'a chain' => [[0, 29, 51, 80], 1];
        yield 'a chain and a new beginning' => [[0, 29, 51, 82], 2];
    }

    /** @param  list<int>  $seconds */
    #[DataProvider('clicks')]
    public function test_two_clicks_within_thirty_seconds_are_one(array $seconds, int $count): void
    {
        $title = $this->title();
        foreach ($seconds as $of) {
            $this->travelTo(CarbonImmutable::parse('2026-05-01 10:01:00', 'UTC')->addSeconds($of));
            $this->act(Act::Reading, $title, 'a');
        }
        $this->assertSame($count, $this->counted()['requests']);
        $this->assertSame(1, $this->counted()['unique_requests']);
    }

    public function test_two_clicks_are_one_also_where_an_hour_ends_between_them(): void
    {
        $title = $this->title();
        foreach (['10:59:50', '11:00:10'] as $at) {
            $this->travelTo(CarbonImmutable::parse("2026-05-01 {$at}", 'UTC'));
            $this->act(Act::Reading, $title, 'a');
        }
        // Of the hour that is over the click went to the next.
        app(AddUpUsage::class)(CarbonImmutable::parse('2026-05-01 11:06:00', 'UTC'));
        $this->assertSame('reading', $this->acts());
        $this->assertSame([1, 1], [$this->counted()['requests'], $this->counted()['unique_requests']]);
        app(AddUpUsage::class)(CarbonImmutable::parse('2026-05-01 12:06:00', 'UTC'));
        $this->assertSame([1, 1], [$this->counted()['requests'], $this->counted()['unique_requests']]);
    }

    /** Another person, another title, or another thing done with it, is not the same. */
    public function test_only_the_same_is_clicked_twice(): void
    {
        [$one, $two] = [$this->title('One'), $this->title('Two')];
        $this->act(Act::Record, $one, 'a');
        $this->act(Act::Record, $two, 'a');
        $this->act(Act::Record, $one, 'b');
        $this->act(Act::Excerpt, $one, 'a');
        $this->act(Act::Reading, $one, 'a');
        $this->act(Act::Record, $one, 'a', $this->library('larkspur'));
        $this->assertSame([0, 5, 3, 1, 1, 0, 0], array_values($this->counted()));
        $this->assertSame([0, 1, 1, 0, 0, 0, 0], array_values($this->counted($this->library('larkspur'))));
    }

    /**
     * The standard's example of one who reads about a subject (from memory): a record, then the text on a page and as a
     * file are two requests and three investigations, of one item each; in the next hour all is unique anew.
     */
    public function test_what_is_unique_is_so_in_a_visit_and_an_hour(): void
    {
        $title = $this->title();
        foreach (['10:10:00' => Act::Record, '10:12:00' => Act::Reading, '10:20:00' => Act::File] as $at => $act) {
            $this->travelTo(CarbonImmutable::parse("2026-05-01 {$at}", 'UTC'));
            $this->act($act, $title, 'a');
        }
        $this->assertSame([0, 3, 1, 2, 1, 0, 0], array_values($this->counted()));
        $this->travelTo(CarbonImmutable::parse('2026-05-01 11:00:10', 'UTC'));
        $this->act(Act::Reading, $title, 'a');
        $this->assertSame([0, 4, 2, 3, 2, 0, 0], array_values($this->counted()));
    }

    public function test_a_visit_is_of_a_session_and_of_a_day(): void
    {
        $this->licence($title = $this->title());
        $visit = function (?string $session, string $at) use ($title): string {
            $this->travelTo(CarbonImmutable::parse($at, 'UTC'));
            DB::table('usage_events')->delete();
            $session === null || $this->withCookie((string) config('session.cookie'), $session);
            $this->get("/titles/{$title->id}?library=saltmere", self::visitor('a'))->assertOk();

            return bin2hex((string) DB::scalar("select encode(visit, 'hex') from usage_events"));
        };
        $before = $visit(null, '2026-05-01 12:00:00');
        $this->assertSame($before, $visit(null, '2026-05-01 23:59:59'));
        $secret = DB::table('usage_days')->value('day');
        $this->assertNotSame($before, $visit(null, '2026-05-02 00:00:00'));
        // The secret of the day is gone with it: nobody can tell any more whose visits those were.
        $this->assertSame(['2026-05-01', ['2026-05-02']], [$secret, DB::table('usage_days')->pluck('day')->all()]);
        $this->assertNotSame(
            $visit(str_repeat('a', 40), '2026-05-02 12:00:00'),
            $visit(str_repeat('b', 40), '2026-05-02 12:00:00'),
        );
    }

    /**
     * Three days of a few people in two libraries of other zones, at the turn of a month, added up whenever: each
     * figure is what a plain recount of all that was noted says.
     */
    public function test_a_recount_says_the_same_whenever_it_was_added_up(): void
    {
        $kolkata = $this->library('larkspur');
        $kolkata->update(['timezone' => 'Asia/Kolkata']);
        $libraries = [$this->library(), $kolkata];
        $titles = [$this->title('One'), $this->title('Two'), $this->title('Three', Format::Magazine)];
        $acts = [Act::Record, Act::Excerpt, Act::Reading, Act::Reading, Act::File, Act::NoCopy, Act::NoLicence];
        for ($seed = 1; $seed <= 4; $seed++) {
            DB::table('usage_events')->delete();
            DB::table('usage_counts')->delete();
            $random = new Randomizer(new Xoshiro256StarStar($seed));
            $at = CarbonImmutable::parse('2026-04-29 21:00:00', 'UTC');
            $noted = [];
            for ($n = 0; $n < 400; $n++) {
                $at = $at->addSeconds($random->getInt(0, 9) < 6 ? $random->getInt(0, 45) : $random->getInt(46, 2500));
                $this->travelTo($at);
                $library = $libraries[$random->getInt(0, 1)];
                $title = $titles[$random->getInt(0, 2)];
                $act = $acts[$random->getInt(0, count($acts) - 1)];
                $visitor = ['a', 'b'][$random->getInt(0, 1)];
                $this->act($act, $title, $visitor, $library);
                $noted[] = [$library, $title->id, $act, $visitor, $at];
                if ($random->getInt(0, 19) === 0) {
                    app(AddUpUsage::class)($at);
                }
                if ($n % 100 === 99) {
                    $this->assertRecount($noted, $libraries);
                }
            }
            app(AddUpUsage::class)($at->addHours(2));
            $this->assertSame('', $this->acts());
            $this->assertRecount($noted, $libraries);
            // Once more adds nothing.
            app(AddUpUsage::class)($at->addHours(2));
            $this->assertRecount($noted, $libraries);
        }
    }

    /**
     * @param  list<array{Library, int, Act, string, CarbonImmutable}>  $noted
     * @param  list<Library>  $libraries
     */
    private function assertRecount(array $noted, array $libraries): void
    {
        foreach ($libraries as $library) {
            $counts = $unique = [];
            foreach ($noted as $n => [$of, $titleId, $act, $visitor, $at]) {
                if ($of->id !== $library->id) {
                    continue;
                }
                foreach (array_slice($noted, $n + 1) as [$of2, $title2, $act2, $visitor2, $at2]) {
                    $isSame = [$of2->id, $title2, $act2, $visitor2] === [$of->id, $titleId, $act, $visitor];
                    if ($isSame && $at->diffInSeconds($at2) <= 30 && $at->isSameDay($at2)) {
                        continue 2;
                    }
                }
                $month = $at->setTimezone($library->timezone)->format('Y-m');
                $visit = "{$month} {$titleId} {$visitor} " . $at->format('d H');
                $kinds = match ($act) {
                    Act::Reading, Act::File => ['investigations', 'requests'],
                    Act::NoCopy => ['limit_exceeded'],
                    Act::NoLicence => ['no_licence'],
                    default => ['investigations'],
                };
                foreach ($kinds as $kind) {
                    $counts[$month][$kind] = ($counts[$month][$kind] ?? 0) + 1;
                    $unique[$month]["unique_{$kind}"][$visit] = true;
                }
            }
            $said = app(LibraryUsage::class)->months($library, ['2026-04', '2026-05']);
            foreach ($said as $month => $figures) {
                foreach ($figures as $kind => $figure) {
                    $this->assertSame(
                        str_starts_with($kind, 'unique_')
                            ? count($unique[$month][$kind] ?? [])
                            : $counts[$month][$kind] ?? 0,
                        $figure,
                        "{$library->slug} {$month} {$kind}",
                    );
                }
            }
        }
    }

    /** @return array{string, string} */
    private function key(?Library $library = null): array
    {
        [$of, $key] = app(CounterKeys::class)->make($this->staff($library), 'Consortium', $this->now());

        return [$of->requestor_id, $key];
    }

    /**
     * @param  array<string, string>  $more
     * @return TestResponse<Response>
     */
    private function fetch(string $path, array $more = []): TestResponse
    {
        return $this->getJson("/counter/r51{$path}?" . http_build_query($more));
    }

    public function test_a_program_fetches_reports_with_its_key_and_no_others(): void
    {
        [$requestor, $key] = $this->key();
        $other = $this->library('larkspur');
        $who = ['customer_id' => 'saltmere', 'requestor_id' => $requestor, 'api_key' => $key];
        $book = $this->title('Low Water');
        $book->update(['published' => '2019-03', 'publisher' => 'Harbour Press', 'isbn' => '9780000000002']);
        $this->act(Act::Reading, $book, 'a');
        $this->act(Act::Reading, $book, 'b', $other);
        $this->travelTo(CarbonImmutable::parse('2026-06-10 12:00:00', 'UTC'));
        $this->act(Act::Reading, $book, 'a');
        app(AddUpUsage::class)($this->now());

        $this->fetch('/status')->assertOk()->assertJsonPath('0.Service_Active', true);
        $this->fetch('/members', $who)->assertOk()->assertJsonPath('0.Customer_ID', 'saltmere');
        $all = $this->fetch('/reports', $who)->assertOk();
        $this->assertSame(
            array_map(fn(Report $of): string => $of->value, Report::cases()),
            array_column($all->json(), 'Report_ID'),
        );
        $all->assertJsonPath('0.First_Month_Available', '2026-05')->assertJsonPath('0.Last_Month_Available', '2026-05');
        $dates = ['begin_date' => '2026-05', 'end_date' => '2026-06'];
        foreach ($all->json() as $of) {
            $report = $this->fetch($of['Path'], [...$who, ...$dates])->assertOk();
            $report->assertJsonPath('Report_Header.Report_ID', $of['Report_ID']);
            // June is not over: nothing of it is said, and that it is not.
            $this->assertContains(3031, array_column($report->json('Report_Header.Exceptions'), 'Code'));
            $this->assertStringNotContainsString('"2026-06"', (string) $report->getContent());
        }
        $this->fetch('/reports/tr_b1', [...$who, ...$dates])->assertJsonPath('Report_Items', [
            [
                'Title' => 'Low Water',
                'Item_ID' => [
                    'Proprietary' => "figporch:{$book->id}",
                    'ISBN' => '9780000000002',
                    'URI' => url("/titles/{$book->id}"),
                ],
                'Publisher' => 'Harbour Press',
                'Platform' => 'Fig Porch',
                'Attribute_Performance' => [
                    [
                        'Data_Type' => 'Book',
                        'YOP' => '2019',
                        'Performance' => [
                            'Total_Item_Requests' => ['2026-05' => 1],
                            'Unique_Title_Requests' => ['2026-05' => 1],
                        ],
                    ],
                ],
            ],
        ]);
    }

    public function test_whoever_may_not_or_asks_for_what_there_is_not_is_told_by_number(): void
    {
        [$requestor, $key] = $this->key();
        $this->library('larkspur');
        $who = ['customer_id' => 'saltmere', 'requestor_id' => $requestor, 'api_key' => $key];
        $dates = ['begin_date' => '2026-01', 'end_date' => '2026-02'];
        $refused = function (string $path, array $asked, int $status, int $code): void {
            $this->fetch($path, $asked)->assertStatus($status)->assertJsonPath('Code', $code);
        };
        $refused('/reports/tr', $dates, 400, 1030);
        $refused('/reports/tr', [...$dates, 'requestor_id' => $requestor, 'api_key' => $key], 400, 1030);
        $refused('/reports/tr', [...$who, ...$dates, 'requestor_id' => 'nobody'], 401, 2000);
        $refused('/reports/tr', [...$who, ...$dates, 'api_key' => ''], 401, 2020);
        $refused('/reports/tr', [...$who, ...$dates, 'api_key' => strrev($key)], 401, 2020);
        $refused('/reports/tr', [...$who, ...$dates, 'customer_id' => 'larkspur'], 403, 2010);
        $refused('/members', [...$who, 'customer_id' => 'larkspur'], 403, 2010);
        $refused('/reports/tr_x9', [...$who, ...$dates], 404, 3000);
        $refused('/nothing', $who, 404, 3000);
        $this->getJson('/counter/r5/reports/tr')->assertNotFound()->assertJsonPath('Code', 3010);
        $refused('/reports/tr', $who, 400, 3020);
        $this->fetch('/reports/tr', [...$who, ...$dates])
            ->assertOk()
            ->assertJsonPath('Report_Header.Exceptions.0.Code', 3030)
            ->assertJsonPath('Report_Items', []);
        $this->postJson('/counter/r51/status')->assertNotFound()->assertJsonPath('Code', 3000);
        for ($n = 0; $n < 100 && $this->fetch('/status')->isOk(); $n++);
        $refused('/status', [], 429, 1020);
    }

    public function test_staff_look_take_reports_and_give_keys(): void
    {
        $this->act(Act::Reading, $this->title('=Low	Water'), 'a');
        $this->be($staff = $this->staff(), 'staff');
        $this->assertHtml($this->get('/desk/usage')->assertOk(), 'May 2026', 'Nobody has a key.');
        $table = $this->get('/desk/usage/report.tsv?report=TR&begin_date=2026-04&end_date=2026-05')
            ->assertOk()
            ->assertHeader('Content-Type', 'text/tab-separated-values; charset=UTF-8')
            ->streamedContent();
        $lines = array_map(fn(string $of): array => explode("\t", $of), explode("\r\n", trim($table)));
        $this->assertSame(['Report_ID', 'TR'], $lines[1]);
        // No formula, and no cell more than there are heads.
        $this->assertSame("'=Low Water", $lines[15][0]);
        $this->assertSame(count($lines[14]), count($lines[15]));
        $this->get('/desk/usage/report.json?report=TR&begin_date=2026-05&end_date=2026-05')
            ->assertOk()
            ->assertJsonPath('Report_Items.0.Title', '=Low	Water');
        $this->get('/desk/usage/report.tsv?report=TR&begin_date=2026-05&end_date=2026-04')->assertRedirect(
            '/desk/usage',
        );
        $this->get('/desk/usage')->assertSee('The months cannot be');
        $this->get('/desk/usage/report.tsv?report=nothing&begin_date=2026-05&end_date=2026-05')->assertRedirect();

        $this->post('/desk/usage/keys', ['name' => ''])->assertSessionHasErrors('name');
        $this->post('/desk/usage/keys', ['name' => 'Lantern Coast'])->assertRedirect('/desk/usage');
        $given = session('given');
        $this->assertHtml($this->get('/desk/usage'), $given['key'], $given['requestor']);
        $this->get('/desk/usage')->assertDontSee($given['key'])->assertSee($given['requestor']);
        $who = ['customer_id' => 'saltmere', 'requestor_id' => $given['requestor'], 'api_key' => $given['key']];
        $this->fetch('/members', $who)->assertOk();
        $this->be($staff, 'staff');
        $id = DB::table('counter_keys')->value('id');
        $this->post("/desk/usage/keys/{$id}/take-back")->assertRedirect('/desk/usage');
        $this->fetch('/members', $who)->assertUnauthorized()->assertJsonPath('Code', 2000);
        $this->get('/desk/trail')->assertSee('Gave somebody a key')->assertSee('Took a key');
        $this->assertStringNotContainsString($given['key'], (string) json_encode(DB::table('desk_changes')->get()));
    }

    public function test_no_more_keys_than_anybody_needs(): void
    {
        $this->be($this->staff(), 'staff');
        for ($n = 0; $n < 50; $n++) {
            $this->post('/desk/usage/keys', ['name' => "Program {$n}"])->assertSessionHasNoErrors();
        }
        $this->post('/desk/usage/keys', ['name' => 'One more'])->assertSessionHasErrors('name');
        $this->assertSame(50, DB::table('counter_keys')->count());
    }
}
