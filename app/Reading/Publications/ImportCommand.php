<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use App\Lending\Licences\LicenceTerms;
use App\Models\Title;
use App\Shared\LibraryOption;
use FigPorch\Core\Catalogue\Audience;
use Illuminate\Console\Command;
use InvalidArgumentException;
use Symfony\Component\Console\Formatter\OutputFormatter;

final class ImportCommand extends Command
{
    use LibraryOption;

    protected $signature =
        'catalogue:import {files* : EPUB 2 or EPUB 3 files, PDF files, and W3C packages of ' .
        'audiobooks, music and video} {--library= : the library that gets them, by its short address, such as ' .
        'saltmere} {--licence=one_copy_one_user : such as ' .
        'metered_by_loans:copies=2,loans=26,ends=2027-06-30,shared} {--audience= : child, teen or adult, where ' .
        'the files do not say} {--of= : the number of the title whose file this one is; its record stands}';

    protected $description = 'Take publications into a library\'s catalogue';

    public function handle(ImportApart $importApart): int
    {
        $library = $this->library();
        if ($library === null) {
            return self::INVALID;
        }
        $audience = Audience::tryFrom((string) $this->option('audience'));
        if ($audience === null && $this->option('audience') !== null) {
            $this->error('--audience is child, teen or adult.');

            return self::INVALID;
        }
        try {
            LicenceTerms::parse((string) $this->option('licence'));
        } catch (InvalidArgumentException $wrong) {
            $this->error($wrong->getMessage());

            return self::INVALID;
        }

        $files = (array) $this->argument('files');
        $of = $this->option('of') === null ? null : (int) $this->option('of');
        if ($of !== null && (count($files) !== 1 || Title::query()->find($of) === null)) {
            $this->error('--of= takes the number of one title, as its address has it, and one file.');

            return self::INVALID;
        }
        $count = ['taken in' => 0, 'known already' => 0, 'refused' => 0];
        foreach ($files as $i => $file) {
            $line = sprintf('%' . strlen((string) count($files)) . 'd/%d  %s', $i + 1, count($files), basename($file));
            $done = $importApart($file, $library->slug, (string) $this->option('licence'), $audience?->value, of: $of);
            $outcome = $done->outcome;
            $words = OutputFormatter::escape($done->words);
            $this->line(
                $outcome === 'refused'
                    ? "<comment>{$line}  refused: {$words}</comment>"
                    : "{$line}  {$outcome}: {$words}",
            );
            $count[$outcome]++;
        }
        $this->info(
            implode(', ', array_map(fn(string $k, int $n): string => "{$n} {$k}", array_keys($count), $count)) . '.',
        );

        return $count['refused'] > 0 ? self::FAILURE : self::SUCCESS;
    }
}
