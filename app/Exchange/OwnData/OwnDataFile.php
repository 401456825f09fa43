<?php

declare(strict_types=1);

namespace App\Exchange\OwnData;

use App\Account\Privacy\OwnData;
use App\Exchange\Csv\CsvFile;
use App\Models\Person;
use DateTimeImmutable;
use RuntimeException;
use ZipArchive;

/**
 * Everything that is kept of a person, to take along: a ZIP of JSON (RFC 8259) with all of it, a CSV (RFC 4180) for
 * each kind, and a page to read it with. Places and marks have the shapes of Readium Locators, as the readers send
 * them.
 */
final class OwnDataFile
{
    public function __construct(private readonly OwnData $data) {}

    /** @return string where it was made; whoever takes it removes it */
    public function make(Person $person, DateTimeImmutable $now): string
    {
        $kinds = $this->data->of($person);
        $path = (string) tempnam(sys_get_temp_dir(), 'own');
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::OVERWRITE) === true || throw new RuntimeException("{$path} cannot be written.");
        $zip->addFromString(
            'data.json',
            json_encode(
                ['made_at' => $now->format(DATE_ATOM), 'kept' => $kinds],
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
            ),
        );
        foreach ($kinds as $kind => $rows) {
            $rows === [] || $zip->addFromString("{$kind}.csv", $this->csv($rows));
        }
        $zip->addFromString(
            'index.html',
            view('exchange.own-data.page', ['kinds' => $kinds, 'person' => $person, 'now' => $now])->render(),
        );
        $zip->close() || throw new RuntimeException("{$path} cannot be written.");

        return $path;
    }

    /** @param  non-empty-list<array<string, mixed>>  $rows */
    private function csv(array $rows): string
    {
        return CsvFile::text(
            array_keys($rows[0]),
            array_map(fn(array $row): array => array_map(OwnData::text(...), array_values($row)), $rows),
        );
    }
}
