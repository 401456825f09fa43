<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Requests\KnownTitles;
use App\Models\Card;
use App\Models\Library;
use App\Models\Link;
use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\OpenTo;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

/** What stands elsewhere, as patrons find it: on paper, and on the web. */
final class HoldingsTest extends TestCase
{
    private Title $paper;

    private Title $website;

    private Library $neighbour;

    protected function setUp(): void
    {
        parent::setUp();
        $coast = DB::table('consortia')->insertGetId(['name' => 'Coast']);
        $this->library('saltmere', $coast);
        $this->neighbour = $this->library('larkspur', $coast);
        $this->paper = $this->title('Low Water', Format::Paper, onOrder: true);
        $this->website = $this->title('Tide tables', Format::Website, onOrder: true);
    }

    public function test_a_copy_on_paper_is_a_way_to_get_the_work_beside_the_ebook(): void
    {
        $ebook = $this->title('Low Water');
        $this->assertSame($this->paper->work_id, $ebook->work_id);
        $this->licence($ebook);
        $this->standsElsewhere($this->paper);
        $page = $this->get("/titles/{$ebook->id}?library=saltmere")->assertOk();
        $this->assertHtml($page, 'On paper at Saltmere', 'Upstairs', '599.2 GUL');
        // What can be had at once comes first.
        $text = (string) $page->getContent();
        $this->assertLessThan(strpos($text, 'On paper at Saltmere'), strpos($text, 'Ready now'));
        // Its own page says so, and offers nothing that cannot be done.
        $own = $this->get("/titles/{$this->paper->id}?library=saltmere")->assertOk();
        $own->assertSee('On paper at Saltmere');
        foreach (
            ["/titles/{$this->paper->id}/borrow", "/titles/{$this->paper->id}/hold", "/titles/{$this->paper->id}/ask"]
            as $no
        ) {
            $own->assertDontSee($no);
        }
    }

    public function test_it_is_found_where_it_stands_as_long_as_it_stands_there(): void
    {
        $shelf = $this->standsElsewhere($this->paper, $this->neighbour);
        $this->get('/catalogue?q=low&library=larkspur')->assertSee('On paper at Larkspur');
        // A library that has nothing says so, and who has.
        $this->get('/catalogue?q=low&library=saltmere')->assertSee('No titles for')->assertSee('On paper at Larkspur');
        // Beyond one's own library it is told of, and not asked for.
        $beyond = $this->get('/catalogue?q=low&reach=beyond&library=saltmere')->assertSee('On paper at Larkspur');
        $beyond->assertDontSee("/titles/{$this->paper->id}/ask");
        $this->standsElsewhere($this->paper);
        $this->get('/catalogue?q=low&library=saltmere')
            ->assertSee('On paper at Saltmere, Upstairs, 599.2 GUL')
            ->assertSee('and in 1 more place');
        $shelf->delete();
        $this->get('/catalogue?q=low&library=larkspur')->assertDontSee("/titles/{$this->paper->id}\"", false);
        $this->get("/titles/{$this->paper->id}?library=larkspur")->assertSee('On paper at Saltmere');
        DB::table('holdings')->delete();
        $this->get("/titles/{$this->paper->id}?library=larkspur")->assertSee('Not here any more');
    }

    public function test_ready_now_and_to_open_here_leave_it_out_and_its_formats_find_it(): void
    {
        $this->licence($this->title('Low Tide'));
        $this->standsElsewhere($this->paper);
        $this->standsElsewhere($this->website);
        foreach (
            [
                '' => ['Low Tide', 'Low Water', 'Tide tables'],
                'ready=1' => ['Low Tide'],
                'here=1' => ['Low Tide'],
                'format=paper' => ['Low Water'],
                'format=website' => ['Tide tables'],
                'format=paper&here=1' => [],
            ]
            as $asked => $expected
        ) {
            $page = $this->get("/catalogue?library=saltmere&order=title&{$asked}")->assertOk();
            $this->assertSame($expected, $page->viewData('page')->pluck('name')->all(), $asked);
        }
        $this->assertHtml($this->get('/catalogue?library=saltmere'), 'To open here', 'Websites and databases');
        $this->assertHtml($this->get('/?library=saltmere')->assertOk(), 'On paper', 'Websites and databases');
        // Where there is nothing of the kind nobody is asked about it.
        DB::table('holdings')->delete();
        DB::table('links')->delete();
        $none = $this->get('/catalogue?library=saltmere')->assertDontSee('To open here');
        $this->assertStringNotContainsString('name="formats[]" value="paper"', (string) $none->getContent());
    }

    /** @return iterable<string, array{OpenTo, string, bool}> for whom, who comes, whether the address is on the page */
    public static function visitors(): iterable
    {
        yield 'everybody, nobody' => [OpenTo::Everybody, 'nobody', true];
        yield 'the building, nobody' => [OpenTo::InTheBuilding, 'nobody', true];
        yield 'card holders, nobody' => [OpenTo::CardHolders, 'nobody', false];
        yield 'card holders, one of them' => [OpenTo::CardHolders, 'good', false];
    }

    #[DataProvider('visitors')]
    public function test_a_website_says_for_whom_it_is(OpenTo $for, string $who, bool $shown): void
    {
        $link = $this->standsElsewhere($this->website, openTo: $for);
        $this->assertInstanceOf(Link::class, $link);
        $who === 'good' && $this->be($this->card()->person);
        $page = $this->get("/titles/{$this->website->id}?library=saltmere")->assertOk();
        $this->assertHtml(
            $page,
            [
                'everybody' => 'open to everybody',
                'card' => 'for card holders of Saltmere',
                'building' => 'in the building at Saltmere',
            ][$for->value],
        );
        $shown
            ? $page->assertSee("href=\"{$link->address}\"", false)
            : $page->assertDontSee($link->address)->assertSee("/websites/{$link->id}");
    }

