<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use FigPorch\Core\Desk\BatchAction;

/** Who does what. */
final class BatchWorks
{
    public function __construct(
        private readonly LicenceWork $licence,
        private readonly WithdrawWork $withdraw,
        private readonly ListWork $list,
        private readonly RecordWork $record,
        private readonly EntryWork $entry,
    ) {}

    public function of(BatchAction $what): BatchWork
    {
        return match ($what) {
            BatchAction::Licence => $this->licence,
            BatchAction::Withdraw => $this->withdraw,
            BatchAction::PutOnList => $this->list,
            BatchAction::RenameEntry, BatchAction::MergeEntries => $this->entry,
            BatchAction::AddSubject, BatchAction::RemoveSubject, BatchAction::Audience => $this->record,
        };
    }
}
