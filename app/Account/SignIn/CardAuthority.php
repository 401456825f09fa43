<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use App\Models\Library;
use DateTimeImmutable;

/** Whoever knows better than we do whether a number and a PIN fit: a library's own system. Exchange asks it. */
interface CardAuthority
{
    public function ask(Library $library, string $number, string $pin, DateTimeImmutable $now): AuthorityAnswer;
}
