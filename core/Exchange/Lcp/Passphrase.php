<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Lcp;

/**
 * What a person types in to open their protected files. Kept and used is what is made of it: its SHA-256, the user key
 * of the basic profile (LCP 1.0, 4.3 and 6.2).
 */
final class Passphrase
{
    public const ALGORITHM = 'http://www.w3.org/2001/04/xmlenc#sha256';

    /**
     * Every file carries what one can try passphrases against as fast as a machine can (common practice, no source).
     */
    public const LEAST = 8;

    public const MOST = 100;

    /** @return string 64 digits of base 16 */
    public static function userKey(#[\SensitiveParameter] string $passphrase): string
    {
        return hash('sha256', $passphrase);
    }

    /** Whether a hint tells the passphrase itself. */
    public static function isTold(#[\SensitiveParameter] string $passphrase, string $hint): bool
    {
        return mb_stripos($hint, $passphrase) !== false;
    }
}
