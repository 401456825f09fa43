<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use GdImage;

/**
 * Draws a picture that somebody sends anew, so that nothing of the file itself is kept. SVG is drawn by librsvg, which
 * runs no scripts, and reads no other file where it is given one by its standard input.
 */
final class SafePicture
{
    private const MOST_PIXELS = 8_000_000;

    private const SECONDS = 10;

    /**
     * @param  int  $height  in pixels, at most
     * @param  int  $width  in pixels, at most
     * @return GdImage|null with its transparent parts; null where it is no PNG, JPEG, WebP or SVG
     */
    public static function draw(string $bytes, int $height, int $width): ?GdImage
    {
        if (!str_contains(substr($bytes, 0, 4096), '<svg')) {
            return self::scale($bytes, $height, $width);
        }
        $drawn = Tool::run(
            ['rsvg-convert', '--format=png', "--height={$height}", "--width={$width}", '--keep-aspect-ratio'],
            self::SECONDS,
            $bytes,
        );
        $png = $drawn?->isSuccessful() === true ? $drawn->getOutput() : '';

        return str_starts_with($png, "\x89PNG") ? self::scale($png, $height, $width) : null;
    }

    private static function scale(string $bytes, int $height, int $width): ?GdImage
    {
        $size = @getimagesizefromstring($bytes);
        // Looked at before it is unpacked: a small file can hold a very large picture.
        if (
            $size === false ||
            !in_array($size[2], [IMAGETYPE_PNG, IMAGETYPE_JPEG, IMAGETYPE_WEBP], true) ||
            $size[0] * $size[1] > self::MOST_PIXELS ||
            $size[0] < 1 ||
            $size[1] < 1
        ) {
            return null;
        }
        $picture = @imagecreatefromstring($bytes);
        if ($picture === false) {
            return null;
        }
        $scale = min($height / $size[1], $width / $size[0]);
        $small = imagecreatetruecolor(max(1, (int) round($size[0] * $scale)), max(1, (int) round($size[1] * $scale)));
        imagealphablending($small, false);
        imagesavealpha($small, true);
        imagecopyresampled($small, $picture, 0, 0, 0, 0, imagesx($small), imagesy($small), $size[0], $size[1]);

        return $small;
    }
}
