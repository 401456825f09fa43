<?php

declare(strict_types=1);

namespace FigPorch\Demo;

/** Covers drawn from a title, for the demo's own books. */
final class Drawing
{
    private const COLOURS = [
        ['#1f4b56', '#9cc5c9', '#e2a32b'],
        ['#6a2c4f', '#e9cdb0', '#fbf8f1'],
        ['#2f4a2a', '#c9d99a', '#e2a32b'],
        ['#8a5a2b', '#f3e2c0', '#1f4b56'],
        ['#3b3f6b', '#b9c0e6', '#ee9b6b'],
        ['#a8431f', '#f6d9c4', '#1f4b56'],
    ];

    /** An SVG of 600 × 900 with a horizon of waves and a light. */
    public static function cover(string $title, string $author, string $seed): string
    {
        $n = crc32($seed);
        [$ground, $line, $light] = self::COLOURS[$n % count(self::COLOURS)];
        $waves = '';
        for ($i = 0; $i < 7; $i++) {
            $y = 520 + $i * 56;
            $bend = 20 + (($n >> $i) % 40);
            $waves .=
                "<path d=\"M0 {$y} Q150 " .
                ($y - $bend) .
                " 300 {$y} T600 {$y}\" fill=\"none\" stroke=\"{$line}\" stroke-width=\"6\" opacity=\"" .
                (0.35 + $i * 0.09) .
                '"/>';
        }
        $x = 120 + ($n % 360);
        $text = '';
        foreach (explode("\n", wordwrap($title, 13)) as $i => $words) {
            $text .=
                '<text x="48" y="' .
                (116 + $i * 70) .
                '" font-size="60" font-weight="600">' .
                htmlspecialchars($words, ENT_XML1) .
                '</text>';
        }

        $below = 116 + ($i + 1) * 70 - 20;

        return '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 600 900" width="600" ' .
            "height=\"900\"><rect width=\"600\" height=\"900\" fill=\"{$ground}\"/>{$waves}" .
            "<circle cx=\"{$x}\" cy=\"440\" r=\"46\" " .
            "fill=\"{$light}\"/><g fill=\"#fff\" font-family=\"Georgia, serif\">{$text}</g>" .
            "<text x=\"48\" y=\"{$below}\" font-size=\"34\" fill=\"{$line}\" font-family=\"Georgia, serif\">" .
            htmlspecialchars($author, ENT_XML1) .
            '</text></svg>';
    }
}
