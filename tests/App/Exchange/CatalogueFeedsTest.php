<?php

declare(strict_types=1);

namespace Tests\App\Exchange;

use App\Lending\Loans\ReturnLoan;
use App\Models\Card;
use App\Models\Loan;
use App\Models\SignInWays;
use App\Models\StaffList;
use App\Models\Title;
use DOMDocument;
use DOMElement;
use DOMNameSpaceNode;
use DOMNode;
use DOMXPath;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Exchange\Opds\Feed;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/**
 * The catalogue for reading applications: everything reached by links alone, the same in both editions, and what one
 * does with a title. What applications' own libraries make of it is tried in tests/Browser/opds.spec.js.
 */
final class CatalogueFeedsTest extends TestCase
{
    use ImportsBooks;

    private const PIN = '4071';

    private const CATALOGUE = ['application/opds+json', 'application/atom+xml;profile=opds-catalog'];

    private Card $card;

    protected function setUp(): void
    {
        parent::setUp();
        $this->library()->update(['languages' => ['en', 'es']]);
        $this->library('larkspur');
        $this->card = $this->card(pin: self::PIN);
    }

    /** @return array<string, string> */
    private function basic(?Card $card = null, string $pin = self::PIN): array
    {
        return ['Authorization' => 'Basic ' . base64_encode(($card ?? $this->card)->number . ":{$pin}")];
    }

    /** @return TestResponse<Response> */
    private function ask(
        string $path,
        ?Card $card = null,
        string $method = 'GET',
        string $language = 'en',
    ): TestResponse {
        return $this->call(
            $method,
            "/opds/2/saltmere{$path}",
            server: $this->transformHeadersToServerVars([...$this->basic($card), 'Accept-Language' => $language]),
        );
    }

    /**
     * @param  TestResponse<Response>  $publication
     * @return array<string, mixed> the link of a relation
     */
    private static function link(TestResponse $publication, string $rel): array
    {
        foreach ($publication->json('links') as $link) {
            if ($link['rel'] === $rel) {
                return $link;
            }
        }

        return [];
    }

    /** @return array<string, list<string>> addresses of the catalogue's own pages, and names, in either edition */
    private static function read(string $body): array
    {
        if (str_starts_with($body, '{')) {
            $json = json_decode($body, true, flags: JSON_THROW_ON_ERROR);
            $facets = array_merge(
                ...array_map(fn(array $of): array => $of['links'], $json['facets'] ?? [['links' => []]]),
            );
            $links = [...$json['links'] ?? [], ...$json['navigation'] ?? [], ...$facets];
            $names = array_map(fn(array $of): string => $of['metadata']['title'], $json['publications'] ?? []);
            $ids = array_map(
                fn(array $of): string => array_values(
                    array_filter($of['links'], fn(array $link): bool => $link['rel'] === 'self'),
                )[0]['href'],
                $json['publications'] ?? [],
            );
        } else {
            $xml = new DOMDocument();
            self::assertTrue($xml->loadXML($body));
            $find = new DOMXPath($xml);
            $find->registerNamespace('a', 'http://www.w3.org/2005/Atom');
            $links = [];
            foreach ($find->query('//a:link') ?: [] as $link) {
                self::assertInstanceOf(DOMElement::class, $link);
                $links[] = ['href' => $link->getAttribute('href'), 'type' => $link->getAttribute('type')];
            }
            $texts = fn(string $path): array => array_map(
                fn(DOMNode|DOMNameSpaceNode $of): string => (string) $of->nodeValue,
                iterator_to_array($find->query($path) ?: [], false),
            );
            $ofTitles = '//a:entry[a:link[contains(@type, "type=entry")]]';
            [$names, $ids] = [$texts("{$ofTitles}/a:title"), $texts("{$ofTitles}/a:id")];
        }
        $isOurs = fn(array $link): bool => !($link['templated'] ?? false) &&
            array_filter(self::CATALOGUE, fn(string $type): bool => str_starts_with($link['type'], $type)) !== [] &&
            !str_contains($link['href'], '/borrow');

        return [
            'links' => array_column(array_values(array_filter($links, $isOurs)), 'href'),
            'names' => array_values($names),
            'ids' => array_values($ids),
        ];
    }

