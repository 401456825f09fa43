<?php

declare(strict_types=1);

namespace App\Desk\CardImport;

use App\Desk\Uploads\ReceiveUpload;
use App\Exchange\Csv\ReadCsv;
use App\Exchange\Csv\UnreadableCsv;
use App\Lending\LoanRules\PatronGroups;
use App\Models\CardImport;
use App\Models\Upload;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Reads a file of patrons and works out what taking it in would do; nothing of anybody's is changed yet. */
final class ReadCardImport implements ShouldQueue
{
    use Queueable;

    public const MOST_BYTES = 60_000_000;

    private const MOST_ROWS = 250_000;

    private const TOGETHER = 500;

    public int $tries = 3;

    public function __construct(private readonly int $importId, private readonly string $uploadId)
    {
        $this->onConnection('imports')->onQueue('imports');
    }

    public function handle(PatronGroups $groups): void
    {
        $import = CardImport::query()->with('library')->find($this->importId);
        $upload = Upload::query()->find($this->uploadId);
        if ($import === null || $upload === null || $import->stage !== 'reading') {
            return;
        }
        try {
            DB::transaction(fn() => $this->read($import, $upload->path(), $groups));
        } catch (UnreadableCsv $problem) {
            $import->update([
                'stage' => 'unreadable',
                'problem' => $problem->reason,
                'problem_facts' => $problem->facts,
            ]);
        }
        ReceiveUpload::forget($upload);
    }

    /** It broke each time. */
    public function failed(?Throwable $why): void
    {
        CardImport::query()
            ->whereKey($this->importId)
            ->update(['stage' => 'unreadable', 'problem' => 'broke']);
    }

    private function read(CardImport $import, string $path, PatronGroups $groups): void
    {
        if (filesize($path) > self::MOST_BYTES) {
            throw new UnreadableCsv('too_large');
        }
        $known = [];
        foreach ($groups->of($import->library_id) as $group) {
            $known[mb_strtolower($group)] = $group;
        }
        $columns = null;
        $unused = [];
        $rows = [];
        $count = 0;
        $now = CarbonImmutable::now();
        $comparison = new PatronComparison($import, $now);
        foreach (ReadCsv::rows($path) as $line => $cells) {
            if ($columns === null) {
                $columns = PatronColumns::of($cells);
                $unused = $columns->unused;

                continue;
            }
            if (++$count > self::MOST_ROWS) {
                throw new UnreadableCsv('too_many', ['most' => self::MOST_ROWS]);
            }
            $rows[] = PatronRow::of($line, $columns->read($cells), $known);
            if (count($rows) === self::TOGETHER) {
                $comparison->add($rows);
                $rows = [];
            }
        }
        if ($count === 0) {
            throw new UnreadableCsv('empty');
        }
        $comparison->add($rows);
        $comparison->leavers();
        $import->update([
            'stage' => 'read',
            'settings' => [...$import->settings, 'unused' => $unused],
        ]);
    }
}
