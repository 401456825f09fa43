<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/**
 * A standard number with its check digit verified: ISBN (ISO 2108:2017), ISSN (ISO 3297:2022), ISMN (ISO 10957:2021),
 * and ISRC (ISO 3901:2019), which has none.
 */
final readonly class Identifier
{
    /**
     * @param  non-empty-string  $number  without hyphens, letters large
     * @param  string  $written  as its standard writes it, as far as that can be told without tables of publishers
     */
    private function __construct(public IdentifierKind $kind, public string $number, public string $written) {}

    /**
     * Takes hyphens and spaces, the kind's name before the number and the urn: form; null where the shape or the check
     * digit is wrong.
     */
    public static function parse(string $text): ?self
    {
        $isbn = Isbn::parse($text);
        if ($isbn !== null) {
            return new self(IdentifierKind::Isbn, $isbn->thirteen, $isbn->thirteen);
        }
        preg_match('/^\s*(?:urn:)?(issn|ismn|isrc)?\s*:?\s*(.*?)\s*$/isu', $text, $m);
        $named = IdentifierKind::tryFrom(strtoupper($m[1] ?? ''));
        $number = strtoupper(str_replace(['-', ' ', '‐', '–'], '', $m[2] ?? ''));

        return match (true) {
            preg_match('/^\d{7}[\dX]$/', $number) === 1 && ($named ?? IdentifierKind::Issn) === IdentifierKind::Issn
                => self::issn($number),
            preg_match('/^(9790|M)\d{9}$/', $number) === 1 && ($named ?? IdentifierKind::Ismn) === IdentifierKind::Ismn
                => self::ismn($number),
            // Unnamed, a code of two letters and ten signs may be anything.
            $named === IdentifierKind::Isrc && preg_match('/^[A-Z]{2}[A-Z0-9]{3}\d{7}$/', $number) === 1 => new self(
                $named,
                $number,
                vsprintf('%s-%s-%s-%s', [
                    substr($number, 0, 2),
                    substr($number, 2, 3),
                    substr($number, 5, 2),
                    substr($number, 7),
                ]),
            ),
            default => null,
        };
    }

    /** Weights 8 down to 2, modulo 11; ten is written X (ISO 3297, annex A). */
    private static function issn(string $number): ?self
    {
        $sum = 0;
        for ($i = 0; $i < 7; $i++) {
            $sum += (8 - $i) * (int) $number[$i];
        }
        $check = (11 - ($sum % 11)) % 11;

        return $number[7] === ($check === 10 ? 'X' : (string) $check) && $number !== ''
            ? new self(IdentifierKind::Issn, $number, substr($number, 0, 4) . '-' . substr($number, 4))
            : null;
    }

    /**
     * Since 2008 thirteen digits beginning 979-0, checked like an ISBN; before, M took the place of 9790 with the same
     * check digit.
     */
    private static function ismn(string $number): ?self
    {
        $thirteen = (string) preg_replace('/^M/', '9790', $number);

        return $thirteen !== '' && Isbn::withCheck(substr($thirteen, 0, 12)) === $thirteen
            ? new self(IdentifierKind::Ismn, $thirteen, '979-0-' . substr($thirteen, 4, 8) . '-' . $thirteen[12])
            : null;
    }
}