    #[DataProvider('editions')]
    public function test_every_title_is_reached_by_links_alone_and_every_link_leads_somewhere(string $edition): void
    {
        config(['figporch.page_size' => 4]);
        foreach (range(1, 9) as $n) {
            $this->licence($this->title("Tide & Table {$n} <b>\u{0001}“ñ”", author: "Íñigo O'Marsh & {$n}"));
        }
        $list = StaffList::query()->create([
            'library_id' => $this->library()->id,
            'room' => 'reading',
            'name' => 'For the long tide',
            'words' => 'tide',
            'position' => 1,
        ]);
        $this->licence($this->title('Somewhere else'), library: $this->library('larkspur'));
        $this->library()->update(['name' => 'Saltmere “Library” & Reading Room']);
        [$seen, $names, $todo] = [[], [], [url("/opds/{$edition}/saltmere")]];
        while (($address = array_pop($todo)) !== null && count($seen) < 400) {
            $seen[$address] = true;
            $page = $this->withHeaders($this->basic())->get($address)->assertOk();
            $this->assertMatchesRegularExpression(
                $edition === '2'
                    ? '~^application/opds(-publication)?\+json$~'
                    : '~^application/atom\+xml;(type=entry;)?profile=opds-catalog~',
                (string) $page->headers->get('Content-Type'),
            );
            $read = self::read((string) $page->getContent());
            $names = [...$names, ...$read['names']];
            // In one order is as in another, and what narrows down twice is what narrows down once.
            $next = array_filter(
                array_diff([...$read['links'], ...$read['ids']], array_keys($seen), $todo),
                fn(string $of): bool => match (substr_count($of, '&')) {
                    0 => true,
                    1 => str_contains($of, 'order=newest'),
                    default => false,
                },
            );
            $todo = [...$todo, ...$next];
        }
        $this->assertLessThan(400, count($seen));
        $this->assertContains(url("/opds/{$edition}/saltmere/rooms/reading"), array_keys($seen));
        $this->assertContains(url("/opds/{$edition}/saltmere/titles?list={$list->id}"), array_keys($seen));
        $expected = array_map(fn(int $n): string => "Tide & Table {$n} <b>“ñ”", range(1, 9));
        $plain = fn(string $of): string => str_replace("\u{0001}", '', $of);
        $this->assertEqualsCanonicalizing($expected, array_values(array_unique(array_map($plain, $names))));
    }

    /** @return iterable<string, list<string>> */
    public static function editions(): iterable
    {
        yield 'OPDS 2.0' => ['2'];
        yield 'OPDS 1.2' => ['1'];
    }

    public function test_all_subjects_are_there_page_by_page_and_none_of_what_others_have(): void
    {
        foreach (range(1, 105) as $n) {
            $title = $this->title("Number {$n}");
            $title->subjects()->sync([DB::table('subjects')->insertGetId(['name' => "Subject {$n}", 'words' => ''])]);
            DB::table('search_rows')
                ->where('title_id', $title->id)
                ->update([
                    'subjects' => DB::raw(
                        "array(select subject_id::int from subject_title where title_id = {$title->id})",
                    ),
                ]);
            $this->licence($title, library: $this->library($n > 103 ? 'larkspur' : 'saltmere'));
        }
        $names = [];
        $next = '/subjects';
        for ($pages = 0; $next !== null; $pages++) {
            $feed = $this->ask($next)->assertOk();
            array_push($names, ...array_column($feed->json('navigation'), 'title'));
            $links = array_column($feed->json('links'), 'href', 'rel');
            $next = isset($links['next']) ? '/subjects?' . parse_url($links['next'], PHP_URL_QUERY) : null;
        }
        $this->assertSame(2, $pages);
        $this->assertEqualsCanonicalizing(array_map(fn(int $n): string => "Subject {$n}", range(1, 103)), $names);
    }

