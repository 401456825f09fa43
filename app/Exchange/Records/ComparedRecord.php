<?php

declare(strict_types=1);

namespace App\Exchange\Records;

use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Exchange\RecordFault;

/** A record of a file beside what the catalogue has. */
final readonly class ComparedRecord
{
    public const OUTCOMES = ['new', 'changed', 'unchanged', 'doubtful', 'refused'];

    /**
     * @param  int  $number  in the file, from 1
     * @param  string  $outcome  of OUTCOMES
     * @param  list<string>  $fields  of RecordText that are another than they were
     * @param  RecordFault|null  $why  it is refused, or what it is like
     * @param  int|null  $titleId  the title it is, or is like
     */
    public function __construct(
        public int $number,
        public string $outcome,
        public ?Record $record = null,
        public array $fields = [],
        public ?RecordFault $why = null,
        public ?int $titleId = null,
    ) {}
}
