<?php

declare(strict_types=1);

namespace App\Account\Privacy;

use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** What is kept about me, to see and to take along. */
final class OwnDataController
{
    public function __construct(private readonly RequestContext $current) {}

    public function show(OwnData $data): View
    {
        return view('account.privacy.own-data', ['kinds' => $data->of($this->current->requiredPerson())]);
    }

    public function take(OwnDataFile $file): BinaryFileResponse
    {
        $now = CarbonImmutable::now();

        return response()
            ->download($file->make($this->current->requiredPerson(), $now), "fig-porch-{$now->format('Y-m-d')}.zip", [
                'Content-Type' => 'application/zip',
                'Cache-Control' => 'no-store, private',
            ])
            ->deleteFileAfterSend();
    }
}
