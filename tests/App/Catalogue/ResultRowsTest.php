<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\Search\RefreshAvailability;
use App\Catalogue\Search\ResultRow;
use App\Catalogue\Search\ResultRows;
use App\Catalogue\Search\SearchRequest;
use App\Lending\LoanRules\CardEligibility;
use App\Lending\Loans\ReturnLoan;
use App\Models\Library;
use App\Models\Title;
use App\Shared\View\TitleText;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\TestWith;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\App\TestCase;

/** One row a work, with the others of it beside. */
final class ResultRowsTest extends TestCase
{
    use SearchesAtSize;

    private Library $library;

    protected function setUp(): void
    {
        parent::setUp();
        $this->library = $this->library();
        $this->withUnencryptedCookie('library', $this->library->slug);
    }

    public function test_a_book_and_its_recording_are_one_row_and_each_by_itself_where_one_likes(): void
    {
        $book = $this->title('Low Water', Format::Ebook);
        $sound = $this->title('Low Water', Format::Audiobook);
        $other = $this->title('High Water', Format::Ebook);
        foreach ([$book, $sound, $other] as $title) {
            $this->licence($title, LicenceModel::Simultaneous);
        }
        $this->assertSame($book->work_id, $sound->work_id);
        $book->update(['times_borrowed' => 5]);
        DB::table('search_rows')
            ->where('title_id', $book->id)
            ->update(['times_borrowed' => 5]);
        $page = '/catalogue?order=most_borrowed';
        $this->assertRows([[$book, $sound], [$other]], $page);
        $this->assertHtml(
            $this->get($page)->assertSee('3 titles')->assertSee('Also as'),
            "href=\"/titles/{$sound->id}\"",
        );

        // What is not found is not beside it: one who looks for audiobooks sees audiobooks.
        $this->assertRows([[$sound]], "{$page}&format=audiobook");

        // Somebody who would rather have a row for each keeps it so, before signing in and after.
        $search = http_build_query(['order' => 'most_borrowed', 'q' => 'water']);
        $kept = $this->post('/catalogue/look', ['look' => 'by_title', 'search' => $search])->assertRedirectContains(
            'q=water',
        );
        $this->withCookie('results', (string) $kept->getCookie('results')?->getValue());
        $this->assertRows([[$book], [$sound], [$other]], $page);
        $this->actingAs($person = $this->card()->person);
        $this->assertRows([[$book], [$sound], [$other]], $page);
        $this->post('/catalogue/look', ['look' => 'by_work', 'search' => $search]);
        $this->assertRows([[$book, $sound], [$other]], $page);

        $this->assertHtml($this->get($page), '<article');
        $this->post('/catalogue/look', ['look' => 'covers', 'search' => $search]);
        $covers = $this->get($page)->assertSee('Also as')->assertSee('Always ready');
        $this->assertStringNotContainsString('<article', (string) $covers->getContent());
        $this->assertSame(['covers' => true, 'by_work' => true], $person->fresh()?->results);
        $this->post('/catalogue/look', ['look' => 'sideways', 'search' => $search])->assertRedirect();
        $this->assertSame(['covers' => true, 'by_work' => true], $person->fresh()->results);
    }

    public function test_what_is_beside_says_what_tells_it_from_the_first(): void
    {
        [$book, $sound, $second] = [
            $this->title('Low Water'),
            $this->title('Low Water', Format::Audiobook),
            $this->title('Low Water'),
        ];
        foreach ([$book, $sound, $second] as $title) {
            $this->licence($title);
            $title->update(['language' => 'en']);
        }
        $second->update(['language' => 'es', 'edition' => '2nd ed.']);
        $beside = fn(Title $title, Title $other): string => TitleText::beside($title->refresh(), $other->refresh());
        $this->assertSame('audiobook · 2 min', str_replace("\u{A0}", ' ', $beside($sound, $book)));
        $this->assertSame('ebook · Spanish · 2nd ed.', $beside($second, $book));
        app()->setLocale('es');
        $this->assertSame('audiolibro · 2 min', str_replace("\u{A0}", ' ', $beside($sound, $book)));
        $this->assertSame('libro electrónico · inglés', $beside($book, $second));
    }

    public function test_what_is_beside_says_whether_one_has_it_and_how_many_more_there_are(): void
    {
        $titles = array_map(fn(int $n): Title => $this->title('Low Water'), range(1, ResultRow::SHOWN + 3));
        DB::table('titles')->update(['work_id' => $titles[0]->work_id]);
        foreach ($titles as $title) {
            $this->licence($title);
        }
        $this->actingAs(($card = $this->card())->person);
        $this->borrow($card, $titles[1]);
        $this->get('/catalogue?order=title')
            ->assertSeeInOrder(['Also as', 'On loan to you', 'and 2 more'])
            ->assertDontSee("data-title=\"{$titles[1]->id}\"", false);
    }

