<?php

declare(strict_types=1);

/*
 * Breaks a scratch copy of the code in each of many small ways and demands that the test named beside notices it. With
 * an argument, only those whose file or test it matches. Exits with 1 where a mutant lives, or has nothing to break.
 */

$root = dirname(__DIR__, 2);
$var = getenv('FIGPORCH_VAR') ?: 'var/test';
$var = str_starts_with($var, '/') ? $var : "{$root}/{$var}";
$scratch = "{$var}/mutants";
$asked = $argv[1] ?? '';
$mutants = [];
foreach ((array) glob(__DIR__ . '/*.php') as $file) {
    if (basename((string) $file) !== 'run.php') {
        array_push($mutants, ...require (string) $file);
    }
}
$mutants = array_values(
    array_filter($mutants, fn(array $m): bool => $asked === '' || preg_match("~{$asked}~", "{$m[0]} {$m[3]}") === 1),
);

is_dir($scratch) || mkdir($scratch, 0o755, true);
$copied = implode(
    ' ',
    array_map(escapeshellarg(...), [
        'app',
        'artisan',
        'bootstrap',
        'composer.json',
        'config',
        'core',
        'database',
        'demo',
        'lang',
        'package.json',
        'phpunit.xml',
        'public',
        'resources',
        'routes',
        'standins',
        'tests',
        'vendor',
    ]),
);
passthru(
    "cd {$root} && rm -rf {$scratch}/* && cp -a {$copied} {$scratch}/ && ln -sfn {$root}/node_modules {$scratch}/",
    $failed,
);
$failed === 0 || exit(1);

$killed = 0;
$wrong = [];
foreach ($mutants as $n => [$file, $from, $to, $test]) {
    $path = "{$scratch}/{$file}";
    $whole = (string) file_get_contents($path);
    $what = "{$file}: " . preg_replace('/\s+/', ' ', mb_substr($from, 0, 60));
    if (substr_count($whole, $from) < 1) {
        $wrong[] = "nothing to break: {$what}";

        continue;
    }
    file_put_contents($path, str_replace($from, $to, $whole));
    $command = str_ends_with($test, '.mjs')
        ? "node --test {$test}"
        : 'vendor/bin/phpunit --stop-on-defect --filter ' . escapeshellarg("/{$test}/");
    exec("cd {$scratch} && FIGPORCH_VAR={$var} timeout 300 {$command} 2>&1", $output, $status);
    file_put_contents($path, $whole);
    $said = implode("\n", $output);
    $output = [];
    if ($status === 0 || str_contains($said, 'No tests executed')) {
        $wrong[] = ($status === 0 ? 'lives: ' : 'has no test: ') . "{$what} ({$test})";
    } else {
        $killed++;
    }
    printf("%3d of %d  %s  %s\n", $n + 1, count($mutants), $status === 0 ? 'LIVES ' : 'killed', $what);
}
passthru("rm -rf {$scratch}");
echo $wrong === [] ? '' : "\n" . implode("\n", $wrong) . "\n";
printf("\n%d passed, %d failed\n", $killed, count($wrong));
exit($wrong === [] ? 0 : 1);
