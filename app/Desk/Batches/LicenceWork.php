<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Desk\Titles\ChangeLicences;
use App\Desk\Titles\LicenceForm;
use App\Lending\Licences\RemoveUnusedLicence;
use App\Models\Batch;
use App\Models\BatchRow;
use App\Models\Title;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** A licence for each. Undone, those that nobody has borrowed or waits with are gone as if they had never been. */
final class LicenceWork implements BatchWork
{
    use TitlesAlone;

    public function __construct(
        private readonly ChangeLicences $change,
        private readonly RemoveUnusedLicence $remove,
    ) {}

    public function look(Batch $batch, array $titles, DateTimeImmutable $now): array
    {
        $has = DB::table('licences')
            ->where('library_id', $batch->library_id)
            ->whereIn('title_id', $titles)
            ->where(fn($of) => $of->whereNull('ends_at')->orWhere('ends_at', '>', Sql::second($now)))
            ->selectRaw('title_id, count(*) n')
            ->groupBy('title_id')
            ->pluck('n', 'title_id')
            ->all();
        $lent = Title::query()->whereIn('id', $titles)->whereIn('format', Format::lent())->pluck('id', 'id')->all();
        $rows = [];
        foreach ($titles as $title) {
            if (!isset($lent[$title])) {
                $rows[$title] = ['outcome' => 'refused', 'note' => ['not_lent' => 1]];

                continue;
            }
            $rows[$title] = [
                'outcome' => 'ready',
                'note' => isset($has[$title]) ? ['licences' => (int) $has[$title]] : [],
            ];
        }

        return $rows;
    }

    public function do(Batch $batch, BatchRow $row, DateTimeImmutable $now): array
    {
        $id = (string) Str::uuid();
        ($this->change)(
            $batch->member,
            LicenceForm::order($batch->facts, $id, (int) $row->title_id, $batch->library, $now),
            $now,
        );

        return ['licence' => DB::table('licence_changes')->where('order_id', $id)->value('licence_id')];
    }

    public function undo(Batch $batch, BatchRow $row, DateTimeImmutable $now): ?string
    {
        return ($this->remove)((int) ($row->undo['licence'] ?? 0)) ? null : 'in_use';
    }
}
