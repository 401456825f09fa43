<?php

declare(strict_types=1);

namespace Tests\App\Exchange;

use App\Exchange\Csv\CsvFile;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

/** No text in a file for a spreadsheet is a formula, whichever separator the spreadsheet takes for one. */
final class CsvFileTest extends TestCase
{
    /** @return iterable<int, array{string}> */
    public static function formulas(): iterable
    {
        foreach (['=', '+', '-', '@', "\t=", "\r=", '＝', '＋', '－', '＠'] as $sign) {
            foreach (
                ['', ' ', 'A title; ', 'A title;', "A title\n", "A title\r\n", '"', '";', "A title;\t", ';;']
                as $before
            ) {
                $cell = "{$before}{$sign}cmd|' /C calc'!A0";
                yield [$cell];
            }
        }
    }

    #[DataProvider('formulas')]
    public function test_no_cell_begins_like_a_formula(string $cell): void
    {
        $file = $this->file([['One', $cell, 'two;three'], [$cell, 4, null]]);
        foreach ([',', ';', "\t"] as $separator) {
            foreach ($this->cells($file, $separator) as $read) {
                $this->assertDoesNotMatchRegularExpression(
                    '/^["\s]*[=+\-@＝＋－＠]/u',
                    $read,
                    "parted by {$separator}",
                );
            }
        }
        // Where it is read as it is meant, nothing but the mark is added.
        $read = $this->cells($file, ',');
        $this->assertSame(
            [preg_replace('/\s/', '', $cell)],
            [preg_replace("/\s|'(?=[\"'\s]*[=+\-@＝＋－＠])/u", '', $read[4])],
        );
    }

    public function test_what_is_no_formula_stays_as_it_is(): void
    {
        $row = ['Low Water', 'A–Z', 'two; three', 'x = y', 'a+b', "line\nbreak", 'mail@saltmere.example', '漢字', '-'];
        $file = $this->file([[...$row, -5, 2.5]]);
        $this->assertSame([...array_slice($row, 0, -1), "'-", '-5', '2.5'], array_slice($this->cells($file, ','), 3));
    }

    /** @param  list<list<string|int|float|null>>  $rows */
    private function file(array $rows): string
    {
        ob_start();
        CsvFile::response('rows', ['One', 'Two', 'Three'], $rows)->sendContent();

        return (string) ob_get_clean();
    }

    /** @return list<string> all cells, as a spreadsheet that parts them so reads them */
    private function cells(string $file, string $separator): array
    {
        $stream = fopen('php://memory', 'w+') ?: $this->fail('There is memory.');
        fwrite($stream, (string) preg_replace('/^\xEF\xBB\xBF/', '', $file));
        rewind($stream);
        $cells = [];
        while (($row = fgetcsv($stream, null, $separator, escape: '')) !== false) {
            array_push($cells, ...array_map(strval(...), $row));
        }

        return $cells;
    }
}
