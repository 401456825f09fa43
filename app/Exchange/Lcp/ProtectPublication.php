<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use App\Catalogue\Records\RecordOfTitle;
use App\Exchange\Packages\PackPublication;
use App\Models\ProtectedFile;
use App\Models\Publication;
use App\Models\Title;
use Carbon\CarbonImmutable;
use FigPorch\Core\Exchange\Lcp\ContentCipher;
use FigPorch\Core\Exchange\Lcp\EpubEncryption;
use FigPorch\Core\Exchange\Lcp\PackagedManifest;
use FigPorch\Core\Exchange\Opds\Out\FeedAsJson;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use RuntimeException;
use ZipArchive;

/**
 * A publication as a file that opens with a licence document alone: encrypted once, for all who borrow it. Of two that
 * make it at once the first is kept.
 */
final class ProtectPublication
{
    private const PDF = 'publication.pdf';

    /** How much of the work encrypting is; the rest is putting it into one file. */
    private const ENCRYPTING = 0.8;

    /** The file, if it is there. */
    public function made(Publication $publication): ?ProtectedFile
    {
        $file = ProtectedFile::query()->find($publication->sha256);

        return $file?->isThere() === true ? $file : null;
    }

    /** @param  callable(float): void  $told  is called with the share that is made, 0 to 1 */
    public function __invoke(Title $title, callable $told): ProtectedFile
    {
        $publication = $title->publication ?? throw new RuntimeException("Title {$title->id} has no file.");
        $made = $this->made($publication);
        if ($made !== null) {
            return $made;
        }
        $file = $this->keyed($publication->sha256);
        $making = storage_path('prepared/protect.' . Str::lower(Str::random(12)));
        is_dir(dirname($making)) || mkdir(dirname($making), 0o755, true);
        try {
            $this->make($title, $publication, (string) hex2bin($file->content_key), $making, $told);

            return $this->keep($file, $making, $publication->media_type);
        } finally {
            array_map(unlink(...), glob("{$making}*") ?: []);
        }
    }

    /** With the key of this publication, which stays the same: licences that were given out go on opening it. */
    private function keyed(string $sha256): ProtectedFile
    {
        $new = new ProtectedFile([
            'sha256' => $sha256,
            'content_key' => bin2hex(random_bytes(ContentCipher::KEY_BYTES)),
        ]);
        DB::table('protected_files')->insertOrIgnore($new->getAttributes());

        return ProtectedFile::query()->findOrFail($sha256);
    }

    private function keep(ProtectedFile $file, string $made, string $mediaType): ProtectedFile
    {
        $path =
            "{$file->sha256}/protected-" . Str::lower(Str::random(8)) . PackProtected::endings($mediaType)['protected'];
        $bytes = (int) filesize($made);
        $sha256 = (string) hash_file('sha256', $made);
        rename($made, storage_path("publications/{$path}")) ||
            throw new RuntimeException('Cannot keep a protected file: is the publication gone?');
        $isFirst = ProtectedFile::query()
            ->whereKey($file->sha256)
            ->where('path', $file->path)
            ->update([
                'path' => $path,
                'bytes' => $bytes,
                'protected_sha256' => $sha256,
                'made_at' => CarbonImmutable::now(),
            ]);
        $isFirst === 1 || unlink(storage_path("publications/{$path}"));

        return ProtectedFile::query()->findOrFail($file->sha256);
    }

    /** @param  callable(float): void  $told */
    private function make(Title $title, Publication $publication, string $key, string $to, callable $told): void
    {
        $folder = storage_path("publications/{$publication->sha256}/whole");
        $zip = new ZipArchive();
        if ($zip->open($to, ZipArchive::CREATE | ZipArchive::EXCL) !== true) {
            throw new RuntimeException("Cannot write {$to}.");
        }
        $cipher = new ContentCipher($key);
        [$n, $read, $all] = [0, 0, max(1, array_sum($publication->sizes))];
        $count = function (int $bytes) use ($told, &$read, $all): void {
            $told((self::ENCRYPTING * ($read += $bytes)) / $all);
        };
        $add = function (string $path, string $name, bool $deflate) use (
            $zip,
            $cipher,
            $folder,
            $to,
            $count,
            &$n,
        ): int {
            $encrypted = "{$to}." . ++$n;
            $bytes = $cipher->file("{$folder}/{$path}", $encrypted, $deflate, $count);
            $zip->addFile($encrypted, $name);
            $zip->setCompressionName($name, ZipArchive::CM_STORE);

            return $bytes;
        };
        $publication->media_type === Publication::EPUB
            ? $this->addBook($zip, $publication, $folder, $add)
            : $this->addPackage($zip, $title, $publication, $add);
        $zip->registerProgressCallback(
            0.01,
            fn(float $share) => $told(self::ENCRYPTING + (1 - self::ENCRYPTING) * $share),
        );
        if (!$zip->close()) {
            throw new RuntimeException("Cannot write {$to}: is the disk full?");
        }
    }

