<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\BitmapSearch\BitmapEngine;
use App\Catalogue\BitmapSearch\BitmapSearch;
use App\Catalogue\Search\SearchRequest;
use App\Catalogue\Search\SqlEngine;
use App\Catalogue\Suggestions\Suggest;
use App\Catalogue\Suggestions\Suggestion;
use App\Lending\LoanRules\CardEligibility;
use App\Models\Card;
use App\Models\Title;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LicenceModel as M;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\App\TestCase;

/** The lamp and the list are true for the card that looks: what it may never borrow, and what it has no room for. */
final class ForThisCardTest extends TestCase
{
    private Card $child;

    protected function setUp(): void
    {
        parent::setUp();
        DB::table('loan_rules')->insert([
            [
                'library_id' => $this->library()->id,
                'patron_group' => 'child',
                'format' => null,
                'audience_ceiling' => 'child',
            ],
            [
                'library_id' => $this->library()->id,
                'patron_group' => 'child',
                'format' => 'music',
                'audience_ceiling' => 'adult',
            ],
        ]);
        $this->child = $this->card(group: 'child');
    }

    private function lend(Title $title): Title
    {
        $this->licence($title, M::Simultaneous);

        return $title;
    }

    public function test_what_a_card_may_never_borrow_is_out_of_the_way_unless_asked_for(): void
    {
        $this->lend($this->title('For Children', audience: Audience::Child));
        $grown = $this->lend($this->title('For the Grown-up'));
        $this->lend($this->title('Songs for All', Format::Music));
        $this->get('/catalogue?library=saltmere')->assertSee('3 titles')->assertDontSee('older readers');

        $this->as($this->child)
            ->get('/catalogue')
            ->assertSee('2 titles')
            ->assertSee('One more is for older readers than your card is for.')
            ->assertDontSee('For the Grown-up');
        $this->get('/catalogue?q=grown')->assertSee('One more is for older readers');
        $this->get('/catalogue?format=music')->assertDontSee('older readers');

        $this->post('/catalogue/older', ['older' => '1', 'search' => 'q=grown'])->assertRedirect('/catalogue?q=grown');
        $this->assertTrue($this->child->person->fresh()?->shows_older);
        $this->as($this->child->refresh());
        $this->get('/catalogue?q=grown')
            ->assertSee('For the Grown-up')
            ->assertSee('For older readers than this card')
            ->assertDontSee('data-lamp="lit"', false)
            ->assertDontSee("/titles/{$grown->id}/borrow", false)
            ->assertDontSee("/titles/{$grown->id}/hold", false)
            ->assertSee('Leave them out');
        $this->get('/catalogue?ready=1')->assertSee('2 titles');
        $this->get("/titles/{$grown->id}")
            ->assertSee('For older readers than this card')
            ->assertDontSee('data-lamp="lit"', false)
            ->assertDontSee("/titles/{$grown->id}/borrow", false);
        $this->post('/catalogue/older', ['older' => 'no', 'search' => 'order[]=x'])->assertRedirect('/catalogue');
        $this->assertFalse($this->child->person->fresh()?->shows_older);
    }

    public function test_at_the_limit_the_row_says_so_and_offers_what_can_be_done(): void
    {
        DB::table('loan_rules')->insert([
            ['library_id' => $this->library()->id, 'patron_group' => 'adult', 'format' => null, 'max_loans' => 2],
            ['library_id' => $this->library()->id, 'patron_group' => 'adult', 'format' => 'music', 'max_loans' => 1],
        ]);
        $card = $this->card();
        $titles = array_map(fn(int $n): Title => $this->lend($this->title("Book {$n}")), range(1, 3));
        $album = $this->lend($this->title('Album', Format::Music));
        $this->borrow($card, $titles[0]);
        $this->as($card)->get('/catalogue')->assertSee('Borrow')->assertDontSee('Return one to borrow');
        $this->borrow($card, $titles[1]);
        $this->as($card->refresh())
            ->get("/titles/{$titles[2]->id}")
            ->assertSee('You have 2 on loan, as many as your card allows')
            ->assertSee('Return one to borrow');
        $this->get("/titles/{$titles[2]->id}/borrow")->assertSee('Return it and borrow this');
        $this->get("/titles/{$album->id}")->assertDontSee('as many as your card allows');
        $this->borrow($card, $album);
        $second = $this->lend($this->title('Second Album', Format::Music));
        $this->as($card->refresh())
            ->get("/titles/{$second->id}")
            ->assertSee('You have 1 on loan, as many as your card allows');
    }

