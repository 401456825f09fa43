<?php

declare(strict_types=1);

namespace App\Exchange\Links;

use FigPorch\Core\Exchange\Links\Trouble;

/** What was seen at an address. */
final readonly class Seen
{
    /** @param  string|null  $movedTo  where it says that it is from now on */
    public function __construct(public ?Trouble $trouble, public ?string $movedTo = null) {}
}
