<?php

declare(strict_types=1);

namespace App\Desk\Weeding;

use App\Models\Title;
use DateTimeImmutable;

/** A title that nobody has borrowed for long. */
final readonly class UnlentTitle
{
    /**
     * @param  int|null  $copies  null where its licences have none
     * @param  int  $lent  loans of the library's licences that live
     * @param  DateTimeImmutable  $since  its first licence that lives began
     * @param  DateTimeImmutable|null  $endsAt  the first of its licences to end
     * @param  int  $yearlyCents  what licences with an end cost a year
     */
    public function __construct(
        public Title $title,
        public ?int $copies,
        public int $lent,
        public ?DateTimeImmutable $lastLentAt,
        public DateTimeImmutable $since,
        public ?DateTimeImmutable $endsAt,
        public int $paidCents,
        public int $yearlyCents,
    ) {}
}
