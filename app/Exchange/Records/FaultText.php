<?php

declare(strict_types=1);

namespace App\Exchange\Records;

use FigPorch\Core\Exchange\RecordFault;

/** What is wrong with a record in the language of the page. */
final class FaultText
{
    public static function of(RecordFault $fault): string
    {
        $known = trans('record_faults');

        return $fault->in(is_array($known) ? $known[$fault->text] ?? $fault->text : $fault->text);
    }
}
