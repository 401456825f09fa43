<?php

declare(strict_types=1);

namespace App\Lending\Licences;

use App\Models\Licence;
use DateTimeImmutable;

/** A licence for a title of which a library has none, nor ever had one. */
final class LicenseWhereNone
{
    public function __construct(private readonly AddLicence $addLicence) {}

    /** @param  DateTimeImmutable|null  $startsAt  where it is not had before that */
    public function __invoke(
        int $libraryId,
        int $titleId,
        LicenceTerms $terms,
        DateTimeImmutable $now,
        ?DateTimeImmutable $startsAt = null,
    ): void {
        if (
            Licence::query()
                ->where(['library_id' => $libraryId, 'title_id' => $titleId])
                ->exists()
        ) {
            return;
        }
        ($this->addLicence)(
            libraryId: $libraryId,
            titleId: $titleId,
            model: $terms->model,
            copies: $terms->copies,
            loans: $terms->loans,
            startsAt: $startsAt ?? $now,
            endsAt: $terms->endsAt,
            now: $now,
            priceCents: $terms->priceCents,
            shared: $terms->shared,
            rights: $terms->rights,
        );
    }
}
