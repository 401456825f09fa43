<?php

declare(strict_types=1);

namespace App\Exchange\Opds;

use App\Models\SignInWays;
use Illuminate\Http\Response;

/**
 * How an application signs somebody in (Authentication for OPDS 1.0, drafts.opds.io/authentication-for-opds-1.0): with
 * card number and PIN each time (RFC 7617), or once for a token (RFC 6749, 4.3, and RFC 6750).
 */
final class AuthenticationDocument
{
    public const TYPE = 'application/opds-authentication+json';

    /** @return array<string, mixed> */
    public static function of(Addresses $at): array
    {
        $labels = ['login' => __('sign_in.card_number'), 'password' => __('sign_in.pin')];
        $hasNumbers = self::takesNumbers($at);

        return [
            'id' => $at->of('authentication'),
            'title' => $at->library->name,
            'description' => __($hasNumbers ? 'opds.sign_in' : 'opds.no_numbers', [
                'library' => $at->library->name,
                'contact' => $at->library->pin_contact,
            ]),
            'links' => [
                ['rel' => 'start', 'href' => $at->of(), 'type' => $at->edition->navigation()],
                ['rel' => 'alternate', 'href' => $at->page('/'), 'type' => 'text/html'],
                ['rel' => 'help', 'href' => $at->page('/help'), 'type' => 'text/html'],
            ],
            'authentication' => !$hasNumbers
                ? []
                : [
                    [
                        'type' => 'http://opds-spec.org/auth/oauth/password',
                        'links' => [
                            ['rel' => 'authenticate', 'href' => $at->of('token'), 'type' => 'application/json'],
                        ],
                        'labels' => $labels,
                    ],
                    ['type' => 'http://opds-spec.org/auth/basic', 'labels' => $labels],
                ],
        ];
    }

    /** The answer to who has not signed in, or has done it wrongly. */
    public static function answer(Addresses $at, ?string $refusal = null): Response
    {
        $document = self::of($at);
        $answer = Edition::json(
            $refusal === null ? $document : ['description' => $refusal] + $document,
            self::TYPE,
            401,
        );
        $realm = str_replace(['\\', '"'], '', $at->library->name);
        if (self::takesNumbers($at)) {
            $answer->headers->set('WWW-Authenticate', "Basic realm=\"{$realm}\", charset=\"UTF-8\"", false);
        }
        $answer->headers->set('WWW-Authenticate', "Bearer realm=\"{$realm}\"", false);
        $answer->headers->set(
            'Link',
            "<{$at->of('authentication')}>; rel=\"http://opds-spec.org/auth/document\"; type=\"" . self::TYPE . '"',
        );

        return $answer;
    }

    /** A school may let its people in by its own sign-in alone. */
    private static function takesNumbers(Addresses $at): bool
    {
        return SignInWays::of($at->library)->with_cards;
    }
}
