<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

/** What a card's number is drawn in for a scanner. */
enum Symbology: string
{
    case Code39 = 'code39';
    case Codabar = 'codabar';
    case Code128 = 'code128';
    case Qr = 'qr';

    /** This one, where it has signs for all of the number; else Code 128, which has them for all of ASCII, or QR. */
    public function for(string $number): self
    {
        return match (true) {
            $this->has($number) => $this,
            self::Code128->has($number) => self::Code128,
            default => self::Qr,
        };
    }

    /** Signs as in ISO/IEC 16388 (Code 39), ANSI/AIM BC3 (Codabar, without its start and stop) and ISO/IEC 15417. */
    private function has(string $number): bool
    {
        return match ($this) {
            self::Code39 => preg_match('~^[0-9A-Z \-.$/+%]+$~D', $number) === 1,
            self::Codabar => preg_match('~^[0-9\-$:/.+]+$~D', $number) === 1,
            self::Code128 => preg_match('/^[\x20-\x7e]+$/D', $number) === 1,
            self::Qr => true,
        };
    }

    /** What is drawn: Codabar has a letter on either side, by which a scanner knows where it begins and ends. */
    public function text(string $number): string
    {
        return $this === self::Codabar ? "A{$number}A" : $number;
    }
}
