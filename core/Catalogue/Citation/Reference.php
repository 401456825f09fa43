<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Citation;

use FigPorch\Core\Catalogue\Format;

/**
 * A title as an entry of a bibliography, in words of the styles' own language, English. What stands between * and * is
 * set in italics.
 */
final class Reference
{
    /** Placed around titles; neither occurs in text. */
    private const ITALIC = ["\u{E000}", "\u{E001}"];

    public static function text(CitedTitle $title, Style $style): string
    {
        return str_replace(self::ITALIC, '', self::of($title, $style));
    }

    public static function html(CitedTitle $title, Style $style): string
    {
        return str_replace(
            self::ITALIC,
            ['<i>', '</i>'],
            htmlspecialchars(self::of($title, $style), ENT_QUOTES | ENT_SUBSTITUTE),
        );
    }

    private static function of(CitedTitle $title, Style $style): string
    {
        return match ($style) {
            Style::Apa => self::apa($title),
            Style::Mla => self::mla($title),
            Style::Chicago => self::chicago($title),
            Style::Harvard => self::harvard($title),
            Style::Vancouver => self::vancouver($title),
            Style::Asa => self::asa($title),
        };
    }

    /** Osei, M., & Pike, J. (2019). *The long tide* (2nd ed.; J. Oro, Narr.) [Audiobook]. Low Tide Books. */
    private static function apa(CitedTitle $title): string
    {
        $inverted = fn(Name $n): string => $n->given === null ? $n->family : "{$n->family}, {$n->initials()}";
        $people = array_map($inverted, $title->makers());
        $names =
            count($people) > 20
                ? implode(', ', [...array_slice($people, 0, 19), '. . . ' . $people[array_key_last($people)]])
                : self::joined($people, ', & ', ', & ', ', ');
        if ($title->makers() === $title->of('director') && $people !== []) {
            $names .= count($people) > 1 ? ' (Directors)' : ' (Director)';
        } elseif ($title->isEdited()) {
            $names .= count($people) > 1 ? ' (Eds.)' : ' (Ed.)';
        }
        $narrators = array_map(fn(Name $n): string => trim("{$n->initials()} {$n->family}"), $title->of('narrator'));
        $translators = array_map(
            fn(Name $n): string => trim("{$n->initials()} {$n->family}"),
            $title->of('translator'),
        );
        $aside = array_filter([
            $title->edition,
            $translators === [] ? null : self::joined($translators, ' & ', ', & ', ', ') . ', Trans.',
            $narrators === [] ? null : self::joined($narrators, ' & ', ', & ', ', ') . ', Narr.',
        ]);
        $name =
            self::italic($title->fullName()) .
            ($aside === [] ? '' : ' (' . implode('; ', $aside) . ')') .
            match ($title->format) {
                Format::Audiobook => ' [Audiobook]',
                Format::Music => ' [Album]',
                Format::Video => ' [Film]',
                default => '',
            };
        $date = '(' . ($title->citedYear() ?? 'n.d.' . self::after($title, '-')) . ')';

        return self::sentences($names === '' ? [$name, $date] : [$names, $date, $name], [$title->publisher]) .
            self::online(
                $title,
                $title->year() !== null || $title->accessed('Y') === null
                    ? ' '
                    : " Retrieved {$title->accessed('F j, Y')}, from ",
            );
    }

