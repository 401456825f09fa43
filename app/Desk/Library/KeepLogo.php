<?php

declare(strict_types=1);

namespace App\Desk\Library;

use App\Reading\Publications\Tool;
use Illuminate\Http\UploadedFile;

/**
 * Makes a picture that somebody sends into one that is safe to show: drawn anew as PNG, so that nothing of the file
 * itself is kept. SVG is drawn by librsvg, which runs no scripts, and reads no other file where it is given one by its
 * standard input.
 */
final class KeepLogo
{
    public const MOST_KILOBYTES = 512;

    /** Three times as high as it is shown. */
    private const HEIGHT = 144;

    private const WIDEST = 600;

    private const MOST_PIXELS = 8_000_000;

    private const SECONDS = 10;

    /** @return string|null SHA-256 of what is kept as storage/logos/….png; null where it is no picture */
    public function __invoke(UploadedFile $file): ?string
    {
        $bytes = (string) file_get_contents($file->getRealPath());
        $png = str_starts_with($bytes, "\x89PNG\r\n")
            ? self::drawPng($file->getRealPath(), $bytes)
            : self::drawSvg($bytes);
        if ($png === null) {
            return null;
        }
        $hash = hash('sha256', $png);
        $path = self::path($hash);
        is_dir(dirname($path)) || mkdir(dirname($path), 0o755, true);
        is_file($path) || file_put_contents($path, $png, LOCK_EX);

        return $hash;
    }

    public static function path(string $hash): string
    {
        return storage_path("logos/{$hash}.png");
    }

    private static function drawPng(string $path, string $bytes): ?string
    {
        $size = @getimagesize($path);
        // Looked at before it is unpacked: a small file can hold a very large picture.
        if ($size === false || $size[0] * $size[1] > self::MOST_PIXELS || $size[0] < 1 || $size[1] < 1) {
            return null;
        }
        $picture = @imagecreatefromstring($bytes);
        if ($picture === false) {
            return null;
        }
        $scale = min(self::HEIGHT / $size[1], self::WIDEST / $size[0]);
        $small = imagecreatetruecolor(max(1, (int) round($size[0] * $scale)), max(1, (int) round($size[1] * $scale)));
        imagealphablending($small, false);
        imagesavealpha($small, true);
        imagecopyresampled($small, $picture, 0, 0, 0, 0, imagesx($small), imagesy($small), $size[0], $size[1]);
        ob_start();
        imagepng($small);

        return (string) ob_get_clean();
    }

    private static function drawSvg(string $bytes): ?string
    {
        $command = [
            'rsvg-convert',
            '--format=png',
            '--height=' . self::HEIGHT,
            '--width=' . self::WIDEST,
            '--keep-aspect-ratio',
        ];
        $drawn = str_contains($bytes, '<svg') ? Tool::run($command, self::SECONDS, $bytes) : null;
        $png = $drawn?->isSuccessful() === true ? $drawn->getOutput() : '';

        return str_starts_with($png, "\x89PNG") ? $png : null;
    }
}