    public function test_a_website_for_card_holders_opens_with_a_good_card_of_that_library(): void
    {
        $link = $this->standsElsewhere($this->website, openTo: OpenTo::CardHolders);
        $this->assertInstanceOf(Link::class, $link);
        $open = fn(?Card $card) => $this->be(($card ?? $this->card())->person->unsetRelations())->get(
            "/websites/{$link->id}?library=saltmere",
        );
        $this->get("/websites/{$link->id}?library=saltmere")->assertRedirect('/sign-in');
        $open($good = $this->card())->assertRedirect($link->address);
        $refused = fn(Card $card) => $open($card)
            ->assertRedirect("/titles/{$this->website->id}")
            ->assertSessionHas('refusal', 'It opens for a good card of Saltmere Library.');
        $refused($this->card($this->neighbour));
        $good->update(['blocked_at' => $this->now(), 'block_reason' => 'Lost.']);
        $refused($good);
        $good->update(['blocked_at' => null, 'block_reason' => null, 'expires_at' => $this->now()->subMinute()]);
        $refused($good);
    }

    public function test_a_website_of_two_libraries_is_told_of_once_and_for_most_people(): void
    {
        $address = 'https://tides.lantern.example/';
        $this->standsElsewhere($this->website, openTo: OpenTo::CardHolders, address: $address);
        $this->standsElsewhere($this->website, $this->neighbour, address: $address);
        $page = (string) $this->get("/titles/{$this->website->id}?library=saltmere")->getContent();
        $this->assertSame(1, substr_count($page, 'Open website'));
        $this->assertStringContainsString('open to everybody', $page);
    }

    public function test_what_is_not_lent_cannot_be_borrowed_waited_for_or_asked_for(): void
    {
        $this->standsElsewhere($this->paper);
        $card = $this->card();
        $this->be($card->person);
        foreach (
            ['get' => ['borrow', 'ask', 'for-class'], 'post' => ['borrow', 'hold', 'ask', 'follow']]
            as $by => $acts
        ) {
            foreach ($acts as $act) {
                $this->{$by}("/titles/{$this->paper->id}/{$act}?library=saltmere")->assertNotFound();
            }
        }
        foreach (['loans', 'holds', 'requests', 'turnaways'] as $table) {
            $this->assertSame(0, DB::table($table)->count(), $table);
        }
        // Nor is a request of a patron answered with it.
        $this->assertNull(KnownTitles::named((string) $this->paper->id));
        // The database has the last word, whoever writes.
        $this->expectException(QueryException::class);
        $this->licence($this->paper);
    }

    public function test_a_shelf_for_what_is_lent_and_a_website_for_what_is_on_paper_are_refused(): void
    {
        $refused = 0;
        foreach (
            [['holdings', $this->title('Ebook')], ['holdings', $this->website], ['links', $this->paper]]
            as [$table, $title]
        ) {
            $row = ['library_id' => $this->library()->id, 'title_id' => $title->id];
            try {
                DB::transaction(
                    fn() => DB::table($table)->insert([
                        ...$row,
                        ...$table === 'holdings'
                            ? ['place' => 'Upstairs', 'copies' => 1]
                            : ['address' => 'https://x.example/', 'open_to' => 'card', 'ask_at' => $this->now()],
                    ]),
                );
            } catch (QueryException $fault) {
                $refused += (int) ($fault->getCode() === '23514');
            }
        }
        $this->assertSame(3, $refused);
    }

    public function test_reading_applications_get_what_can_be_opened_and_nothing_of_it_is_counted_as_used(): void
    {
        $this->licence($this->title('Low Tide'));
        $this->standsElsewhere($this->paper);
        $this->standsElsewhere($this->website);
        $feed = $this->getJson('/opds/2/saltmere/titles')->assertOk();
        $this->assertSame(['Low Tide'], array_column(array_column($feed->json('publications'), 'metadata'), 'title'));
        $this->assertSame(1, $feed->json('metadata.numberOfItems'));
        $this->getJson("/opds/2/saltmere/titles/{$this->paper->id}")->assertNotFound();
        DB::table('usage_events')->delete();
        $this->get("/titles/{$this->paper->id}?library=saltmere")->assertOk();
        $this->assertSame(0, DB::table('usage_events')->count());
    }

    public function test_it_is_put_in_baskets_and_cited_like_everything_else(): void
    {
        $this->standsElsewhere($this->paper);
        $this->standsElsewhere($this->website);
        $this->be($this->card()->person);
        foreach ([$this->paper, $this->website] as $title) {
            $this->post("/titles/{$title->id}/basket?library=saltmere")->assertRedirect();
        }
        $basket = (int) DB::table('baskets')->value('id');
        $this->assertHtml(
            $this->get("/baskets/{$basket}?library=saltmere")->assertOk(),
            'On paper at Saltmere',
            'Website, open to everybody',
        );
        $this->get("/titles/{$this->paper->id}.ris")->assertSee('TY  - BOOK');
        // A website is cited by its own address.
        $this->get("/titles/{$this->website->id}.ris")
            ->assertSee('TY  - ELEC')
            ->assertSee("https://tides.lantern.example/{$this->website->id}");
    }
}
