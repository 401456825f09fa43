<?php

declare(strict_types=1);

namespace App\Exchange\Records;

use App\Catalogue\Records\RecordOfTitle;
use App\Exchange\Csv\CsvFile;
use App\Models\Library;
use App\Models\Title;
use FigPorch\Core\Exchange\Marc\Iso2709;
use FigPorch\Core\Exchange\Marc\MarcOfRecord;
use FigPorch\Core\Exchange\Marc\MarcRecord;
use FigPorch\Core\Exchange\Marc\MarcXml;
use FigPorch\Core\Exchange\Table\RecordTable;
use Generator;

/** The records of what a library has licences for, as MARCXML, ISO 2709 in UTF-8, or a table (CSV). */
final class ExportRecords
{
    public const FORMS = ['marcxml', 'marc', 'csv'];

    private const AT_ONCE = 500;

    /**
     * @param  string  $form  of FORMS
     * @return Generator<string> pieces of the file
     */
    public function __invoke(Library $library, string $form): Generator
    {
        yield match ($form) {
            'marcxml' => MarcXml::HEAD,
            'csv' => "\u{FEFF}" . CsvFile::line(RecordTable::COLUMNS),
            default => '',
        };
        foreach ($this->titles($library) as $title) {
            yield match ($form) {
                'marcxml' => MarcXml::write(self::marc($title)),
                'csv' => CsvFile::line(RecordTable::row(RecordOfTitle::of($title))),
                default => Iso2709::write(self::marc($title)),
            };
        }
        yield $form === 'marcxml' ? MarcXml::FOOT : '';
    }

    /** @return Generator<Title> in the order of their numbers */
    private function titles(Library $library): Generator
    {
        $last = 0;
        do {
            $titles = Title::query()
                ->with(['contributors', 'subjects', 'series'])
                ->whereHas('licences', fn($query) => $query->where('library_id', $library->id))
                ->where('id', '>', $last)
                ->orderBy('id')
                ->limit(self::AT_ONCE)
                ->get();
            yield from $titles;
            $last = $titles->last()->id ?? 0;
        } while ($titles->count() === self::AT_ONCE);
    }

    private static function marc(Title $title): MarcRecord
    {
        return MarcOfRecord::of(
            RecordOfTitle::of($title),
            (string) $title->id,
            route('titles.show', $title),
            $title->added_at,
        );
    }
}
