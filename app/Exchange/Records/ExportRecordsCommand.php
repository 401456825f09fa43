<?php

declare(strict_types=1);

namespace App\Exchange\Records;

use App\Shared\LibraryOption;
use Illuminate\Console\Command;

final class ExportRecordsCommand extends Command
{
    use LibraryOption;

    protected $signature =
        'records:export {file} {--library= : whose titles, by its short address, such as saltmere} {--form=marcxml : ' .
        'marcxml, marc for ISO 2709 in UTF-8, or csv}';

    protected $description = 'Write the records of a library\'s titles as MARC 21';

    public function handle(ExportRecords $export): int
    {
        $library = $this->library();
        $form = (string) $this->option('form');
        if ($library === null) {
            return self::INVALID;
        }
        if (!in_array($form, ExportRecords::FORMS, true)) {
            $this->error('--form is ' . implode(' or ', ExportRecords::FORMS) . '.');

            return self::INVALID;
        }
        $file = @fopen((string) $this->argument('file'), 'wb');
        if ($file === false) {
            $this->error('The file cannot be written there.');

            return self::FAILURE;
        }
        foreach ($export($library, $form) as $piece) {
            if (fwrite($file, $piece) !== strlen($piece)) {
                $this->error('The file could not be written to its end: is the disk full?');

                return self::FAILURE;
            }
        }
        fclose($file);

        return self::SUCCESS;
    }
}
