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
use FigPorch\Core\Exchange\UnreadableRecord;
use Generator;
use Illuminate\Support\Facades\DB;

/**
 * What the records of a file would do to the catalogue, each by itself: new, changed (in which fields), unchanged,
 * doubtful or refused. Nothing is written.
 */
final class CompareRecords
{
    private const AT_ONCE = 200;

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
        $some = [];
        $seen = [];
        foreach ($this->file->read($path, $columns, $webFor) as $number => $read) {
            $some[$number] = $this->understood($number, $read, $seen);
            if (count($some) === self::AT_ONCE) {
                yield from $this->compared($some, $library);
                $some = [];
            }
        }
        yield from $this->compared($some, $library);
    }

    /** A record as that of a title which is known by another number: what it does not say stays. */
    public static function asOf(Title $title, Record $record): Record
    {
        $says = array_filter(RecordText::of($record), fn(string $text): bool => $text !== '');
        unset($says['identifiers']);

        return RecordText::with(RecordOfTitle::of($title), $says)[0]->at($record->holdings, $record->links);
    }

    /** One by itself, as it stands now; nobody else brings or changes it until the end of the transaction. */
    public function one(int $number, Record $record, Library $library): ComparedRecord
    {
        $this->saveRecord->alone($record->key);
        foreach ($this->compared([$number => $this->entries->understood($record)], $library) as $of) {
            return $of;
        }
        throw new UnreadableRecord('there is no record.');
    }

    /** @param  array<string, int>  $seen  numbers of records by key */
    private function understood(int $number, Record|string $read, array &$seen): Record|ComparedRecord
    {
        if (is_string($read)) {
            return new ComparedRecord($number, 'refused', why: $read);
        }
        $record = $this->entries->understood($read);
        $before = $seen[$record->key] ?? null;
        $seen[$record->key] ??= $number;

        return $before === null
            ? $record
            : new ComparedRecord(
                $number,
                'refused',
                $record,
                why: "“{$record->name}” is in this file already, as record {$before}.",
            );
    }

    /**
     * @param  array<int, Record|ComparedRecord>  $some
     * @return Generator<ComparedRecord>
     */
    private function compared(array $some, Library $library): Generator
    {
        $records = array_filter($some, fn(Record|ComparedRecord $of): bool => $of instanceof Record);
        $known = Title::query()
            ->with(['contributors', 'subjects', 'series', 'publication'])
            ->whereIn('record_key', array_map(fn(Record $of): string => $of->key, $records))
            ->get()
            ->keyBy('record_key');
        $elsewhere = ElsewhereAtLibrary::of($library, $known);
        $alike = $this->alike(array_filter($records, fn(Record $of): bool => !isset($known[$of->key])));
        foreach ($some as $number => $of) {
            yield $of instanceof ComparedRecord
                ? $of
                : $this->beside($number, $of, $known[$of->key] ?? null, $alike[$number] ?? null, $elsewhere);
        }
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
                    why: "“{$record->name}” may be title {$alike}, which has another number.",
                    titleId: $alike,
                );
        }
        if ($title->format !== $record->format) {
            return new ComparedRecord(
                $number,
                'refused',
                $record,
                why: "“{$record->name}” has the number of title {$title->id}, which is of another format.",
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
