<?php

declare(strict_types=1);

namespace App\Reading\Publications;

/** What became of a file. */
final readonly class ImportOutcome
{
    /**
     * @param  string  $outcome  "taken in", "known already" or "refused"
     * @param  string  $words  the title's name, or why it is refused
     * @param  int|null  $titleId  null where it is refused
     */
    public function __construct(public string $outcome, public string $words, public ?int $titleId = null) {}
}
