<?php

declare(strict_types=1);

namespace App\Desk\RecordImport;

use App\Exchange\Records\ComparedRecord;
use App\Models\RecordImport;
use App\Models\RecordImportRow;
use App\Shared\View\Dates;
use FigPorch\Core\Catalogue\Price;
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
     * @return array<int, string> by row, what tells it from others of its name: people, format, year, and for how much
     *     and from when on it is had
     */
    public function about(array $rows): array
    {
        $about = [];
        foreach ($rows as $row) {
            if ($row->marc !== null) {
                $record = RecordOfMarc::read(MarcXml::one($row->marc));
                $people = array_slice(array_column($record->contributors, 'name'), 0, self::PEOPLE);
                $from = $record->availableFrom;
                $prices = implode(
                    ', ',
                    array_map(fn(Price $of): string => "{$of->amount()} {$of->currency}", $record->prices),
                );
                $about[$row->id] = implode(
                    ' · ',
                    array_filter([
                        implode(', ', $people),
                        __("catalogue.format.{$record->format->value}"),
                        $record->edition,
                        $record->published === null ? null : substr($record->published, 0, 4),
                        $prices,
                        $from === null ? null : __('record_import.from', ['date' => Dates::published($from)]),
                    ]),
                );
            }
        }

        return $about;
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
