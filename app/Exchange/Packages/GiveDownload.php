<?php

declare(strict_types=1);

namespace App\Exchange\Packages;

use App\Exchange\Lcp\LicenceOfLoan;
use App\Exchange\Lcp\ProtectLoan;
use App\Exchange\Lcp\ProtectPublication;
use App\Models\Loan;
use App\Reading\Prepared\GiveFile;
use Carbon\CarbonImmutable;
use FigPorch\Core\Lending\DownloadRight;
use Symfony\Component\HttpFoundation\Response;

/** The file of a loan, where its licence allows one; or the page that says how far it is. */
final class GiveDownload
{
    public function __construct(
        private readonly GiveFile $give,
        private readonly ProtectLoan $protectLoan,
        private readonly ProtectPublication $protect,
        private readonly LicenceOfLoan $licence,
    ) {}

    public function __invoke(Loan $loan, string $kind, CarbonImmutable $now): Response|NotGiven
    {
        $loan->load(['title.publication', 'licence', 'card']);
        $publication = $loan->title->publication;
        $right = $loan->licence->rights()->download;
        if ($publication === null) {
            return NotGiven::NoSuchFile;
        }
        if (!isset(Downloads::kinds($loan->title->format, $publication->media_type, $right)[$kind])) {
            return $right === DownloadRight::Open ? NotGiven::NoSuchFile : NotGiven::NotAllowed;
        }
        if ($right === DownloadRight::Protected && !$this->protectLoan->canBe($loan)) {
            return NotGiven::NoPassphrase;
        }
        // As it is at this moment, renewed or not: it is made in no time.
        $protected =
            $kind === 'lcpl' && $this->protect->made($publication) !== null ? ($this->protectLoan)($loan, $now) : null;

        return $protected === null ? ($this->give)($loan, $kind) : $this->licence->answer($protected, $now);
    }
}
