<?php

declare(strict_types=1);

namespace App\Catalogue\Records;

use App\Models\Title;
use App\Shared\FileDelivery;
use App\Shared\View\Covers\Cover;
use Symfony\Component\HttpFoundation\Response;

/** The cover that came with a title, or that staff sent, or else the one that is drawn of its name. */
final class CoverController
{
    public function __invoke(Title $title, FileDelivery $delivery): Response
    {
        $file = $title->cover_file;
        $response =
            $file === null
                ? response(Cover::drawn($title), 200, ['Content-Type' => 'image/svg+xml'])
                : $delivery->send($file, str_ends_with($file, '.svg') ? 'image/svg+xml' : 'image/jpeg', alone: true);
        // One that is drawn gives way to one that comes.
        $response->headers->set('Cache-Control', 'public, max-age=' . ($file === null ? 3600 : 604800));

        return $response;
    }
}
