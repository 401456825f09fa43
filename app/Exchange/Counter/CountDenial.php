<?php

declare(strict_types=1);

namespace App\Exchange\Counter;

use App\Lending\Borrowing\TurnedAway;
use Illuminate\Http\Request;

/** Somebody could not have what they wanted. */
final class CountDenial
{
    public function __construct(private readonly RecordUse $record, private readonly Request $request) {}

    public function handle(TurnedAway $turnedAway): void
    {
        $act = Act::refused($turnedAway->reason);
        if ($act !== null) {
            ($this->record)($this->request, $act, $turnedAway->libraryId, $turnedAway->titleId);
        }
    }
}
