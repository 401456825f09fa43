<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Edifact;

use DateTimeImmutable;
use Transliterator;

/**
 * An order to a supplier as UN/EDIFACT ORDERS, directory D.96A, in an interchange of its own (ISO 9735, syntax version
 * 3, level UNOC: ISO 8859-1). Which qualifiers the book trade uses (BGM 220, DTM 137, CUX 2, IMD L 050, 010 and 109,
 * QTY 21, PRI AAA, RFF LI) is from memory of the book trade's guidelines. The message is checked against the segment
 * table of npm's "edifact".
 */
final class OrdersMessage
{
    private const FREE_TEXT = 70;

    private const DESCRIPTION = 35;

    /**
     * @param  string  $number  of the order; at most 14 characters, so that it is the interchange's, too
     * @param  string  $buyer  the number by which the supplier knows the library: a GLN of 13 digits, or any other
     * @param  string  $supplier  the supplier's number
     * @param  string  $currency  ISO 4217
     * @param  non-empty-list<OrderLine>  $lines
     */
    public function __construct(
        private readonly string $number,
        private readonly string $buyer,
        private readonly string $supplier,
        private readonly string $currency,
        private readonly array $lines,
        private readonly DateTimeImmutable $at,
    ) {}

    /** @return string bytes in ISO 8859-1 */
    public function bytes(): string
    {
        $message = [
            self::segment('UNH', ['1'], ['ORDERS', 'D', '96A', 'UN']),
            self::segment('BGM', ['220'], [$this->number], ['9']),
            self::segment('DTM', ['137', $this->at->format('Ymd'), '102']),
            self::segment('NAD', ['BY'], [$this->buyer, '', self::agency($this->buyer)]),
            self::segment('NAD', ['SU'], [$this->supplier, '', self::agency($this->supplier)]),
            self::segment('CUX', ['2', $this->currency, '9']),
        ];
        foreach ($this->lines as $n => $line) {
            array_push($message, ...self::line($n + 1, $line));
        }
        $message[] = self::segment('UNS', ['S']);
        $message[] = self::segment('CNT', ['2', (string) count($this->lines)]);
        $message[] = self::segment('UNT', [(string) (count($message) + 1)], ['1']);
        $when = [$this->at->format('ymd'), $this->at->format('Hi')];

        return "UNA:+.? '\r\n" .
            self::segment('UNB', ['UNOC', '3'], [$this->buyer], [$this->supplier], $when, [$this->number]) .
            implode('', $message) .
            self::segment('UNZ', ['1'], [$this->number]);
    }

    /** @return list<string> */
    private static function line(int $number, OrderLine $line): array
    {
        $segments = [
            $line->ean === null
                ? self::segment('LIN', [(string) $number])
                : self::segment('LIN', [(string) $number], [], [$line->ean, 'EN']),
        ];
        foreach (['050' => $line->name, '010' => $line->people, '109' => $line->publisher] as $what => $text) {
            if ($text !== '') {
                $parts = self::parts($text, self::DESCRIPTION, 2);
                $segments[] = self::segment('IMD', ['L'], [(string) $what], ['', '', '', ...$parts]);
            }
        }
        $segments[] = self::segment('QTY', ['21', (string) $line->quantity]);
        if ($line->terms !== '') {
            $segments[] = self::segment('FTX', ['LIN'], [], [], self::parts($line->terms, self::FREE_TEXT, 5));
        }
        $price = sprintf('%d.%02d', intdiv($line->unitCents, 100), $line->unitCents % 100);
        $segments[] = self::segment('PRI', ['AAA', $price]);
        $segments[] = self::segment('RFF', ['LI', $line->reference]);

        return $segments;
    }

    /** Who gave the number: 9 for a GLN (GS1), else 91, the supplier. */
    private static function agency(string $number): string
    {
        return preg_match('/^\d{13}$/D', $number) === 1 ? '9' : '91';
    }

    /**
     * @param  int<1, max>  $length
     * @return non-empty-list<string> at most $most pieces of at most $length characters
     */
    private static function parts(string $text, int $length, int $most): array
    {
        $parts = mb_str_split(self::latin1($text), $length);

        return array_slice($parts, 0, $most) ?: [''];
    }

    /** @param  list<string>  ...$elements  each a list of components */
    private static function segment(string $name, array ...$elements): string
    {
        $escaped = fn(string $text): string => (string) preg_replace("/[?'+:]/", '?$0', self::bytesOf($text));
        $written = array_map(
            fn(array $components): string => implode(':', array_map($escaped, $components)),
            $elements,
        );

        return implode('+', [$name, ...$written]) . "'\r\n";
    }

    private static function bytesOf(string $text): string
    {
        return mb_convert_encoding(self::latin1($text), 'ISO-8859-1', 'UTF-8');
    }

    /** What ISO 8859-1 has no letters for is written in those of Latin; what is still left, as it can be. */
    private static function latin1(string $text): string
    {
        // Line ends and other controls have no place in a segment.
        $text = (string) preg_replace('/[\x00-\x1f\x7f-\x{9f}]+/u', ' ', $text);

        return (string) preg_replace_callback(
            '/[^\x20-\x7e\x{a0}-\x{ff}]+/u',
            fn(array $m): string => (string) preg_replace(
                '/[^\x20-\x7e]/',
                '',
                (string) Transliterator::create('Any-Latin; Latin-ASCII')?->transliterate($m[0]),
            ),
            $text,
        );
    }
}
