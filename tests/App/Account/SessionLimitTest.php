<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Models\Card;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Response;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/** How long one stays signed in, and what stays when one is not. */
final class SessionLimitTest extends TestCase
{
    use ImportsBooks;

    /** @return TestResponse<Response> */
    private function signIn(Card $card, bool $shared = false): TestResponse
    {
        return $this->withUnencryptedCookie('library', 'saltmere')->post('/sign-in', [
            'number' => $card->number,
            'pin' => '4071',
            ...$shared ? ['shared' => '1'] : [],
        ]);
    }

    public function test_after_thirty_days_it_is_over_however_much_it_was_used(): void
    {
        $this->signIn($this->card(pin: '4071'));
        for ($day = 0; $day < 30; $day++) {
            $this->get('/porch')->assertOk();
            $this->travel(1)->days();
        }
        $this->travel(1)->minutes();
        $this->get('/porch')->assertRedirect('/sign-in')->assertSessionHas('said');
        $this->get('/porch')->assertRedirect('/sign-in');
        $this->assertGuest();
    }

    public function test_on_a_shared_computer_it_is_over_after_a_quarter_of_an_hour_without_use(): void
    {
        $signedIn = $this->signIn($card = $this->card(pin: '4071'), shared: true);
        $page = $this->get('/porch')->assertOk();
        $page
            ->assertSee('<meta http-equiv="refresh" content="905; url=/sign-in">', false)
            ->assertSee('I am still here');
        $this->assertSame(0, self::cookie($page)->getExpiresTime(), 'it goes with the browser');
        for ($n = 0; $n < 4; $n++) {
            $this->travel(14)->minutes();
            $this->get('/porch')->assertOk();
        }
        $this->travel(16)->minutes();
        $this->getJson('/marks')->assertUnauthorized();
        $this->signIn($card, shared: true);
        $this->actingAs($this->staff(), 'staff')->get('/desk/licences')->assertSee('I am still here');
        $this->travel(16)->minutes();
        $this->get('/porch')->assertRedirect('/sign-in')->assertHeader('Clear-Site-Data');

        // On one's own it goes on, and the cookie stays.
        $this->signIn($card);
        $this->travel(16)->minutes();
        $page = $this->get('/porch')->assertOk()->assertDontSee('I am still here');
        $this->assertGreaterThan($this->now()->getTimestamp(), self::cookie($page)->getExpiresTime());
        $this->assertSame(302, $signedIn->getStatusCode());
    }

    public function test_nothing_of_somebody_s_is_kept_by_a_browser_or_a_cache(): void
    {
        $this->licence($title = $this->title());
        $this->assertStringNotContainsString(
            'no-store',
            (string) $this->get('/catalogue?library=saltmere')->headers->get('Cache-Control'),
            'who is nobody can go back quickly',
        );
        $this->as($this->card());
        foreach (
            ['/porch', '/loans', '/holds', '/catalogue', "/titles/{$title->id}", '/settings', '/notices']
            as $page
        ) {
            $answer = $this->get($page)->assertOk();
            $this->assertStringContainsString('no-store', (string) $answer->headers->get('Cache-Control'), $page);
        }
        $out = $this->post('/sign-out')->assertRedirect('/');
        $this->assertSame('"cache", "storage"', $out->headers->get('Clear-Site-Data'));
    }

    public function test_staff_have_the_same_limits(): void
    {
        $this->actingAs($this->staff(), 'staff');
        $this->get('/desk/licences')->assertOk()->assertHeader('Cache-Control', 'no-store, private');
        $this->travel(31)->days();
        $this->get('/desk/licences')->assertRedirect('/desk/sign-in');
    }

    public function test_what_is_for_everybody_brings_nobody_a_session(): void
    {
        $cover = $this->get("/titles/{$this->importBook()->id}/cover")->assertOk();
        $this->assertTrue($cover->baseResponse->headers->hasCacheControlDirective('public'));
        $this->assertSame([], $cover->baseResponse->headers->getCookies());
        $this->assertNotSame([], $this->get('/catalogue?library=saltmere')->baseResponse->headers->getCookies());
    }

    /** @param  TestResponse<Response>  $of */
    private static function cookie(TestResponse $of): Cookie
    {
        $cookies = array_filter(
            $of->baseResponse->headers->getCookies(),
            fn(Cookie $c): bool => $c->getName() === 'fig_porch',
        );

        return array_values($cookies)[0];
    }
}
