<?php

declare(strict_types=1);

namespace App\Desk\RecordImport;

use App\Models\RecordImport;
use App\Models\StaffMember;
use App\Models\Upload;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\OpenTo;
use Illuminate\Support\Facades\DB;

/** A file of records from being sent to being taken in: each step once, whoever asks for it at the same moment. */
final class TakeRecordFile
{
    private const LEFT_DAYS = 30;

    /** @param  string|null  $terms  of the licence that each title gets which the library has none of */
    /**
     * @param  OpenTo|null  $links  what has an address is a website, for these
     * @param  array<string, string>  $columns  of a table, ours by what they are called there
     */
    public function read(
        StaffMember $by,
        Upload $upload,
        ?string $terms,
        ?OpenTo $links,
        array $columns,
        CarbonImmutable $now,
    ): RecordImport {
        return DB::transaction(function () use ($by, $upload, $terms, $links, $columns, $now): RecordImport {
            // What was looked at and left so long will not be taken in any more.
            RecordImport::query()
                ->where('library_id', $by->library_id)
                ->whereIn('stage', ['read', 'unreadable'])
                ->where('asked_at', '<', $now->subDays(self::LEFT_DAYS))
                ->delete();
            $import = RecordImport::query()->create([
                'library_id' => $by->library_id,
                'staff_member_id' => $by->id,
                'name' => $upload->name,
                'terms' => $terms,
                'links' => $links,
                'columns' => $columns === [] ? null : $columns,
                'stage' => 'reading',
                'asked_at' => $now,
            ]);
            ReadRecordImport::dispatch($import->id, $upload->id);

            return $import;
        });
    }

    /**
     * @param  bool  $asTitle  a doubtful one is the title that it is like, and no other
     * @return bool false where it is being taken in already, or may not be
     */
    public function choose(RecordImport $import, int $row, bool $chosen, bool $asTitle): bool
    {
        return DB::transaction(function () use ($import, $row, $chosen, $asTitle): bool {
            $isRead = RecordImport::query()->whereKey($import->id)->where('stage', 'read')->lockForUpdate()->exists();

            return $isRead &&
                $import
                    ->rows()
                    ->whereKey($row)
                    ->whereIn('outcome', $asTitle ? ['doubtful'] : ['new', 'changed', 'doubtful'])
                    ->update(['chosen' => $chosen, 'as_title' => $asTitle]) === 1;
        });
    }

    /** @return bool false where somebody else has begun it */
    public function apply(RecordImport $import, StaffMember $by): bool
    {
        return DB::transaction(function () use ($import, $by): bool {
            $changed = RecordImport::query()
                ->whereKey($import->id)
                ->where('stage', 'read')
                ->update(['stage' => 'applying', 'staff_member_id' => $by->id]);
            $changed === 1 && ApplyRecordImport::dispatch($import->id);

            return $changed === 1;
        });
    }

    /** Nothing of it was taken in, and nothing will be. */
    public function discard(RecordImport $import): void
    {
        RecordImport::query()
            ->whereKey($import->id)
            ->whereIn('stage', ['read', 'unreadable'])
            ->delete();
    }
}
