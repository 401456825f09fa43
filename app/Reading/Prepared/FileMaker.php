<?php

declare(strict_types=1);

namespace App\Reading\Prepared;

use App\Models\Loan;

/** What can make files of one kind or several from a loan. */
interface FileMaker
{
    public function makes(string $kind): bool;

    /** Made in a fraction of a second, so that it is made while whoever asked for it waits. */
    public function isQuick(Loan $loan, string $kind): bool;

    /**
     * Makes the file. What the licence allows has been asked before.
     *
     * @param  string  $to  a path at which nothing is yet
     * @param  callable(float): void  $told  is called with the share that is made, 0 to 1
     */
    public function make(Loan $loan, string $kind, string $to, callable $told): void;

    /** @return array{string, string} the file's name and its media type */
    public function named(Loan $loan, string $kind): array;
}
