<?php

declare(strict_types=1);

namespace App\Exchange\Records;

use App\Catalogue\Records\RecordOfTitle;
use App\Catalogue\Records\SaveRecord;
use App\Lending\Holdings\KeepElsewhere;
use App\Lending\Licences\LicenceTerms;
use App\Lending\Licences\LicenseWhereNone;
use App\Models\Library;
use App\Models\Title;
use App\Shared\DatabaseFaults;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Exchange\UnreadableRecord;
use Generator;
use Illuminate\Support\Facades\DB;
use PDOException;
use Throwable;

/**
 * Takes the records of a file into the catalogue, each in a transaction of its own: ended in the middle and begun
 * again, those that were taken in are unchanged then, and nothing is done twice.
 */
final class ImportRecords
{
    public function __construct(
        private readonly CompareRecords $compare,
        private readonly SaveRecord $saveRecord,
        private readonly LicenseWhereNone $license,
        private readonly KeepElsewhere $keepElsewhere,
    ) {}

    /**
     * @param  LicenceTerms|null  $terms  a licence for each title that the library has none of
     * @param  bool  $doubtful  also those that may be a title that is there: each as a title of its own
     * @param  array<string, string>  $columns  of a table, what they are called there
     * @param  OpenTo|null  $webFor  what has an address is a website, for these
     * @return Generator<ComparedRecord> each as it was before, after it is taken in
     *
     * @throws UnreadableRecord where it is no file of records
     */
    public function __invoke(
        string $path,
        Library $library,
        ?LicenceTerms $terms,
        bool $doubtful,
        array $columns = [],
        ?OpenTo $webFor = null,
    ): Generator {
        foreach (($this->compare)($path, $library, $columns, $webFor) as $of) {
            if (
                in_array($of->outcome, ['new', 'changed', ...$doubtful ? ['doubtful'] : []], true) ||
                ($of->outcome === 'unchanged' && $terms !== null)
            ) {
                $of = $this->tried($of, $library, $terms);
            }
            yield $of;
        }
    }

    /** What fails with one record stops none of the others; without the database all wait. */
    private function tried(ComparedRecord $of, Library $library, ?LicenceTerms $terms): ComparedRecord
    {
        try {
            $this->take($of, $library, $terms, CarbonImmutable::now());

            return $of;
        } catch (Throwable $fault) {
            if ($fault instanceof PDOException && DatabaseFaults::isPassing($fault)) {
                throw $fault;
            }
            report($fault);

            return new ComparedRecord($of->number, 'refused', $of->record, why: 'it could not be taken in.');
        }
    }

    /** One of them, whatever it was compared to; licensed where the library has none. */
    public function take(ComparedRecord $of, Library $library, ?LicenceTerms $terms, CarbonImmutable $now): Title
    {
        return DB::transaction(function () use ($of, $library, $terms, $now): Title {
            $title = $of->outcome === 'unchanged' ? Title::query()->findOrFail($of->titleId) : $this->save($of, $now);
            if ($terms !== null && $title->format->isLent()) {
                ($this->license)($library->id, $title->id, $terms, $now);
            }
            $this->keep($of, $title, $library, $now);

            return $title;
        });
    }

    /** Only where the library has it, on paper or on the web: the record of the title is others'. */
    public function takeElsewhere(ComparedRecord $of, Library $library, CarbonImmutable $now): Title
    {
        return DB::transaction(function () use ($of, $library, $now): Title {
            $title = Title::query()->findOrFail($of->titleId);
            $this->keep($of, $title, $library, $now);

            return $title;
        });
    }

    private function keep(ComparedRecord $of, Title $title, Library $library, CarbonImmutable $now): void
    {
        $this->keepElsewhere->asRecordSays(
            libraryId: $library->id,
            title: $title,
            holdings: $of->record->holdings ?? [],
            links: $of->record->links ?? [],
            now: $now,
        );
    }

    private function save(ComparedRecord $of, CarbonImmutable $now): Title
    {
        $record = $of->record ?? throw new UnreadableRecord('there is no record.');
        $title = $of->outcome === 'changed' ? Title::query()->with('publication')->find($of->titleId) : null;
        if ($title?->publication !== null) {
            // How long it is, its file has said; the record says the rest.
            [$record] = RecordText::with(RecordOfTitle::of($title), RecordText::of($record));
        }

        return ($this->saveRecord)($record, $now);
    }
}
