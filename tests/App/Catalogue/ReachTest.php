<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\Records\SaveRecord;
use App\Catalogue\Search\CatalogueSearch;
use App\Catalogue\Search\HeldTitles;
use App\Catalogue\Search\RefreshAvailability;
use App\Catalogue\Search\SearchRequest;
use App\Lending\Audit\LendingAudit;
use App\Lending\Availability\TitleAvailability;
use App\Lending\Borrowing\BorrowTitle;
use App\Lending\Holds\PlaceHold;
use App\Lending\LoanRules\CardEligibility;
use App\Models\Title;
use App\Shared\Sql;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Lending\Availability;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;
use stdClass;
use Tests\App\TestCase;

/** How far a search goes, and that what it says can be had can be had. */
final class ReachTest extends TestCase
{
    use SearchesAtSize;

    /** The licences themselves, asked one title at a time, are the measure. */
    public function test_what_is_kept_for_searching_says_at_every_moment_what_the_licences_say(): void
    {
        $random = new Randomizer(new Mt19937(11));
        $consortium = DB::table('consortia')->insertGetId(['name' => 'Lantern Coast Libraries']);
        $libraries = array_map(fn(string $slug) => $this->library($slug, $consortium), [
            'saltmere',
            'hollow',
            'larkspur',
        ]);
        $libraries[0]->update(['pay_per_loan_budget_cents' => 500]);
        $cards = array_map(fn($library) => $this->card($library), $libraries);
        $titles = [];
        for ($n = 0; $n < 30; $n++) {
            $titles[] = $title = $this->title("Title {$n}");
            for ($k = $random->getInt(0, 2); $k >= 0; $k--) {
                $model = LicenceModel::cases()[$random->getInt(0, count(LicenceModel::cases()) - 1)];
                $this->licence(
                    $title,
                    $model,
                    copies: $random->getInt(1, 2),
                    loans: $model->countsLoans() ? 1 : null,
                    ends: $model === LicenceModel::MeteredByTime || $random->getInt(0, 2) === 0
                        ? '+' . $random->getInt(21, 60) . ' days'
                        : null,
                    library: $libraries[$random->getInt(0, 2)],
                    shared: $model !== LicenceModel::PayPerLoan && $random->getInt(0, 2) === 0,
                    price: $model === LicenceModel::PayPerLoan ? 300 : 0,
                    starts: $random->getInt(0, 2) === 0 ? '+' . $random->getInt(1, 20) . ' days' : '-1 year',
                );
            }
        }
        for ($day = 0; $day < 66; $day += 3) {
            foreach ([1, 2, 3] as $ignored) {
                $card = $cards[$random->getInt(0, 2)];
                $title = $titles[$random->getInt(0, 29)];
                is_int(app(BorrowTitle::class)($card->id, $title->id, null, $this->now())) ||
                    app(PlaceHold::class)($card->id, $title->id, $this->now());
            }
            foreach ($libraries as $library) {
                [$can, $bindings] = HeldTitles::can($library->id, $this->now());
                $said = array_column(
                    DB::select("select s.title_id, {$can} can from search_rows s order by 1", $bindings),
                    'can',
                    'title_id',
                );
                foreach (app(TitleAvailability::class)->of($library, $titles, null, $this->now()) as $id => $standing) {
                    $true = $standing->availability;
                    $this->assertSame(
                        [$true->canBorrow(), $true === Availability::AlwaysReady],
                        [($said[$id] & HeldTitles::READY) > 0, ($said[$id] & HeldTitles::ALWAYS) > 0],
                        "day {$day}, title {$id} at {$library->slug}: {$true->name}",
                    );
                    $this->assertSame(
                        $true === Availability::NotHere,
                        ($said[$id] & HeldTitles::HELD) === 0,
                        "day {$day}, title {$id} at {$library->slug}: {$true->name}",
                    );
                }
            }
            $day % 9 === 0 && app(RefreshAvailability::class)();
            $this->travel(3)->days();
            Artisan::call('lending:tick');
        }
        $this->assertSame([], app(LendingAudit::class)->wrong($this->now()));
    }

