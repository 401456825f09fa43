<?php

declare(strict_types=1);

namespace App\Exchange\Csv;

use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Rows as a file for a spreadsheet: comma-separated values (RFC 4180) in UTF-8, sent as they come. */
final class CsvFile
{
    /**
     * @param  list<string>  $columns
     * @param  iterable<list<string|int|float|null>>  $rows
     */
    public static function response(string $name, array $columns, iterable $rows): StreamedResponse
    {
        return response()->streamDownload(
            function () use ($columns, $rows): void {
                $out = fopen('php://output', 'w') ?: throw new \RuntimeException('The output cannot be written.');
                self::write($out, $columns, $rows);
                fclose($out);
            },
            Str::slug($name) . '-' . now()->format('Y-m-d') . '.csv',
            ['Content-Type' => 'text/csv; charset=UTF-8', 'Cache-Control' => 'private, no-store'],
        );
    }

    /**
     * @param  list<string>  $columns
     * @param  iterable<list<string|int|float|null>>  $rows
     */
    public static function text(array $columns, iterable $rows): string
    {
        $out = fopen('php://temp', 'r+') ?: throw new \RuntimeException('There is no memory for a file.');
        self::write($out, $columns, $rows);
        rewind($out);

        return (string) stream_get_contents($out);
    }

    /** @param  list<string|int|float|null>  $cells */
    public static function line(array $cells): string
    {
        $out = fopen('php://memory', 'r+') ?: throw new \RuntimeException('There is no memory for a line.');
        fputcsv($out, array_map(self::inert(...), $cells), escape: '', eol: "\r\n");
        rewind($out);

        return (string) stream_get_contents($out);
    }

    /**
     * @param  resource  $out
     * @param  list<string>  $columns
     * @param  iterable<list<string|int|float|null>>  $rows
     */
    private static function write($out, array $columns, iterable $rows): void
    {
        // So that spreadsheets read it as UTF-8.
        fwrite($out, "\u{FEFF}");
        fputcsv($out, $columns, escape: '', eol: "\r\n");
        foreach ($rows as $row) {
            fputcsv($out, array_map(self::inert(...), $row), escape: '', eol: "\r\n");
        }
    }

    /**
     * A text that a spreadsheet would take for a formula is marked as text (OWASP, CSV Injection): also where it begins
     * in the middle of a cell, since a spreadsheet of a country that writes lists with semicolons parts cells there,
     * and in the wide forms that some take for the narrow ones.
     */
    public static function inert(string|int|float|null $cell): string|int|float|null
    {
        return is_string($cell)
            ? (string) preg_replace('/(^|[;\t\r\n])(["\'\s]*)(?=[=+\-@＝＋－＠])/u', "$1$2'", mb_scrub($cell))
            : $cell;
    }
}
