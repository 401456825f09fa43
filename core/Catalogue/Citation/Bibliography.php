<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Citation;

/** Entries of a bibliography in the order of their style, and told apart where it tells them apart. */
final class Bibliography
{
    /**
     * @param  list<CitedTitle>  $titles
     * @return list<CitedTitle>
     */
    public static function of(array $titles, Style $style): array
    {
        if ($style === Style::Vancouver) {
            // Numbered in the order of the text.
            return $titles;
        }
        usort($titles, fn(CitedTitle $a, CitedTitle $b): int => self::filed($a) <=> self::filed($b));

        return in_array($style, [Style::Apa, Style::Harvard, Style::Asa], true) ? self::lettered($titles) : $titles;
    }

    /** @return list<string|null> under what an entry stands: names, then year, then title */
    private static function filed(CitedTitle $title): array
    {
        return [
            self::makers($title) ?: mb_strtolower($title->fullName()),
            $title->year(),
            mb_strtolower($title->fullName()),
        ];
    }

    private static function makers(CitedTitle $title): string
    {
        return mb_strtolower(implode(' ', array_map(fn(Name $n): string => $n->inverted(), $title->makers())));
    }

    /**
     * Of the same people in the same year each gets a letter, in the order of their titles: 2019a, 2019b (Publication
     * Manual of the APA, 7th edition, 9.47; so do Harvard and ASA).
     *
     * @param  list<CitedTitle>  $titles  in order
     * @return list<CitedTitle>
     */
    private static function lettered(array $titles): array
    {
        $same = [];
        foreach ($titles as $n => $title) {
            $makers = self::makers($title);
            $makers === '' || ($same["{$makers}\n{$title->year()}"][] = $n);
        }
        foreach ($same as $numbers) {
            foreach (count($numbers) > 1 ? $numbers : [] as $at => $n) {
                $titles[$n] = $titles[$n]->withLetter(self::letter($at));
            }
        }

        return array_values($titles);
    }

    /** a to z, then aa, ab, and so on. */
    private static function letter(int $at): string
    {
        return ($at >= 26 ? self::letter(intdiv($at, 26) - 1) : '') . chr(97 + ($at % 26));
    }
}
