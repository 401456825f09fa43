<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use FigPorch\Core\Reading\Archive;
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

    public function __construct(private readonly Filesystem $files) {}

    /**
     * @param  array<string, string>  $types  path => media type
     * @param  callable(string): array<string, int>  $excerpt  writes what anyone may have below "excerpt" of a folder,
     *     in which "whole" is there already; path => bytes
     * @return array{sizes: array<string, int>, excerpt_sizes: array<string, int>, cover: string|null}
     */
    public function store(string $sha256, Archive $archive, ?string $coverPath, array $types, callable $excerpt): array
    {
        return $this->appear($sha256, function (string $making) use ($archive, $coverPath, $types, $excerpt): array {
            $sizes = [];
            foreach ($archive->paths() as $path) {
                $this->files->ensureDirectoryExists(dirname("{$making}/whole/{$path}"));
                $archive->copy($path, "{$making}/whole/{$path}");
                $sizes[$path] = $archive->size($path);
            }

            return [
                $sizes,
                $excerpt($making),
                $coverPath === null
                    ? null
                    : $this->cover($making, $archive->read($coverPath), $types[$coverPath] ?? ''),
            ];
        });
    }

    /**
     * A publication that is one file.
     *
     * @param  string  $cover  a picture; empty for none
     * @param  callable(string): array<string, int>  $excerpt  as above
     * @return array{sizes: array<string, int>, excerpt_sizes: array<string, int>, cover: string|null}
     */
    public function storeFile(string $sha256, string $file, string $name, string $cover, callable $excerpt): array
    {
        return $this->appear($sha256, function (string $making) use ($file, $name, $cover, $excerpt): array {
            $this->files->ensureDirectoryExists("{$making}/whole");
            if (!copy($file, "{$making}/whole/{$name}")) {
                throw new RuntimeException("Cannot write {$making}: is the disk full?");
            }

            return [
                [$name => (int) filesize($file)],
                $excerpt($making),
                $cover === '' ? null : $this->cover($making, $cover, 'image/png'),
            ];
        });
    }

    /**
     * @param  callable(string): array{array<string, int>, array<string, int>, string|null}  $fill  a folder; gives
     *     sizes, sizes of the excerpt, and the cover's name
     * @return array{sizes: array<string, int>, excerpt_sizes: array<string, int>, cover: string|null}
     */
    private function appear(string $sha256, callable $fill): array
    {
        $home = storage_path("publications/{$sha256}");
        $making = "{$home}." . bin2hex(random_bytes(4));
        try {
            [$sizes, $excerptSizes, $cover] = $fill($making);
            $this->files->deleteDirectory($home);
            if (!rename($making, $home)) {
                throw new RuntimeException("Cannot write {$home}: is the disk full?");
            }
        } finally {
            $this->files->deleteDirectory($making);
        }

        return [
            'sizes' => $sizes,
            'excerpt_sizes' => $excerptSizes,
            'cover' => $cover === null ? null : "{$sha256}/{$cover}",
        ];
    }

    /**
     * @param  array<string, string|null>  $excerpt  path => bytes, or null for the file as it stands in the archive
     * @return array<string, int> path => bytes
     */
    public function write(string $folder, Archive $archive, array $excerpt): array
    {
        $sizes = [];
        foreach (array_intersect_key($excerpt, array_flip($archive->paths())) as $path => $bytes) {
            $bytes ??= $archive->read((string) $path);
            $this->put("{$folder}/excerpt/{$path}", $bytes);
            $sizes[$path] = strlen($bytes);
        }

        return $sizes;
    }

    public function put(string $file, string $bytes): void
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
            $this->put("{$folder}/cover.svg", $bytes);

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
        $scaled =
            $size[1] > self::COVER_HEIGHT
                ? imagescale($image, (int) round(($size[0] * self::COVER_HEIGHT) / $size[1]), self::COVER_HEIGHT)
                : $image;

        return $scaled !== false && imagejpeg($scaled, "{$folder}/cover.jpg", 84) ? 'cover.jpg' : null;
    }
}
