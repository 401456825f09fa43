<?php

declare(strict_types=1);

namespace App\Lending\Holds;

use App\Models\Hold;

/** Whether a title is borrowed for the patron as soon as a copy comes, or they are told. */
final class ChooseAtOnce
{
    public function __invoke(Hold $hold, bool $atOnce): void
    {
        $hold->update(['borrow_at_once' => $atOnce]);
    }
}
