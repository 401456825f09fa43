<?php

declare(strict_types=1);

namespace App\Desk\RecordImport;

use App\Exchange\Records\ComparedRecord;
use App\Models\RecordImport;
use App\Models\RecordImportRow;
use App\Shared\View\Dates;
use FigPorch\Core\Catalogue\Holding;
use FigPorch\Core\Catalogue\Price;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\WebLink;
use FigPorch\Core\Exchange\Marc\MarcXml;
use FigPorch\Core\Exchange\Marc\RecordOfMarc;
use Illuminate\Contracts\Pagination\LengthAwarePaginator;
use Illuminate\Database\Eloquent\Collection;

/** Files of records that a library's staff sent. */
final class RecordImports
{
    private const LAST = 20;

    private const PAGE = 50;

    private const PEOPLE = 3;

    /** @return Collection<int, RecordImport> */
    public function last(int $libraryId): Collection
    {
        return RecordImport::query()
            ->with('member')
            ->where('library_id', $libraryId)
            ->orderByDesc('id')
            ->limit(self::LAST)
            ->get();
    }

    /** @return array<string, int> rows by outcome */
    public function counts(RecordImport $import): array
    {
        $counts = $import->rows()->groupBy('outcome')->selectRaw('outcome, count(*) n')->pluck('n', 'outcome')->all();

        return array_map(
            fn(string $of): int => (int) ($counts[$of] ?? 0),
            array_combine(ComparedRecord::OUTCOMES, ComparedRecord::OUTCOMES),
        );
    }

    /** @return array{done: int, of: int} */
    public function progress(RecordImport $import): array
    {
        return [
            'done' => $import->rows()->where('done', true)->count(),
            'of' => $import->rows()->where('chosen', true)->count(),
        ];
    }

    /**
     * @param  array<int, RecordImportRow>  $rows
     * @return array<int, string> by row, what tells it from others of its name: people, format, year; for how much,
     *     from when on and where it is had
     */
    public function about(array $rows): array
    {
        $about = [];
        foreach ($rows as $row) {
            if ($row->marc !== null) {
                $record = RecordOfMarc::read(MarcXml::one($row->marc));
                $facts = [...self::facts($record), self::supply($record), self::places($record)];
                $about[$row->id] = implode(' · ', array_filter($facts, fn(string $of): bool => $of !== ''));
            }
        }

        return $about;
    }

    /** @return list<string> */
    private static function facts(Record $record): array
    {
        return [
            implode(', ', array_slice(array_column($record->contributors, 'name'), 0, self::PEOPLE)),
            (string) __("catalogue.format.{$record->format->value}"),
            (string) $record->edition,
            substr((string) $record->published, 0, 4),
        ];
    }

    /** "12.50 EUR, from 1 March 2027" */
    private static function supply(Record $record): string
    {
        $from = $record->availableFrom;

        return implode(', ', [
            ...array_map(fn(Price $of): string => "{$of->amount()} {$of->currency}", $record->prices),
            ...$from === null ? [] : [(string) __('record_import.from', ['date' => Dates::published($from)])],
        ]);
    }

    /** "Upstairs, 599.2 GUL (2)" */
    private static function places(Record $record): string
    {
        return implode('; ', [
            ...array_map(
                fn(Holding $of): string => implode(', ', array_filter([$of->place, $of->callNumber])) .
                    ($of->copies > 1 ? " ({$of->copies})" : ''),
                $record->holdings,
            ),
            ...array_map(fn(WebLink $of): string => $of->address, $record->links),
        ]);
    }

    /** @return LengthAwarePaginator<int, RecordImportRow> */
    public function rows(RecordImport $import, string $outcome): LengthAwarePaginator
    {
        return $import
            ->rows()
            ->with('title:id,name,format,language,edition')
            ->where('outcome', $outcome)
            ->orderBy('id')
            ->paginate(self::PAGE)
            ->appends(['outcome' => $outcome]);
    }
}
