<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use App\Models\Publication;
use App\Models\Title;
use App\Models\Upload;
use Illuminate\Console\Command;
use Illuminate\Filesystem\Filesystem;
use RuntimeException;

/** Run every night: what imports and downloads that were ended from without have left. */
final class TidyCommand extends Command
{
    /** Younger ones may still be at work. */
    private const HOURS = 24;

    protected $signature = 'storage:tidy';

    protected $description = 'Remove files that an import or a download left half done';

    public function handle(Filesystem $files): int
    {
        $old = fn(string $path): bool => (int) filemtime($path) < time() - self::HOURS * 3600;
        $removed = 0;
        foreach (array_filter(self::in(storage_path('publications')), $old) as $folder) {
            $name = basename($folder);
            $isHalfMade = preg_match('/^[0-9a-f]{64}\.[0-9a-f]{8}$/', $name) === 1;
            $isNobodys =
                preg_match('/^[0-9a-f]{64}$/', $name) === 1 &&
                Publication::query()->where('sha256', $name)->doesntExist();
            if ($isHalfMade || $isNobodys) {
                $files->deleteDirectory($folder);
                clearstatcache();
                if (is_dir($folder)) {
                    $this->warn("{$folder} cannot be removed: " . implode(' ', scandir($folder) ?: []));
                } else {
                    $removed++;
                }
            }
        }
        foreach (array_filter(self::in(storage_path('publications/covers')), $old) as $file) {
            if (
                Title::query()
                    ->where('own_cover', 'covers/' . basename($file))
                    ->doesntExist()
            ) {
                $files->delete($file);
                $removed++;
            }
        }
        // Only in a folder of our own: elsewhere others have files of such names.
        $temporary = str_starts_with(sys_get_temp_dir(), dirname(storage_path()) . '/')
            ? array_filter(self::in(sys_get_temp_dir()), is_file(...))
            : [];
        foreach (array_filter($temporary, $old) as $file) {
            $files->delete($file);
            $removed++;
        }
        $uploads = Upload::query()->where('begun_at', '<=', now()->subHours(self::HOURS))->get();
        foreach ($uploads as $upload) {
            $files->delete($upload->path());
            $upload->delete();
            $removed++;
        }
        $this->line("{$removed} removed.");

        return self::SUCCESS;
    }

    /** @return list<string> what is in a folder, but for what is hidden; one that cannot be read is not empty */
    private static function in(string $folder): array
    {
        // What was asked of a file before is not believed.
        clearstatcache();

        $names = is_dir($folder) ? scandir($folder) : [];
        if ($names === false) {
            throw new RuntimeException("{$folder} cannot be read.");
        }

        return array_map(
            fn(string $name): string => "{$folder}/{$name}",
            array_values(array_filter($names, fn(string $name): bool => !str_starts_with($name, '.'))),
        );
    }
}
