<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Desk\Figures\DeskText;
use App\Desk\Titles\LicenceForm;
use App\Models\Batch;
use App\Models\BatchRow;
use App\Models\StaffList;
use App\Shared\View\Dates;
use DateTimeImmutable;
use FigPorch\Core\Desk\BatchAction;

/** A batch in words. */
final class BatchText
{
    /** What exactly is to be done with each title. */
    public static function facts(Batch $batch): string
    {
        $facts = $batch->facts;
        $of = fn(string $field): string => (string) ($facts[$field] ?? '');

        return match ($batch->what) {
            BatchAction::Licence => implode(
                ' · ',
                array_filter([
                    __("desk.models.{$of('model')}"),
                    $of('copies') === '' ? null : trans_choice('records.copies', (int) $of('copies')),
                    $of('loans') === '' ? null : trans_choice('batches.loans', (int) $of('loans')),
                    DeskText::price(LicenceForm::cents($of('price')), $batch->library->currency),
                    $of('ends') === '' ? null : self::until($batch, $of('ends')),
                    $of('shared') === '' ? null : __('desk.shared'),
                ]),
            ),
            BatchAction::Withdraw => $of('last_day') === ''
                ? __('batches.at_once')
                : self::until($batch, $of('last_day')),
            BatchAction::PutOnList => StaffList::query()->find((int) $of('list'))->name ?? __('batches.list_gone'),
            BatchAction::AddSubject, BatchAction::RemoveSubject => $of($batch->what->value),
            BatchAction::RenameEntry, BatchAction::MergeEntries => "{$of('from')} → {$of('to')}",
            BatchAction::Audience => __("search.audiences.{$of('audience')}"),
        };
    }

    private static function until(Batch $batch, string $day): string
    {
        $zone = $batch->library->zone();

        return __('batches.until', ['day' => Dates::day(new DateTimeImmutable("{$day} 12:00", $zone), $zone)]);
    }

    /** @return list<string> */
    public static function notes(BatchRow $row): array
    {
        if ($row->kept !== null) {
            return [__("batches.kept_why.{$row->kept}")];
        }
        $texts = [];
        // What it had before is no news of what it has now.
        foreach ($row->done ? [] : $row->note ?? [] as $key => $value) {
            $texts[] = match (true) {
                $key === 'record' => __("records.wrong.{$value}"),
                is_int($value) => trans_choice("batches.notes.{$key}", $value),
                default => __("batches.notes.{$key}"),
            };
        }

        return $texts;
    }
}
