<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

use FigPorch\Core\Exchange\RecordFault;
use FigPorch\Core\Exchange\UnreadableRecord;
use Generator;

/**
 * The exchange form of MARC 21 (ISO 2709:2008; loc.gov/marc/specifications/specrecstruc.html): written in UTF-8; in a
 * file of them, where each begins and ends. What is in one, in whatever characters, yaz-marcdump decodes.
 */
final class Iso2709
{
    private const SUBFIELD = "\x1F";

    private const FIELD = "\x1E";

    private const RECORD = "\x1D";

    private const LONGEST = 99_999;

    private const LEADER = 24;

    private const BLOCK = 1_000_000;

    /**
     * A record of any length; a field of over 9,999 bytes, or a record of over 99,999, which the form cannot hold, is
     * made shorter by its longest values.
     */
    public static function write(MarcRecord $of): string
    {
        for ($most = 9_900; ; $most = intdiv($most, 2)) {
            [$directory, $data] = ['', ''];
            foreach ($of->fields as $field) {
                $text = self::field($field, $most) . self::FIELD;
                $directory .= sprintf('%s%04d%05d', $field->tag, min(strlen($text), 9999), min(strlen($data), 99999));
                $data .= $text;
            }
            $base = self::LEADER + strlen($directory) + 1;
            $length = $base + strlen($data) + 1;
            if ($length <= self::LONGEST || $most < 10) {
                break;
            }
        }
        $leader = sprintf('%05d%s%05d%s', $length, substr($of->leader, 5, 7), $base, substr($of->leader, 17));

        return $leader . $directory . self::FIELD . $data . self::RECORD;
    }

    private static function field(MarcField $field, int $most): string
    {
        if ($field->value !== null) {
            return self::plain($field->value);
        }
        $text = $field->first . $field->second;
        foreach ($field->subfields as [$code, $value]) {
            $text .= self::SUBFIELD . $code . mb_strcut(self::plain($value), 0, $most);
        }

        return strlen($text) > 9_990 ? mb_strcut($text, 0, 9_990) : $text;
    }

    private static function plain(string $text): string
    {
        return str_replace([self::SUBFIELD, self::FIELD, self::RECORD], ' ', $text);
    }

    /**
     * @param  resource  $file
     * @return Generator<int, string> each record by its number, with its terminator
     */
    public static function split($file): Generator
    {
        [$rest, $number] = ['', 0];
        while (!feof($file)) {
            $rest .= (string) fread($file, self::BLOCK);
            $parts = explode(self::RECORD, $rest);
            $rest = (string) array_pop($parts);
            foreach ($parts as $part) {
                // Between records there may be the ends of lines.
                yield ++$number => ltrim($part, "\r\n\0 ") . self::RECORD;
            }
            if (strlen($rest) > 10 * self::BLOCK) {
                throw new UnreadableRecord('for ten million bytes no record ends: it is no file of MARC records.');
            }
        }
        if (trim($rest, "\r\n\0\x1A ") !== '') {
            yield ++$number => $rest;
        }
    }

    /** @return RecordFault|null what is wrong with the form of a record; null where nothing is */
    public static function fault(string $record): ?RecordFault
    {
        $leader = substr($record, 0, self::LEADER);

        return match (true) {
            preg_match('/^\d{5}.{5}22\d{5}/s', $leader) !== 1 => new RecordFault(
                'it does not begin as a MARC record does.',
            ),
            !str_ends_with($record, self::RECORD) => new RecordFault('it breaks off.'),
            (int) substr($leader, 0, 5) !== strlen($record) => new RecordFault(
                'it says to be :said bytes long and is :is.',
                ['said' => (int) substr($leader, 0, 5), 'is' => strlen($record)],
            ),
            $leader[9] === 'a' && !mb_check_encoding($record, 'UTF-8') => new RecordFault(
                'it says to be in UTF-8 and is not.',
            ),
            default => null,
        };
    }

    /** Whether its leader says that it is in UTF-8; else it is in MARC-8. */
    public static function isUtf8(string $record): bool
    {
        return ($record[9] ?? ' ') === 'a';
    }
}
