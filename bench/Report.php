<?php

declare(strict_types=1);

namespace Bench;

use LogicException;

/** Prints what a benchmark measured, with the machine and the scale, as Markdown. */
final class Report
{
    public static function head(string $title, string $scale): void
    {
        preg_match('/model name\s*:\s*(.*)/', (string) @file_get_contents('/proc/cpuinfo'), $m);
        printf(
            "# %s\n\n%s, %d cores, PHP %s. %s\n\n%s\n\n",
            $title,
            trim($m[1] ?? php_uname('m')),
            (int) shell_exec('nproc'),
            PHP_VERSION,
            gmdate('Y-m-d H:i') . ' UTC',
            $scale,
        );
    }

    /**
     * @param  list<string>  $columns
     * @param  list<list<string>>  $rows
     */
    public static function table(array $columns, array $rows): void
    {
        foreach ([$columns, array_map(fn(): string => '---', $columns), ...$rows] as $row) {
            echo '| ' . implode(' | ', $row) . " |\n";
        }
        echo "\n";
    }

    /**
     * Runs the measurement again, up to five times, while the machine's host takes much of the processor away from it
     * (steal, proc_stat(5)), and gives the result of the calmest run with the share that was taken in it.
     *
     * @template T
     *
     * @param  callable(): T  $measurement
     * @return array{T, float}
     */
    public static function undisturbed(callable $measurement): array
    {
        $calmest = null;
        for ($i = 0; $i < 5; $i++) {
            [$stolen, $all] = self::processor();
            $result = $measurement();
            [$stolenNow, $allNow] = self::processor();
            $share = ($stolenNow - $stolen) / max(1, $allNow - $all);
            if ($calmest === null || $share < $calmest[1]) {
                $calmest = [$result, $share];
            }
            if ($share < 0.02) {
                break;
            }
        }

        return $calmest;
    }

    /** Milliseconds that a fixed piece of work takes in this process: what the machine gives at the moment. */
    public static function yardstick(): float
    {
        $from = hrtime(true);
        $text = str_repeat('the lantern coast ', 40);
        for ($i = 0, $seen = []; $i < 1_500; $i++) {
            $seen[md5($text . $i)] = ucwords($text);
        }
        ksort($seen);

        return (hrtime(true) - $from) / 1e6;
    }

    /** @return array{int, int} ticks taken by the host, and all ticks */
    private static function processor(): array
    {
        $ticks = array_map(
            intval(...),
            array_slice(
                (array) preg_split('/\s+/', (string) strtok((string) file_get_contents('/proc/stat'), "\n")),
                1,
            ),
        );

        return [$ticks[7] ?? 0, array_sum($ticks)];
    }

    /** @param  list<float|int>  $values  one at least */
    public static function percentile(array $values, float $share): float
    {
        $values !== [] || throw new LogicException('Nothing was measured.');
        sort($values);

        return $values[(int) min(count($values) - 1, floor($share * count($values)))];
    }
}
