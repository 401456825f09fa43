<?php

declare(strict_types=1);

namespace Bench;

/** Prints what a benchmark measured, with the machine and the scale, as Markdown. */
final class Report
{
    public static function head(string $title, string $scale): void
    {
        preg_match('/model name\s*:\s*(.*)/', (string) @file_get_contents('/proc/cpuinfo'), $m);
        printf("# %s\n\n%s, %d cores, PHP %s. %s\n\n%s\n\n", $title, trim($m[1] ?? php_uname('m')), (int) shell_exec('nproc'), PHP_VERSION, gmdate('Y-m-d H:i').' UTC', $scale);
    }

    /**
     * @param  list<string>  $columns
     * @param  list<list<string>>  $rows
     */
    public static function table(array $columns, array $rows): void
    {
        foreach ([$columns, array_map(fn (): string => '---', $columns), ...$rows] as $row) {
            echo '| '.implode(' | ', $row)." |\n";
        }
        echo "\n";
    }

    /** @param  non-empty-list<float>  $values */
    public static function percentile(array $values, float $share): float
    {
        sort($values);

        return $values[(int) min(count($values) - 1, floor($share * count($values)))];
    }
}
