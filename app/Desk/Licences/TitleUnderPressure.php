<?php

declare(strict_types=1);

namespace App\Desk\Licences;

use App\Models\Title;
use DateTimeImmutable;

/** A title of a library with what stands before those who want it. */
final readonly class TitleUnderPressure
{
    /**
     * @param  int  $copies  of the library's own licences that have not ended
     * @param  int|null  $loansLeft  on licences that count them; null where none does
     * @param  DateTimeImmutable|null  $endsAt  the next end of a licence
     * @param  int  $holds  waiting and paused
     */
    public function __construct(
        public Title $title,
        public int $copies,
        public int $copiesFree,
        public ?int $loansLeft,
        public ?DateTimeImmutable $endsAt,
        public int $holds,
    ) {}

    public function holdsPerCopy(): ?float
    {
        return $this->copies === 0 ? null : $this->holds / $this->copies;
    }
}
