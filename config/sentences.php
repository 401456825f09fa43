<?php

declare(strict_types=1);

// The file of each group of sentences, by language: lang/<area>/<language>/<group>.php. Kept with the other settings
// when the application starts, so that no page looks for a group in every area.
$files = [];
foreach (glob(dirname(__DIR__) . '/lang/*/*/*.php') ?: [] as $file) {
    $files[basename(dirname($file))][basename($file, '.php')] = $file;
}

return $files;
