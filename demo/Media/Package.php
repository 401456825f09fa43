<?php

declare(strict_types=1);

namespace FigPorch\Demo\Media;

use ZipArchive;

/**
 * A publication of sound or video being put together (W3C Publication Manifest in a Lightweight Packaging Format file).
 */
final class Package
{
    /** @var array<string, mixed> */
    private array $manifest = [];

    /** @var array<string, string> path => bytes */
    private array $files = [];

    public function __construct(private readonly string $id) {}

    /** @param  array<string, mixed>  $facts */
    public function describe(array $facts, ?string $coverSvg = null): void
    {
        $this->manifest = [
            '@context' => ['https://schema.org', 'https://www.w3.org/ns/pub-context'],
            'id' => $this->id,
            ...array_filter($facts, fn(mixed $value): bool => $value !== null),
            'readingOrder' => [],
        ];
        if ($coverSvg !== null) {
            $this->manifest['resources'] = [
                ['rel' => 'cover', 'url' => 'cover.svg', 'encodingFormat' => 'image/svg+xml'],
            ];
            $this->files['cover.svg'] = $coverSvg;
        }
    }

    /**
     * @param  array{string, float}  $sound  its bytes, and how many seconds it plays
     * @param  array<string, array{string, string}>  $captions  by language: label and WebVTT
     */
    public function part(string $path, string $name, array $sound, array $captions = []): void
    {
        $this->files[$path] = $sound[0];
        $part = [
            'url' => $path,
            'encodingFormat' => str_ends_with($path, '.mp4') ? 'video/mp4' : 'audio/mpeg',
            'name' => $name,
            'duration' => sprintf('PT%.2FS', $sound[1]),
        ];
        foreach ($captions as $language => [$label, $vtt]) {
            $file = pathinfo($path, PATHINFO_FILENAME) . "-{$language}.vtt";
            $this->files[$file] = $vtt;
            $part['alternate'][] = [
                'url' => $file,
                'encodingFormat' => 'text/vtt',
                'inLanguage' => $language,
                'name' => $label,
            ];
        }
        $this->manifest['readingOrder'][] = $part;
    }

    public function write(string $file): void
    {
        $zip = new ZipArchive();
        $zip->open("{$file}.new", ZipArchive::CREATE | ZipArchive::OVERWRITE);
        foreach (
            [
                'publication.json' => (string) json_encode(
                    $this->manifest,
                    JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
                ),
                ...$this->files,
            ]
            as $path => $bytes
        ) {
            $zip->addFromString($path, $bytes);
            $zip->setCompressionName(
                $path,
                preg_match('/\.mp[34]$/', $path) === 1 ? ZipArchive::CM_STORE : ZipArchive::CM_DEFLATE,
            );
            $zip->setMtimeName($path, 1_735_689_600);
        }
        $zip->close();
        rename("{$file}.new", $file);
    }
}
