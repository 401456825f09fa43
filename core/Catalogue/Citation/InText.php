<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Citation;

/**
 * The citation of a passage, as it stands in the running text or in a note; it carries the passage's page (rules §6).
 */
final class InText
{
    public static function of(CitedTitle $title, Passage $passage, Style $style): string
    {
        $year = $title->year();

        return match ($style) {
            // Publication Manual of the APA, 7th edition, 8.11, 8.17, and 8.28 for parts without pages.
            Style::Apa => '(' .
                self::listed([
                    self::names($title, ' & ', 2),
                    $year ?? 'n.d.',
                    self::place($passage, 'p. ', fn(string $section): string => "{$section} section"),
                ]) .
                ')',
            // MLA Handbook, 9th edition, 6.2 and 6.16.
            Style::Mla => '(' .
                self::listed([
                    trim(self::names($title, ' and ', 2) . ' ' . $passage->page),
                    $passage->page === null && $passage->section !== null ? "“{$passage->section}”" : null,
                ]) .
                ')',
            // The Chicago Manual of Style, notes, chapter 13; a part without pages is named "under" its heading.
            Style::Chicago => self::note($title, $passage),
            // Author and date, after Cite Them Right, 12th edition.
            Style::Harvard => '(' .
                self::listed([
                    self::names($title, ' and ', 3),
                    $year ?? 'no date',
                    self::place($passage, 'p. ', fn(string $section): string => "“{$section}”"),
                ]) .
                ')',
            // Citing Medicine numbers its references in the order of the text.
            Style::Vancouver => '(' .
                self::listed(['1', self::place($passage, 'p. ', fn(string $section): string => $section)]) .
                ')',
            // American Sociological Association Style Guide, 7th edition: the page follows the year after a colon.
            Style::Asa => '(' .
                trim(self::names($title, ' and ', 3) . ' ' . ($year ?? 'N.d.')) .
                ($passage->page === null ? '' : ":{$passage->page}") .
                ')',
        };
    }

    private static function note(CitedTitle $title, Passage $passage): string
    {
        $makers = array_map(fn(Name $n): string => $n->natural(), $title->makers());
        $names = count($makers) > 2 ? "{$makers[0]} et al." : implode(' and ', $makers);
        $imprint = self::listed([$title->publisher, $title->year() ?? 'n.d.']);

        return self::listed([
            $names,
            "{$title->fullName()} ({$imprint})",
            $passage->page ?? ($passage->section === null ? null : "under “{$passage->section}”"),
        ]) . '.';
    }

    /**
     * Family names; of more than $most only the first, "et al." for the others. Without anybody the title stands there.
     */
    private static function names(CitedTitle $title, string $and, int $most): string
    {
        $makers = array_map(fn(Name $n): string => $n->family, $title->makers());

        return match (true) {
            $makers === [] => $title->name,
            count($makers) > $most => "{$makers[0]} et al.",
            count($makers) === 3 => "{$makers[0]}, {$makers[1]},{$and}{$makers[2]}",
            default => implode($and, $makers),
        };
    }

    /** @param  callable(string): string  $section  how a heading is named */
    private static function place(Passage $passage, string $before, callable $section): ?string
    {
        return $passage->page !== null
            ? $before . $passage->page
            : ($passage->section === null
                ? null
                : $section($passage->section));
    }

    /** @param  list<string|null>  $parts */
    private static function listed(array $parts): string
    {
        return implode(', ', array_filter($parts, fn(?string $part): bool => $part !== null && $part !== ''));
    }
}