    public function test_a_copy_kept_for_somebody_is_ready_for_them_beside_too_and_on_covers(): void
    {
        [$book, $sound] = [$this->title('Low Water'), $this->title('Low Water', Format::Audiobook)];
        foreach ([$book, $sound] as $title) {
            $this->licence($title);
            $loans[] = $this->borrow($this->card(), $title);
        }
        $card = $this->card();
        $this->hold($card, $sound);
        app(ReturnLoan::class)($loans[1]->id, $this->now());
        $page = '/catalogue?order=title';
        $lamps = fn(): array => preg_match_all('/data-lamp="(\w+)"/', (string) $this->get($page)->getContent(), $m) > 0
            ? $m[1]
            : [];
        $this->assertSame(['half', 'half'], $lamps(), 'for anyone else there is a wait');
        $this->actingAs($card->person)
            ->get($page)
            ->assertSeeInOrder(['Also as', 'Ready now']);
        $this->assertContains('lit', $lamps());
        $this->post('/catalogue/look', ['look' => 'covers']);
        $this->post('/catalogue/look', ['look' => 'by_title']);
        $this->assertSame(['half', 'lit'], $lamps());
    }

    public function test_a_page_of_which_all_stands_on_earlier_ones_says_so(): void
    {
        foreach ([Format::Ebook, Format::Audiobook] as $format) {
            $this->licence($this->title('Low Water', $format));
        }
        config(['figporch.page_size' => 1]);
        $this->get('/catalogue?order=title')->assertSee('Also as')->assertDontSee('on earlier pages');
        $this->get('/catalogue?order=title&page=2')
            ->assertSee('The titles of this page stand with others of their works on earlier pages.')
            ->assertSee('Previous page')
            ->assertDontSee('<article', false);
    }

    public function test_a_title_that_ceases_to_be_found_between_two_questions_keeps_its_row(): void
    {
        [$book, $sound] = [$this->title('Low Water'), $this->title('Low Water', Format::Audiobook)];
        $gone = $this->licence($book);
        $this->licence($sound);
        $catalogue = $this->searching(2000, 100_000);
        $search = SearchRequest::read($this->library->id, ['order' => 'title'], new CardEligibility());
        $page = $catalogue->page($search, 2, $this->now());
        $gone->update(['ends_at' => $this->now()->modify('-1 minute')]);
        app(RefreshAvailability::class)();
        $rows = (new ResultRows($catalogue))->of($search, $page, true, $this->now());
        $this->assertEqualsCanonicalizing(
            [$book->id, $sound->id],
            array_map(fn(ResultRow $row): int => $row->title->id, $rows),
        );
    }

    #[TestWith([3, 10])]
    #[TestWith([3, 100_000])]
    #[TestWith([2000, 100_000])]
    public function test_of_any_works_in_any_order_each_title_stands_once_with_the_first_of_its_work(
        int $ranked,
        int $walked,
    ): void {
        $random = new Randomizer(new Mt19937($ranked + $walked));
        $titles = [];
        for ($n = 0; $n < 60; $n++) {
            $name = ['Low Water', 'Heron', 'Water and Salt', 'Anchor'][$random->getInt(0, 3)] . " {$n}";
            $titles[] = $this->title($name, Format::cases()[$random->getInt(0, 3)]);
            $this->licence(
                $titles[$n],
                library: $random->getInt(0, 5) > 0 ? $this->library : $this->library('larkspur'),
            );
        }
        foreach ($titles as $title) {
            $work = $titles[$random->getInt(0, 24)]->work_id;
            DB::update('update titles set work_id = ?, times_borrowed = ? where id = ?', [
                $work,
                ($borrowed = $random->getInt(0, 4)),
                $title->id,
            ]);
            DB::update(
                'update search_rows set times_borrowed = ?, added_at = added_at - ? * interval \'1 day\'
                where title_id = ?',
                [$borrowed, $random->getInt(0, 9), $title->id],
            );
        }
        config(['figporch.page_size' => 7]);
        $workOf = DB::table('titles')->pluck('work_id', 'id')->all();
        $catalogue = $this->searching($ranked, $walked);
        foreach (['', 'water', 'water OR heron', 'a'] as $words) {
            foreach (SearchRequest::ORDERS as $order) {
                $search = SearchRequest::read(
                    $this->library->id,
                    ['q' => $words, 'order' => $order],
                    new CardEligibility(),
                );
                $total = $catalogue->total($search, $this->now());
                $all = $rows = [];
                for ($n = 1; $n <= max(1, ceil($total / 7)); $n++) {
                    Paginator::currentPageResolver(fn(): int => $n);
                    $page = $catalogue->page($search, $total, $this->now());
                    array_push($all, ...array_map(fn(Title $of): int => $of->id, $page->items()));
                    foreach ((new ResultRows($catalogue))->of($search, $page, true, $this->now()) as $row) {
                        $rows[] = array_map(fn(Title $of): int => $of->id, [$row->title, ...$row->beside]);
                    }
                }
                Paginator::currentPageResolver(fn(): int => 1);
                $expected = [];
                foreach ($all as $id) {
                    $expected[$workOf[$id]][] = $id;
                }
                $this->assertSame(array_values($expected), $rows, "{$words} by {$order}");
            }
        }
    }

    /** @param  list<non-empty-list<Title>>  $expected  of each row, the title and those beside it */
    private function assertRows(array $expected, string $page): void
    {
        $this->assertSame(
            array_map(fn(array $row): array => array_map(fn(Title $of): int => $of->id, $row), $expected),
            array_map(
                fn(ResultRow $row): array => array_map(fn(Title $of): int => $of->id, [$row->title, ...$row->beside]),
                $this->get($page)->assertOk()->viewData('rows'),
            ),
        );
    }
}
