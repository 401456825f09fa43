<?php

declare(strict_types=1);

namespace App\Exchange\Packages;

use App\Models\Loan;
use Carbon\CarbonImmutable;
use Symfony\Component\HttpFoundation\Response;

/** A loan as a file, as its licence says: in an open format without protection, or protected. */
final class DownloadController
{
    public function __invoke(Loan $loan, string $kind, GiveDownload $give): Response
    {
        $given = $give($loan, $kind, CarbonImmutable::now());

        return match ($given) {
            NotGiven::NoSuchFile => abort(404),
            NotGiven::NotAllowed => abort(403, __('lending.no_download')),
            NotGiven::NoPassphrase => redirect()
                ->to(route('settings', absolute: false) . '#protected')
                ->with('refusal', __('lcp.set_first')),
            default => $given,
        };
    }
}
