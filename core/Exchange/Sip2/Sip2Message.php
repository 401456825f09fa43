<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Sip2;

/**
 * One message of the Standard Interchange Protocol, version 2.00: a code of two digits, fields of a fixed length, then
 * fields by two letters that end with "|", and a checksum. From memory of the standard's text (3M, 2006), the checksum
 * held against its worked example.
 */
final readonly class Sip2Message
{
    /** Letters of the fields of fixed length, by code, in order. */
    private const FIXED = [
        '24' => ['status' => 14, 'language' => 3, 'date' => 18],
        '64' => [
            'status' => 14,
            'language' => 3,
            'date' => 18,
            'holds' => 4,
            'overdue' => 4,
            'charged' => 4,
            'fines' => 4,
            'recalls' => 4,
            'unavailable' => 4,
        ],
        '94' => ['ok' => 1],
        '18' => ['circulation' => 2, 'security' => 2, 'fee' => 2, 'date' => 18],
    ];

    /**
     * @param  array<string, string>  $fixed
     * @param  array<string, list<string>>  $fields  a field can stand there more than once
     */
    private function __construct(public string $code, public array $fixed, public array $fields) {}

    /**
     * @param  string  $head  code and fixed fields
     * @param  array<string, string>  $fields
     * @param  int  $sequence  0 to 9
     */
    public static function write(string $head, array $fields, int $sequence): string
    {
        $text = $head;
        foreach ($fields as $name => $value) {
            // What would end a field or a message is no part of a value.
            $text .= $name . str_replace(['|', "\r", "\n"], ' ', $value) . '|';
        }
        $text .= "AY{$sequence}AZ";

        return $text . self::checksum($text) . "\r";
    }

    /** @throws UnreadableSip2 */
    public static function read(string $line, string $code, int $sequence): self
    {
        $line = trim($line, "\r\n");
        if (preg_match('/AY(\d)AZ([0-9A-F]{4})$/Di', $line, $m) === 1) {
            if (strtoupper($m[2]) !== self::checksum(substr($line, 0, -4))) {
                throw new UnreadableSip2('The checksum does not fit.');
            }
            if ((int) $m[1] !== $sequence) {
                throw new UnreadableSip2('It answers another question.');
            }
            $line = substr($line, 0, -9);
        }
        if (!str_starts_with($line, $code)) {
            throw new UnreadableSip2("It answers {$code} with " . substr(mb_scrub($line), 0, 2) . '.');
        }
        $at = 2;
        $fixed = [];
        foreach (self::FIXED[$code] ?? [] as $name => $letters) {
            $fixed[$name] = substr($line, $at, $letters);
            $at += $letters;
        }
        if (strlen($line) < $at) {
            throw new UnreadableSip2('It is cut short.');
        }
        $fields = [];
        foreach (explode('|', substr($line, $at)) as $field) {
            if (strlen($field) >= 2) {
                $fields[substr($field, 0, 2)][] = self::utf8(substr($field, 2));
            }
        }

        return new self($code, $fixed, $fields);
    }

    public function field(string $name): ?string
    {
        $value = trim($this->fields[$name][0] ?? '');

        return $value === '' ? null : $value;
    }

    /** Four digits: what added to the sum of all bytes before gives nothing in sixteen bits. */
    public static function checksum(string $text): string
    {
        $sum = array_sum(array_map(ord(...), $text === '' ? [] : str_split($text)));

        return sprintf('%04X', -$sum & 0xffff);
    }

    /** Systems send UTF-8 nowadays, older ones code page 850 or Latin 1; letters alone differ, so Latin 1 is taken. */
    private static function utf8(string $text): string
    {
        return mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'ISO-8859-1');
    }
}
