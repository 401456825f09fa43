<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

/** How much there is of it: 300 and 306. */
final class MarcExtent
{
    private const MOST_OF_ANYTHING = 100_000_000;

    /** "xii, 340 pages", "1 online resource (340 pages)", "12 tracks": the largest number before what is counted. */
    public static function many(MarcRecord $of): int
    {
        $text = implode(' ', $of->values('300', 'a'));
        preg_match_all('/(\d{1,9})\s*(?:unnumbered\s+)?(?:p\b|p\.|pages|páginas|tracks?|songs?|pistas)/iu', $text, $m);

        return $m[1] === [] ? 0 : min(self::MOST_OF_ANYTHING, max(array_map(intval(...), $m[1])));
    }

    /** 306, else "(9 hr., 27 min.)" or "09:27:00" in 300. */
    public static function seconds(MarcRecord $of): ?int
    {
        $sum = 0;
        foreach ($of->values('306', 'a') as $time) {
            if (preg_match('/^(\d{2})(\d{2})(\d{2})$/D', $time, $m) === 1) {
                $sum += 3600 * (int) $m[1] + 60 * (int) $m[2] + (int) $m[3];
            }
        }
        if ($sum > 0) {
            return $sum;
        }
        $text = implode(' ', $of->values('300', 'a'));
        if (preg_match('/(\d{1,3}):(\d{2}):(\d{2})/', $text, $m) === 1) {
            return 3600 * (int) $m[1] + 60 * (int) $m[2] + (int) $m[3];
        }
        foreach (['h(?:ou)?rs?' => 3600, 'min(?:utes?|s)?' => 60, 'sec(?:onds?|s)?' => 1] as $unit => $each) {
            preg_match("/(\d{1,4})\s*{$unit}\b/iu", $text, $m) === 1 && ($sum += $each * (int) $m[1]);
        }

        return $sum > 0 ? $sum : null;
    }

    /** "bk. 2.", "vol. 3", "no. 12": the number in it. */
    public static function number(?string $text): ?string
    {
        return preg_match('/\d+(?:[.,]\d+)?/', (string) $text, $m) === 1 ? str_replace(',', '.', $m[0]) : null;
    }
}
