<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Catalogue\Records\ArrangeEntries;
use App\Catalogue\Records\EntryKind;
use App\Catalogue\Records\RecordOfTitle;
use App\Catalogue\Records\SaveRecord;
use App\Models\Batch;
use App\Models\BatchRow;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Desk\BatchAction;

/**
 * A person, a series or a subject gets another name, or is made one with another: then all titles that name it are
 * saved anew. The facts are kind, entry, from (its name) and to; of a merge into, the entry that stays; of a person
 * sort, how the name sorts, and sort_was.
 */
final class EntryWork implements BatchWork
{
    public function __construct(private readonly ArrangeEntries $entries, private readonly SaveRecord $saveRecord) {}

    public function look(Batch $batch, array $titles, DateTimeImmutable $now): array
    {
        return array_fill_keys($titles, ['outcome' => 'ready', 'note' => []]);
    }

    public function begin(Batch $batch, DateTimeImmutable $now): void
    {
        [$kind, $entry, $from, $to] = self::of($batch);
        $isDone = $batch->stage === 'applying';
        if ($batch->what === BatchAction::RenameEntry) {
            [$was, $is, $sort] = $isDone ? [$from, $to, 'sort'] : [$to, $from, 'sort_was'];
            // Another may have got the name since; then it stays as it is.
            if ($kind->query()->whereKey($entry)->value('name') === $was) {
                $this->entries->rename($kind, $entry, $is, $batch->facts[$sort] ?? null);
                $isDone || $this->entries->forget($kind, $was);
            }

            return;
        }
        if ($isDone) {
            $this->entries->form($kind, $from, (int) $batch->facts['into']);
        } else {
            $this->entries->forget($kind, $from);
            $sort = $kind === EntryKind::Person ? ['sort_name' => (string) ($batch->facts['sort_was'] ?? $from)] : [];
            $this->entries->named($kind, $from, $sort);
        }
    }

    public function do(Batch $batch, BatchRow $row, DateTimeImmutable $now): array
    {
        [$kind] = self::of($batch);
        $title = Title::query()->findOrFail((int) $row->title_id);
        $before = RecordText::of(RecordOfTitle::of($title))[$kind->field()];
        $after = RecordText::of(RecordOfTitle::of($this->saveRecord->again($title, $now)->unsetRelations()))[
            $kind->field()
        ];

        return ['before' => $before, 'after' => $after];
    }

    public function undo(Batch $batch, BatchRow $row, DateTimeImmutable $now): ?string
    {
        [$kind] = self::of($batch);
        $title = Title::query()->findOrFail((int) $row->title_id);
        if ($batch->what === BatchAction::RenameEntry) {
            $this->saveRecord->again($title, $now);

            return null;
        }
        $record = RecordOfTitle::of($title);
        if (RecordText::of($record)[$kind->field()] !== ($row->undo['after'] ?? null)) {
            return 'meanwhile';
        }
        [$was] = RecordText::with($record, [$kind->field() => (string) $row->undo['before']]);
        $this->saveRecord->byStaff($was, $title->edited_fields ?? [], $now);

        return null;
    }

    public function end(Batch $batch, DateTimeImmutable $now): void
    {
        [$kind, $entry] = self::of($batch);
        // Titles that came since it was looked at.
        $came = $kind
            ->titles($entry)
            ->whereNotIn('title_id', $batch->rows()->select('title_id'))
            ->pluck('title_id');
        foreach (Title::query()->findMany($came->all()) as $title) {
            $this->saveRecord->again($title, $now);
        }
        if ($batch->what === BatchAction::MergeEntries && $batch->stage === 'applying') {
            $this->entries->moveForms($kind, $entry, (int) $batch->facts['into']);
            $this->entries->remove($kind, $entry);
        }
    }

    /** @return array{EntryKind, int, string, string} */
    private static function of(Batch $batch): array
    {
        $facts = $batch->facts;

        return [EntryKind::from($facts['kind']), (int) $facts['entry'], (string) $facts['from'], (string) $facts['to']];
    }
}
