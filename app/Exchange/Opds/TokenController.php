<?php

declare(strict_types=1);

namespace App\Exchange\Opds;

use App\Account\Devices\AppTokens;
use App\Account\SignIn\SignIn;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Account\Stay;
use FigPorch\Core\Lending\CardNumber;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Card number and PIN for a token (RFC 6749, 4.3, 5.1 and 5.2), so that an application need not keep them. */
final class TokenController
{
    public const TYPE = 'application/json';

    public function __invoke(Request $request, SignIn $signIn, AppTokens $tokens, RequestContext $current): Response
    {
        $library = $current->requiredLibrary();
        if (Input::text($request, 'grant_type') !== 'password') {
            return self::refused('unsupported_grant_type', __('opds.other_way'));
        }
        [$number, $pin] = [Input::text($request, 'username'), Input::text($request, 'password')];
        if ($number === '' || $pin === '' || mb_strlen($number) > 40 || mb_strlen($pin) > 64) {
            return self::refused('invalid_request', __('sign_in.number_needed') . ' ' . __('sign_in.pin_needed'));
        }
        $outcome = $signIn($library, CardNumber::plain($number), $pin, (string) $request->ip());
        if ($outcome->card === null) {
            $refused = self::refused(
                $outcome->isSystemSilent ? 'temporarily_unavailable' : 'invalid_grant',
                (string) $outcome->refusal($library->pin_contact),
                $outcome->wait === null ? ($outcome->isSystemSilent ? 503 : 400) : 429,
            );
            $outcome->wait === null || $refused->headers->set('Retry-After', (string) $outcome->wait);

            return $refused;
        }
        $answer = Edition::json(
            [
                'access_token' => $tokens->make(
                    $outcome->card->person,
                    (string) $request->userAgent(),
                    $request->ip(),
                    CarbonImmutable::now(),
                ),
                'token_type' => 'Bearer',
                'expires_in' => Stay::Long->idleSeconds(),
            ],
            self::TYPE,
        );
        $answer->headers->set('Cache-Control', 'no-store');

        return $answer;
    }

    private static function refused(string $error, string $why, int $status = 400): Response
    {
        return Edition::json(['error' => $error, 'error_description' => $why], self::TYPE, $status);
    }
}
