<?php

declare(strict_types=1);

namespace App\Exchange\Opds;

use App\Account\Devices\AppTokens;
use App\Account\SignIn\SignIn;
use App\Models\Card;
use App\Models\Person;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Closure;
use FigPorch\Core\Lending\CardNumber;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * Who an application asks for, said with each request: card number and PIN (Basic, RFC 7617) or a token (Bearer, RFC
 * 6750). Whoever says nothing sees the catalogue as anybody does, and is asked to where somebody is needed.
 */
final class SignInOfApp
{
    public function __construct(
        private readonly RequestContext $current,
        private readonly SignIn $signIn,
        private readonly AppTokens $tokens,
    ) {}

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next, string $needed = ''): Response
    {
        $library = $this->current->requiredLibrary();
        $edition = $request->route('edition');
        $at = new Addresses($edition instanceof Edition ? $edition : Edition::Two, $library);
        $said = trim((string) $request->headers->get('Authorization'));
        if ($said === '') {
            return $needed === '' ? $next($request) : AuthenticationDocument::answer($at);
        }
        $person = match (true) {
            stripos($said, 'bearer ') === 0 => $this->byToken(trim(substr($said, 7))),
            stripos($said, 'basic ') === 0 => $this->byPin(
                (string) base64_decode(trim(substr($said, 6)), true),
                $request,
            ),
            default => (string) __('opds.other_way'),
        };
        if ($person instanceof Response) {
            return $person;
        }
        if (is_string($person)) {
            return AuthenticationDocument::answer($at, $person);
        }
        $libraries = $this->current->libraries();
        $person
            ->load('cards')
            ->cards->each(fn(Card $card) => $card->setRelation('library', $libraries->find($card->library_id)));
        $this->current->person = $person;
        Auth::guard('web')->setUser($person);
        if ($this->current->card() === null) {
            return AuthenticationDocument::answer(
                $at,
                __('borrowing.no_card_here', ['library' => $library->name, 'contact' => $library->pin_contact]),
            );
        }

        return $next($request);
    }

    private function byToken(string $token): Person|string
    {
        return $this->tokens->person($token, CarbonImmutable::now()) ?? (string) __('opds.token_over');
    }

    private function byPin(string $said, Request $request): Person|string|Response
    {
        [$number, $pin] = [...explode(':', $said, 2), ''];
        if ($number === '' || !mb_check_encoding($said, 'UTF-8') || str_contains($said, "\0") || strlen($said) > 200) {
            return (string) __('opds.other_way');
        }
        $library = $this->current->requiredLibrary();
        $outcome = ($this->signIn)($library, CardNumber::plain($number), $pin, (string) $request->ip());
        $refusal = (string) $outcome->refusal($library->pin_contact);

        return match (true) {
            $outcome->card !== null => $outcome->card->person,
            $outcome->wait !== null => AnswerApps::problem(429, $refusal, (string) $outcome->wait),
            $outcome->isSystemSilent => AnswerApps::problem(503, $refusal, '60'),
            default => $refusal,
        };
    }
}
