<?php

declare(strict_types=1);

namespace App\Desk\RecordImport;

use App\Desk\Records\EditableTitles;
use App\Desk\Uploads\ReceiveUpload;
use App\Exchange\Records\ComparedRecord;
use App\Exchange\Records\CompareRecords;
use App\Models\RecordImport;
use App\Models\RecordImportRow;
use App\Models\Upload;
use DateTimeImmutable;
use FigPorch\Core\Exchange\Marc\MarcOfRecord;
use FigPorch\Core\Exchange\Marc\MarcXml;
use FigPorch\Core\Exchange\UnreadableRecord;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Reads a file of records and works out what taking it in would do; nothing in the catalogue is changed yet. */
final class ReadRecordImport implements ShouldQueue
{
    use Queueable;

    /** Fields that are a library's own, whoever's the record is. */
    public const ELSEWHERE = ['holdings', 'links'];

    private const TOGETHER = 200;

    public int $tries = 3;

    public function __construct(private readonly int $importId, private readonly string $uploadId)
    {
        $this->onConnection('imports')->onQueue('imports');
    }

    public function handle(CompareRecords $compare): void
    {
        $import = RecordImport::query()->find($this->importId);
        $upload = Upload::query()->find($this->uploadId);
        if ($import === null || $upload === null || $import->stage !== 'reading') {
            return;
        }
        try {
            DB::transaction(function () use ($import, $upload, $compare): void {
                $some = [];
                foreach ($compare($upload->path(), $import->library, $import->columns ?? [], $import->links) as $of) {
                    $some[] = $of;
                    if (count($some) === self::TOGETHER) {
                        $this->keep($import, $some);
                        $some = [];
                    }
                }
                $this->keep($import, $some);
                $import->update(['stage' => 'read']);
            });
        } catch (UnreadableRecord $problem) {
            $import->update(['stage' => 'unreadable', 'problem' => $problem->fault->written()]);
        }
        ReceiveUpload::forget($upload);
    }

    /** It broke each time. */
    public function failed(?Throwable $why): void
    {
        RecordImport::query()
            ->whereKey($this->importId)
            ->update(['stage' => 'unreadable', 'problem' => null]);
    }

    /** @param  list<ComparedRecord>  $some */
    private function keep(RecordImport $import, array $some): void
    {
        $changed = array_filter($some, fn(ComparedRecord $of): bool => $of->outcome === 'changed');
        $own = EditableTitles::among(
            $import->library_id,
            array_values(array_map(fn(ComparedRecord $of): int => (int) $of->titleId, $changed)),
        );
        DB::table('record_import_rows')->insert(
            array_map(function (ComparedRecord $of) use ($import, $own): array {
                $isTheirs = $of->outcome === 'changed' && !in_array($of->titleId, $own, true);
                $fields = $isTheirs ? array_values(array_intersect($of->fields, self::ELSEWHERE)) : $of->fields;
                $isOthers = $isTheirs && $fields === [];
                $isKept = !$isOthers && in_array($of->outcome, ['new', 'changed', 'doubtful'], true);

                return [
                    'record_import_id' => $import->id,
                    'number' => $of->number,
                    'outcome' => $isOthers ? 'refused' : $of->outcome,
                    'name' => $of->record?->name,
                    'title_id' => $of->titleId,
                    'fields' => $fields === [] ? null : json_encode($fields, JSON_THROW_ON_ERROR),
                    'why' => $isOthers ? RecordImportRow::OF_OTHERS : $of->why?->written(),
                    'marc' =>
                        $isKept && $of->record !== null
                            ? MarcXml::write(MarcOfRecord::of($of->record, '0', null, new DateTimeImmutable()))
                            : null,
                    // What may be another is taken in only if somebody says so.
                    'chosen' => $isKept && $of->outcome !== 'doubtful',
                ];
            }, $some),
        );
    }
}
