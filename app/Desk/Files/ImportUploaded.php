<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Desk\Uploads\ReceiveUpload;
use App\Lending\Licences\LicenceTerms;
use App\Models\FileImport;
use App\Reading\Publications\ImportApart;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Takes one file in that was sent. A worker that is ended from without begins it again: the same file is one title. */
final class ImportUploaded implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public function __construct(private readonly int $importId)
    {
        $this->onConnection('imports')->onQueue('imports');
    }

    public function handle(ImportApart $importApart, RecordChange $recordChange): void
    {
        $import = FileImport::query()
            ->with(['upload', 'library', 'member'])
            ->find($this->importId);
        if ($import === null || $import->ended_at !== null || $import->upload === null) {
            return;
        }
        $import->update(['state' => 'at_work']);
        $done = $importApart(
            file: $import->upload->path(),
            library: $import->library->slug,
            terms: $import->terms,
            audience: $import->audience,
            ownOnly: true,
            of: $import->for_title_id,
        );
        DB::transaction(function () use ($import, $done, $recordChange): void {
            $now = CarbonImmutable::now();
            $import->update([
                'state' => ['taken in' => 'taken_in', 'known already' => 'known'][$done->outcome] ?? 'refused',
                'words' => $done->titleId === null ? $done->words : null,
                'title_id' => $done->titleId,
                'ended_at' => $now,
            ]);
            if ($done->titleId !== null) {
                $import->member->goTo($import->library_id);
                $terms = $import->terms === null ? null : LicenceTerms::parse($import->terms);
                $facts = array_filter(
                    [
                        'file' => [null, $import->name],
                        'licence' => [null, $terms?->model->value],
                        'copies' => [null, $terms?->copies],
                        'price' => [null, $terms === null ? null : sprintf('%.2F', $terms->priceCents / 100)],
                    ],
                    fn(array $of): bool => $of[1] !== null,
                );
                $recordChange($import->member, ChangeKind::FileTakenIn, $done->words, $facts, $now);
            }
            ReceiveUpload::forget($import->upload ?? throw new \LogicException('It was there a moment ago.'));
        });
    }

    /** It broke each time: its file is not kept. */
    public function failed(?Throwable $why): void
    {
        $import = FileImport::query()->with('upload')->find($this->importId);
        $import?->update([
            'state' => 'refused',
            'words' => 'an error of this program stopped it; storage/logs tells more',
            'ended_at' => CarbonImmutable::now(),
        ]);
        $import?->upload !== null && ReceiveUpload::forget($import->upload);
    }
}