    public function test_what_goes_out_comes_in_again_as_the_same(): void
    {
        $this->licence($this->importBook());
        $offer = Feed::read((string) $this->ask('/titles')->getContent())->offers[0];
        $title = Title::query()->sole();
        $this->assertSame(
            [
                $title->name,
                $title->format,
                $title->language,
                $title->publisher,
                $title->published,
                preg_replace('/\s+/', ' ', (string) $title->description),
            ],
            [
                $offer->record->name,
                $offer->record->format,
                $offer->record->language,
                $offer->record->publisher,
                $offer->record->published,
                $offer->record->description,
            ],
        );
        $this->assertSame(
            $title->contributors->map(fn($of): array => [$of->name, $of->sort_name, $of->pivot->role])->all(),
            array_map(fn(array $of): array => [$of['name'], $of['sort'], $of['role']], $offer->record->contributors),
        );
        $this->assertEqualsCanonicalizing($title->subjects->pluck('name')->all(), $offer->record->subjects);
        $this->assertSame($title->isbn, $offer->record->isbn()?->thirteen);
    }

    public function test_a_title_is_borrowed_downloaded_and_given_back(): void
    {
        $title = $this->importBook();
        DB::table('licences')->update(['download' => 'open']);
        $before = $this->ask("/titles/{$title->id}")->assertOk();
        $borrow = self::link($before, 'http://opds-spec.org/acquisition/borrow');
        $this->assertSame('available', $borrow['properties']['availability']['state']);
        $this->assertSame(['total' => 1, 'available' => 1], $borrow['properties']['copies']);
        $this->assertSame('application/epub+zip', $borrow['properties']['indirectAcquisition'][0]['type']);
        // Only looked at, nothing happens.
        $this->ask("/titles/{$title->id}/borrow", method: 'HEAD')->assertStatus(405);
        $this->assertSame(0, Loan::query()->count());

        $this->ask("/titles/{$title->id}/borrow")->assertCreated();
        $again = $this->ask("/titles/{$title->id}/borrow", method: 'POST')->assertOk();
        $loan = Loan::query()->sole();
        $this->assertSame(
            'epub',
            basename((string) parse_url(self::link($again, 'http://opds-spec.org/acquisition')['href'], PHP_URL_PATH)),
        );
        $shelf = $this->ask('/loans')->assertOk()->assertJsonPath('metadata.numberOfItems', 1);
        $link = array_values(
            array_filter(
                $shelf->json('publications.0.links'),
                fn(array $of): bool => $of['type'] === 'application/epub+zip',
            ),
        )[0];
        $this->assertSame($loan->due_at->getTimestamp(), strtotime($link['properties']['availability']['until']));
        $file = $this->withHeaders($this->basic())->get($link['href'])->assertOk();
        $this->assertSame('application/epub+zip', $file->headers->get('Content-Type'));

        $returned = $this->ask("/loans/{$loan->id}/return", method: 'PUT')->assertOk();
        $this->assertNotSame([], self::link($returned, 'http://opds-spec.org/acquisition/borrow'));
        $this->assertNotNull($loan->refresh()->ended_at);
        $this->ask("/loans/{$loan->id}/file/epub")
            ->assertStatus(410)
            ->assertHeader('Content-Type', 'application/problem+json');
        // Given back twice it is given back.
        $this->ask("/loans/{$loan->id}/return", method: 'DELETE')->assertOk();
        $this->assertEveryCountIsTrue();
    }

