<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use App\Models\Card;

/** What came of a number and a PIN. */
final readonly class SignInOutcome
{
    /**
     * @param  Card|null  $card  null where they do not fit, or could not be looked at
     * @param  int|null  $wait  seconds, after too many tries
     * @param  bool  $isSystemSilent  the library's own system does not answer: who was confirmed of late comes in
     */
    public function __construct(
        public ?Card $card = null,
        public ?int $wait = null,
        public bool $isSystemSilent = false,
    ) {}

    /** @return string|null the refusal in words */
    public function refusal(string $contact): ?string
    {
        return match (true) {
            $this->card !== null => null,
            $this->wait !== null => (string) __('account.too_many_tries', [
                'minutes' => max(1, (int) ceil($this->wait / 60)),
            ]),
            $this->isSystemSilent => (string) __('sign_in.system_silent', ['contact' => $contact]),
            default => (string) __('sign_in.no_match', ['contact' => $contact]),
        };
    }
}
