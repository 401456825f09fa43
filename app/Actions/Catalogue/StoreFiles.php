<?php

declare(strict_types=1);

namespace App\Actions\Catalogue;

use FigPorch\Core\Reading\Epub\Archive;
use FigPorch\Core\Reading\Epub\Publication;
use Illuminate\Filesystem\Filesystem;
use RuntimeException;

/**
 * Unpacks a publication under storage/publications/<sha256>: "whole" for those who borrowed it, "excerpt" for anyone,
 * and the cover. The folder appears at once and complete.
 */
final class StoreFiles
{
    private const COVER_HEIGHT = 660;

    private const MOST_COVER_PIXELS = 40_000_000;

    public function __construct(private readonly Filesystem $files)
    {
    }

    /**
     * @param  array<string, string|null>  $excerpt  path => bytes, or null for the file as it stands in the archive
     * @return array{sizes: array<string, int>, excerpt_sizes: array<string, int>, cover: string|null}
     */
    public function store(string $sha256, Archive $archive, Publication $publication, array $excerpt): array
    {
        $home = storage_path("publications/{$sha256}");
        $making = "{$home}.".bin2hex(random_bytes(4));
        try {
            $sizes = [];
            foreach ($archive->paths() as $path) {
                $bytes = $archive->read($path);
                $sizes[$path] = strlen($bytes);
                $this->write("{$making}/whole/{$path}", $bytes);
                if (array_key_exists($path, $excerpt)) {
                    $this->write("{$making}/excerpt/{$path}", $excerpt[$path] ?? $bytes);
                    $excerpt[$path] ??= $bytes;
                }
            }
            $cover = $publication->coverPath === null ? null
                : $this->cover($making, $archive->read($publication->coverPath), $publication->manifest[$publication->coverPath] ?? '');
            $this->files->deleteDirectory($home);
            if (! rename($making, $home)) {
                throw new RuntimeException("Cannot write {$home}: is the disk full?");
            }
        } finally {
            $this->files->deleteDirectory($making);
        }

        return [
            'sizes' => $sizes,
            'excerpt_sizes' => array_map(fn (?string $bytes): int => strlen((string) $bytes), $excerpt),
            'cover' => $cover === null ? null : "{$sha256}/{$cover}",
        ];
    }

    private function write(string $file, string $bytes): void
    {
        $this->files->ensureDirectoryExists(dirname($file));
        if (file_put_contents($file, $bytes) !== strlen($bytes)) {
            throw new RuntimeException("Cannot write {$file}: is the disk full?");
        }
    }

    /** Pictures are scaled down once; drawings stay as they are. Null for a picture that cannot be read. */
    private function cover(string $folder, string $bytes, string $type): ?string
    {
        if ($type === 'image/svg+xml') {
            $this->write("{$folder}/cover.svg", $bytes);

            return 'cover.svg';
        }
        $size = @getimagesizefromstring($bytes);
        if ($size === false || $size[0] * $size[1] > self::MOST_COVER_PIXELS) {
            return null;
        }
        $image = @imagecreatefromstring($bytes);
        if ($image === false) {
            return null;
        }
        $scaled = $size[1] > self::COVER_HEIGHT
            ? imagescale($image, (int) round($size[0] * self::COVER_HEIGHT / $size[1]), self::COVER_HEIGHT)
            : $image;

        return $scaled !== false && imagejpeg($scaled, "{$folder}/cover.jpg", 84) ? 'cover.jpg' : null;
    }
}