    public function test_a_line_is_joined_and_left_and_a_kept_copy_is_borrowed(): void
    {
        $this->licence($title = $this->title());
        $this->borrow($other = $this->card(), $title);
        $this->hold($this->card(), $title);
        $wait = self::link($this->ask("/titles/{$title->id}"), 'http://opds-spec.org/acquisition/borrow');
        $this->assertStringEndsWith("/titles/{$title->id}/hold", $wait['href']);
        $this->assertSame('unavailable', $wait['properties']['availability']['state']);
        $this->assertSame(['total' => 1], $wait['properties']['holds']);

        $this->ask("/titles/{$title->id}/hold")->assertCreated();
        $this->ask("/titles/{$title->id}/hold")->assertStatus(409);
        $mine = fn(): array => $this->ask('/holds')->json('publications.0.links');
        $borrow = array_values(array_filter($mine(), fn(array $of): bool => str_ends_with($of['rel'], '/borrow')))[0];
        $this->assertSame(['total' => 2, 'position' => 2], $borrow['properties']['holds']);
        $this->assertSame('reserved', $borrow['properties']['availability']['state']);
        $cancel = array_values(array_filter($mine(), fn(array $of): bool => str_ends_with($of['rel'], ':cancel')))[0];
        $this->withHeaders($this->basic())->post($cancel['href'])->assertOk();
        $this->ask('/holds')->assertJsonPath('metadata.numberOfItems', 0)->assertJsonPath('publications', []);

        DB::table('holds')->delete();
        DB::table('cards')->update(['holds_open' => 0]);
        $this->ask("/titles/{$title->id}/hold")->assertCreated();
        $loan = Loan::query()->where('card_id', $other->id)->sole();
        $this->ask("/loans/{$loan->id}/return", $this->card(pin: self::PIN), 'PUT')->assertNotFound();
        $this->assertNull($loan->refresh()->ended_at);
        app(ReturnLoan::class)($loan->id, $this->now());
        $kept = self::link($this->ask("/titles/{$title->id}"), 'http://opds-spec.org/acquisition/borrow');
        $this->assertSame('ready', $kept['properties']['availability']['state']);
        $this->withHeaders($this->basic())->get($kept['href'])->assertCreated();
        $this->assertEveryCountIsTrue();
    }

    /** Somebody with cards of two libraries has the holds of each in its own catalogue. */
    public function test_a_hold_is_in_the_catalogue_of_its_own_library(): void
    {
        $larkspur = $this->library('larkspur');
        $other = $this->card($larkspur, pin: self::PIN, person: $this->card->person);
        $title = $this->title();
        foreach ([$this->library(), $larkspur] as $library) {
            $this->licence($title, library: $library);
            $this->borrow($this->card($library), $title);
        }
        $this->hold($other, $title);
        $this->ask('/holds')->assertJsonPath('metadata.numberOfItems', 0);
        $here = self::link($this->ask("/titles/{$title->id}"), 'http://opds-spec.org/acquisition/borrow');
        $this->assertStringEndsWith('/hold', $here['href']);
        $there = $this->withHeaders($this->basic($other))->get('/opds/2/larkspur/holds')->assertOk();
        $this->assertSame(1, $there->json('metadata.numberOfItems'));
        $this->assertSame(1, $there->json('publications.0.links.2.properties.holds.position'));
    }

    public function test_refusals_say_what_to_do_in_the_language_asked_for(): void
    {
        $this->licence($forAdults = $this->title());
        DB::table('loan_rules')->insert([
            'library_id' => $this->library()->id,
            'patron_group' => 'child',
            'audience_ceiling' => 'child',
        ]);
        $child = $this->card(group: 'child', pin: self::PIN);
        $problem = $this->ask("/titles/{$forAdults->id}/borrow", $child)
            ->assertStatus(409)
            ->assertHeader('Content-Type', 'application/problem+json')
            ->assertJsonPath('status', 409);
        $spanish = $this->ask("/titles/{$forAdults->id}/borrow", $child, language: 'es-MX, es;q=0.9')->assertHeader(
            'Content-Language',
            'es',
        );
        $this->assertNotSame($problem->json('detail'), $spanish->json('detail'));
        // What they may not have is not offered.
        $this->assertSame(
            [],
            self::link($this->ask("/titles/{$forAdults->id}", $child), 'http://opds-spec.org/acquisition/borrow'),
        );

        $this->card->update(['expires_at' => $this->now()->subDay()]);
        $this->ask("/titles/{$forAdults->id}/borrow")->assertStatus(409);
        foreach (['/titles/999999', '/titles/x', '/rooms/nowhere', '/titles?list=77'] as $nowhere) {
            $this->ask($nowhere)->assertNotFound();
        }
        $this->get('/opds/2/nowhere')->assertNotFound()->assertHeader('Content-Type', 'application/problem+json');
        $this->get('/opds/3/saltmere')->assertNotFound();
        $this->get('/opds/2/saltmere/titles/999999')
            ->assertNotFound()
            ->assertHeader('Content-Type', 'application/problem+json');
        // A licence that allows no files.
        $this->card->update(['expires_at' => null]);
        $entry = $this->ask("/titles/{$forAdults->id}/borrow")->assertCreated();
        $this->assertSame('text/html', self::link($entry, 'http://opds-spec.org/acquisition')['type']);
        $this->ask('/loans/' . Loan::query()->sole()->id . '/file/epub')
            ->assertForbidden()
            ->assertJsonPath('status', 403);
    }