    public function test_a_borrow_that_takes_the_last_copy_is_seen_in_the_same_moment_and_rewrites_no_words(): void
    {
        $this->licence($title = $this->title(), copies: 2);
        $row = fn(): stdClass => DB::selectOne(
            'select xmin, stems::text, ready::text from search_rows where title_id = ?',
            [$title->id],
        ) ?? $this->fail('The title is found.');
        $before = $row();
        $this->borrow($this->card(), $title);
        $this->assertSame($before->xmin, $row()->xmin, 'a copy is left: nothing is written');
        $loan = $this->borrow($this->card(), $title);
        $this->assertSame('{}', $row()->ready);
        $this->assertSame($before->stems, $row()->stems);
        $this->as($loan->card)->post("/loans/{$loan->id}/return");
        $this->assertSame($before->ready, $row()->ready);
    }

    public function test_my_cards_shows_what_each_card_gives_with_the_card_that_gives_it_soonest(): void
    {
        [$saltmere, $hollow] = [$this->library('saltmere'), $this->library('hollow')];
        $this->licence($here = $this->title('Water Here'), library: $saltmere);
        $this->licence($there = $this->title('Water There'), library: $hollow);
        $this->licence($both = $this->title('Water in Both'), library: $saltmere);
        $this->licence($both, library: $hollow);
        $this->borrow($this->card($saltmere), $both);
        $card = $this->card($saltmere);
        $this->card($hollow, person: $card->person);
        $this->actingAs($card->person->fresh() ?? $this->fail());
        $this->get('/catalogue?library=saltmere&q=water')->assertSee('2 titles')->assertDontSee('Water There');
        $page = (string) $this->get('/catalogue?q=water&reach=cards&order=title')->assertSee('3 titles')->getContent();
        preg_match_all('~data-title="(\d+)".*?with your (\w+) card~s', $page, $rows);
        $this->assertSame(
            [(string) $here->id => 'Saltmere', (string) $both->id => 'Hollow', (string) $there->id => 'Hollow'],
            array_combine($rows[1], $rows[2]),
        );
        $this->assertStringContainsString(
            '>3</span>',
            explode('All of my cards', $page)[1],
            'one title that both have counts once',
        );
        $this->get("/catalogue?q=water&reach=cards&at={$hollow->id}")
            ->assertSee('2 titles')
            ->assertDontSee('Water Here');
        $strange = $this->library('larkspur');
        $this->get("/catalogue?q=water&reach=cards&at={$strange->id}")
            ->assertSee('3 titles')
            ->assertDontSee('“Larkspur Library”');
        $this->get('/catalogue?library=saltmere&q=there')
            ->assertSee('Nothing here matches')
            ->assertSee('On your other cards')
            ->assertSee('Water There');
        auth()->logout();
        $this->get('/catalogue?library=saltmere&q=water&reach=cards')
            ->assertOk()
            ->assertSee('2 titles')
            ->assertSee('left out: My cards.');
    }

    public function test_a_title_is_ready_from_the_moment_that_its_licence_begins(): void
    {
        $this->licence($title = $this->title('Low Water'), starts: '+1 day');
        // Written down at the test's moment, which is not the database's.
        DB::select('select search_refresh(?, ?)', [Sql::array([$title->id]), Sql::timestamp($this->now())]);
        $search = fn(): SearchRequest => SearchRequest::read(
            $this->library()->id,
            ['q' => 'low', 'ready' => '1'],
            new CardEligibility(),
        );
        $this->assertSame(0, $this->searching(300, 30_000)->total($search(), $this->now()));
        $this->travel(1)->days();
        $this->assertSame(1, $this->searching(300, 30_000)->total($search(), $this->now()));
    }

    public function test_beyond_is_what_the_supplier_has_and_no_library_of_mine(): void
    {
        $this->licence($held = $this->title('Low Water'));
        $offered = $this->title('Low Tide');
        $this->title('Low Known to nobody');
        DB::table('search_rows')
            ->whereIn('title_id', [$held->id, $offered->id])
            ->update(['supplied' => true]);
        $search = SearchRequest::read($this->library()->id, ['q' => 'low', 'reach' => 'beyond'], new CardEligibility());
        $catalogue = $this->searching(300, 30_000);

        $total = $catalogue->total($search, $this->now());
        $this->assertSame(1, $total);
        $this->assertSame($offered->id, $catalogue->page($search, $total, $this->now())->items()[0]->id);
        $this->assertSame(1, $catalogue->facets($search, $this->now())->total);
    }

