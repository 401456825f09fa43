<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

use FigPorch\Core\Catalogue\WorkIdentifier;

/** The works that a record says it is of (MARC 21, 758): by what all records of the work have in common. */
final class MarcWorks
{
    /** What the relation is called, in words or by its address. */
    private const IS_OF = '/work|manifest|express/i';

    /** @return list<string> */
    public static function of(MarcRecord $record): array
    {
        $found = [];
        foreach ($record->fields('758') as $field) {
            $relation = implode(' ', $field->all('i4'));
            // Of a field with $5 one library alone says so.
            $isOfWork = preg_match(self::IS_OF, $relation) === 1 && $field->get('5') === null;
            foreach ($isOfWork ? array_slice($field->all('01'), 0, 1) : [] as $identifier) {
                $found[] = WorkIdentifier::read($identifier);
            }
        }

        return array_values(array_unique($found));
    }
}
