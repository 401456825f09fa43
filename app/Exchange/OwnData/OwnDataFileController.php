<?php

declare(strict_types=1);

namespace App\Exchange\OwnData;

use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** What is kept of a person, as a file to take along. */
final class OwnDataFileController
{
    public function __invoke(RequestContext $current, OwnDataFile $file): BinaryFileResponse
    {
        $now = CarbonImmutable::now();

        return response()
            ->download($file->make($current->requiredPerson(), $now), "fig-porch-{$now->format('Y-m-d')}.zip", [
                'Content-Type' => 'application/zip',
                'Cache-Control' => 'no-store, private',
            ])
            ->deleteFileAfterSend();
    }
}
