<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Models\FileImport;
use App\Models\StaffMember;
use App\Models\Title;
use App\Models\Upload;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Files that were sent are taken in one after the other, in the background. */
final class TakeFiles
{
    /**
     * @param  list<Upload>  $uploads
     * @param  string|null  $terms  of the licence that each gets; null for none yet
     * @param  string|null  $audience  where a file does not say
     * @param  Title|null  $for  whose file it is, and no title of its own
     */
    public function __invoke(
        StaffMember $by,
        array $uploads,
        ?string $terms,
        ?string $audience,
        CarbonImmutable $now,
        ?Title $for = null,
    ): void {
        DB::transaction(function () use ($by, $uploads, $terms, $audience, $now, $for): void {
            foreach ($uploads as $upload) {
                // The form was sent twice.
                if (FileImport::query()->where('upload_id', $upload->id)->exists()) {
                    continue;
                }
                $import = FileImport::query()->create([
                    'library_id' => $by->library_id,
                    'staff_member_id' => $by->id,
                    'upload_id' => $upload->id,
                    'name' => $upload->name,
                    'terms' => $terms,
                    'audience' => $audience,
                    'for_title_id' => $for?->id,
                    'state' => 'waiting',
                    'asked_at' => $now,
                ]);
                ImportUploaded::dispatch($import->id);
            }
        });
    }

    public function putAway(FileImport $file): void
    {
        FileImport::query()
            ->whereKey($file->id)
            ->where('state', 'refused')
            ->update(['put_away' => true]);
    }
}
