<?php

declare(strict_types=1);

namespace App\Exchange\Csv;

/**
 * Rows of a file of comma-separated values (RFC 4180), as spreadsheets write them in this country or that: parted by
 * commas, semicolons or tabs, in UTF-8, UTF-16 with its mark, or Windows-1252.
 */
final class ReadCsv
{
    private const SEPARATORS = [',', ';', "\t"];

    /** Of a cell; what is longer was no list of people. */
    private const LONGEST_CELL = 10_000;

    /**
     * @return iterable<int, list<string>> by line of the file, the first is 1; cells trimmed; without empty rows
     *
     * @throws UnreadableCsv
     */
    public static function rows(string $path, int $longest = self::LONGEST_CELL): iterable
    {
        $text = self::utf8((string) file_get_contents($path));
        $separator = self::separator($text);
        $file = fopen('php://temp', 'w+') ?: throw new \RuntimeException('No memory for a file.');
        fwrite($file, $text);
        rewind($file);
        $line = 1;
        while (($row = fgetcsv($file, separator: $separator, escape: '')) !== false) {
            $cells = array_map(fn(?string $cell): string => self::trim((string) $cell), $row);
            if (max(array_map(strlen(...), $cells)) > $longest) {
                throw new UnreadableCsv('quote', ['line' => $line]);
            }
            if (implode('', $cells) !== '') {
                yield $line => $cells;
            }
            // Cells may hold line ends of their own.
            $line += 1 + array_sum(array_map(fn(?string $cell): int => substr_count((string) $cell, "\n"), $row));
        }
        fclose($file);
    }

    private static function utf8(string $bytes): string
    {
        if (str_starts_with($bytes, "PK\x03\x04") || str_starts_with($bytes, "\xD0\xCF\x11\xE0")) {
            throw new UnreadableCsv('spreadsheet');
        }
        $text = match (true) {
            str_starts_with($bytes, "\xFF\xFE") => mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16LE'),
            str_starts_with($bytes, "\xFE\xFF") => mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16BE'),
            str_starts_with($bytes, "\xEF\xBB\xBF") => substr($bytes, 3),
            mb_check_encoding($bytes, 'UTF-8') => $bytes,
            default => mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252'),
        };
        if (str_contains($text, "\0") || !mb_check_encoding($text, 'UTF-8')) {
            throw new UnreadableCsv('no_text');
        }

        // A lone CR ends a line on some machines still.
        return (string) preg_replace('/\r\n?/', "\n", $text);
    }

    /** That of which the first line has most, outside quotes. */
    private static function separator(string $text): string
    {
        $first = (string) preg_replace('/"[^"]*"/', '', strtok($text, "\n") ?: '');
        $counts = array_map(fn(string $of): int => substr_count($first, $of), self::SEPARATORS);

        return self::SEPARATORS[(int) array_search(max($counts), $counts, true)];
    }

    private static function trim(string $cell): string
    {
        return (string) preg_replace('/^[\s\x{A0}]+|[\s\x{A0}]+$/u', '', $cell);
    }
}
