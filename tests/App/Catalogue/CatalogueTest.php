<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LicenceModel as M;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\App\TestCase;

final class CatalogueTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->withUnencryptedCookie('library', $this->library()->slug);
        $this->library('larkspur');
    }

    public function test_all_words_must_match_and_a_whole_title_comes_first(): void
    {
        foreach (['The Low Water Road' => 1, 'Low Water' => 1, 'High Water' => 1, 'Low' => 1] as $name => $copies) {
            $this->licence($this->title($name, author: 'Nerys Brack'), copies: $copies);
        }
        $response = $this->get('/catalogue?q=low+water')->assertOk()->assertSee('2 titles for “low water”');
        $this->assertSame(['Low Water', 'The Low Water Road'], $response->viewData('page')->pluck('name')->all());
    }

    #[TestWith(['TIDES'])]
    #[TestWith(['odalys'])]
    #[TestWith(['sao'])]
    #[TestWith(['mystery'])]
    #[TestWith(['venn tide'])]
    public function test_words_of_any_field_whatever_their_case_accents_or_plural(string $words): void
    {
        $this->licence($this->title('A São Tide', author: 'Odálys Venn'));
        $this->assertSame(
            1,
            $this->get('/catalogue?q=' . urlencode($words))
                ->viewData('page')
                ->total(),
        );
    }

    #[TestWith(['& | !'])]
    #[TestWith(["'; drop table titles; --"])]
    #[TestWith(['((('])]
    #[TestWith(["\u{202e}\u{feff}"])]
    public function test_no_query_is_an_error(string $words): void
    {
        $this->licence($this->title());
        $this->get('/catalogue?q=' . urlencode($words))->assertOk();
        $this->get('/catalogue?q=a&page=-3&format=shoe&order=up&list=x')->assertOk();
        $this->get('/catalogue?list=999999999999999999999&page=99999')->assertOk();
    }

    public function test_ready_now_and_the_counts_are_true_and_every_title_listed_can_be_borrowed(): void
    {
        $this->licence($out = $this->title('Out'));
        $this->borrow($this->card(), $out);
        $this->licence($this->title('In'));
        $this->licence($this->title('Always', Format::Audiobook), M::Simultaneous);
        $this->licence($this->title('Gone'), M::MeteredByTime, ends: '+1 second');
        $this->licence($this->title('Elsewhere'), library: $this->library('larkspur'));
        $this->title('Nowhere');
        $this->travel(2)->seconds();

        $all = $this->get('/catalogue');
        $this->assertEqualsCanonicalizing(['Out', 'In', 'Always'], $all->viewData('page')->pluck('name')->all());
        $facets = $all->viewData('facets');
        $this->assertEquals(
            [3, 2, 1, ['audiobook' => 1, 'ebook' => 2]],
            [$facets->total, $facets->count('ready', 1), $facets->count('always', 1), $facets->of('format')],
        );
        $ready = $this->get('/catalogue?ready=1')->viewData('page');
        $this->assertEqualsCanonicalizing(['In', 'Always'], $ready->pluck('name')->all());
        foreach ($ready as $title) {
            $this->borrow($this->card(), $title);
        }
        $this->assertSame([], $this->get('/catalogue?format=ebook&ready=1')->viewData('page')->pluck('name')->all());
        $this->assertSame(['Always'], $this->get('/catalogue?ready=1')->viewData('page')->pluck('name')->all());
    }

    public function test_paging_keeps_the_search(): void
    {
        for ($i = 0; $i < 30; $i++) {
            $this->licence($this->title("Tide {$i}", author: "Author {$i}"));
        }
        $first = $this->get('/catalogue?q=tide')->assertSee('Page 1 of 2');
        $this->assertStringContainsString('q=tide', $next = (string) $first->viewData('page')->nextPageUrl());
        $second = $this->get($next)->assertSee('Page 2 of 2');
        $names = [...$first->viewData('page')->pluck('name'), ...$second->viewData('page')->pluck('name')];
        $this->assertCount(30, array_unique($names));
    }

    public function test_the_title_page_tells_how_it_stands(): void
    {
        $this->licence($title = $this->title());
        $this->get("/titles/{$title->id}")
            ->assertOk()
            ->assertSeeInOrder(['Low Water', 'Tamsin Ebbing', 'Ways to get it', 'Ready now', 'Borrow']);
        $this->borrow($this->card(), $title);
        $this->get("/titles/{$title->id}")
            ->assertSee('Wait about')
            ->assertSee('8 in 10:')
            ->assertSee('at the latest 15 May')
            ->assertSee('Place hold')
            ->assertSee('1st in line, 1 copy');

        $nowhere = $this->title('Nowhere');
        $this->get("/titles/{$nowhere->id}")
            ->assertSee('Not here yet')
            ->assertSee('does not have this title');
        $this->licence($gone = $this->title('Gone'), M::MeteredByTime, ends: '+1 day');
        $this->travel(2)->days();
        $this->get("/titles/{$gone->id}")
            ->assertSee('Not here yet')
            ->assertSee('licence ended on 2 May');
        $this->get('/titles/99999')->assertNotFound()->assertSee('There is nothing here');
    }

    public function test_all_editions_of_a_work_are_on_its_page_the_soonest_first(): void
    {
        $this->licence($ebook = $this->title('Twin', Format::Ebook));
        $this->borrow($this->card(), $ebook);
        $this->licence($this->title('Twin', Format::Audiobook));
        $this->get("/titles/{$ebook->id}")->assertSeeInOrder([
            'Ways to get it',
            'Audiobook',
            'Ready now',
            'Ebook',
            'Wait about',
        ]);
    }

    public function test_a_staff_list_opens_as_a_catalogue_page(): void
    {
        $this->licence($in = $this->title('On the list'));
        $this->licence($this->title('Not on it'));
        $list = DB::table('staff_lists')->insertGetId([
            'library_id' => $this->library()->id,
            'name' => 'For the ferry',
            'position' => 0,
        ]);
        DB::table('staff_list_title')->insert(['staff_list_id' => $list, 'title_id' => $in->id, 'position' => 0]);

        $this->get('/')->assertSee('For the ferry')->assertSee('1 title · all ready now');
        $this->assertSame(
            ['On the list'],
            $this->get("/catalogue?list={$list}")
                ->assertSee('For the ferry')
                ->viewData('page')
                ->pluck('name')
                ->all(),
        );
    }

    public function test_what_is_listed_as_ready_can_be_borrowed_with_the_card_that_looks(): void
    {
        DB::table('loan_rules')->insert([
            'library_id' => $this->library()->id,
            'patron_group' => 'child',
            'audience_ceiling' => 'child',
        ]);
        $this->licence($this->title('Grown-up'));
        $this->licence($this->title('Small', audience: Audience::Child));
        $this->be($this->card(group: 'child')->person);

        $this->assertSame(['Small'], $this->get('/catalogue?ready=1')->viewData('page')->pluck('name')->all());
        $this->get('/catalogue')->assertDontSee('Grown-up')->assertSee('One more is for older readers');
    }
}
