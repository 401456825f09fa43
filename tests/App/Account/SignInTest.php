<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Models\Card;
use Illuminate\Testing\TestResponse;
use Tests\App\TestCase;

final class SignInTest extends TestCase
{
    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function signIn(Card $card, string $pin, string $library = 'saltmere'): TestResponse
    {
        return $this->withUnencryptedCookie('library', $library)->post('/sign-in', [
            'number' => $card->number,
            'pin' => $pin,
        ]);
    }

    public function test_card_number_and_pin_open_the_porch(): void
    {
        $card = $this->card(pin: '4071');
        $card->number = '2100 0001';
        $this->signIn($card, '4071')->assertRedirect('/porch');
        $this->assertAuthenticatedAs($card->person);
        $this->get('/porch')->assertOk()->assertSee($card->person->name);
        $this->post('/sign-out')->assertRedirect('/');
        $this->assertGuest();
    }

    public function test_a_wrong_pin_says_whom_to_ask_and_does_not_tell_whether_the_card_exists(): void
    {
        $card = $this->card(pin: '4071');
        $wrongPin = $this->signIn($card, '0000')->assertSessionHasErrors('number');
        $errors = session('errors')->first('number');
        $this->assertStringContainsString('the front desk', $errors);
        $this->signIn(new Card(['number' => '999']), '4071');
        $this->assertSame($errors, session('errors')->first('number'));
        $this->assertGuest();
        $this->assertNull(session()->getOldInput('pin'), 'the PIN is not kept');
        $wrongPin->assertRedirect();
    }

    public function test_a_card_is_good_at_its_own_library_only_and_not_without_a_pin(): void
    {
        $this->library('larkspur');
        $this->signIn($this->card(pin: '4071'), '4071', 'larkspur');
        $this->assertGuest();
        $this->signIn($this->card(), '');
        $this->assertGuest();
    }

    public function test_tries_are_limited_and_the_right_pin_does_not_help_then(): void
    {
        $card = $this->card(pin: '4071');
        for ($i = 0; $i < 5; $i++) {
            $this->signIn($card, '0000');
        }
        $this->signIn($card, '4071')->assertSessionHasErrors('number');
        $this->assertStringContainsString('too many tries', session('errors')->first('number'));
        $this->assertGuest();
        $this->travel(16)->minutes();
        $this->signIn($card, '4071')->assertRedirect('/porch');
    }

    public function test_after_signing_in_one_is_where_one_wanted_to_go(): void
    {
        $card = $this->card(pin: '4071');
        $this->withUnencryptedCookie('library', 'saltmere')->get('/loans')->assertRedirect('/sign-in');
        $this->signIn($card, '4071')->assertRedirect('/loans');
    }

    public function test_a_library_is_chosen_once_and_remembered(): void
    {
        $this->library();
        $this->library('larkspur');
        $this->get('/catalogue')->assertRedirect('/libraries?then=%2Fcatalogue');
        $this->get('/')->assertOk()->assertSee('Choose your library')->assertSee('Larkspur Library');
        $this->post('/libraries/larkspur', ['then' => '/catalogue'])
            ->assertRedirect('/catalogue')
            ->assertPlainCookie('library', 'larkspur');
        $this->post('/libraries/larkspur', ['then' => 'https://elsewhere.example'])->assertRedirect('/');
        $this->post('/libraries/larkspur', ['then' => '//elsewhere.example'])->assertRedirect('/');
        $this->withUnencryptedCookie('library', 'larkspur')->get('/')->assertSee('Larkspur Library');
    }

    public function test_language_and_scheme_are_kept(): void
    {
        $this->library();
        $this->post('/preferences', ['locale' => 'es'])->assertPlainCookie('locale', 'es');
        $this->withUnencryptedCookie('locale', 'es')
            ->get('/sign-in')
            ->assertSee('Número de carné')
            ->assertSee('lang="es"', false);
        $this->post('/preferences', ['scheme' => 'dark'])->assertPlainCookie('scheme', 'dark');
        $this->withUnencryptedCookie('scheme', 'dark')->get('/sign-in')->assertSee('data-scheme="dark"', false);
        $this->post('/preferences', ['scheme' => 'purple'])->assertCookieMissing('scheme');
    }
}
