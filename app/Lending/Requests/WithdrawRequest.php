<?php

declare(strict_types=1);

namespace App\Lending\Requests;

use App\Models\TitleRequest;
use DateTimeImmutable;

/** Who asked for a title takes it back, for as long as nobody has answered. */
final class WithdrawRequest
{
    public function __invoke(TitleRequest $asked, DateTimeImmutable $now): void
    {
        TitleRequest::query()
            ->whereKey($asked->id)
            ->where('state', 'open')
            ->update(['state' => 'withdrawn', 'answered_at' => $now]);
    }
}
