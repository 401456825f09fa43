<?php

declare(strict_types=1);

// Each of the processes that test side by side has a database and a folder of its own, beside those of a process alone.

require __DIR__ . '/../vendor/autoload.php';

(static function (): void {
    $process = getenv('TEST_TOKEN');
    if ($process === false) {
        return;
    }
    $whole = (string) getenv('FIGPORCH_VAR');
    $own = "{$whole}/process{$process}";
    foreach (['', '/tmp', '/log'] as $folder) {
        is_dir($own . $folder) || mkdir($own . $folder, 0o755, true);
    }
    is_link("{$own}/env") || symlink(realpath("{$whole}/env"), "{$own}/env");
    $setting = ['FIGPORCH_VAR' => $own, 'TMPDIR' => "{$own}/tmp", 'DB_DATABASE' => "figporch_test{$process}"];
    foreach ($setting as $name => $value) {
        putenv("{$name}={$value}");
        $_ENV[$name] = $_SERVER[$name] = $value;
    }
})();
