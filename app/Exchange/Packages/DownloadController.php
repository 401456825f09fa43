<?php

declare(strict_types=1);

namespace App\Exchange\Packages;

use App\Models\Loan;
use App\Reading\Prepared\GiveFile;
use Symfony\Component\HttpFoundation\Response;

/** A loan as a file in an open format, without protection, where the licence says so. */
final class DownloadController
{
    public function __invoke(Loan $loan, string $kind, GiveFile $give): Response
    {
        $loan->load(['title.publication', 'licence']);
        $publication = $loan->title->publication ?? abort(404);
        $loan->licence->rights()->download || abort(403, __('lending.no_download'));
        isset(PackPublication::kinds($publication->media_type)[$kind]) || abort(404);

        return $give($loan, $kind);
    }
}
