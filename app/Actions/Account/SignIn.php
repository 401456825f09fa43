<?php

declare(strict_types=1);

namespace App\Actions\Account;

use App\Models\Card;
use App\Models\Library;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;

/** Card number and PIN. Tries are limited by card and by address, and a wrong number costs as long as a wrong PIN. */
final class SignIn
{
    private const WINDOW_SECONDS = 900;

    /** A hash of nothing in particular, to be compared against when there is no card. */
    private const NO_CARD = '$2y$12$6wrE8gqQH6rZsMbbhpD3TOwwJ9cbTAPt3Q7XZ0mN4rfAIhs6T8cZa';

    /** @return Card|int|null the card; seconds to wait after too many tries; null when number and PIN do not match */
    public function __invoke(Library $library, string $number, string $pin, string $address): Card|int|null
    {
        $limits = [
            "sign-in:card:{$library->id}:".sha1($number) => (int) config('figporch.sign_in_tries.card'),
            "sign-in:address:{$address}" => (int) config('figporch.sign_in_tries.address'),
        ];
        foreach ($limits as $key => $tries) {
            if (RateLimiter::tooManyAttempts($key, $tries)) {
                return RateLimiter::availableIn($key);
            }
        }
        $card = Card::query()->with('person')->where(['library_id' => $library->id, 'number' => $number])->first();
        if (Hash::check($pin, $card->pin_hash ?? self::NO_CARD) && $card !== null && $card->pin_hash !== null) {
            RateLimiter::clear(array_key_first($limits));

            return $card;
        }
        foreach (array_keys($limits) as $key) {
            RateLimiter::hit($key, self::WINDOW_SECONDS);
        }

        return null;
    }
}
