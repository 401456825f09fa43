<?php

declare(strict_types=1);

namespace FigPorch\Core\Look;

/** A colour of sRGB, and how well one is seen on another (WCAG 2.2: relative luminance, contrast ratio). */
final readonly class Colour
{
    /** Of text against what it stands on (WCAG 2.2, 1.4.3). */
    public const TEXT = 4.5;

    /** Of the edge of what can be pressed (WCAG 2.2, 1.4.11). */
    public const EDGE = 3.0;

    private function __construct(public int $red, public int $green, public int $blue) {}

    /** @return self|null null for what is not "#1f4b56" or "#abc" */
    public static function parse(string $text): ?self
    {
        $hex = strtolower(ltrim(trim($text), '#'));
        if (preg_match('/^[0-9a-f]{3}$/D', $hex) === 1) {
            $hex = "{$hex[0]}{$hex[0]}{$hex[1]}{$hex[1]}{$hex[2]}{$hex[2]}";
        }

        return preg_match('/^[0-9a-f]{6}$/D', $hex) === 1
            ? new self(
                (int) hexdec(substr($hex, 0, 2)),
                (int) hexdec(substr($hex, 2, 2)),
                (int) hexdec(substr($hex, 4)),
            )
            : null;
    }

    public function hex(): string
    {
        return sprintf('#%02x%02x%02x', $this->red, $this->green, $this->blue);
    }

    public function luminance(): float
    {
        [$red, $green, $blue] = array_map(
            fn(int $of): float => $of / 255 <= 0.04045 ? $of / 255 / 12.92 : (($of / 255 + 0.055) / 1.055) ** 2.4,
            [$this->red, $this->green, $this->blue],
        );

        return 0.2126 * $red + 0.7152 * $green + 0.0722 * $blue;
    }

    /** @return float 1 to 21 */
    public function contrast(self $with): float
    {
        $of = [$this->luminance(), $with->luminance()];

        return (max($of) + 0.05) / (min($of) + 0.05);
    }

    /** @param  float  $share  of the other, 0 to 1 */
    public function mixed(self $with, float $share): self
    {
        $mix = fn(int $a, int $b): int => (int) round($a + ($b - $a) * $share);

        return new self($mix($this->red, $with->red), $mix($this->green, $with->green), $mix($this->blue, $with->blue));
    }

    /** As near to this as can be, toward another, that stands out from each of these by so much. */
    public function towardUntil(self $toward, float $contrast, self $ground, self ...$others): self
    {
        for ($share = 0; $share < 100; $share++) {
            $colour = $this->mixed($toward, $share / 100);
            $least = min(array_map(fn(self $on): float => $colour->contrast($on), [$ground, ...$others]));
            if ($least >= $contrast) {
                return $colour;
            }
        }

        return $toward;
    }
}
