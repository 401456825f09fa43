<?php

declare(strict_types=1);

/* A recording of 2 GB as a protected file: encrypted once for all, then with another licence; beside openssl alone. */

use App\Exchange\Lcp\PackProtected;
use App\Models\Loan;
use App\Models\Passphrase;
use Bench\Report;
use FigPorch\Core\Exchange\Lcp\Passphrase as Words;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Support\Facades\DB;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

$megabytes = max(16, (int) (2048 * (float) (getenv('FIGPORCH_BENCH_SCALE') ?: 1)));
$sha256 = hash('sha256', 'a recording that is measured');
$folder = storage_path("publications/{$sha256}");
$app->make(Filesystem::class)->ensureDirectoryExists("{$folder}/whole");
$sound = fopen("{$folder}/whole/sound.mp3", 'w') ?: throw new RuntimeException('There is no room for the recording.');
for ($n = 0; $n < $megabytes; $n++) {
    fwrite($sound, random_bytes(1 << 20));
}
fclose($sound);

$began = hrtime(true);
exec(
    sprintf(
        'openssl enc -aes-256-cbc -K %s -iv %s -in %s -out %s',
        str_repeat('ab', 32),
        str_repeat('cd', 16),
        escapeshellarg("{$folder}/whole/sound.mp3"),
        escapeshellarg("{$folder}/openssl"),
    ),
    $lines,
    $status,
);
$status === 0 || throw new RuntimeException('openssl does not encrypt the file.');
$floor = (hrtime(true) - $began) / 1e9;
unlink("{$folder}/openssl");
Report::head(
    'Protected files',
    "A recording of {$megabytes} MB, each run once. Floor: openssl alone encrypts the file. Mark: 64 MB of memory.",
);

DB::beginTransaction();
$loan = Loan::query()
    ->whereNull('ended_at')
    ->whereHas('title', fn($title) => $title->where('format', 'audiobook')->whereHas('publication'))
    ->firstOrFail();
$loan->title->publication?->update([
    'sha256' => $sha256,
    'sizes' => ['sound.mp3' => $megabytes << 20],
    'types' => ['sound.mp3' => 'audio/mpeg'],
    'parts' => [['path' => 'sound.mp3', 'type' => 'audio/mpeg', 'name' => 'Sound', 'seconds' => 1.0, 'captions' => []]],
]);
Passphrase::query()->updateOrCreate(
    ['person_id' => $loan->card?->person_id],
    ['user_key' => Words::userKey('seven quiet herons'), 'hint' => 'birds', 'kept_at' => now()],
);
$loan->refresh()->load(['title.publication', 'licence', 'card']);
$pack = $app->make(PackProtected::class);
$rows = [['openssl alone', sprintf('%.1f s', $floor), '1', '']];
foreach (
    ['protected, the first of all' => 'protected', 'protected, another' => 'protected', 'licence alone' => 'lcpl']
    as $what => $kind
) {
    gc_collect_cycles();
    memory_reset_peak_usage();
    $to = storage_path('prepared/bench.' . getmypid());
    $began = hrtime(true);
    $pack->make($loan, $kind, $to, fn() => null);
    $seconds = (hrtime(true) - $began) / 1e9;
    unlink($to);
    $rows[] = [
        $what,
        sprintf($seconds < 1 ? '%.3f s' : '%.1f s', $seconds),
        sprintf('%.2f', $seconds / $floor),
        sprintf('%d MB', memory_get_peak_usage(true) >> 20),
    ];
}
DB::rollBack();
$app->make(Filesystem::class)->deleteDirectory($folder);
Report::table(['run', 'time', 'times the floor', 'memory'], $rows);
