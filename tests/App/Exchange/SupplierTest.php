<?php

declare(strict_types=1);

namespace Tests\App\Exchange;

use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Tests\App\TestCase;

final class SupplierTest extends TestCase
{
    private const ADDRESS = 'http://supplier.example/opds';

    protected function setUp(): void
    {
        parent::setUp();
        config(['figporch.supplier' => self::ADDRESS]);
    }

    /** @param  list<array<string, mixed>>  $publications */
    private static function page(array $publications, ?string $next = null): string
    {
        return (string) json_encode([
            'metadata' => ['title' => 'Supply'],
            'links' => $next === null ? [] : [['rel' => 'next', 'href' => $next, 'type' => 'application/opds+json']],
            'publications' => $publications,
        ]);
    }

    /** @return array<string, mixed> */
    private static function book(string $name, string $number, string $type = 'http://schema.org/Book'): array
    {
        return [
            'metadata' => [
                '@type' => $type,
                'title' => $name,
                'identifier' => "urn:x-supply:{$number}",
                'author' => [['name' => 'Mirren Tidewell', 'sortAs' => 'Tidewell, Mirren']],
                'language' => 'en',
                'numberOfPages' => 210,
                'subject' => ['Mountains'],
            ],
            'links' => [
                [
                    'rel' => 'http://opds-spec.org/acquisition/buy',
                    'href' => '/buy',
                    'type' => 'text/html',
                    'properties' => ['price' => ['value' => 24.5, 'currency' => 'EUR']],
                ],
            ],
        ];
    }

    public function test_all_pages_are_read_and_found_beyond_and_nowhere_else(): void
    {
        $this->licence($this->title('Low Tower'));
        Http::fake([
            self::ADDRESS => Http::response(self::page([self::book('The Far Tower', '1')], '?page=2')),
            self::ADDRESS . '?page=2' => Http::response(
                self::page([self::book('The High Tower', '2', 'http://schema.org/Audiobook')]),
            ),
        ]);
        $this->assertSame(0, Artisan::call('catalogue:read-supplier'));
        $this->assertSame(
            [['The Far Tower', Format::Ebook], ['The High Tower', Format::Audiobook]],
            Title::query()
                ->where('record_key', 'like', 'supplied:%')
                ->orderBy('id')
                ->get()
                ->map(fn(Title $t): array => [$t->name, $t->format])
                ->all(),
        );
        $this->assertSame(2450, DB::table('supplied_titles')->value('price_cents'));

        $this->library();
        $this->get('/catalogue?library=saltmere&q=tower')
            ->assertSee('1 title for')
            ->assertSee('Low Tower')
            ->assertDontSee('The Far Tower');
        $this->get('/catalogue?q=tower&reach=beyond')
            ->assertSee('2 titles for')
            ->assertSee('The Far Tower')
            ->assertSee('Not here yet')
            ->assertDontSee('Low Tower');
        // Where a library has nothing, what is beyond it is shown by itself.
        $this->get('/catalogue?q=far+tower')
            ->assertSee('Nothing here matches')
            ->assertSee('Beyond your libraries')
            ->assertSee('The Far Tower');
    }

    public function test_an_outage_takes_nothing_away_and_a_whole_reading_takes_away_what_is_offered_no_more(): void
    {
        Http::fakeSequence(self::ADDRESS)
            ->push(self::page([self::book('The Far Tower', '1'), self::book('The High Tower', '2')]))
            ->push('<html>closed for repairs</html>')
            ->push(self::page([self::book('The High Tower', '2')]));
        Artisan::call('catalogue:read-supplier');
        $this->travel(2)->hours();
        $this->assertSame(1, Artisan::call('catalogue:read-supplier --stale'));
        $this->assertSame(2, DB::table('supplied_titles')->count());
        $this->assertStringContainsString(
            'no OPDS 2.0 feed',
            (string) DB::table('supplier_readings')->orderByDesc('id')->value('problem'),
        );
        $this->travel(2)->minutes();
        $this->assertSame(0, Artisan::call('catalogue:read-supplier --stale'), 'it broke off only a moment ago');
        $this->assertSame(2, DB::table('supplier_readings')->count());
        $this->travel(1)->hours();
        Artisan::call('catalogue:read-supplier --stale');
        $this->assertSame(
            ['The High Tower'],
            DB::table('search_rows')
                ->join('titles', 'titles.id', '=', 'title_id')
                ->where('supplied', true)
                ->pluck('name')
                ->all(),
        );
    }

    public function test_a_supplier_that_does_not_answer_is_said_and_written_down(): void
    {
        Http::fake(fn() => throw new ConnectionException('Connection refused'));
        $this->assertSame(1, Artisan::call('catalogue:read-supplier'));
        $this->assertStringContainsString('could not be read: Connection refused', Artisan::output());
        $this->actingAs($this->staff(), 'staff')->get('/desk/requests')->assertSee('could not be read');
    }

    public function test_a_feed_that_goes_on_elsewhere_is_not_followed(): void
    {
        Http::fake([self::ADDRESS => Http::response(self::page([], 'http://inside.example/secret'))]);
        $this->assertSame(1, Artisan::call('catalogue:read-supplier'));
        Http::assertSentCount(1);
    }

    public function test_what_a_library_has_keeps_its_own_record(): void
    {
        $this->licence($known = $this->title('Low Tower'));
        $known->update(['record_key' => 'supplied:urn:x-supply:7']);
        Http::fake([self::ADDRESS => Http::response(self::page([self::book('Another Name', '7')]))]);
        Artisan::call('catalogue:read-supplier');
        $this->assertSame('Low Tower', $known->refresh()->name);
        $this->assertSame(1, DB::table('supplied_titles')->where('title_id', $known->id)->count());
    }

    public function test_senseless_values_spoil_no_record_and_no_reading(): void
    {
        $wild = self::book("A\u{0}B\u{1F} C", '1');
        $wild['metadata'] = [
            ...$wild['metadata'],
            'published' => '2019-99-99',
            'numberOfPages' => 9e18,
            'belongsTo' => ['series' => ['name' => 'S', 'position' => 1e12]],
            'subject' => [str_repeat('x', 4000), '', null, 7],
            'publisher' => str_repeat('é', 900),
            'language' => str_repeat('z', 99),
            'description' => '<script>alert(1)</script>',
        ];
        $wild['links'][0]['properties']['price'] = ['value' => 1e15, 'currency' => 'EUR'];
        Http::fake([self::ADDRESS => Http::response(self::page([$wild, self::book('After it', '2')]))]);
        $this->assertSame(0, Artisan::call('catalogue:read-supplier'), Artisan::output());
        $title = Title::query()->where('record_key', 'supplied:urn:x-supply:1')->firstOrFail();
        $this->assertSame(
            ['A B C', '2019', 0, null, 'alert(1)'],
            [$title->name, $title->published, $title->extent, $title->series_position, $title->description],
        );
        $this->assertSame([null, 2450], DB::table('supplied_titles')->orderBy('title_id')->pluck('price_cents')->all());
        $this->library();
        $this->get("/titles/{$title->id}?library=saltmere")->assertOk();
        $this->get('/catalogue?reach=beyond')->assertOk()->assertSee('After it');
    }
}
