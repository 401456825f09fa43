<?php

declare(strict_types=1);

namespace App\Exchange\Packages;

use App\Models\Loan;
use App\Models\Publication;
use App\Reading\Prepared\FileMaker;
use Illuminate\Support\Str;
use RuntimeException;
use ZipArchive;

/**
 * A publication as one file in an open format: EPUB (OCF 3.3, §4), the Lightweight Packaging Format of W3C publications
 * (w3.org/TR/lpf), or the sound and video files alone.
 */
final class PackPublication implements FileMaker
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

    /** By kind. */
    public const TYPES = [
        'epub' => Publication::EPUB,
        'pdf' => Publication::PDF,
        'package' => 'application/lpf+zip',
        'files' => 'application/zip',
    ];

    /** Packed in less than half a second. */
    private const QUICK_BYTES = 10_000_000;

    public function makes(string $kind): bool
    {
        return isset(self::TYPES[$kind]);
    }

    public function isQuick(Loan $loan, string $kind): bool
    {
        // A PDF is there already.
        return $kind === 'pdf' || array_sum(self::publication($loan)->sizes) <= self::QUICK_BYTES;
    }

    public function named(Loan $loan, string $kind): array
    {
        $ending = self::kinds(self::publication($loan)->media_type)[$kind] ?? '';

        return [(Str::slug($loan->title->name) ?: "title-{$loan->title_id}") . $ending, self::TYPES[$kind]];
    }

    public function make(Loan $loan, string $kind, string $to, callable $told): void
    {
        $publication = self::publication($loan);
        $folder = storage_path("publications/{$publication->sha256}/whole");
        $paths = match ($kind) {
            'epub' => array_unique(['mimetype', ...array_keys($publication->sizes)]),
            'files' => array_column($publication->parts ?? [], 'path'),
            // Whoever unpacks it while it comes reads first what it is.
            'package' => array_unique(['publication.json', ...array_keys($publication->sizes)]),
            default => array_keys($publication->sizes),
        };
        if ($kind === 'pdf') {
            copy("{$folder}/{$paths[0]}", $to) || throw new RuntimeException("Cannot write {$to}: is the disk full?");

            return;
        }
        $zip = new ZipArchive();
        if ($zip->open($to, ZipArchive::CREATE | ZipArchive::EXCL) !== true) {
            throw new RuntimeException("Cannot write {$to}.");
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
            $zip->setCompressionIndex(
                $zip->numFiles - 1,
                $path === 'mimetype' || self::isPacked($path) ? ZipArchive::CM_STORE : ZipArchive::CM_DEFLATE,
            );
        }
        $zip->registerProgressCallback(0.01, $told);
        if (!$zip->close()) {
            throw new RuntimeException("Cannot write {$to}: is the disk full?");
        }
    }

    /** A file whose form is packed already, by its name: packed once more it would be no smaller. */
    public static function isPacked(string $path): bool
    {
        return preg_match('~\.(mp3|m4a|opus|ogg|flac|mp4|webm|jpe?g|png|webp|woff2?)$~i', $path) === 1;
    }

    private static function publication(Loan $loan): Publication
    {
        return $loan->title->publication ?? throw new RuntimeException("Title {$loan->title_id} has no file.");
    }
}
