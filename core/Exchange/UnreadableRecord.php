<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange;

use RuntimeException;

/** What came is no record, no file of records, or a record of something that is not lent here. */
final class UnreadableRecord extends RuntimeException
{
    public readonly RecordFault $fault;

    /**
     * @param  string|RecordFault  $fault  or its sentence
     * @param  array<string, string|int>  $facts  what it names
     */
    public function __construct(string|RecordFault $fault, array $facts = [])
    {
        $this->fault = $fault instanceof RecordFault ? $fault : new RecordFault($fault, $facts);
        parent::__construct((string) $this->fault);
    }
}
