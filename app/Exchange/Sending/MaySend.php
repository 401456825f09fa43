<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use App\Models\Loan;
use App\Models\Publication;
use DateTimeImmutable;
use FigPorch\Core\Exchange\Sending\Goods;
use FigPorch\Core\Exchange\Sending\Undelivered;
use FigPorch\Core\Exchange\Sending\Way;
use FigPorch\Core\Lending\DownloadRight;

/** Whether something of a loan may be sent away. */
final class MaySend
{
    /** E-readers and programs for it read these. */
    public const BOOKS = [Publication::EPUB, Publication::PDF];

    /**
     * How many times smaller a text is when it is packed, at most (common practice, no source): made, it is weighed.
     */
    private const TIMES_SMALLER = 5;

    /** @return Undelivered|null null where it may */
    public function of(Loan $loan, Goods $goods, Way $way, DateTimeImmutable $now): ?Undelivered
    {
        $publication = $loan->title->publication;
        $rights = $loan->licence->rights();

        return match (true) {
            !$loan->isOpen($now) => Undelivered::LoanOver,
            $publication === null => Undelivered::NothingThere,
            $goods === Goods::Pages => $rights->chaptersAsPdf ? null : Undelivered::NotAllowed,
            $rights->download !== DownloadRight::Open => Undelivered::NotAllowed,
            !in_array($publication->media_type, self::BOOKS, true) => Undelivered::NoText,
            $way !== Way::Folder && array_sum($publication->sizes) > self::TIMES_SMALLER * Goods::MOST_BYTES
                => Undelivered::TooLarge,
            default => null,
        };
    }
}
