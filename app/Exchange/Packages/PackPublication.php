<?php

declare(strict_types=1);

namespace App\Exchange\Packages;

use App\Models\Publication;
use RuntimeException;
use ZipArchive;

/**
 * A publication as one file in an open format: EPUB (OCF 3.3, §4), the Lightweight Packaging Format of W3C publications
 * (w3.org/TR/lpf), or the sound and video files alone.
 */
final class PackPublication
{
    /**
     * The formats that a publication can be had in.
     *
     * @return array<string, string> kind => what its name ends with
     */
    public static function kinds(string $mediaType): array
    {
        return match ($mediaType) {
            Publication::EPUB => ['epub' => '.epub'],
            Publication::PDF => ['pdf' => '.pdf'],
            default => ['package' => '.lpf', 'files' => '.zip'],
        };
    }

    /** @return string a file that whoever sends it removes */
    public function __invoke(Publication $publication, string $kind): string
    {
        $folder = storage_path("publications/{$publication->sha256}/whole");
        $file = (string) tempnam(sys_get_temp_dir(), 'pack');
        $paths = match ($kind) {
            'epub' => array_unique(['mimetype', ...array_keys($publication->sizes)]),
            'files' => array_column($publication->parts ?? [], 'path'),
            // Whoever unpacks it while it comes reads first what it is.
            'package' => array_unique(['publication.json', ...array_keys($publication->sizes)]),
            default => array_keys($publication->sizes),
        };
        if ($kind === 'pdf') {
            copy("{$folder}/{$paths[0]}", $file) ||
                throw new RuntimeException("Cannot write {$file}: is the disk full?");

            return $file;
        }
        $zip = new ZipArchive();
        if ($zip->open($file, ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException("Cannot write {$file}.");
        }
        foreach ($paths as $n => $path) {
            $path = (string) $path;
            // The first entry of an EPUB says what it is, unpacked, so that it is found at a known place.
            $path === 'mimetype'
                ? $zip->addFromString($path, Publication::EPUB)
                : $zip->addFile(
                    "{$folder}/{$path}",
                    $kind === 'files' ? sprintf('%02d-%s', $n + 1, basename($path)) : $path,
                );
            $packed =
                $path === 'mimetype' ||
                preg_match('~\.(mp3|m4a|opus|ogg|flac|mp4|webm|jpe?g|png|webp|woff2?)$~i', $path) === 1;
            $zip->setCompressionIndex($zip->numFiles - 1, $packed ? ZipArchive::CM_STORE : ZipArchive::CM_DEFLATE);
        }
        if (!$zip->close()) {
            throw new RuntimeException("Cannot write {$file}: is the disk full?");
        }

        return $file;
    }
}
