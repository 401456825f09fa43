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
 * Takes the chosen records of a file in, some at a time, each with its mark that it is done, so that one that was ended
 * from without goes on where it was. Each is compared once more: others may have changed the title meanwhile.
 */
final class ApplyRecordImport implements ShouldQueue
{
    use Queueable;

    /** Then others that wait have their turn, and this goes on after them. */
    private const SECONDS = 20;

    private const TOGETHER = 50;

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
            $rows = $import
                ->rows()
                ->where('chosen', true)
                ->where('done', false)
                ->orderBy('id')
                ->limit(self::TOGETHER)
                ->get();
            if ($rows->isEmpty()) {
                $this->end($import, $recordChange);

                return;
            }
            $this->tried($import, array_values($rows->all()), $compare, $take);
        } while (CarbonImmutable::now() < $until);
        self::dispatch($this->importId);
    }

    /**
     * What fails with one record is said beside it, and stops none of the others: where some fail, each is taken alone.
     *
     * @param  list<RecordImportRow>  $rows
     */
    private function tried(RecordImport $import, array $rows, CompareRecords $compare, ImportRecords $take): void
    {
        try {
            DB::transaction(fn() => $this->together($import, $rows, $compare, $take));
        } catch (Throwable $fault) {
            if ($fault instanceof PDOException && DatabaseFaults::isPassing($fault)) {
                throw $fault;
            }
            if (count($rows) > 1) {
                foreach ($rows as $row) {
                    $this->tried($import, [$row->refresh()], $compare, $take);
                }

                return;
            }
            report($fault);
            $rows[0]->refresh()->update(['outcome' => 'refused', 'chosen' => false, 'why' => RecordImportRow::BROKE]);
        }
    }

    /** @param  list<RecordImportRow>  $rows */
    private function together(RecordImport $import, array $rows, CompareRecords $compare, ImportRecords $take): void
    {
        $records = $waiting = [];
        foreach ($rows as $row) {
            $like = $row->as_title ? Title::query()->find($row->title_id) : null;
            if ($row->as_title && $like === null) {
                $row->update(['outcome' => 'refused', 'chosen' => false, 'why' => RecordImportRow::GONE]);

                continue;
            }
            // Said to be the title that it is like, it is known by that title's number.
            $record = RecordOfMarc::read(MarcXml::one((string) $row->marc));
            $record = $like === null ? $record : CompareRecords::asOf($like, $record);
            // Two that are one title now have their turns.
            if (!isset($waiting[$record->key])) {
                $waiting[$record->key] = $row;
                $records[$row->number] = $record;
            }
        }
        $now = CarbonImmutable::now();
        $compared = $compare->alone($records, $import->library);
        $rows = array_combine(array_map(fn(RecordImportRow $of): int => $of->number, $waiting), $waiting);
        $wanted = [];
        foreach ($compared as $number => $of) {
            $isOthers =
                $of->outcome === 'changed' && EditableTitles::among($import->library_id, [(int) $of->titleId]) === [];
            if ($isOthers && array_intersect($of->fields, ReadRecordImport::ELSEWHERE) !== []) {
                $this->done($rows[$number], $take->takeElsewhere($of, $import->library, $now)->id, made: false);
            } elseif (
                $of->outcome === 'refused' ||
                $isOthers ||
                ($of->outcome === 'doubtful' && $rows[$number]->outcome === 'new')
            ) {
                // Another has come in between that is it, or may be.
                $why = $isOthers ? RecordImportRow::OF_OTHERS : $of->why?->written();
                $refused = ['outcome' => 'refused', 'chosen' => false, 'why' => $why, 'title_id' => $of->titleId];
                $rows[$number]->update($refused);
            } else {
                $wanted[] = $of;
            }
        }
        $terms = $import->terms === null ? null : LicenceTerms::parse($import->terms);
        $titles = $take->all($wanted, $import->library, $terms, $now);
        foreach ($wanted as $of) {
            $isMade = in_array($of->outcome, ['new', 'doubtful'], true);
            $this->done($rows[$of->number], $titles[$of->number], $isMade);
        }
    }

    private function done(RecordImportRow $row, int $titleId, bool $made): void
    {
        $row->update(['done' => true, 'made' => $made, 'title_id' => $titleId, 'marc' => null]);
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
