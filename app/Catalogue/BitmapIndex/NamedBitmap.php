<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use FigPorch\Core\Catalogue\TitleSet;

/** A set as it is kept, in the database and on each machine. */
final readonly class NamedBitmap
{
    /**
     * @param  string  $name  a kind, a colon and a value
     * @param  string|null  $shared  how many titles it shares with others, as SharedCounts has it
     */
    public function __construct(public string $name, public TitleSet $set, public ?string $shared = null) {}
}
