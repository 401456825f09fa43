<?php

declare(strict_types=1);

namespace App\Account\Notices;

use App\Models\Library;
use App\Models\Notice;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;

/** Until when a notice waits that leaves the application, because the person's library has quiet hours. */
final class QuietTime
{
    /** Whether any library has quiet hours at all, so that where none has nobody is looked up. */
    public static function isKnown(): bool
    {
        return Library::query()->whereNotNull('quiet_from')->exists();
    }

    /** @return DateTimeImmutable|null null where it may go now; by the first of the person's cards */
    public static function until(Notice $notice, DateTimeImmutable $now): ?DateTimeImmutable
    {
        // Somebody who did not change it themselves must know at once.
        if ($notice->kind === NoticeKind::PinChanged->value) {
            return null;
        }
        $card = $notice->person->cards->sortBy('id')->first();

        return $card?->library->quietHours()?->endAfter($now);
    }
}
