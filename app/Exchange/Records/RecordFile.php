<?php

declare(strict_types=1);

namespace App\Exchange\Records;

use FigPorch\Core\Exchange\Marc\Iso2709;
use FigPorch\Core\Exchange\Marc\MarcRecord;
use FigPorch\Core\Exchange\Marc\MarcXml;
use FigPorch\Core\Exchange\Marc\UnreadableMarc;
use Generator;
use RuntimeException;
use Symfony\Component\Process\Process;

/**
 * A file of MARC records: MARCXML, or ISO 2709 in UTF-8 or MARC-8, each record in its own. yaz-marcdump (Debian's yaz)
 * decodes ISO 2709; it gets some hundred records at once, and where it makes of them another number of records, each
 * alone, so that one that is broken spoils none of the others.
 */
final class RecordFile
{
    private const AT_ONCE = 500;

    private const SECONDS = 60;

    /**
     * @return Generator<int, MarcRecord|string> by number, from 1: the record, or what is wrong with it
     *
     * @throws UnreadableMarc where it is no file of records
     */
    public function read(string $path): Generator
    {
        $file = @fopen($path, 'rb') ?: throw new UnreadableMarc('there is no such file, or it cannot be read.');
        $head = ltrim((string) fread($file, 200), "\u{FEFF}\r\n\t ");
        rewind($file);
        if (str_starts_with($head, '<')) {
            fclose($file);

            return yield from $this->xml($path);
        }
        if (preg_match('/^\d{5}/', $head) !== 1) {
            throw new UnreadableMarc('it is neither MARCXML nor ISO 2709.');
        }
        try {
            yield from $this->iso2709($file);
        } finally {
            fclose($file);
        }
    }

    /** @return Generator<int, MarcRecord|string> */
    private function xml(string $path): Generator
    {
        $number = 0;
        try {
            foreach (MarcXml::read($path) as $record) {
                yield ++$number => $record;
            }
        } catch (UnreadableMarc $broken) {
            // What came before is good; nothing after it can be known.
            yield ++$number => "from here on the file cannot be read: {$broken->getMessage()}";
        }
        if ($number === 0) {
            throw new UnreadableMarc('it has no MARC records.');
        }
    }

    /**
     * @param  resource  $file
     * @return Generator<int, MarcRecord|string>
     */
    private function iso2709($file): Generator
    {
        $waiting = [];
        foreach (Iso2709::split($file) as $number => $record) {
            $waiting[$number] = $record;
            if (count($waiting) === self::AT_ONCE) {
                yield from $this->decoded($waiting);
                $waiting = [];
            }
        }
        yield from $this->decoded($waiting);
    }

    /**
     * @param  array<int, string>  $records
     * @return array<int, MarcRecord|string> in order
     */
    private function decoded(array $records): array
    {
        $faults = array_filter(array_map(Iso2709::fault(...), $records), fn(?string $of): bool => $of !== null);
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
     * @return array<int, MarcRecord|string>
     */
    private function together(array $records, bool $isUtf8): array
    {
        $marc = $this->dump(implode('', $records), $isUtf8);
        if (count($marc) === count($records)) {
            return array_combine(array_keys($records), $marc);
        }
        if (count($records) === 1) {
            return array_map(fn(string $of): string => 'it cannot be decoded.', $records);
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
        $from = (string) tempnam(sys_get_temp_dir(), 'marc');
        $to = (string) tempnam(sys_get_temp_dir(), 'marc');
        try {
            file_put_contents($from, $records);
            $process = new Process(
                [
                    ...['yaz-marcdump', '-i', 'marc', '-o', 'marcxml'],
                    ...$isUtf8 ? [] : ['-f', 'marc8', '-t', 'utf-8'],
                    $from,
                ],
                timeout: self::SECONDS,
            );
            $out = fopen($to, 'wb') ?: throw new RuntimeException("Cannot write {$to}.");
            $process->run(function (string $type, string $part) use ($out): void {
                $type === Process::OUT && fwrite($out, $part);
            });
            fclose($out);
            if ($process->getExitCode() === 127) {
                throw new RuntimeException('yaz-marcdump is not there: bin/start installs it (Debian\'s yaz).');
            }

            return iterator_to_array(MarcXml::read($to), false);
        } catch (UnreadableMarc) {
            return [];
        } finally {
            @unlink($from);
            @unlink($to);
        }
    }
}
