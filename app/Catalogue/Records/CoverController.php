<?php

declare(strict_types=1);

namespace App\Catalogue\Records;

use App\Models\Title;
use App\Shared\FileDelivery;
use Symfony\Component\HttpFoundation\Response;

final class CoverController
{
    public function __invoke(Title $title, FileDelivery $delivery): Response
    {
        $file = $title->cover_file ?? abort(404);
        $response = $delivery->send($file, str_ends_with($file, '.svg') ? 'image/svg+xml' : 'image/jpeg', alone: true);
        $response->headers->set('Cache-Control', 'public, max-age=604800');

        return $response;
    }
}
