<?php

declare(strict_types=1);

namespace App\Exchange\Packages;

use App\Models\Loan;
use App\Models\Publication;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\ResponseHeaderBag;

/** A loan as a file in an open format, without protection, where the licence says so. */
final class DownloadController
{
    private const TYPES = [
        'epub' => Publication::EPUB,
        'pdf' => Publication::PDF,
        'package' => 'application/lpf+zip',
        'files' => 'application/zip',
    ];

    public function __invoke(Loan $loan, string $kind, PackPublication $pack): BinaryFileResponse
    {
        $loan->load(['title.publication', 'licence']);
        $publication = $loan->title->publication ?? abort(404);
        $loan->licence->rights()->download || abort(403, __('lending.no_download'));
        $ending = PackPublication::kinds($publication->media_type)[$kind] ?? abort(404);

        $response = new BinaryFileResponse(
            $pack($publication, $kind),
            headers: ['Content-Type' => self::TYPES[$kind], 'Cache-Control' => 'private, no-store'],
            autoLastModified: false,
        );

        return $response
            ->setContentDisposition(
                ResponseHeaderBag::DISPOSITION_ATTACHMENT,
                (Str::slug($loan->title->name) ?: "title-{$loan->title_id}") . $ending,
            )
            ->deleteFileAfterSend();
    }
}
