<?php

declare(strict_types=1);

namespace App\Exchange\Csv;

use RuntimeException;

/** A file that is no table; for the person who sent it. */
final class UnreadableCsv extends RuntimeException
{
    /**
     * @param  string  $reason  spreadsheet (it was not saved as CSV), no_text, quote (one that does not end)
     * @param  array<string, int|string>  $facts  such as the line
     */
    public function __construct(public readonly string $reason, public readonly array $facts = [])
    {
        parent::__construct($reason);
    }
}
