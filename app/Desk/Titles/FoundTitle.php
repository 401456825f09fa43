<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Models\Title;
use stdClass;

/** A title that was looked for, and how it stands with a library. */
final readonly class FoundTitle
{
    /**
     * @param  stdClass  $state  licences and copies that are alive, ever, waiting, shared, supplied, opens; of what is
     *     not lent (elsewhere) copies on paper, website, at_others
     */
    public function __construct(public Title $title, public stdClass $state) {}
}
