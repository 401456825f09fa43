<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Citation;

/** A title as an entry of BibTeX (Patashnik, "BibTeXing", 1988); letters beyond ASCII stay as they are, in UTF-8. */
final class BibTex
{
    private const TYPES = [
        'ebook' => 'book',
        'audiobook' => 'book',
        'magazine' => 'misc',
        'music' => 'misc',
        'video' => 'misc',
        'paper' => 'book',
        'website' => 'misc',
    ];

    private const MEDIA = ['audiobook' => 'Audiobook', 'magazine' => 'Magazine', 'music' => 'Album', 'video' => 'Film'];

    /** Signs that mean something in TeX. */
    private const ESCAPED = [
        '\\' => '\\textbackslash{}',
        '{' => '\\{',
        '}' => '\\}',
        '&' => '\\&',
        '%' => '\\%',
        '$' => '\\$',
        '#' => '\\#',
        '_' => '\\_',
        '~' => '\\textasciitilde{}',
        '^' => '\\textasciicircum{}',
    ];

    private const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

    public static function of(CitedTitle $title): string
    {
        $narrators = $title->of('narrator');
        $note = implode(
            '. ',
            array_filter([
                self::MEDIA[$title->format->value] ?? null,
                $narrators === []
                    ? null
                    : 'Read by ' . implode(', ', array_map(fn(Name $n): string => $n->natural(), $narrators)),
            ]),
        );
        $fields = [
            $title->isEdited() ? 'editor' : 'author' => self::names($title->makers()),
            // In braces of its own, so that styles leave its capitals alone.
            'title' => '{' . self::escaped($title->fullName()) . '}',
            'translator' => self::names($title->of('translator')),
            'edition' => $title->edition === null || $title->issue() !== null ? null : self::escaped($title->edition),
            'publisher' => $title->publisher === null ? null : self::escaped($title->publisher),
            'year' => $title->year(),
            'month' =>
                $title->published === null || strlen($title->published) < 7
                    ? null
                    : self::MONTHS[(int) substr($title->published, 5, 2) - 1] ?? null,
            'series' => $title->series === null ? null : self::escaped($title->series),
            'number' => $title->issue() === null ? $title->seriesPosition : self::escaped($title->issue()),
            'isbn' => $title->isbn,
            'language' => $title->language,
            'pagetotal' => $title->pages === null || $title->pages === 0 ? null : (string) $title->pages,
            'note' => $note === '' ? null : self::escaped($note),
            'url' => $title->address,
            'urldate' => $title->accessed('Y-m-d'),
        ];
        $lines = '';
        foreach (
            array_filter($fields, fn(?string $value): bool => $value !== null && $value !== '')
            as $field => $value
        ) {
            $lines .= $field === 'month' ? "  month = {$value},\n" : "  {$field} = {{$value}},\n";
        }

        return '@' . self::TYPES[$title->format->value] . "{{$title->key},\n{$lines}}\n";
    }

    /** @param  list<Name>  $people */
    private static function names(array $people): ?string
    {
        return $people === []
            ? null
            : implode(
                ' and ',
                array_map(
                    fn(Name $n): string => $n->given === null
                        ? '{' . self::escaped($n->family) . '}'
                        : self::escaped($n->inverted()),
                    $people,
                ),
            );
    }

    private static function escaped(string $text): string
    {
        return strtr(trim((string) preg_replace('/\s+/u', ' ', $text)), self::ESCAPED);
    }
}
