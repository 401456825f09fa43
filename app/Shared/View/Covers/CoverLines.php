<?php

declare(strict_types=1);

namespace App\Shared\View\Covers;

/** A name broken into the lines of a drawn cover, by how wide its letters are. */
final class CoverLines
{
    /** Letters of the covers' face by their width, in parts of its size; measured in a browser, at weight 600. */
    private const WIDTHS = [
        [0.22, " '’"],
        [0.33, 'ijl.,:;!íìîï'],
        [0.43, 'ftI-"()'],
        [0.53, 'cerszJ17?–éèêë'],
        [0.74, '0ABCEPTVXYß'],
        [0.84, 'wDGKNOQRU&æ'],
        [0.94, 'HMŒœ'],
        [1.03, 'm—…'],
        [1.1, 'W'],
    ];

    private const USUAL = 0.63;

    private const CAPITAL = 0.85;

    private const IDEOGRAPH = 1.0;

    /** @var array<int|string, float>|null by letter */
    private static ?array $widths = null;

    /**
     * @param  float  $room  for a line, in the same measure as the size
     * @param  int  $most  lines; what comes after them is left out, with a sign that there is more
     * @return list<string>
     */
    public static function of(string $name, float $size, float $room, int $most): array
    {
        $room /= $size;
        $lines = [];
        $line = '';
        foreach (preg_split('/\s+/u', $name, flags: PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            foreach (self::pieces($word, $room) as $piece) {
                $longer = $line === '' ? $piece : "{$line} {$piece}";
                if ($line !== '' && self::width($longer) > $room) {
                    $lines[] = $line;
                    $longer = $piece;
                }
                $line = $longer;
            }
        }
        $lines = $line === '' ? $lines : [...$lines, $line];
        if (count($lines) <= $most) {
            return $lines;
        }
        $last = $lines[$most - 1];
        while ($last !== '' && self::width("{$last}…") > $room) {
            $last = (string) preg_replace('/\s*\X$/u', '', $last);
        }

        return [...array_slice($lines, 0, $most - 1), "{$last}…"];
    }

    /** @return float in parts of the letters' size */
    public static function width(string $text): float
    {
        if (self::$widths === null) {
            self::$widths = [];
            foreach (self::WIDTHS as [$width, $letters]) {
                self::$widths += array_fill_keys(mb_str_split($letters), $width);
            }
        }
        $sum = 0.0;
        foreach (mb_str_split($text) as $letter) {
            $sum += self::$widths[$letter] ??= match (true) {
                mb_strwidth($letter) > 1 => self::IDEOGRAPH,
                preg_match('/\p{M}|\p{Cf}/u', $letter) === 1 => 0.0,
                preg_match('/\p{Lu}/u', $letter) === 1 => self::CAPITAL,
                default => self::USUAL,
            };
        }

        return $sum;
    }

    /** @return list<string> the word, or as much of it as has room on a line each; never within a letter */
    private static function pieces(string $word, float $room): array
    {
        if (self::width($word) <= $room || preg_match_all('/\X/u', $word, $letters) < 1) {
            return [$word];
        }
        $pieces = [];
        $piece = '';
        foreach ($letters[0] as $letter) {
            if ($piece !== '' && self::width($piece . $letter) > $room) {
                $pieces[] = $piece;
                $piece = '';
            }
            $piece .= $letter;
        }

        return [...$pieces, $piece];
    }
}