    /** Osei, Maren, and Juno Pike. *The Long Tide*. Read by Liv Oro, 2nd ed., Low Tide Books, 2019, https://…. */
    private static function mla(CitedTitle $title): string
    {
        $makers = $title->makers();
        $names = match (count($makers)) {
            0 => '',
            1 => $makers[0]->inverted(),
            2 => $makers[0]->inverted() . ', and ' . $makers[1]->natural(),
            default => $makers[0]->inverted() . ', et al.',
        };
        $film = $title->format === Format::Video && $makers === $title->of('director');
        $names .= $title->isEdited() ? (count($makers) > 1 ? ', editors' : ', editor') : '';
        $rest = implode(
            ', ',
            array_filter([
                $film ? self::credit('Directed by', $makers) : null,
                self::credit('Translated by', $title->of('translator')),
                self::credit('Narrated by', $title->of('narrator')),
                $title->edition,
                // What is read on line says that it is the ebook, unless it says which edition it is.
                $title->edition === null && $title->format === Format::Ebook && $title->placeOnline() !== null
                    ? 'E-book ed.'
                    : null,
                $title->publisher,
                $title->year(),
                $title->placeOnline(),
            ]),
        );

        return self::sentences(
            [],
            [$film ? '' : $names, self::italic($title->fullName()), $rest, self::medium($title)],
        );
    }

    /** Osei, Maren, and Juno Pike. *The Long Tide*. 2nd ed. Low Tide Books, 2019. */
    private static function chicago(CitedTitle $title): string
    {
        return self::sentences(
            [],
            [
                self::firstInverted($title, 10, 7),
                self::italic($title->fullName()),
                self::credit('Translated by', $title->of('translator')),
                self::credit('Read by', $title->of('narrator')),
                $title->format === Format::Video && $title->makers() !== $title->of('director')
                    ? self::credit('Directed by', $title->of('director'))
                    : null,
                $title->edition,
                implode(', ', array_filter([$title->publisher, $title->year() ?? 'n.d.'])),
                self::medium($title),
                $title->placeOnline(),
            ],
        );
    }

    /** Osei, M. and Pike, J. (2019) *The long tide*. 2nd edn. Low Tide Books. */
    private static function harvard(CitedTitle $title): string
    {
        $people = array_map(
            fn(Name $n): string => $n->given === null ? $n->family : "{$n->family}, {$n->initials(between: '')}",
            $title->makers(),
        );
        $names =
            count($people) > 3
                ? "{$people[0]} " . self::italic('et al.')
                : self::joined($people, ' and ', ' and ', ', ');
        $names .= $title->isEdited() ? (count($people) > 1 ? ' (eds)' : ' (ed.)') : '';
        $date = '(' . ($title->citedYear() ?? 'no date' . self::after($title, ' ')) . ')';
        $narrators = array_map(fn(Name $n): string => $n->natural(), $title->of('narrator'));
        $medium = self::medium($title);
        $name = self::italic($title->fullName()) . ($medium === null ? '' : ' [' . $medium . ']');

        return self::sentences(
            $names === '' ? [$name, $date] : [$names, $date, $name],
            [
                $narrators === [] ? null : 'Narrated by ' . self::joined($narrators, ' and ', ' and ', ', '),
                $title->edition === null ? null : (string) preg_replace('/\bed\.?$/', 'edn', $title->edition),
                $title->publisher,
                self::online(
                    $title,
                    'Available at: ',
                    $title->accessed('Y') === null ? '' : " (Accessed: {$title->accessed('j F Y')})",
                ),
            ],
            stop: false,
        );
    }

    /** Osei M, Pike J. The long tide. 2nd ed. Low Tide Books; 2019. */
    private static function vancouver(CitedTitle $title): string
    {
        $people = array_map(fn(Name $n): string => trim("{$n->family} {$n->initials('', '')}"), $title->makers());
        $names = implode(', ', count($people) > 6 ? [...array_slice($people, 0, 6), 'et al.'] : $people);
        $names .= $title->isEdited() ? (count($people) > 1 ? ', editors' : ', editor') : '';
        $medium = self::medium($title) ?? ($title->placeOnline() === null ? null : 'Internet');

        return self::sentences(
            [],
            [
                $names,
                $title->fullName() . ($medium === null ? '' : " [{$medium}]"),
                $title->edition,
                implode('; ', array_filter([$title->publisher, $title->year() ?? 'date unknown'])) .
                ($title->accessed('Y') === null ? '' : " [cited {$title->accessed('Y M j')}]"),
            ],
        ) . self::online($title, ' Available from: ');
    }