    /** @return iterable<string, array{int}> seeds */
    public static function seeds(): iterable
    {
        yield 'one' => [1];
        yield 'two' => [2];
        yield 'three' => [3];
    }

    /** Of random titles, licences and ceilings both engines list and count what a walk through all of them does. */
    #[DataProvider('seeds')]
    public function test_both_engines_leave_out_what_a_walk_through_all_titles_leaves_out(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $one = fn(array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        $library = $this->library('saltmere', DB::table('consortia')->insertGetId(['name' => 'Coast']));
        $library->update(['consortium_id' => DB::table('consortia')->value('id')]);
        $other = $this->library('larkspur', DB::table('consortia')->value('id'));
        $titles = [];
        for ($n = 0; $n < 40; $n++) {
            $title = $this->title("Tide {$n}", $one(Format::cases()), $one(Audience::cases()), onOrder: $n % 7 === 0);
            $at = $one([$library, $library, $other, null]);
            match (true) {
                $at === null => null,
                $title->format->isLent() => $this->licence(
                    $title,
                    $one([M::Simultaneous, M::OneCopyOneUser]),
                    library: $at,
                ),
                default => $this->standsElsewhere($title, $at),
            };
            $titles[] = [$title, $at, $n % 7 !== 0 && $title->format->isLent()];
        }
        $pairs = [];
        foreach (Format::cases() as $format) {
            foreach (array_slice(Audience::cases(), 0, $random->getInt(1, 3)) as $audience) {
                $pairs[] = "{$format->value}:{$audience->value}";
            }
        }
        $this->travel(1)->seconds();
        Artisan::call('search:index');
        foreach ([true, false] as $older) {
            $eligibility = new CardEligibility($pairs, older: $older);
            $walk = fn(callable $fits): int => count(
                array_filter(
                    $titles,
                    fn(array $of): bool => $fits(
                        $of[1],
                        in_array("{$of[0]->format->value}:{$of[0]->audience->value}", $pairs, true),
                        $of[2],
                    ),
                ),
            );
            $expected = [
                'all' => $walk(fn($at, bool $may): bool => $at?->is($library) === true && ($may || $older)),
                'ready' => $walk(fn($at, bool $may, bool $here): bool => $at?->is($library) === true && $may && $here),
                'beyond' => $walk(fn($at, bool $may): bool => $at?->is($other) === true && ($may || $older)),
            ];
            $may = array_column(
                array_filter(
                    $titles,
                    fn(array $of): bool => $of[1]?->is($library) === true &&
                        ($older || in_array("{$of[0]->format->value}:{$of[0]->audience->value}", $pairs, true)),
                ),
                0,
            );
            $this->assertSuggestsOf($may, $library->id, $eligibility);
            DB::beginTransaction();
            DB::table('search_prefixes')->delete();
            DB::table('search_gatherings')->delete();
            $this->assertSuggestsOf($may, $library->id, $eligibility);
            DB::rollBack();
            foreach ([['all', []], ['ready', ['ready' => '1']], ['beyond', ['reach' => 'beyond']]] as [$name, $asked]) {
                foreach ([$asked, [...$asked, 'q' => 'tide']] as $words) {
                    $search = SearchRequest::read($library->id, $words, $eligibility);
                    $this->assertNotNull(app(BitmapSearch::class)->find($search, $this->now()), 'the sets can tell');
                    foreach ([app(BitmapEngine::class), app(SqlEngine::class)] as $engine) {
                        $this->assertSame(
                            $expected[$name],
                            $engine->count($search, $this->now()),
                            "{$name} by " . $engine::class . ($older ? ' with older' : ''),
                        );
                        $this->assertSame($expected[$name], $engine->facets($search, $this->now())->total);
                    }
                    $this->assertEquals(
                        app(SqlEngine::class)->facets($search, $this->now()),
                        app(BitmapEngine::class)->facets($search, $this->now()),
                    );
                }
            }
        }
    }

    /** @param  list<Title>  $may  what is listed for the card */
    private function assertSuggestsOf(array $may, int $libraryId, CardEligibility $eligibility): void
    {
        $of = fn(string $typed): array => app(Suggest::class)->of($libraryId, $typed, $this->now(), $eligibility);
        $named = array_column($of('tide'), 'titleId');
        $this->assertCount(min(4, count($may)), $named);
        $this->assertSame([], array_diff($named, array_column($may, 'id')), 'no title that is not listed');
        $by = array_map(fn(Suggestion $one): int => $one->count, $of('tamsin'));
        $this->assertSame($may === [] ? [] : [count($may)], $by, 'titles by the person of all of them');
    }
}
