<?php

declare(strict_types=1);

namespace App\Exchange\Records;

use App\Catalogue\Records\ArrangeEntries;
use App\Catalogue\Records\RecordOfTitle;
use App\Catalogue\Records\SaveRecord;
use App\Models\Library;
use App\Models\Title;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Exchange\Onix\OnixUpdate;
use FigPorch\Core\Exchange\RecordFault;
use FigPorch\Core\Exchange\UnreadableRecord;
use Generator;
use Illuminate\Support\Facades\DB;

/**
 * What the records of a file would do to the catalogue, each by itself: new, changed (in which fields), unchanged,
 * doubtful or refused. Nothing is written.
 */
final class CompareRecords
{
    public const AT_ONCE = 200;

    public function __construct(
        private readonly RecordFile $file,
        private readonly ArrangeEntries $entries,
        private readonly SaveRecord $saveRecord,
    ) {}

    /**
     * @param  Library  $library  whose copies on paper and websites it tells of
     * @param  array<string, string>  $columns  of a table, what they are called there
     * @param  OpenTo|null  $webFor  what has an address is a website, for these
     * @return Generator<ComparedRecord> in the order of the file
     *
     * @throws UnreadableRecord where it is no file of records
     */
    public function __invoke(string $path, Library $library, array $columns = [], ?OpenTo $webFor = null): Generator
    {
        $some = $seen = $works = [];
        foreach ($this->file->read($path, $columns, $webFor) as $number => $read) {
            $some[$number] = $this->once($number, $read, $seen);
            if (count($some) === self::AT_ONCE) {
                yield from $this->compared($some, $library, $works);
                $some = [];
            }
        }
        yield from $this->compared($some, $library, $works);
    }

    /** A record as that of a title which is known by another number: what it does not say stays. */
    public static function asOf(Title $title, Record $record): Record
    {
        $says = array_filter(RecordText::of($record), fn(string $text): bool => $text !== '');
        unset($says['identifiers']);

        return RecordText::with(RecordOfTitle::of($title), $says)[0]->at($record->holdings, $record->links);
    }

    /**
     * Some by themselves, as they stand now; nobody else brings or changes them until the end of the transaction.
     *
     * @param  array<int, Record>  $records  by number, each of another key
     * @return array<int, ComparedRecord> by number
     */
    public function alone(array $records, Library $library): array
    {
        $this->saveRecord->alone(...array_values(array_map(fn(Record $of): string => $of->key, $records)));
        $compared = $works = [];
        foreach ($this->compared($records, $library, $works) as $of) {
            $compared[$of->number] = $of;
        }

        return $compared;
    }

    /** @param  array<string, int>  $seen  numbers of records by key */
    private function once(
        int $number,
        Record|OnixUpdate|RecordFault $read,
        array &$seen,
    ): Record|OnixUpdate|ComparedRecord {
        if ($read instanceof RecordFault) {
            return new ComparedRecord($number, 'refused', why: $read);
        }
        $before = $seen[$read->key] ?? null;
        $seen[$read->key] ??= $number;

        return $before === null
            ? $read
            : new ComparedRecord(
                $number,
                'refused',
                $read instanceof Record ? $read : null,
                why: new RecordFault('“:name” is in this file already, as record :number.', [
                    'name' => $read instanceof Record ? $read->name : $read->key,
                    'number' => $before,
                ]),
            );
    }

    /**
     * @param  array<int, Record|OnixUpdate|ComparedRecord>  $some
     * @param  array<string, int>  $works  numbers of new records by work and format
     * @return Generator<ComparedRecord>
     */
    private function compared(array $some, Library $library, array &$works): Generator
    {
        $keys = array_map(
            fn(Record|OnixUpdate|ComparedRecord $of): string => $of instanceof ComparedRecord ? '' : $of->key,
            $some,
        );
        $known = Title::query()
            ->with(['contributors', 'subjects', 'series', 'publication'])
            ->whereIn('record_key', array_filter($keys, fn(string $key): bool => $key !== ''))
            ->get()
            ->keyBy('record_key');
        $some = array_map(
            fn(Record|OnixUpdate|ComparedRecord $of, int $number): Record|ComparedRecord => $of instanceof OnixUpdate
                ? self::updated($number, $of, $known[$of->key] ?? null)
                : $of,
            $some,
            $numbers = array_keys($some),
        );
        $some = array_combine($numbers, $some);
        $records = array_filter($some, fn(Record|ComparedRecord $of): bool => $of instanceof Record);
        $records = array_combine(array_keys($records), $this->entries->understood(array_values($records)));
        $some = array_replace($some, $records);
        $elsewhere = ElsewhereAtLibrary::of($library, $known);
        $alike = $this->alike(array_filter($records, fn(Record $of): bool => !isset($known[$of->key])));
        foreach ($some as $number => $of) {
            $of =
                $of instanceof ComparedRecord
                    ? $of
                    : $this->beside($number, $of, $known[$of->key] ?? null, $alike[$number] ?? null, $elsewhere);
            yield $of->outcome === 'new' ? self::besideOthers($of, $works) : $of;
        }
    }

