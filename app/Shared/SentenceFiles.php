<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Translation\FileLoader;

/**
 * Sentences by area, as all else: lang/<area>/<language>/<room or subject>.php. Where each group stands is known from
 * the settings; what is not of the application's own is looked for as the framework does.
 */
final class SentenceFiles extends FileLoader
{
    public static function of(FileLoader $loader): self
    {
        return new self($loader->files, $loader->paths);
    }

    /**
     * @param  array<string>  $paths
     * @param  string  $locale
     * @param  string  $group
     * @return array<string, mixed>
     */
    protected function loadPaths(array $paths, $locale, $group)
    {
        $file = config('sentences')[$locale][$group] ?? null;

        return $file === null ? parent::loadPaths($paths, $locale, $group) : require $file;
    }
}
