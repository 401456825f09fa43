<?php

declare(strict_types=1);

namespace App\Exchange\Records;

use App\Lending\Licences\LicenceTerms;
use App\Shared\LibraryOption;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Exchange\Table\ColumnNames;
use FigPorch\Core\Exchange\UnreadableRecord;
use Illuminate\Console\Command;
use InvalidArgumentException;
use Symfony\Component\Console\Formatter\OutputFormatter;

/** Records of a file: looked at first, and with --sure taken in. */
final class ImportRecordsCommand extends Command
{
    use LibraryOption;

    protected $signature =
        'records:import {file : MARC 21, as MARCXML or ISO 2709 in UTF-8 or MARC-8, ONIX 3.0, or CSV} ' .
        '{--library= : whose catalogue, by its short address, such as saltmere} ' .
        '{--licence= : a licence for each title that the library has none of, such as one_copy_one_user:copies=2; ' .
        'without it they are titles that it does not have} ' .
        '{--sure : take them in; without it they are only looked at} ' .
        '{--doubtful : take in also what may be a title that is there} ' .
        '{--columns=* : of a table, what a column is: "Obra=name", "Escrito por=author"} ' .
        '{--websites= : what has an address (MARC 856) is a website, for: everybody, card (holders), building; ' .
        'without it only what is said to be a website} ' .
        '{--report= : a file for a line (JSON) about each record}';

    protected $description = 'Look at the records of a file, or take them into the catalogue';

    /** So many of each outcome are shown. */
    private const SHOWN = 10;

    public function handle(CompareRecords $compare, ImportRecords $import): int
    {
        $library = $this->library();
        if ($library === null) {
            return self::INVALID;
        }
        $path = (string) $this->argument('file');
        $report = null;
        if ($this->option('report') !== null) {
            $report = @fopen((string) $this->option('report'), 'w');
            if ($report === false) {
                $this->error('The report cannot be written there.');

                return self::INVALID;
            }
        }
        $counts = array_fill_keys(ComparedRecord::OUTCOMES, 0);
        try {
            $terms = $this->option('licence') === null ? null : LicenceTerms::parse((string) $this->option('licence'));
            $columns = ColumnNames::of(array_map(strval(...), array_values((array) $this->option('columns'))));
            $webFor = $this->webFor();
            $rows = $this->option('sure')
                ? $import(
                    path: $path,
                    library: $library,
                    terms: $terms,
                    doubtful: (bool) $this->option('doubtful'),
                    columns: $columns,
                    webFor: $webFor,
                )
                : $compare($path, $library, $columns, $webFor);
            foreach ($rows as $of) {
                $counts[$of->outcome]++;
                $report === null || fwrite($report, self::asJson($of) . "\n");
                $isTold = $of->outcome !== 'unchanged' && $counts[$of->outcome] <= self::SHOWN;
                $isTold && $this->line(OutputFormatter::escape(self::words($of)));
            }
        } catch (UnreadableRecord | InvalidArgumentException $refused) {
            $this->error(OutputFormatter::escape("{$path}: {$refused->getMessage()}"));

            return self::FAILURE;
        }
        $this->newLine();
        $this->line(
            implode(', ', array_map(fn(string $of, int $n): string => "{$n} {$of}", array_keys($counts), $counts)) .
                '.',
        );
        $this->option('sure') || $this->line('Nothing was written. With --sure they are taken in.');

        return $counts['refused'] > 0 && array_sum($counts) === $counts['refused'] ? self::FAILURE : self::SUCCESS;
    }

    /** @throws InvalidArgumentException */
    private function webFor(): ?OpenTo
    {
        $said = (string) $this->option('websites');

        return $said === ''
            ? null
            : OpenTo::tryFrom($said) ??
                    throw new InvalidArgumentException('--websites is everybody, card or building.');
    }

    private static function words(ComparedRecord $of): string
    {
        $name = $of->record === null ? '' : " “{$of->record->name}”";

        return "record {$of->number}: {$of->outcome}" .
            match ($of->outcome) {
                'changed' => "{$name}: " . implode(', ', $of->fields),
                'new' => $name,
                default => ", {$of->why}",
            };
    }

    private static function asJson(ComparedRecord $of): string
    {
        return (string) json_encode(
            [
                'record' => $of->number,
                'outcome' => $of->outcome,
                'title' => $of->titleId,
                'name' => $of->record?->name,
                'fields' => $of->fields,
                'why' => $of->why === null ? null : (string) $of->why,
            ],
            JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE,
        );
    }
}
