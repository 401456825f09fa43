<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\Search\CatalogueSearch;
use App\Catalogue\Search\RefreshAvailability;
use App\Catalogue\Search\SearchRequest;
use App\Lending\Audit\LendingAudit;
use App\Lending\LoanRules\CardEligibility;
use App\Models\Title;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** The demo's catalogue grown large holds together like one that came record by record. */
final class GrowthTest extends TestCase
{
    public function test_grown_records_are_found_counted_lent_and_saved_like_any_others(): void
    {
        $this->library();
        $this->library('hollow');
        $this->assertSame(0, Artisan::call('demo:grow --titles=300'), Artisan::output());
        $this->assertSame(300, Title::query()->count());
        $held = DB::table('licences')->where('library_id', $this->library()->id)->distinct()->count('title_id');
        $search = SearchRequest::read($this->library()->id, [], new CardEligibility());
        $facets = app(CatalogueSearch::class)->facets($search, $this->now());
        $this->assertSame([$held, $held], [$facets->total, array_sum($facets->of('format'))]);
        $this->assertGreaterThan(200, $held);

        $word = (string) DB::scalar(
            "select word from ts_stat('select exact from search_rows') where length(word) > 3
                order by ndoc desc, word limit 1",
        );
        $this->assertSame(
            DB::table('titles')
                ->whereIn('id', DB::table('licences')->where('library_id', $this->library()->id)->select('title_id'))
                ->whereRaw("lower(name) || ' ' || description ~ ?", ["\\m{$word}\\M"])
                ->count(),
            app(CatalogueSearch::class)->total(
                SearchRequest::read($this->library()->id, ['q' => "\"{$word}\""], new CardEligibility()),
                $this->now(),
            ),
        );
        app(RefreshAvailability::class)();
        $this->assertSame(
            [],
            array_filter(
                app(LendingAudit::class)->wrong($this->now()),
                fn(string $what): bool => str_contains($what, 'is found as'),
            ),
            'what searching keeps is what the licences say',
        );

        // Numbers go on where the grown ones end.
        $this->licence($title = $this->title('One by hand'));
        $this->get('/catalogue?library=saltmere&q=hand')->assertSee('One by hand');
        $this->assertGreaterThan(300, $title->id);
        $this->assertSame(
            2,
            DB::table('pg_indexes')
                ->whereIn('indexname', ['search_rows_stems', 'search_rows_exact'])
                ->count(),
        );

        // It grows on, and a number that somebody else was given meanwhile stays theirs.
        $number = DB::scalar("select nextval(pg_get_serial_sequence('contributors', 'id'))");
        $this->assertSame(0, Artisan::call('demo:grow --titles=50'), Artisan::output());
        $this->assertSame([351, 351], [Title::query()->count(), DB::table('search_rows')->count()]);
        $this->assertTrue(
            DB::table('contributors')->insert([
                'id' => $number,
                'name' => 'Ottoline Varrow',
                'sort_name' => 'Varrow, Ottoline',
            ]),
        );
    }

    public function test_without_a_demo_library_or_with_a_senseless_number_it_says_what_to_do(): void
    {
        $this->assertSame(1, Artisan::call('demo:grow --titles=10'));
        $this->assertStringContainsString('bin/start makes one', Artisan::output());
        $this->library();
        $this->assertSame(1, Artisan::call('demo:grow --titles=0'));
        $this->assertStringContainsString('from 1 to 5,000,000', Artisan::output());
    }
}
