<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use Symfony\Component\Process\Process;

/**
 * Takes a file in, in a process of its own that may take so long and so much memory, so that no file ends more than
 * that.
 */
final class ImportApart
{
    /**
     * @param  string  $library  its name in addresses
     * @param  string|null  $terms  of the licence, as LicenceTerms reads them; null for no licence
     * @param  string|null  $audience  where the file does not say
     * @param  bool  $ownOnly  a file that other libraries lend is not replaced
     * @param  int|null  $of  the title whose file it is
     */
    public function __invoke(
        string $file,
        string $library,
        ?string $terms,
        ?string $audience = null,
        bool $ownOnly = false,
        ?int $of = null,
    ): ImportOutcome {
        ['seconds' => $seconds, 'memory' => $memory] = (array) config('figporch.import');
        $process = new Process([
            'timeout',
            '--kill-after=5',
            (string) $seconds,
            PHP_BINARY,
            '-d',
            "memory_limit={$memory}",
            base_path('artisan'),
            'catalogue:import-file',
            "--library={$library}",
            ...$terms === null ? [] : ["--licence={$terms}"],
            ...$audience === null ? [] : ["--audience={$audience}"],
            ...$ownOnly ? ['--own-only'] : [],
            ...$of === null ? [] : ["--of={$of}"],
            '--',
            $file,
        ]);
        $process->setTimeout(null)->run();
        $said = json_decode($process->getOutput(), true);

        return match (true) {
            is_array($said) => new ImportOutcome((string) $said['outcome'], (string) $said['words'], $said['title']),
            in_array($process->getExitCode(), [124, 137], true) => new ImportOutcome(
                'refused',
                "it was stopped: it took longer than {$seconds} seconds, or was ended from without",
            ),
            str_contains($process->getOutput() . $process->getErrorOutput(), 'Allowed memory size')
                => new ImportOutcome('refused', "it needs more memory than the {$memory} that an import may have"),
            default => new ImportOutcome('refused', 'an error of this program stopped it; storage/logs tells more'),
        };
    }
}