    /** Osei, Maren, and Juno Pike. 2019. *The Long Tide*. 2nd ed. Low Tide Books. */
    private static function asa(CitedTitle $title): string
    {
        $names = self::firstInverted($title, PHP_INT_MAX, 0);
        $name = self::italic($title->fullName());
        $date = $title->citedYear() ?? 'N.d' . self::after($title, '.-');
        $end = [$title->edition, $title->publisher, self::medium($title), self::online($title, '(', ')')];

        return self::sentences([], $names === '' ? [$name, $date, ...$end] : [$names, $date, $name, ...$end]);
    }

    /** The letter of one without a date, where it has one: n.d.-a. */
    private static function after(CitedTitle $title, string $between): string
    {
        return $title->letter === '' ? '' : $between . $title->letter;
    }

    /** Where it is read, with the words that a style has for it; nothing where that is nowhere. */
    private static function online(CitedTitle $title, string $before, string $after = ''): string
    {
        return $title->placeOnline() === null ? '' : $before . $title->placeOnline() . $after;
    }

    private static function medium(CitedTitle $title): ?string
    {
        return match ($title->format) {
            Format::Audiobook => 'Audiobook',
            Format::Music => 'Album',
            Format::Video => 'Film',
            default => null,
        };
    }

    /** @param  list<Name>  $people */
    private static function credit(string $words, array $people): ?string
    {
        return $people === []
            ? null
            : $words .
                    ' ' .
                    self::joined(array_map(fn(Name $n): string => $n->natural(), $people), ' and ', ', and ', ', ');
    }

    /** "Osei, Maren, and Juno Pike", of more than $most only the first $shown. */
    private static function firstInverted(CitedTitle $title, int $most, int $shown): string
    {
        $makers = $title->makers();
        if ($makers === []) {
            return '';
        }
        $names = [$makers[0]->inverted(), ...array_map(fn(Name $n): string => $n->natural(), array_slice($makers, 1))];
        $edited = $title->isEdited() ? (count($makers) > 1 ? ', eds' : ', ed') : '';

        return (count($names) > $most
            ? implode(', ', array_slice($names, 0, $shown)) . ', et al'
            : self::joined($names, ', and ', ', and ', ', ')) . $edited;
    }

    /**
     * @param  list<string>  $names
     * @param  string  $two  between two, $last before the last of more, $between the others
     */
    private static function joined(array $names, string $two, string $last, string $between): string
    {
        return match (count($names)) {
            0, 1 => $names[0] ?? '',
            2 => implode($two, $names),
            default => implode($between, array_slice($names, 0, -1)) . $last . $names[count($names) - 1],
        };
    }

    private static function italic(string $text): string
    {
        return self::ITALIC[0] . $text . self::ITALIC[1];
    }

    /**
     * @param  list<string>  $first  with no stop between them
     * @param  list<string|null>  $parts  each a sentence
     * @param  bool  $stop  whether a stop stands between the names and the date that follow
     */
    private static function sentences(array $first, array $parts, bool $stop = true): string
    {
        $head = '';
        foreach ($first as $n => $part) {
            // In APA each of names, date and title is a sentence; in Harvard they run on.
            $head .= ($n === 0 ? '' : ($stop ? self::stopped($head) : ' ')) . $part;
        }
        $all = array_values(
            array_filter([$head, ...$parts], fn(?string $part): bool => $part !== null && $part !== ''),
        );
        $text = '';
        foreach ($all as $part) {
            $text .= ($text === '' ? '' : self::stopped($text)) . $part;
        }

        return $text . rtrim(self::stopped($text));
    }

    /** What ends a sentence: nothing more where it ends with a stop, a question mark or an exclamation mark already. */
    private static function stopped(string $text): string
    {
        return preg_match('/[.?!][' . self::ITALIC[1] . '"”)\]]*$/u', $text) === 1 &&
            !str_ends_with($text, ')') &&
            !str_ends_with($text, ']')
            ? ' '
            : '. ';
    }
}
