<?php

declare(strict_types=1);

namespace FigPorch\Core\Account;

use DateTimeImmutable;

/** What is wrong with the claims of an ID token whose signature is right (OpenID Connect Core 1.0, 3.1.3.7). */
enum ClaimFault: string
{
    case Issuer = 'issuer';
    case Audience = 'audience';
    case Nonce = 'nonce';
    case Expired = 'expired';
    case NotYet = 'not_yet';
    case Subject = 'subject';

    /** By how much clocks may differ. */
    private const SKEW_SECONDS = 60;

    /** A token that was given longer ago was not given for this signing in. */
    private const OLDEST_SECONDS = 600;

    private const SUBJECT_LETTERS = 255;

    /** @param  array<mixed>  $claims */
    public static function of(
        array $claims,
        string $issuer,
        string $clientId,
        string $nonce,
        DateTimeImmutable $now,
    ): ?self {
        $audience = (array) ($claims['aud'] ?? []);
        $authorized = $claims['azp'] ?? null;
        [$expires, $given] = [$claims['exp'] ?? null, $claims['iat'] ?? null];
        $second = $now->getTimestamp();
        $subject = $claims['sub'] ?? null;

        return match (true) {
            ($claims['iss'] ?? null) !== $issuer => self::Issuer,
            !in_array($clientId, $audience, true),
            count($audience) > 1 && $authorized === null,
            $authorized !== null && $authorized !== $clientId
                => self::Audience,
            !is_string($claims['nonce'] ?? null) || !hash_equals($nonce, $claims['nonce']) => self::Nonce,
            !is_numeric($expires) || $second >= $expires + self::SKEW_SECONDS => self::Expired,
            !is_numeric($given) || $given - self::SKEW_SECONDS > $second => self::NotYet,
            $second - $given > self::OLDEST_SECONDS => self::Expired,
            !is_string($subject) || $subject === '' || strlen($subject) > self::SUBJECT_LETTERS => self::Subject,
            default => null,
        };
    }
}
