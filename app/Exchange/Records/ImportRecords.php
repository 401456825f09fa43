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
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Exchange\RecordFault;
use FigPorch\Core\Exchange\UnreadableRecord;
use Generator;
use Illuminate\Support\Facades\DB;
use PDOException;
use Throwable;

/**
 * Takes the records of a file into the catalogue, some hundred in a transaction, and where one of them fails each in
 * one of its own. Ended in the middle and begun again, those that were taken in are unchanged then, and nothing is done
 * twice.
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
        $isWanted = fn(ComparedRecord $of): bool => in_array(
            $of->outcome,
            ['new', 'changed', ...$doubtful ? ['doubtful'] : []],
            true,
        ) ||
            ($of->outcome === 'unchanged' && $terms !== null);
        $some = [];
        foreach (($this->compare)($path, $library, $columns, $webFor) as $of) {
            $some[] = $of;
            if (count($some) === CompareRecords::AT_ONCE) {
                yield from $this->some($some, $isWanted, $library, $terms);
                $some = [];
            }
        }
        yield from $this->some($some, $isWanted, $library, $terms);
    }

    /**
     * @param  list<ComparedRecord>  $some
     * @param  callable(ComparedRecord): bool  $isWanted
     * @return list<ComparedRecord>
     */
    private function some(array $some, callable $isWanted, Library $library, ?LicenceTerms $terms): array
    {
        $failed = $this->fault(array_values(array_filter($some, $isWanted)), $library, $terms) !== null;

        return $failed
            ? array_map(
                fn(ComparedRecord $of): ComparedRecord => $isWanted($of) ? $this->tried($of, $library, $terms) : $of,
                $some,
            )
            : $some;
    }

    /** What fails with one record stops none of the others. */
    private function tried(ComparedRecord $of, Library $library, ?LicenceTerms $terms): ComparedRecord
    {
        $fault = $this->fault([$of], $library, $terms);
        if ($fault === null) {
            return $of;
        }
        report($fault);

        return new ComparedRecord(
            $of->number,
            'refused',
            $of->record,
            why: new RecordFault('it could not be taken in.'),
        );
    }

    /**
     * Takes them in, or says why not; without the database all wait.
     *
     * @param  list<ComparedRecord>  $some
     */
    private function fault(array $some, Library $library, ?LicenceTerms $terms): ?Throwable
    {
        try {
            $this->all($some, $library, $terms, CarbonImmutable::now());

            return null;
        } catch (Throwable $fault) {
            if ($fault instanceof PDOException && DatabaseFaults::isPassing($fault)) {
                throw $fault;
            }

            return $fault;
        }
    }

    /**
     * Some of them together, whatever they were compared to; licensed where the library has none.
     *
     * @param  list<ComparedRecord>  $some
     * @return array<int, int> their titles, by number
     */
    public function all(array $some, Library $library, ?LicenceTerms $terms, CarbonImmutable $now): array
    {
        return $some === []
            ? []
            : DB::transaction(function () use ($some, $library, $terms, $now): array {
                $titles = $this->save($some, $now);
                $elsewhere = [];
                foreach ($some as $of) {
                    $id = $titles[$of->number];
                    if ($of->record?->format->isLent() === false) {
                        $elsewhere[$id] = $of->record;
                    } elseif ($terms !== null) {
                        $this->licensed($of->record, $library, $id, $terms, $now);
                    }
                }
                $this->keepElsewhere->asRecordsSay($library->id, $elsewhere, $now);

                return $titles;
            });
    }

    /** For the price that the record says, in the library's own money; from when on it is to be had. */
    private function licensed(
        ?Record $record,
        Library $library,
        int $titleId,
        LicenceTerms $terms,
        CarbonImmutable $now,
    ): void {
        foreach ($record->prices ?? [] as $price) {
            $terms = $price->currency === $library->currency ? $terms->priced($price->cents) : $terms;
        }
        $from =
            $record?->availableFrom === null ? null : CarbonImmutable::parse($record->availableFrom, $library->zone());
        ($this->license)($library->id, $titleId, $terms, $now, $from > $now ? $from : null);
    }

    /** Only where the library has it, on paper or on the web: the record of the title is others'. */
    public function takeElsewhere(ComparedRecord $of, Library $library, CarbonImmutable $now): Title
    {
        $title = Title::query()->findOrFail($of->titleId);
        $of->record === null || $this->keepElsewhere->asRecordsSay($library->id, [$title->id => $of->record], $now);

        return $title;
    }

    /**
     * @param  list<ComparedRecord>  $some
     * @return array<int, int> their titles, by number
     */
    private function save(array $some, CarbonImmutable $now): array
    {
        $changed = array_filter($some, fn(ComparedRecord $of): bool => $of->outcome === 'changed');
        $known = Title::query()
            ->with(['publication', 'contributors', 'subjects', 'series'])
            ->findMany(array_map(fn(ComparedRecord $of): int => (int) $of->titleId, $changed))
            ->keyBy('id');
        $titles = $records = [];
        foreach ($some as $of) {
            $record = $of->record ?? throw new UnreadableRecord('there is no record.');
            if ($of->outcome === 'unchanged') {
                $titles[$of->number] = (int) $of->titleId;

                continue;
            }
            $title = $of->outcome === 'changed' ? $known[$of->titleId] ?? null : null;
            // How long it is, its file has said; the record says the rest.
            $records[$of->number] =
                $title?->publication === null
                    ? $record
                    : RecordText::with(RecordOfTitle::of($title), RecordText::of($record))[0];
        }
        $ids = $this->saveRecord->all(array_values($records), $now);

        return $titles + array_map(fn(Record $of): int => $ids[$of->key], $records);
    }
}