    /**
     * One that is new, beside the others of the file.
     *
     * @param  array<string, int>  $works
     */
    private static function besideOthers(ComparedRecord $new, array &$works): ComparedRecord
    {
        $record = $new->record ?? throw new UnreadableRecord('there is no record.');
        $work = hash('xxh128', "{$record->format->value} {$record->workKey()}");
        $before = $works[$work] ?? null;
        $works[$work] ??= $new->number;

        return $before === null
            ? $new
            : new ComparedRecord(
                $new->number,
                'doubtful',
                $record,
                why: new RecordFault('“:name” may be record :number of this file, which has another number.', [
                    'name' => $record->name,
                    'number' => $before,
                ]),
            );
    }

    /** The record of a title with the part of it that a publisher changes. */
    private static function updated(int $number, OnixUpdate $update, ?Title $title): Record|ComparedRecord
    {
        return $title === null
            ? new ComparedRecord(
                $number,
                'refused',
                why: new RecordFault(
                    'it changes a part of a title that is not here (:key). Ask for its whole record.',
                    [
                        'key' => $update->key,
                    ],
                ),
            )
            : RecordText::with(RecordOfTitle::of($title), $update->texts)[0]->supplied(
                $update->prices,
                $update->availableFrom,
            );
    }

    private function beside(
        int $number,
        Record $record,
        ?Title $title,
        ?int $alike,
        ElsewhereAtLibrary $elsewhere,
    ): ComparedRecord {
        if ($title === null) {
            return $alike === null
                ? new ComparedRecord($number, 'new', $record)
                : new ComparedRecord(
                    $number,
                    'doubtful',
                    $record,
                    why: new RecordFault('“:name” may be title :title, which has another number.', [
                        'name' => $record->name,
                        'title' => $alike,
                    ]),
                    titleId: $alike,
                );
        }
        if ($title->format !== $record->format) {
            return new ComparedRecord(
                $number,
                'refused',
                $record,
                why: new RecordFault('“:name” has the number of title :title, which is of another format.', [
                    'name' => $record->name,
                    'title' => $title->id,
                ]),
                titleId: $title->id,
            );
        }
        $is = self::texts(RecordOfTitle::of($title));
        $wanted = self::texts($record);
        // Where staff have had their word it stands, whatever comes.
        $changed = array_values(array_diff(array_keys(array_diff_assoc($wanted, $is)), $title->edited_fields ?? []));
        // A file that has come knows better how long it is.
        if ($title->publication === null && $title->extent !== $record->extent) {
            $changed[] = 'extent';
        }
        array_push($changed, ...$elsewhere->changed($title, $record));

        return new ComparedRecord(
            $number,
            $changed === [] ? 'unchanged' : 'changed',
            $record,
            $changed,
            titleId: $title->id,
        );
    }

    /**
     * What can be another: subjects have no order, and how a person sorts is said by the entry, for all titles.
     *
     * @return array<string, string> by field of RecordText
     */
    private static function texts(Record $record): array
    {
        $subjects = $record->subjects;
        sort($subjects);

        return [
            ...RecordText::of($record),
            'contributors' => implode(
                "\n",
                array_map(fn(array $of): string => "{$of['role']} {$of['name']}", $record->contributors),
            ),
            'subjects' => implode("\n", $subjects),
        ];
    }

    /**
     * @param  array<int, Record>  $records  that are not known
     * @return array<int, int> by number, a title of the same work in the same format
     */
    private function alike(array $records): array
    {
        if ($records === []) {
            return [];
        }
        $rows = DB::table('works')
            ->join('titles', 'titles.work_id', '=', 'works.id')
            ->whereIn('match_key', array_map(fn(Record $of): string => $of->workKey(), $records))
            ->orderBy('titles.id')
            ->get(['match_key', 'format', 'titles.id']);
        $titles = [];
        foreach ($rows as $row) {
            $titles["{$row->format} {$row->match_key}"] ??= $row->id;
        }

        return array_filter(
            array_map(fn(Record $of): ?int => $titles["{$of->format->value} {$of->workKey()}"] ?? null, $records),
            fn(?int $id): bool => $id !== null,
        );
    }
}
