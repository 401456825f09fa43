<?php

declare(strict_types=1);

namespace App\Desk\Library;

use App\Reading\Publications\SafePicture;
use Illuminate\Http\UploadedFile;

/** Keeps the logo that a library sends, drawn anew as PNG. */
final class KeepLogo
{
    public const MOST_KILOBYTES = 512;

    /** Three times as high as it is shown. */
    private const HEIGHT = 144;

    private const WIDEST = 600;

    /** @return string|null SHA-256 of what is kept as storage/logos/….png; null where it is no picture */
    public function __invoke(UploadedFile $file): ?string
    {
        $picture = SafePicture::draw((string) $file->getContent(), self::HEIGHT, self::WIDEST);
        if ($picture === null) {
            return null;
        }
        ob_start();
        imagepng($picture);
        $png = (string) ob_get_clean();
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
}
