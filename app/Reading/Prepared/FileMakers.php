<?php

declare(strict_types=1);

namespace App\Reading\Prepared;

use LogicException;

/** All that make files of loans; areas that come after this one add theirs by the container's tag FileMaker::class. */
final class FileMakers
{
    /** @param  iterable<FileMaker>  $makers */
    public function __construct(private readonly iterable $makers) {}

    public function of(string $kind): FileMaker
    {
        foreach ($this->makers as $maker) {
            if ($maker->makes($kind)) {
                return $maker;
            }
        }
        throw new LogicException("Nothing makes a file of the kind “{$kind}”.");
    }
}
