<?php

declare(strict_types=1);

namespace App\Exchange\Records;

use App\Exchange\Csv\ReadCsv;
use App\Exchange\Csv\UnreadableCsv;
use App\Reading\Publications\Tool;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Exchange\Marc\Iso2709;
use FigPorch\Core\Exchange\Marc\MarcRecord;
use FigPorch\Core\Exchange\Marc\MarcXml;
use FigPorch\Core\Exchange\Marc\RecordOfMarc;
use FigPorch\Core\Exchange\Onix\OnixReader;
use FigPorch\Core\Exchange\Onix\OnixUpdate;
use FigPorch\Core\Exchange\RecordFault;
use FigPorch\Core\Exchange\Table\CopiesInRows;
use FigPorch\Core\Exchange\Table\RecordTable;
use FigPorch\Core\Exchange\UnreadableRecord;
use FigPorch\Core\Exchange\XmlElements;
use Generator;

/**
 * A file of records: ONIX 3.0, MARCXML, a table (CSV), or ISO 2709, each of its records in UTF-8 or MARC-8.
 * yaz-marcdump (Debian's yaz) decodes ISO 2709; it gets some hundred records at once, and where it makes of them
 * another number of records, each alone, so that one that is broken spoils none of the others.
 */
final class RecordFile
{
    private const AT_ONCE = 500;

    private const SECONDS = 60;

    /** Of a table, which is read whole; and of a cell of it. */
    private const MOST_BYTES = 40_000_000;

    private const LONGEST_CELL = 200_000;

    /**
     * @param  array<string, string>  $columns  of a table, by what they are called there
     * @param  OpenTo|null  $webFor  what has an address is a website, for these
     * @return Generator<int, Record|OnixUpdate|RecordFault> by number, from 1: the record, or what is wrong with it
     *
     * @throws UnreadableRecord where it is no file of records
     */
    public function read(string $path, array $columns = [], ?OpenTo $webFor = null): Generator
    {
        $file = @fopen($path, 'rb') ?: throw new UnreadableRecord('there is no such file, or it cannot be read.');
        $head = ltrim((string) fread($file, 200), "\u{FEFF}\r\n\t ");
        rewind($file);
        if (str_starts_with($head, '<')) {
            fclose($file);

            return yield from $this->xml($path, $webFor);
        }
        if (preg_match('/^\d{5}/', $head) !== 1) {
            fclose($file);

            return yield from $this->table($path, $columns);
        }
        try {
            yield from $this->iso2709($file, $webFor);
        } finally {
            fclose($file);
        }
    }

    /**
     * @param  array<string, string>  $columns
     * @return Generator<int, Record|OnixUpdate|RecordFault>
     */
    private function table(string $path, array $columns): Generator
    {
        if (filesize($path) > self::MOST_BYTES) {
            throw new UnreadableRecord('as a table it is too large. Part it, or take MARC.');
        }
        $copies = new CopiesInRows();
        foreach ($this->rowsOf($path, $columns) as $number => $of) {
            $of instanceof Record && $copies->count($number, $of);
        }
        foreach ($this->rowsOf($path, $columns) as $number => $of) {
            $of = $of instanceof Record ? $copies->of($number, $of) : $of;
            if ($of !== null) {
                yield $number => $of;
            }
        }
    }

    /**
     * @param  array<string, string>  $columns
     * @return Generator<int, Record|OnixUpdate|RecordFault>
     */
    private function rowsOf(string $path, array $columns): Generator
    {
        $table = null;
        $number = 0;
        foreach (self::rows($path) as $row) {
            if ($row === null && $table !== null) {
                yield ++$number => new RecordFault(
                    'from here on the table cannot be read: a quotation mark has no end.',
                );
            } elseif ($table === null) {
                $table = $row === null ? null : RecordTable::of($row, $columns);
            } elseif ($row !== null) {
                yield ++$number => self::understood(fn(): Record => $table->read($row));
            }
        }
        if ($number === 0 || $table === null) {
            throw new UnreadableRecord(
                $table === null
                    ? 'it is neither ONIX, MARCXML nor ISO 2709, nor a table (CSV).'
                    : 'it is a table without rows.',
            );
        }
    }

