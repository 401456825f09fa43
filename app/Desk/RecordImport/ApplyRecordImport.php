<?php

declare(strict_types=1);

namespace App\Desk\RecordImport;

use App\Desk\Records\EditableTitles;
use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Exchange\Records\CompareRecords;
use App\Exchange\Records\ImportRecords;
use App\Lending\Licences\LicenceTerms;
use App\Models\RecordImport;
use App\Models\RecordImportRow;
use App\Models\Title;
use App\Shared\DatabaseFaults;
use App\Shared\OneAtATime;
use Carbon\CarbonImmutable;
use FigPorch\Core\Exchange\Marc\MarcXml;
use FigPorch\Core\Exchange\Marc\RecordOfMarc;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use PDOException;
use Throwable;

/**
 * Takes the chosen records of a file in, one at a time, each with its mark that it is done, so that one that was ended
 * from without goes on where it was. Each is compared once more: others may have changed the title meanwhile.
 */
final class ApplyRecordImport implements ShouldQueue
{
    use Queueable;

    /** Then others that wait have their turn, and this goes on after them. */
    private const SECONDS = 20;

    public int $tries = 20;

    public function __construct(private readonly int $importId)
    {
        $this->onConnection('imports')->onQueue('imports');
    }

    public function handle(CompareRecords $compare, ImportRecords $take, RecordChange $recordChange): void
    {
        // Were there two workers, a record would be taken in twice.
        OneAtATime::run(self::class . $this->importId, fn() => $this->goOn($compare, $take, $recordChange));
    }

    private function goOn(CompareRecords $compare, ImportRecords $take, RecordChange $recordChange): void
    {
        $import = RecordImport::query()
            ->with(['library', 'member'])
            ->find($this->importId);
        if ($import === null || $import->stage !== 'applying') {
            return;
        }
        $until = CarbonImmutable::now()->addSeconds(self::SECONDS);
        do {
            $row = $import->rows()->where('chosen', true)->where('done', false)->orderBy('id')->first();
            if ($row === null) {
                $this->end($import, $recordChange);

                return;
            }
            $this->tried($import, $row, $compare, $take);
        } while (CarbonImmutable::now() < $until);
        self::dispatch($this->importId);
    }

    /** What fails with one record is said beside it, and stops none of the others. */
    private function tried(
        RecordImport $import,
        RecordImportRow $row,
        CompareRecords $compare,
        ImportRecords $take,
    ): void {
        try {
            DB::transaction(fn() => $this->one($import, $row, $compare, $take));
        } catch (Throwable $fault) {
            if ($fault instanceof PDOException && DatabaseFaults::isPassing($fault)) {
                throw $fault;
            }
            report($fault);
            $row->refresh()->update(['outcome' => 'refused', 'chosen' => false, 'why' => RecordImportRow::BROKE]);
        }
    }

    private function one(RecordImport $import, RecordImportRow $row, CompareRecords $compare, ImportRecords $take): void
    {
        $record = RecordOfMarc::read(MarcXml::one((string) $row->marc));
        $like = $row->as_title ? Title::query()->find($row->title_id) : null;
        if ($row->as_title && $like === null) {
            $row->update(['outcome' => 'refused', 'chosen' => false, 'why' => 'that title is gone.']);

            return;
        }
        // Said to be the title that it is like, it is known by that title's number.
        $now = $compare->one(
            $row->number,
            $like === null ? $record : CompareRecords::asOf($like, $record),
            $import->library,
        );
        $isOthers =
            $now->outcome === 'changed' && EditableTitles::among($import->library_id, [(int) $now->titleId]) === [];
        if ($isOthers && array_intersect($now->fields, ReadRecordImport::ELSEWHERE) !== []) {
            $title = $take->takeElsewhere($now, $import->library, CarbonImmutable::now());
            $row->update(['done' => true, 'title_id' => $title->id, 'marc' => null]);

            return;
        }
        if ($now->outcome === 'refused' || $isOthers || ($now->outcome === 'doubtful' && $row->outcome === 'new')) {
            // Another has come in between that is it, or may be.
            $why = $isOthers ? RecordImportRow::OF_OTHERS : $now->why;
            $row->update(['outcome' => 'refused', 'chosen' => false, 'why' => $why, 'title_id' => $now->titleId]);

            return;
        }
        $title = $take->take(
            $now,
            $import->library,
            $import->terms === null ? null : LicenceTerms::parse($import->terms),
            CarbonImmutable::now(),
        );
        $row->update([
            'done' => true,
            'made' => in_array($now->outcome, ['new', 'doubtful'], true),
            'title_id' => $title->id,
            'marc' => null,
        ]);
    }

    private function end(RecordImport $import, RecordChange $recordChange): void
    {
        DB::transaction(function () use ($import, $recordChange): void {
            $now = CarbonImmutable::now();
            $count = fn(string $outcome): int => $import
                ->rows()
                ->where('done', true)
                ->where('outcome', $outcome)
                ->count();
            $facts = array_filter(
                [
                    'records_new' => [null, $count('new') + $count('doubtful')],
                    'records_changed' => [null, $count('changed')],
                ],
                fn(array $of): bool => $of[1] > 0,
            );
            $recordChange($import->member, ChangeKind::RecordsImported, $import->name, $facts, $now);
            $import->update(['stage' => 'applied', 'applied_at' => $now]);
        });
    }
}
