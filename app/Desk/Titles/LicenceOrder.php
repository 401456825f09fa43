<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Models\Licence;
use DateTimeImmutable;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\Rights;

/** What staff want done with a licence of a title. */
final readonly class LicenceOrder
{
    /**
     * @param  string  $id  a UUID, the same when the same form is sent twice
     * @param  Licence|null  $licence  the one to change; null when one is added
     * @param  DateTimeImmutable|null  $startsAt  null for now
     * @param  DateTimeImmutable|null  $endsAt  where one is ended, null for now
     */
    public function __construct(
        public string $id,
        public OrderKind $what,
        public int $titleId,
        public ?Licence $licence,
        public LicenceModel $model,
        public ?int $copies = null,
        public ?int $loans = null,
        public ?DateTimeImmutable $startsAt = null,
        public ?DateTimeImmutable $endsAt = null,
        public int $priceCents = 0,
        public bool $shared = false,
        public Rights $rights = new Rights(),
    ) {}
}