    /** @return Generator<int, list<string>|null> null for what cannot be read from there on */
    private static function rows(string $path): Generator
    {
        try {
            yield from ReadCsv::rows($path, self::LONGEST_CELL);
        } catch (UnreadableCsv) {
            yield null;
        }
    }

    /** @return Generator<int, Record|OnixUpdate|RecordFault> */
    private function xml(string $path, ?OpenTo $webFor): Generator
    {
        $number = 0;
        try {
            foreach (XmlElements::of($path, [MarcXml::RECORD, ...OnixReader::PRODUCTS]) as $element) {
                yield ++$number => self::understood(
                    fn(): Record|OnixUpdate => $element->localName === MarcXml::RECORD
                        ? RecordOfMarc::read(MarcXml::record($element), $webFor)
                        : OnixReader::read($element),
                );
            }
        } catch (UnreadableRecord $broken) {
            // What came before is good; nothing after it can be known.
            yield ++$number => new RecordFault('from here on the file cannot be read: :problem', [
                'problem' => $broken->getMessage(),
            ]);
        }
        if ($number === 0) {
            throw new UnreadableRecord('it has no records of MARC or ONIX.');
        }
    }

    /** @param  callable(): (Record|OnixUpdate)  $read */
    private static function understood(callable $read): Record|OnixUpdate|RecordFault
    {
        try {
            return $read();
        } catch (UnreadableRecord $refused) {
            return $refused->fault;
        }
    }

    /**
     * @param  resource  $file
     * @return Generator<int, Record|OnixUpdate|RecordFault>
     */
    private function iso2709($file, ?OpenTo $webFor): Generator
    {
        $waiting = [];
        foreach (Iso2709::split($file) as $number => $record) {
            $waiting[$number] = $record;
            if (count($waiting) === self::AT_ONCE) {
                yield from $this->records($waiting, $webFor);
                $waiting = [];
            }
        }
        yield from $this->records($waiting, $webFor);
    }

    /**
     * @param  array<int, string>  $records
     * @return array<int, Record|OnixUpdate|RecordFault> in order
     */
    private function records(array $records, ?OpenTo $webFor): array
    {
        return array_map(
            fn(MarcRecord|RecordFault $of): Record|OnixUpdate|RecordFault => $of instanceof RecordFault
                ? $of
                : self::understood(fn(): Record => RecordOfMarc::read($of, $webFor)),
            $this->decoded($records),
        );
    }

    /**
     * @param  array<int, string>  $records
     * @return array<int, MarcRecord|RecordFault> in order
     */
    private function decoded(array $records): array
    {
        $faults = array_filter(array_map(Iso2709::fault(...), $records), fn(?RecordFault $of): bool => $of !== null);
        $read = [];
        foreach ([true, false] as $isUtf8) {
            $good = array_filter(
                array_diff_key($records, $faults),
                fn(string $of): bool => Iso2709::isUtf8($of) === $isUtf8,
            );
            $read += $good === [] ? [] : $this->together($good, $isUtf8);
        }
        $read += $faults;
        ksort($read);

        return $read;
    }

    /**
     * @param  non-empty-array<int, string>  $records
     * @return array<int, MarcRecord|RecordFault>
     */
    private function together(array $records, bool $isUtf8): array
    {
        $marc = $this->dump(implode('', $records), $isUtf8);
        if (count($marc) === count($records)) {
            return array_combine(array_keys($records), $marc);
        }
        if (count($records) === 1) {
            return array_map(fn(string $of): RecordFault => new RecordFault('it cannot be decoded.'), $records);
        }
        $read = [];
        foreach ($records as $number => $record) {
            $read += $this->together([$number => $record], $isUtf8);
        }

        return $read;
    }

    /** @return list<MarcRecord> */
    private function dump(string $records, bool $isUtf8): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'marc');
        try {
            file_put_contents($file, $records);
            $dumped = Tool::run(
                [
                    ...['yaz-marcdump', '-i', 'marc', '-o', 'marcxml'],
                    ...$isUtf8 ? [] : ['-f', 'marc8', '-t', 'utf-8'],
                    $file,
                ],
                self::SECONDS,
            );
            file_put_contents($file, $dumped?->getOutput() ?? '');

            return iterator_to_array(MarcXml::read($file), false);
        } catch (UnreadableRecord) {
            return [];
        } finally {
            @unlink($file);
        }
    }
}
