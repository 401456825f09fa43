<?php

declare(strict_types=1);

namespace App\Lending\Porch;

use App\Models\Title;
use DateTimeImmutable;
use DateTimeZone;

/** One thing that is coming up: a due date, a copy that is kept, or a copy that is expected. */
final readonly class ComingDate
{
    /**
     * @param  'loan'|'due_soon'|'ready'|'hold'  $kind
     * @param  DateTimeImmutable|null  $to  null where nothing can be promised
     * @param  DateTimeImmutable|null  $middle  of a likely range
     * @param  DateTimeImmutable|null  $latest  of a hold
     * @param  DateTimeZone  $zone  of the library
     */
    public function __construct(
        public string $kind,
        public Title $title,
        public DateTimeZone $zone,
        public DateTimeImmutable $from,
        public ?DateTimeImmutable $to,
        public ?DateTimeImmutable $middle = null,
        public ?DateTimeImmutable $latest = null,
    ) {}
}