    public function test_who_is_not_signed_in_is_asked_to_and_a_wrong_pin_is_said(): void
    {
        $this->licence($title = $this->title());
        foreach (['/loans', '/holds', "/titles/{$title->id}/borrow"] as $own) {
            $asked = $this->get("/opds/2/saltmere{$own}")
                ->assertUnauthorized()
                ->assertHeader('Content-Type', 'application/opds-authentication+json')
                ->assertJsonPath('title', 'Saltmere Library');
            $this->assertCount(2, $asked->headers->all('www-authenticate'));
        }
        // Wrong, it is wrong wherever one looks.
        $wrong = $this->withHeaders($this->basic(pin: '0000'))->get('/opds/2/saltmere/titles')->assertUnauthorized();
        $this->assertStringContainsString('do not go together', (string) $wrong->json('description'));
        foreach (
            ['Digest x', 'Basic', 'Basic !!!', 'Basic ' . base64_encode("\xff\xfe:1"), 'Bearer', 'Bearer x']
            as $odd
        ) {
            $this->withHeaders(['Authorization' => $odd])
                ->get('/opds/2/saltmere/titles')
                ->assertUnauthorized();
        }
        // A card of another library is none here.
        $elsewhere = $this->card($this->library('larkspur'), pin: self::PIN);
        $this->withHeaders($this->basic($elsewhere))->get('/opds/2/saltmere/loans')->assertUnauthorized();
        foreach (range(1, 12) as $_) {
            $last = $this->withHeaders($this->basic(pin: '0001'))->get('/opds/2/saltmere/titles');
        }
        $last->assertStatus(429)->assertHeader('Content-Type', 'application/problem+json');
        $this->assertGreaterThan(0, (int) $last->headers->get('Retry-After'));
        $ways = ['library_id' => $this->library()->id, 'with_cards' => false, 'school' => ['x' => 1]];
        SignInWays::query()->create($ways);
        $this->withHeaders(['Authorization' => ''])
            ->get('/opds/2/saltmere/authentication')
            ->assertOk()
            ->assertJsonPath('authentication', []);
    }

    /** Whatever is asked for that is somebody's, by who is not that somebody. */
    #[DataProvider('editions')]
    public function test_what_is_of_one_person_is_not_there_for_others(string $edition): void
    {
        $title = $this->importBook();
        DB::table('licences')->update(['download' => 'open']);
        $loan = $this->borrow($this->card, $title);
        $this->licence($other = $this->title('Other'));
        $this->borrow($this->card(), $other);
        $hold = $this->hold($this->card, $other);
        $before = json_encode([DB::table('loans')->get(), DB::table('holds')->get()]);
        $others = [
            [$this->card(pin: self::PIN), 'saltmere', 404],
            [$this->card($this->library('larkspur'), pin: self::PIN), 'larkspur', 404],
            [$this->card($this->library('larkspur'), pin: self::PIN), 'saltmere', 401],
        ];
        $own = ["loans/{$loan->id}/return", "loans/{$loan->id}/renew", "holds/{$hold->id}/cancel"];
        foreach ($others as [$card, $library, $answer]) {
            $base = "/opds/{$edition}/{$library}";
            foreach (['POST', 'PUT', 'DELETE'] as $method) {
                foreach ($own as $path) {
                    $with = $this->transformHeadersToServerVars($this->basic($card));
                    $status = $this->call($method, "{$base}/{$path}", server: $with)->status();
                    // Tried often enough, it is not looked at any more.
                    $refused = [$answer, 405, ...$answer === 401 ? [429] : []];
                    $this->assertContains($status, $refused, "{$method} {$path} at {$library}");
                }
            }
            $status = $this->withHeaders($this->basic($card))
                ->get("{$base}/loans/{$loan->id}/file/epub")
                ->status();
            $this->assertContains($status, [$answer, ...$answer === 401 ? [429] : []]);
            foreach (['loans', 'holds'] as $feed) {
                $names = self::read(
                    (string) $this->withHeaders($this->basic($card))
                        ->get("{$base}/{$feed}")
                        ->getContent() ?:
                    '{}',
                )['names'];
                $this->assertSame([], $names);
            }
        }
        $this->assertSame($before, json_encode([DB::table('loans')->get(), DB::table('holds')->get()]));
    }

