<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Catalogue\Records\RecordOfTitle;
use App\Desk\Records\EditRecord;
use App\Models\Batch;
use App\Models\BatchRow;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Desk\BatchAction;
use Illuminate\Support\Facades\DB;

/** Changes one field of each record: a subject more or less, or for whom it is. */
final class RecordWork implements BatchWork
{
    use TitlesAlone;

    public function __construct(private readonly EditRecord $edit) {}

    public function look(Batch $batch, array $titles, DateTimeImmutable $now): array
    {
        $rows = [];
        foreach (array_chunk($titles, 200) as $some) {
            foreach (Title::query()->findMany($some) as $title) {
                $is = RecordText::of($record = RecordOfTitle::of($title));
                $wanted = self::wanted($batch, $is);
                [, $wrong] = RecordText::with($record, $wanted);
                $rows[$title->id] = match (true) {
                    $wrong !== [] => ['outcome' => 'refused', 'note' => ['record' => $wrong[0]]],
                    array_diff_assoc($wanted, $is) === [] => ['outcome' => 'same', 'note' => ['is_so' => 1]],
                    default => ['outcome' => 'ready', 'note' => []],
                };
            }
        }

        return $rows;
    }

    public function do(Batch $batch, BatchRow $row, DateTimeImmutable $now): ?array
    {
        $title = Title::query()->findOrFail((int) $row->title_id);
        $is = RecordText::of($record = RecordOfTitle::of($title));
        $wanted = self::wanted($batch, $is);
        [, $wrong] = RecordText::with($record, $wanted);
        if ($wrong !== [] || array_diff_assoc($wanted, $is) === []) {
            return null;
        }
        $before = (int) DB::table('record_changes')->where('title_id', $title->id)->max('id');
        $crossed = ($this->edit)($batch->member, $title, array_intersect_key($is, $wanted), $wanted, $now);
        $change = DB::table('record_changes')
            ->where('title_id', $title->id)
            ->where('id', '>', $before)
            ->where('staff_member_id', $batch->staff_member_id)
            ->max('id');

        return $crossed === [] && $change !== null ? ['change' => (int) $change] : null;
    }

    public function undo(Batch $batch, BatchRow $row, DateTimeImmutable $now): ?string
    {
        $title = Title::query()->findOrFail((int) $row->title_id);

        return $this->edit->undo($batch->member, $title, (int) ($row->undo['change'] ?? 0), $now) ? null : 'meanwhile';
    }

    /**
     * @param  array<string, string>  $is  the record's fields
     * @return array<string, string> the one that changes, as it is to be
     */
    private static function wanted(Batch $batch, array $is): array
    {
        if ($batch->what === BatchAction::Audience) {
            return ['audience' => (string) $batch->facts['audience']];
        }
        $subject = (string) $batch->facts[$batch->what->value];
        $subjects = array_values(array_filter(explode("\n", $is['subjects']), fn(string $of): bool => $of !== ''));
        $has = fn(string $of): bool => mb_strtolower($of) === mb_strtolower($subject);
        $subjects = match (true) {
            $batch->what === BatchAction::RemoveSubject => array_filter($subjects, fn(string $of): bool => !$has($of)),
            array_filter($subjects, $has) === [] => [...$subjects, $subject],
            default => $subjects,
        };

        return ['subjects' => implode("\n", $subjects)];
    }
}
