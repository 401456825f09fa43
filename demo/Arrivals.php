<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Models\Library;
use App\Models\Title;
use App\Reading\Publications\ImportPublication;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Titles of the demo that begin on order: their files are made and come in one by one, what is wanted most first, as
 * long as the queue is at work.
 */
final class Arrivals
{
    /** So many stay on order, for whoever wants to see how that is. */
    public const STAY = 8;

    private readonly FilesOfRecords $files;

    public function __construct(private readonly ImportPublication $import)
    {
        $this->files = new FilesOfRecords(dirname(storage_path()) . '/demo');
    }

    /** Whether there was one to bring. */
    public function next(): bool
    {
        $waiting = DB::select(
            "select t.id from titles t join search_rows s on s.title_id = t.id
                where t.record_key like 'demo:%' and exists (select from licences li where li.title_id = t.id
                    and li.file_came_at is null)
                order by (select count(*) from holds h where h.title_id = t.id and h.closed_at is null) desc,
                    s.times_borrowed desc, t.id limit ?",
            [self::STAY + 1],
        );
        if (count($waiting) <= self::STAY) {
            return false;
        }
        $this->bring(Title::query()->whereKey($waiting[0]->id)->firstOrFail());

        return true;
    }

    public function bring(Title $title): void
    {
        $library = Library::query()
            ->whereKey($title->licences()->orderBy('id')->value('library_id'))
            ->firstOrFail();
        ($this->import)($this->files->of($title), $library, null, CarbonImmutable::now(), of: $title);
    }
}
