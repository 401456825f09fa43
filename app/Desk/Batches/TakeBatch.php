<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Models\Batch;
use App\Models\BatchRow;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use FigPorch\Core\Desk\BatchAction;
use Illuminate\Support\Facades\DB;

/** A batch from being looked at to being undone: each step once, whoever asks for it at the same moment. */
final class TakeBatch
{
    public function __construct(private readonly BatchWorks $works) {}

    /**
     * @param  array<string, mixed>  $facts
     * @param  string  $chosen  how the titles were chosen, in words
     * @param  list<int>  $titles
     * @param  list<string>  $unknown  lines that name none
     */
    public function look(
        StaffMember $by,
        BatchAction $what,
        array $facts,
        string $chosen,
        array $titles,
        array $unknown,
        CarbonImmutable $now,
    ): Batch {
        return DB::transaction(function () use ($by, $what, $facts, $chosen, $titles, $unknown, $now): Batch {
            $batch = Batch::query()->create([
                'library_id' => $by->library_id,
                'staff_member_id' => $by->id,
                'what' => $what,
                'facts' => $facts,
                'chosen' => mb_substr($chosen, 0, 300),
                'stage' => 'looked',
                'asked_at' => $now,
            ]);
            $outcomes = $this->works->of($what)->look($batch, $titles, $now);
            $rows = [];
            foreach ($titles as $title) {
                $of = $outcomes[$title] ?? null;
                $of === null || ($rows[] = self::row($batch, $title, null, $of['outcome'], $of['note']));
            }
            foreach ($unknown as $line) {
                $rows[] = self::row($batch, null, $line, 'refused', ['unknown' => 1]);
            }
            foreach (array_chunk($rows, 500) as $some) {
                BatchRow::query()->insert($some);
            }

            return $batch;
        });
    }

    /** @return bool false where somebody else has begun it */
    public function apply(Batch $batch, StaffMember $by): bool
    {
        return $this->step($batch, 'looked', 'applying', $by);
    }

    /** @return bool false where somebody else has begun it */
    public function undo(Batch $batch, StaffMember $by): bool
    {
        return $this->step($batch, 'applied', 'undoing', $by);
    }

    /** Nothing of it was done, and nothing will be. */
    public function discard(Batch $batch): void
    {
        Batch::query()->whereKey($batch->id)->where('stage', 'looked')->delete();
    }

    private function step(Batch $batch, string $from, string $to, StaffMember $by): bool
    {
        return DB::transaction(function () use ($batch, $from, $to, $by): bool {
            $changed = Batch::query()
                ->whereKey($batch->id)
                ->where('stage', $from)
                ->update(['stage' => $to, 'staff_member_id' => $by->id]);
            $changed === 1 && WorkThroughBatch::dispatch($batch->id);

            return $changed === 1;
        });
    }

    /**
     * @param  array<string, int|string>  $note
     * @return array<string, mixed>
     */
    private static function row(Batch $batch, ?int $title, ?string $given, string $outcome, array $note): array
    {
        return [
            'batch_id' => $batch->id,
            'title_id' => $title,
            'given' => $given,
            'outcome' => $outcome,
            'note' => $note === [] ? null : json_encode($note, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
        ];
    }
}
