<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

/** What can be done with many titles at once. */
enum BatchAction: string
{
    case Licence = 'licence';
    case Withdraw = 'withdraw';
    case PutOnList = 'list';
    case AddSubject = 'add_subject';
    case RemoveSubject = 'remove_subject';
    case Audience = 'audience';
    case RenameEntry = 'rename_entry';
    case MergeEntries = 'merge_entries';

    /** @return list<self> those for which titles are chosen; the others are for all that name an entry */
    public static function chosen(): array
    {
        return [self::Licence, self::Withdraw, self::PutOnList, self::AddSubject, self::RemoveSubject, self::Audience];
    }
}
