<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Citation;

/**
 * A title as a record in RIS, the tagged format of reference managers (its specification of 2011: tags of two signs,
 * "TY" first, "ER" last).
 */
final class Ris
{
    private const TYPES = [
        'ebook' => 'EBOOK',
        'audiobook' => 'BOOK',
        'magazine' => 'MGZN',
        'music' => 'SOUND',
        'video' => 'VIDEO',
        'paper' => 'BOOK',
        'website' => 'ELEC',
    ];

    private const MEDIA = ['audiobook' => 'Audiobook', 'music' => 'Album', 'video' => 'Film'];

    /** Makers are AU; those who took part otherwise have tags of their own. */
    private const ROLES = [
        'editor' => 'A3',
        'translator' => 'A4',
        'narrator' => 'A2',
        'illustrator' => 'A2',
        'cast' => 'A2',
        'contributor' => 'A2',
    ];

    public static function of(CitedTitle $title): string
    {
        $lines = [['TY', self::TYPES[$title->format->value]], ['ID', $title->key], ['TI', $title->fullName()]];
        foreach ($title->makers() as $name) {
            $lines[] = ['AU', $name->inverted()];
        }
        foreach ($title->people as $role => $names) {
            foreach ($names as $name) {
                if (isset(self::ROLES[$role]) && !in_array($name, $title->makers(), true)) {
                    $lines[] = [self::ROLES[$role], $name->inverted()];
                }
            }
        }
        $date = explode('-', (string) $title->published);
        array_push(
            $lines,
            ['PY', $title->year()],
            ['DA', $title->published === null ? null : implode('/', $date + ['', '', '']) . '/'],
            ['ET', $title->issue() === null ? $title->edition : null],
            ['IS', $title->issue()],
            ['PB', $title->publisher],
            ['SN', $title->isbn],
            ['LA', $title->language],
            ['T2', $title->series],
            ['M1', $title->seriesPosition],
            ['SP', $title->pages === null || $title->pages === 0 ? null : (string) $title->pages],
            ['M3', self::MEDIA[$title->format->value] ?? null],
            ['UR', $title->address],
            ['Y2', $title->accessed('Y/m/d/')],
        );

        return implode(
            '',
            array_map(
                // A value is one line; what follows a line's end would be read as another tag.
                fn(array $line): string => "{$line[0]}  - " .
                    trim((string) preg_replace('/\s+/u', ' ', (string) $line[1])) .
                    "\r\n",
                array_filter($lines, fn(array $line): bool => $line[1] !== null && $line[1] !== ''),
            ),
        ) . "ER  - \r\n";
    }
}
