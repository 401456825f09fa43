<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/**
 * An International Standard Book Number, ISO 2108:2017; the ten-digit form is that of ISO 2108:1992.
 */
final readonly class Isbn
{
    /** @param  non-empty-string  $thirteen thirteen digits, check digit verified */
    private function __construct(public string $thirteen) {}

    /**
     * Takes hyphens, spaces and the prefixes "ISBN" and "urn:isbn:"; null when the check digit or the shape is wrong.
     */
    public static function parse(string $text): ?self
    {
        $digits = preg_replace('/^(urn:)?isbn(-1[03])?:?\s*/i', '', trim($text)) ?? '';
        $digits = strtoupper(str_replace(['-', ' ', '‐', '–'], '', $digits));

        if (preg_match('/^\d{9}[\dX]$/', $digits) === 1) {
            return self::checkTen(substr($digits, 0, 9)) === $digits[9]
                ? new self(self::withCheck('978' . substr($digits, 0, 9)))
                : null;
        }
        // 979-0 is music's, ISO 10957.
        if (preg_match('/^(978\d|979[1-9])\d{9}$/', $digits) === 1) {
            return self::withCheck(substr($digits, 0, 12)) === $digits ? new self($digits) : null;
        }

        return null;
    }

    /** The ten-digit form; only numbers that begin with 978 have one. */
    public function ten(): ?string
    {
        if (!str_starts_with($this->thirteen, '978')) {
            return null;
        }
        $body = substr($this->thirteen, 3, 9);

        return $body . self::checkTen($body);
    }

    /**
     * Appends the check digit to twelve digits: weights 1 and 3 by turns, modulo 10.
     *
     * @return non-empty-string
     */
    public static function withCheck(string $twelve): string
    {
        $sum = 0;
        foreach (str_split($twelve) as $i => $digit) {
            $sum += (int) $digit * ($i % 2 === 0 ? 1 : 3);
        }

        return $twelve . (10 - ($sum % 10)) % 10;
    }

    /** Weights 10 down to 2, modulo 11; ten is written X. */
    private static function checkTen(string $nine): string
    {
        $sum = 0;
        foreach (str_split($nine) as $i => $digit) {
            $sum += (int) $digit * (10 - $i);
        }
        $check = (11 - ($sum % 11)) % 11;

        return $check === 10 ? 'X' : (string) $check;
    }
}
