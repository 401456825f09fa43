<?php

declare(strict_types=1);

namespace App\Exchange\Counter;

use App\Exchange\Csv\CsvFile;
use FigPorch\Core\Exchange\Counter\ReportDocument;
use FigPorch\Core\Exchange\Counter\ReportTable;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** A report as a file of cells parted by tabs, as COUNTER has it: nothing is quoted, and no cell has a line in it. */
final class TableFile
{
    public static function response(string $name, ReportDocument $report): StreamedResponse
    {
        return response()->streamDownload(
            function () use ($report): void {
                foreach (ReportTable::of($report) as $line) {
                    echo implode("\t", array_map(self::cell(...), $line)), "\r\n";
                }
            },
            "{$name}.tsv",
            ['Content-Type' => 'text/tab-separated-values; charset=UTF-8', 'Cache-Control' => 'private, no-store'],
        );
    }

    private static function cell(string|int $of): string
    {
        return (string) CsvFile::inert(is_int($of) ? $of : (string) preg_replace('/[\t\r\n]+/', ' ', $of));
    }
}
