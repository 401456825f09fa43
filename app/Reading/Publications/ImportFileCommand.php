<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use App\Lending\Licences\LicenceTerms;
use App\Models\Library;
use App\Models\Title;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Reading\UnreadablePublication;
use Illuminate\Console\Command;
use InvalidArgumentException;
use Symfony\Component\Console\Output\OutputInterface;

/** One file of catalogue:import, which runs this for each and reads what it says: a line of JSON. */
final class ImportFileCommand extends Command
{
    protected $signature = 'catalogue:import-file {file} {--library=} {--licence=} {--audience=} {--own-only} {--of=}';

    protected $description = 'Take one publication in (catalogue:import calls this)';

    protected $hidden = true;

    public function handle(ImportPublication $import): int
    {
        $file = (string) $this->argument('file');
        try {
            if (!is_file($file) || !is_readable($file)) {
                throw new InvalidArgumentException('no such file, or not readable');
            }
            $done = $import(
                file: $file,
                library: Library::query()->where('slug', (string) $this->option('library'))->firstOrFail(),
                terms: $this->option('licence') === null
                    ? null
                    : LicenceTerms::parse((string) $this->option('licence')),
                now: CarbonImmutable::now(),
                audience: Audience::tryFrom((string) $this->option('audience')),
                ownOnly: (bool) $this->option('own-only'),
                of: $this->option('of') === null ? null : Title::query()->findOrFail((int) $this->option('of')),
            );
            $said = [
                'outcome' => $done['new'] ? 'taken in' : 'known already',
                'words' => "“{$done['title']->name}”",
                'title' => $done['title']->id,
            ];
        } catch (UnreadablePublication | InvalidArgumentException $refusal) {
            $said = ['outcome' => 'refused', 'words' => $refusal->getMessage(), 'title' => null];
        }
        $this->output->write(
            (string) json_encode($said, JSON_INVALID_UTF8_SUBSTITUTE),
            options: OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
