<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Desk\Lists\ArrangeStaffLists;
use App\Models\Batch;
use App\Models\BatchRow;
use App\Models\StaffList;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Puts each on a list, and with it in the list's room; in the order in which they were chosen. */
final class ListWork implements BatchWork
{
    use TitlesAlone;

    public function __construct(private readonly ArrangeStaffLists $arrange) {}

    public function look(Batch $batch, array $titles, DateTimeImmutable $now): array
    {
        $on = $this->on($batch);
        $room = ArrangeStaffLists::MOST_TITLES - count($on);
        $rows = [];
        foreach ($titles as $title) {
            $rows[$title] = match (true) {
                isset($on[$title]) => ['outcome' => 'same', 'note' => ['on_list' => 1]],
                $room-- <= 0 => ['outcome' => 'refused', 'note' => ['list_full' => ArrangeStaffLists::MOST_TITLES]],
                default => ['outcome' => 'ready', 'note' => []],
            };
        }

        return $rows;
    }

    public function do(Batch $batch, BatchRow $row, DateTimeImmutable $now): ?array
    {
        $list = $this->list($batch);
        $isNew = $list !== null && !isset($this->on($batch)[$row->title_id]);

        return $isNew && $this->arrange->add($list, (int) $row->title_id) ? ['list' => $list->id] : null;
    }

    public function undo(Batch $batch, BatchRow $row, DateTimeImmutable $now): ?string
    {
        $list = $this->list($batch);
        if ($list === null || !isset($this->on($batch)[$row->title_id])) {
            return 'meanwhile';
        }
        $this->arrange->takeOff($list, (int) $row->title_id);

        return null;
    }

    private function list(Batch $batch): ?StaffList
    {
        return StaffList::query()
            ->where('library_id', $batch->library_id)
            ->whereNull('words')
            ->find((int) $batch->facts['list']);
    }

    /** @return array<int, int> by title */
    private function on(Batch $batch): array
    {
        return array_flip(
            DB::table('staff_list_title')
                ->where('staff_list_id', (int) $batch->facts['list'])
                ->pluck('title_id')
                ->all(),
        );
    }
}
