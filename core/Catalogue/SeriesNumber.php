<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/**
 * "book 2 far skerries": the number of a book in its series, as people ask for it, in the languages that pages have.
 */
final readonly class SeriesNumber
{
    private const WORDS = [
        'book',
        'volume',
        'vol',
        'part',
        'number',
        'no',
        'nr',
        'libro',
        'tomo',
        'volumen',
        'parte',
        'numero',
        'num',
    ];

    /** @param  list<string>  $series  the other words, folded */
    private function __construct(public float $number, public array $series) {}

    /** @param  list<string>  $words  folded, in their order; null where they are no such thing */
    public static function of(array $words): ?self
    {
        foreach ($words as $n => $word) {
            $number = $words[$n + 1] ?? '';
            if (in_array($word, self::WORDS, true) && preg_match('/^\d{1,4}$/', $number) === 1 && count($words) > 2) {
                array_splice($words, $n, 2);

                return new self((float) $number, $words);
            }
        }

        return null;
    }
}
