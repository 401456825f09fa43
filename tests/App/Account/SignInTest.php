<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Account\SignIn\TryLimit;
use App\Models\Card;
use App\Models\Notice;
use Carbon\CarbonImmutable;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
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
        $this->travel(13)->minutes();
        $this->signIn($card, '4071')->assertRedirect('/porch');
    }

    public function test_what_others_try_keeps_nobody_out(): void
    {
        $card = $this->card(pin: '4071');
        $from = fn(string $address) => $this->withServerVariables(['REMOTE_ADDR' => $address]);
        $from('10.0.0.1')->signIn($card, '4071')->assertRedirect('/porch');
        $this->post('/sign-out');
        // From many places at once, a card is guessed at: more than any of them may try by itself.
        for ($n = 0; $n < 40; $n++) {
            $from('10.1.0.' . intdiv($n, 4))->signIn($card, '0000');
        }
        $from('10.2.0.1')->signIn($card, '4071')->assertSessionHasErrors('number');
        $this->assertGuest();
        $from('10.0.0.1')->signIn($card, '4071')->assertRedirect('/porch');
        $this->assertAuthenticated();
    }

    public function test_a_school_behind_one_address_is_slowed_down_at_the_most_and_who_comes_in_takes_no_try(): void
    {
        $cards = array_map(fn(): Card => $this->card(pin: '4071'), range(1, 80));
        foreach ($cards as $card) {
            $this->signIn($card, '4071')->assertRedirect('/porch');
            $this->post('/sign-out');
        }
        foreach ($cards as $card) {
            $this->signIn($card, '0000');
        }
        $this->signIn($cards[0], '4071')->assertSessionHasErrors('number');
        $this->travel(73)->seconds();
        $this->signIn($cards[1], '4071')->assertRedirect('/porch');
        $this->post('/sign-out');
        $this->signIn($cards[2], '4071')->assertRedirect('/porch');
    }

    public function test_each_of_many_tries_at_one_moment_counts(): void
    {
        $tries = array_map(fn(): TryLimit => new TryLimit('card:1:77', '10.0.0.9'), range(1, 40));
        $free = array_filter($tries, fn(TryLimit $limit): bool => $limit->begin() === null);
        $this->assertCount(5, $free, 'none had failed yet when the last began');
        $this->assertNull((new TryLimit('card:1:78', '10.0.0.8'))->begin());
        $this->travel(721)->seconds();
        $this->assertNull((new TryLimit('card:1:77', '10.0.0.9'))->begin(), 'slowed down, not locked');
        $this->assertEqualsWithDelta(719, (new TryLimit('card:1:77', '10.0.0.9'))->begin(), 2);
    }

    public function test_what_an_address_is_refused_takes_no_try_of_the_card(): void
    {
        foreach (range(1, 60) as $n) {
            (new TryLimit("card:1:{$n}", '10.0.0.9'))->begin();
        }
        foreach (range(1, 20) as $n) {
            $this->assertNotNull((new TryLimit('card:1:own', '10.0.0.9'))->begin());
        }
        $this->assertNull((new TryLimit('card:1:own', '10.0.0.8'))->begin(), 'all its tries are free elsewhere');
    }

    public function test_who_comes_in_in_two_windows_at_once_has_taken_no_try(): void
    {
        $both = [new TryLimit('card:1:own', '10.0.0.9'), new TryLimit('card:1:own', '10.0.0.9')];
        array_map(fn(TryLimit $one): ?int => $one->begin(), $both);
        array_map(fn(TryLimit $one) => $one->succeeded(), $both);
        $elsewhere = array_map(fn(): ?int => (new TryLimit('card:1:own', '10.0.0.8'))->begin(), range(1, 6));
        $this->assertCount(5, array_filter($elsewhere, is_null(...)));
    }

    #[DataProvider('waysToGuess')]
    public function test_ten_an_hour_are_looked_at_for_a_card_and_a_hundred_for_an_address_however_spread(
        int $most,
        bool $isOneCard,
        bool $hasOwnCard,
    ): void {
        mt_srand(11);
        $start = CarbonImmutable::now();
        $looked = [];
        for ($second = mt_rand(0, 40); $second < 3 * 3600; $second += mt_rand(0, $isOneCard ? 120 : 25)) {
            $this->travelTo($start->addSeconds($second));
            $address = $isOneCard ? '10.9.0.' . mt_rand(1, 250) : '10.9.0.1';
            $name = $isOneCard ? 'card:1:70' : 'card:1:' . mt_rand(1000, 9999);
            (new TryLimit($name, $address))->begin() === null && ($looked[] = $second);
            // One who guesses and has a card of their own comes in with it between.
            $own = new TryLimit('card:1:own', $address);
            $hasOwnCard && $own->begin() === null && $own->succeeded();
        }
        $inAnHour = array_map(
            fn(int $from): int => count(array_filter($looked, fn(int $at): bool => $at >= $from && $at < $from + 3600)),
            $looked,
        );
        $busiest = max([0, ...$inAnHour]);
        $this->assertLessThanOrEqual($most, $busiest);
        $this->assertGreaterThanOrEqual((int) ($most * 0.8), $busiest, 'as many as are promised are looked at');
        $this->assertGreaterThan($most, count($looked), 'nobody is locked out for good');
    }

    /**
     * @return array<string, array{int, bool, bool}> at most in an hour; one card, or one address; a card of one's own
     */
    public static function waysToGuess(): array
    {
        return [
            'one card from everywhere' => [10, true, false],
            'many cards from one address' => [100, false, false],
            'many cards from one address, coming in with one between' => [100, false, true],
        ];
    }

    public function test_the_owner_of_a_card_is_told_once_of_many_wrong_pins(): void
    {
        config(['figporch.sign_in_tries' => ['card' => 99, 'address' => 999]]);
        $card = $this->card(pin: '4071');
        $told = fn(): array => Notice::query()->pluck('person_id')->all();
        for ($i = 0; $i < 9; $i++) {
            $this->signIn($card, '0000');
            $this->signIn(new Card(['number' => '999']), '0000');
        }
        $this->assertSame([], $told());
        for ($i = 0; $i < 11; $i++) {
            $this->signIn($card, '0000');
        }
        $this->assertSame([$card->person_id], $told());
        $this->signIn($card, '4071');
        $this->get('/notices')
            ->assertSee('Wrong PINs for your card')
            ->assertSee('10 wrong PINs for the card that ends in ' . substr($card->number, -4));
        $this->travel(25)->hours();
        for ($i = 0; $i < 10; $i++) {
            $this->post('/sign-out');
            $this->signIn($card, '0000');
        }
        $this->assertCount(2, $told());
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