    public function test_awards_narrow_with_exact_counts(): void
    {
        foreach (
            [['A', ['Beacon Prize']], ['B', ['Beacon Prize', 'Larkspur | Medal, "first"']], ['C', []]]
            as [$name, $awards]
        ) {
            $this->licence(
                app(SaveRecord::class)(
                    new Record(
                        key: "t:{$name}",
                        format: Format::Ebook,
                        name: $name,
                        contributors: [],
                        extent: 10,
                        awards: $awards,
                    ),
                    $this->now(),
                ),
            );
        }
        $counts = fn(array $asked) => app(CatalogueSearch::class)->facets(
            SearchRequest::read($this->library()->id, $asked, new CardEligibility()),
            $this->now(),
        );
        $this->assertSame(['Beacon Prize' => 2, 'Larkspur | Medal, "first"' => 1], $counts([])->of('awards'));
        $this->assertSame(
            [2, 1],
            [
                $counts(['awards' => 'Beacon Prize'])->total,
                $counts(['awards' => 'Beacon Prize'])->count('awards', 'Larkspur | Medal, "first"'),
            ],
        );
        $this->assertSame(
            [1, 0],
            [
                $counts(['awards' => 'Beacon Prize||Larkspur | Medal, "first"'])->total,
                $counts(['awards' => "Nobody's Prize"])->total,
            ],
        );
    }

    public function test_the_soonest_to_get_comes_first(): void
    {
        [$long, $short, $ready] = array_map(fn(string $name): Title => $this->title($name), [
            'Long line',
            'Short line',
            'Ready',
        ]);
        foreach ([$long, $short, $ready] as $title) {
            $this->licence($title);
        }
        foreach ([[$long, 3], [$short, 1]] as [$title, $waiting]) {
            $this->borrow($this->card(), $title);
            for ($n = 0; $n < $waiting; $n++) {
                $this->hold($this->card(), $title);
            }
        }
        $this->get('/catalogue?library=saltmere&order=soonest')->assertSeeInOrder(
            ['Ready</bdi>', 'Short line</bdi>', 'Long line</bdi>'],
            false,
        );
    }

    /**
     * The quick ways for catalogues of millions, on few titles: nothing is lost or shown twice, and what is called so
     * comes first.
     */
    public function test_where_many_match_each_is_shown_once_those_called_so_before_the_others(): void
    {
        foreach (['Lantern', 'The Lantern Keeper', 'Old Lanterns', 'Sea Glass', 'Low Water', 'Kelp'] as $n => $name) {
            $this->licence(
                $title = app(SaveRecord::class)(
                    new Record(
                        key: "t:{$n}",
                        format: Format::Ebook,
                        name: $name,
                        contributors: [
                            ['name' => $n === 3 ? 'Lantern Jones' : 'A B', 'sort' => 'x', 'role' => 'author'],
                        ],
                        extent: 10,
                        language: 'en',
                        description: 'Of a lantern and of water.',
                    ),
                    $this->now(),
                ),
            );
            DB::table('search_rows')
                ->where('title_id', $title->id)
                ->update(['times_borrowed' => $n]);
        }
        foreach ([$this->searching(2, 1000), $this->searching(2, 2)] as $catalogue) {
            foreach (
                [
                    'lantern' => ['Lantern', 'Sea Glass', 'Old Lanterns', 'The Lantern Keeper', 'Kelp', 'Low Water'],
                    'lantern -kelp' => ['Sea Glass', 'Old Lanterns', 'The Lantern Keeper', 'Lantern', 'Low Water'],
                    '(lantern OR water) year:-2030' => [],
                ]
                as $words => $expected
            ) {
                $search = SearchRequest::read($this->library()->id, ['q' => $words], new CardEligibility());
                $total = $catalogue->total($search, $this->now());
                $shown = [];
                config(['figporch.page_size' => 2]);
                for ($page = 1; $page <= 3; $page++) {
                    Paginator::currentPageResolver(fn(): int => $page);
                    foreach (
                        $total > 2 * ($page - 1) ? $catalogue->page($search, $total, $this->now())->items() : []
                        as $title
                    ) {
                        $shown[] = $title->name;
                    }
                }
                config(['figporch.page_size' => 24]);
                Paginator::currentPageResolver(fn(): int => 1);
                $this->assertSame($expected, $shown, $words);
            }
            foreach (['newest', 'most_borrowed', 'title', 'soonest'] as $order) {
                $search = SearchRequest::read(
                    $this->library()->id,
                    ['q' => 'lantern', 'order' => $order],
                    new CardEligibility(),
                );
                $this->assertCount(6, $catalogue->page($search, 6, $this->now())->items(), $order);
            }
        }
    }
}
