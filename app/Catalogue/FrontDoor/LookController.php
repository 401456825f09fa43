<?php

declare(strict_types=1);

namespace App\Catalogue\FrontDoor;

use App\Models\Library;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** A library's colours as a style sheet, and its logo; by what is in them, so that they may be kept for ever. */
final class LookController
{
    private const FOR_EVER = 'public, max-age=31536000, immutable';

    public function css(Library $library, string $hash): Response
    {
        $css = $library->look()?->css() ?? '';

        return response($css, 200, [
            'Content-Type' => 'text/css; charset=utf-8',
            // A page from before a change asks for what is not there any more: it gets what is, for a while.
            'Cache-Control' => self::hash($css) === $hash ? self::FOR_EVER : 'public, max-age=60',
        ]);
    }

    public function logo(string $logo): BinaryFileResponse
    {
        $path = storage_path("logos/{$logo}.png");
        is_file($path) || abort(404);

        return new BinaryFileResponse(
            $path,
            headers: ['Content-Type' => 'image/png', 'Cache-Control' => self::FOR_EVER],
            autoLastModified: false,
        );
    }

    public static function hash(string $css): string
    {
        return substr(hash('sha256', $css), 0, 12);
    }
}
