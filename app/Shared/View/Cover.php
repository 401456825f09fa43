<?php

declare(strict_types=1);

namespace App\Shared\View;

use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Support\HtmlString;

/** A title's cover: the publication's own image, or one drawn from the title's name. 2:3, square for music. */
final class Cover
{
    private const PALETTES = [
        ['#1f4b56', '#9cc5c9', '#e2a32b'],
        ['#6a2c4f', '#e9cdb0', '#fbf8f1'],
        ['#2f4a2a', '#c9d99a', '#e2a32b'],
        ['#7a4d22', '#f3e2c0', '#1f4b56'],
        ['#3b3f6b', '#b9c0e6', '#ee9b6b'],
        ['#a8431f', '#f6d9c4', '#1f4b56'],
        ['#20303c', '#9fb6c0', '#f3e9cf'],
    ];

    /** Drawn covers narrower than this, in CSS pixels, carry no words. */
    private const NARROWEST_WITH_WORDS = 60;

    /** @param  bool  $decorative  the title's name stands beside it in text */
    public static function html(Title $title, int $width = 74, bool $decorative = false, string $class = ''): HtmlString
    {
        $height = $title->format === Format::Music ? $width : (int) round($width * 1.5);
        $alt = $decorative ? '' : e(__('catalogue.cover_of', ['name' => $title->name]));
        $size = "width=\"{$width}\" height=\"{$height}\"";
        if ($title->cover_file !== null) {
            $address = "/titles/{$title->id}/cover?v=" . substr($title->cover_file, 0, 8);

            return new HtmlString(
                "<img src=\"{$address}\" {$size} alt=\"{$alt}\" loading=\"lazy\" class=\"rounded-[5px] flex-none " .
                    "self-start object-cover block {$class}\">",
            );
        }
        $name = $decorative ? 'aria-hidden="true"' : "role=\"img\" aria-label=\"{$alt}\"";
        $bottom = $title->format === Format::Music ? 120 : 180;

        return new HtmlString(
            "<svg {$size} viewBox=\"0 0 120 {$bottom}\" {$name} " .
                "class=\"rounded-[5px] flex-none self-start block {$class}\">" .
                self::drawing($title, $bottom, $width >= self::NARROWEST_WITH_WORDS) .
                '</svg>',
        );
    }

    private static function drawing(Title $title, int $bottom, bool $words): string
    {
        $seed = crc32("{$title->name}|{$title->work_id}");
        [$ground, $line, $light] = self::PALETTES[$seed % 7];
        $svg =
            "<rect width=\"120\" height=\"{$bottom}\" fill=\"{$ground}\"/>" .
            match (intdiv($seed, 7) % 4) {
                0 => self::figs($seed, $bottom, $line, $light),
                1 => self::waves($seed, $bottom, $line, $light),
                2 => self::windows($seed, $bottom, $line, $light),
                default => self::beacon($seed, $bottom, $line, $light),
            };

        return $words ? $svg . self::words($title, $bottom, $ground, $line) : $svg;
    }

    private static function figs(int $seed, int $bottom, string $line, string $light): string
    {
        $svg = '';
        for ($i = 0; $i < 9; $i++) {
            $x = 6 + $i * 13.5;
            $y = (int) round($bottom - 68 - 24 * sin((M_PI * $i) / 8));
            $bend = round($x + (60 - $x) * 0.35, 1);
            $fill = ($seed >> $i) & 1 ? $light : $line;
            $svg .=
                "<path d=\"M60 {$bottom}Q{$bend} " .
                ($bottom - 50) .
                " {$x} {$y}\" stroke=\"{$line}\" stroke-width=\"2.5\" fill=\"none\"/>" .
                "<ellipse cx=\"{$x}\" cy=\"{$y}\" rx=\"5.5\" ry=\"10\" fill=\"{$fill}\"/>";
        }

        return $svg;
    }

    private static function waves(int $seed, int $bottom, string $line, string $light): string
    {
        $svg = '<circle cx="' . (26 + ($seed % 66)) . '" cy="' . ($bottom - 74) . "\" r=\"15\" fill=\"{$light}\"/>";
        for ($i = 0; $i < 6; $i++) {
            $y = $bottom - 84 + $i * 14;
            $svg .=
                "<path d=\"M0 {$y}Q30 " .
                ($y - 14) .
                " 60 {$y}T120 {$y}V{$bottom}H0z\" fill=\"{$line}\" opacity=\"" .
                (0.2 + $i * 0.1) .
                '"/>';
        }

        return $svg;
    }

    private static function windows(int $seed, int $bottom, string $line, string $light): string
    {
        $svg = '';
        for ($i = 0; $i < 20; $i++) {
            $fill = ($seed >> $i) & 1 ? $line : $light;
            $svg .=
                '<rect x="' .
                (10 + ($i % 5) * 21) .
                '" y="' .
                ($bottom - 86 + intdiv($i, 5) * 20) .
                "\" width=\"16\" height=\"15\" rx=\"2\" fill=\"{$fill}\" opacity=\"" .
                (0.5 + (($seed >> $i % 13) % 5) / 10) .
                '"/>';
        }

        return $svg;
    }

    private static function beacon(int $seed, int $bottom, string $line, string $light): string
    {
        $svg = '';
        for ($i = 1; $i < 7; $i++) {
            $svg .=
                '<circle cx="' .
                (46 + ($seed % 28)) .
                '" cy="' .
                ($bottom - 42) .
                '" r="' .
                $i * 10 .
                '" fill="none" stroke="' .
                ($i % 3 ? $line : $light) .
                '" stroke-width="' .
                ($i % 2 ? 4 : 2) .
                '"/>';
        }

        return $svg;
    }

    private static function words(Title $title, int $bottom, string $ground, string $line): string
    {
        $lines = array_slice(explode("\n", wordwrap($title->name, 14, "\n", true)), 0, $bottom === 120 ? 3 : 4);
        $by = $title->people()[0][1] ?? ($title->edition ?? '');
        $svg = '<rect width="120" height="' . (26 + count($lines) * 16) . "\" fill=\"{$ground}\"/>";
        foreach ($lines as $i => $text) {
            $svg .=
                '<text x="9" y="' .
                (23 + $i * 16) .
                '" font-family="Fraunces, Georgia, serif" font-weight="600" font-size="14" fill="#fff">' .
                e($text) .
                '</text>';
        }

        return $svg .
            '<text x="9" y="' .
            (23 + count($lines) * 16) .
            "\" font-family=\"Atkinson, sans-serif\" font-size=\"8.5\" fill=\"{$line}\">" .
            e(mb_strimwidth($by, 0, 26, '…')) .
            '</text>';
    }
}
