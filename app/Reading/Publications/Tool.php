<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use RuntimeException;
use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/**
 * Runs a program that looks at a file which may be anything: for so long, with so much memory, and no longer than
 * whoever asked for it lives to wait.
 */
final class Tool
{
    private const MOST_MEMORY = 4_000_000_000;

    private const MOST_WRITTEN = 8_000_000_000;

    /**
     * @param  list<string>  $command
     * @return Process|null ended; null where it took too long
     */
    public static function run(array $command, int $seconds, ?string $input = null): ?Process
    {
        $process = new Process(
            [
                'timeout',
                '--kill-after=2',
                (string) $seconds,
                'prlimit',
                '--as=' . self::MOST_MEMORY,
                '--fsize=' . self::MOST_WRITTEN,
                '--core=0',
                ...$command,
            ],
            input: $input,
            timeout: $seconds + 5,
        );
        try {
            $status = $process->run();
        } catch (ProcessTimedOutException) {
            return null;
        }

        return match ($status) {
            // See timeout(1).
            124, 137 => null,
            127 => throw new RuntimeException("{$command[0]} is not there: bin/start installs it."),
            default => $process,
        };
    }
}