    /** @param  callable(string, string, bool): int  $add  encrypts a file: its path, its name there, packed or not */
    private function addBook(ZipArchive $zip, Publication $publication, string $folder, callable $add): void
    {
        $read = fn(string $path): string => (string) file_get_contents("{$folder}/{$path}");
        $paths = array_map(strval(...), array_keys($publication->sizes));
        $encrypted = [];
        // The first entry of an EPUB says what it is, unpacked, so that it is found at a known place.
        $zip->addFromString('mimetype', Publication::EPUB);
        $zip->setCompressionName('mimetype', ZipArchive::CM_STORE);
        foreach (EpubEncryption::paths($paths, $read) as $path) {
            $deflate = !PackPublication::isPacked($path);
            $encrypted[$path] = ['bytes' => $add($path, $path, $deflate), 'deflated' => $deflate];
        }
        foreach ($paths as $path) {
            if (!isset($encrypted[$path]) && !in_array($path, ['mimetype', EpubEncryption::DECLARED_IN], true)) {
                $zip->addFile("{$folder}/{$path}", $path);
            }
        }
        $before = in_array(EpubEncryption::DECLARED_IN, $paths, true) ? $read(EpubEncryption::DECLARED_IN) : null;
        $zip->addFromString(EpubEncryption::DECLARED_IN, EpubEncryption::declaration($before, $encrypted));
    }

    /** @param  callable(string, string, bool): int  $add */
    private function addPackage(ZipArchive $zip, Title $title, Publication $publication, callable $add): void
    {
        $isPdf = $publication->media_type === Publication::PDF;
        $parts = $isPdf
            ? [
                [
                    'path' => (string) array_key_first($publication->sizes),
                    'type' => Publication::PDF,
                    'name' => $title->name,
                ],
            ]
            : $publication->parts ?? [];
        $order = [];
        foreach ($parts as $part) {
            $name = $isPdf ? self::PDF : $part['path'];
            $order[] = [
                'href' => $name,
                'type' => $part['type'],
                'title' => $part['name'],
                ...isset($part['seconds']) ? ['duration' => round($part['seconds'], 3)] : [],
                'bytes' => $add($part['path'], $name, false),
            ];
        }
        $beside = [];
        foreach ($isPdf ? [] : array_map(strval(...), array_keys($publication->sizes)) as $path) {
            if ($path !== 'publication.json' && !in_array($path, array_column($parts, 'path'), true)) {
                $beside[] = [
                    'href' => $path,
                    'type' => $publication->types[$path] ?? 'application/octet-stream',
                    'bytes' => $add($path, $path, false),
                ];
            }
        }
        $cover = null;
        foreach (['cover.jpg' => 'image/jpeg', 'cover.svg' => 'image/svg+xml'] as $name => $type) {
            $at = storage_path("publications/{$publication->sha256}/{$name}");
            if ($cover === null && !isset($publication->sizes[$name]) && is_file($at)) {
                $zip->addFile($at, $name);
                $cover = ['href' => $name, 'type' => $type];
            }
        }
        $zip->addFromString(
            PackagedManifest::NAME,
            PackagedManifest::of(
                FeedAsJson::metadata(RecordOfTitle::of($title), 'urn:sha256:' . $publication->sha256, $title->added_at),
                $isPdf ? PackagedManifest::PDF : PackagedManifest::AUDIOBOOK,
                $order,
                $beside,
                $cover,
            ),
        );
    }
}