    public function test_a_token_is_given_for_number_and_pin_and_is_ended_where_devices_are(): void
    {
        $token = fn(array $with): TestResponse => $this->post('/opds/2/saltmere/token', [
            'grant_type' => 'password',
            'username' => chunk_split($this->card->number, 4, ' '),
            'password' => self::PIN,
            ...$with,
        ]);
        $token(['grant_type' => 'client_credentials'])
            ->assertStatus(400)
            ->assertJsonPath('error', 'unsupported_grant_type');
        $token(['password' => ''])
            ->assertStatus(400)
            ->assertJsonPath('error', 'invalid_request');
        $token(['password' => '1111'])
            ->assertStatus(400)
            ->assertJsonPath('error', 'invalid_grant');
        $given = $token([])->assertOk()->assertJsonPath('token_type', 'Bearer');
        $this->assertStringContainsString('no-store', (string) $given->headers->get('Cache-Control'));
        $bearer = ['Authorization' => "Bearer {$given->json('access_token')}"];
        $loans = fn(): TestResponse => $this->withHeaders($bearer)->get('/opds/1/saltmere/loans');
        $loans()->assertOk();
        // Where they have no card they are nobody.
        $this->withHeaders($bearer)->get('/opds/2/larkspur/titles')->assertUnauthorized();
        // Nothing from which it could be made is kept, and it opens nothing else.
        $row = DB::table('sessions')->where('payload', 'app')->sole();
        $this->assertStringNotContainsString($given->json('access_token'), (string) json_encode($row));
        $this->travel(29)->days();
        $loans()->assertOk();
        $this->travel(29)->days();
        $loans()->assertOk();
        $this->travel(31)->days();
        $loans()->assertUnauthorized();

        // One that asks anew each time leaves ten at most, those used last.
        DB::table('sessions')->delete();
        $tokens = [];
        foreach (range(1, 12) as $_) {
            $this->travel(1)->minutes();
            $tokens[] = $token([])->json('access_token');
        }
        $this->assertSame(10, DB::table('sessions')->where('payload', 'app')->count());
        $this->withHeaders(['Authorization' => "Bearer {$tokens[1]}"])
            ->get('/opds/2/saltmere/loans')
            ->assertUnauthorized();
        $this->withHeaders(['Authorization' => "Bearer {$tokens[2]}"])
            ->get('/opds/2/saltmere/loans')
            ->assertOk();
        $this->flushHeaders();

        $other = $token([])->json('access_token');
        $this->as($this->card)->get('/settings')->assertOk()->assertSee('A reading application');
        $this->post('/settings/sessions/end-others');
        $this->flushHeaders();
        $this->withHeaders(['Authorization' => "Bearer {$other}"])
            ->get('/opds/2/saltmere/loans')
            ->assertUnauthorized();
    }

    public function test_every_title_has_a_picture_also_one_without_a_cover_of_its_own(): void
    {
        $this->licence($title = $this->title('Tide & <Table>'));
        $images = $this->ask("/titles/{$title->id}")->json('images');
        $this->assertNotSame([], $images);
        foreach ($images as $image) {
            $cover = $this->get($image['href'])->assertOk();
            $this->assertSame($image['type'], $cover->headers->get('Content-Type'));
            $svg = new DOMDocument();
            $this->assertTrue($svg->loadXML((string) $cover->getContent()));
            $this->assertStringContainsString('Tide &', (string) $svg->textContent);
        }
    }

    public function test_a_kind_of_licence_without_a_number_of_copies_says_none(): void
    {
        $this->licence($title = $this->title(), LicenceModel::Simultaneous, copies: 0);
        $this->licence($this->title('For children', audience: Audience::Child));
        $this->assertArrayNotHasKey(
            'copies',
            self::link($this->ask("/titles/{$title->id}"), 'http://opds-spec.org/acquisition/borrow')['properties'],
        );
    }
}
