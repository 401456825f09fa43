<?php

declare(strict_types=1);

namespace App\Lending\Borrowing;

use App\Models\Library;
use App\Shared\View\Dates;
use FigPorch\Core\Lending\Refused;

/** A refusal in words: what happened, what it means, what to do next. */
final class RefusalText
{
    public static function of(Refused $refused, Library $library): string
    {
        $why = $refused->said === null ? '' : '_why';

        return __("lending.refused.{$refused->reason->value}{$why}", [
            'library' => $library->name,
            'contact' => $library->pin_contact,
            'limit' => $refused->limit,
            'why' => (string) $refused->said,
            'title' => $refused->soonestDue?->title,
            'due' => $refused->soonestDue === null ? '' : Dates::words($refused->soonestDue->dueAt, $library->zone()),
            'date' => $refused->at === null ? '' : Dates::day($refused->at, $library->zone()),
        ]);
    }
}
