<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Models\Library;
use App\Models\Title;
use FigPorch\Core\Lending\LicenceModel as M;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

/** An address means the same to everybody: which library, which filters, and what of it is not known here. */
final class AddressTest extends TestCase
{
    private const SEEN = ['Sec-Fetch-Dest' => 'document'];

    private Library $larkspur;

    private Title $title;

    protected function setUp(): void
    {
        parent::setUp();
        $this->library();
        $this->larkspur = $this->library('larkspur');
        $this->title = $this->title('Only at Saltmere');
        $this->licence($this->title, M::Simultaneous);
    }

    /** @return array{Referer: string} header */
    private function referer(string $address): array
    {
        return ['Referer' => rtrim((string) config('app.url'), '/') . $address];
    }

    public function test_a_page_that_somebody_sees_has_the_library_in_its_address(): void
    {
        $this->withUnencryptedCookie('library', 'saltmere');
        $this->get('/catalogue?q=only%20at', self::SEEN)->assertRedirect('/catalogue?q=only%20at&library=saltmere');
        $this->get("/titles/{$this->title->id}", self::SEEN)->assertRedirect(
            "/titles/{$this->title->id}?library=saltmere",
        );
        $this->get('/rooms', self::SEEN)->assertRedirect('/rooms?library=saltmere');
        $this->get('/catalogue?library=saltmere', self::SEEN)->assertOk();
        // What nobody sees the address of, and what is asked for in place, stays where it is.
        $this->get('/catalogue')->assertOk();
        $this->get('/suggest?q=on', ['HX-Request' => 'true', 'Sec-Fetch-Dest' => 'empty'])->assertOk();
        $this->withSession(['said' => 'Done as you wished.', '_flash' => ['new' => [], 'old' => ['said']]])
            ->get('/rooms', self::SEEN)
            ->assertSessionHas('said');
    }

    public function test_where_there_is_one_library_no_address_names_it(): void
    {
        $this->larkspur->delete();
        $this->get('/catalogue', self::SEEN)->assertOk()->assertDontSee('library=', false);
    }

    public function test_another_window_disturbs_nothing(): void
    {
        // The other window has chosen Larkspur since.
        $this->withUnencryptedCookie('library', 'larkspur');
        $here = $this->referer('/catalogue?q=only&library=saltmere');
        $this->get('/catalogue?q=only', $here)->assertSee('Only at Saltmere');
        $this->get('/catalogue?q=only', [...$here, ...self::SEEN])->assertRedirect(
            '/catalogue?q=only&library=saltmere',
        );
        $this->get('/suggest?q=onl', [...$here, 'HX-Request' => 'true'])->assertSee('Only at Saltmere');
        $this->get('/catalogue?q=only')->assertDontSee('Only at Saltmere');
        // A page of somebody else says nothing about ours.
        $this->get('/catalogue?q=only', [
            'Referer' => 'https://elsewhere.example/catalogue?library=saltmere',
        ])->assertDontSee('Only at Saltmere');
        $this->get('/catalogue?q=only', $this->referer('/catalogue?library=nowhere'))->assertDontSee(
            'Only at Saltmere',
        );

        // With cards at both, what is borrowed comes from where one looks.
        $card = $this->card();
        $this->card($this->larkspur, person: $card->person);
        $this->licence($this->title, M::Simultaneous, library: $this->larkspur);
        $this->be($card->person->unsetRelations())
            ->post(
                "/titles/{$this->title->id}/borrow",
                [],
                $this->referer("/titles/{$this->title->id}?library=saltmere"),
            )
            ->assertRedirect();
        $this->assertSame(1, $card->refresh()->loans_open);
    }

    public function test_every_link_of_a_page_leads_to_the_same_library(): void
    {
        $this->withUnencryptedCookie('library', 'larkspur');
        foreach (['/catalogue', "/titles/{$this->title->id}", '/rooms', '/rooms/reading', '/'] as $page) {
            $html = (string) $this->get("{$page}?library=saltmere")
                ->assertOk()
                ->getContent();
            preg_match_all('~href="(/(?:catalogue|titles/\d+|rooms)(?:\?[^"#]*)?)["#]~', $html, $links);
            $this->assertNotSame([], $links[1], $page);
            foreach ($links[1] as $link) {
                $this->assertStringContainsString('library=saltmere', $link, $page);
            }
        }
    }

    public function test_what_is_pinned_comes_into_the_address(): void
    {
        $this->withUnencryptedCookie('library', 'saltmere');
        $card = $this->card();
        $card->person->update(['pins' => ['format' => 'ebook']]);
        $this->as($card)
            ->get('/catalogue?q=only&library=saltmere', self::SEEN)
            ->assertRedirect('/catalogue?library=saltmere&format=ebook&q=only&order=relevance');
        $this->get('/catalogue?library=saltmere&format=ebook&q=only&order=relevance', self::SEEN)->assertOk();
        // Another finds the same by that address, and something else by none.
        $other = '/catalogue?library=saltmere&format=audiobook&order=newest';
        $this->get($other, self::SEEN)->assertOk()->assertDontSee('Only at Saltmere');
    }

    /** @return iterable<string, array{string, string}> address, what is said */
    public static function unknown(): iterable
    {
        yield 'a list that went' => [
            '/catalogue?library=saltmere&list=999',
            'Not known here, and so left out: the list.',
        ];
        yield 'a series that is none' => ['/catalogue?library=saltmere&series=abc', 'left out: Series.'];
        yield 'a series that went' => ['/catalogue?library=saltmere&series=999', 'Series: not known here'];
        yield 'subjects that are none' => ['/catalogue?library=saltmere&subjects=x', 'left out: Subject'];
        yield 'a format that is none' => ['/catalogue?library=saltmere&format=scroll', 'left out: Format'];
        yield 'cards of others' => ['/catalogue?library=saltmere&reach=cards', 'left out: My cards'];
        yield 'a library that is none' => ['/catalogue?library=atlantis', 'There is no library “atlantis” here.'];
    }

    #[DataProvider('unknown')]
    public function test_what_an_address_names_that_is_not_here_is_said(string $address, string $said): void
    {
        $this->withUnencryptedCookie('library', 'saltmere');
        $this->get($address)->assertOk()->assertSee($said);
    }

    public function test_a_link_to_where_one_has_no_card_says_so_and_offers_ones_own(): void
    {
        $card = $this->card($this->larkspur);
        $this->as($card)
            ->get("/titles/{$this->title->id}?library=saltmere")
            ->assertSee('You are looking at Saltmere Library, where you have no card.')
            ->assertSee("/titles/{$this->title->id}?library=larkspur", false);
        $this->get("/titles/{$this->title->id}?library=larkspur")->assertDontSee('where you have no card');
        $this->get('/libraries?then=' . urlencode('/catalogue?q=only&library=saltmere'))->assertOk();
        $this->post('/libraries/larkspur', ['then' => '/catalogue?q=only&library=saltmere'])->assertRedirect(
            '/catalogue?q=only&library=larkspur',
        );
    }
}
