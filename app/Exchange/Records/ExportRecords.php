<?php

declare(strict_types=1);

namespace App\Exchange\Records;

use App\Catalogue\Records\RecordOfTitle;
use App\Exchange\Csv\CsvFile;
use App\Models\Library;
use App\Models\Title;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Exchange\Marc\Iso2709;
use FigPorch\Core\Exchange\Marc\MarcOfRecord;
use FigPorch\Core\Exchange\Marc\MarcRecord;
use FigPorch\Core\Exchange\Marc\MarcXml;
use FigPorch\Core\Exchange\Table\RecordTable;
use Generator;

/**
 * The records of what a library has, licensed, on paper, or on the web, as MARCXML, ISO 2709 in UTF-8, or a table
 * (CSV).
 */
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
        foreach ($this->titles($library) as [$title, $record]) {
            yield match ($form) {
                'marcxml' => MarcXml::write(self::marc($title, $record)),
                'csv' => CsvFile::line(RecordTable::row($record)),
                default => Iso2709::write(self::marc($title, $record)),
            };
        }
        yield $form === 'marcxml' ? MarcXml::FOOT : '';
    }

    /** @return Generator<array{Title, Record}> in the order of their numbers */
    private function titles(Library $library): Generator
    {
        $last = 0;
        do {
            $titles = Title::query()
                ->with(['contributors', 'subjects', 'series'])
                ->whereRaw(
                    'id in (select title_id from licences where library_id = ? union select title_id from holdings
                        where library_id = ? union select title_id from links where library_id = ?)',
                    array_fill(0, 3, $library->id),
                )
                ->where('id', '>', $last)
                ->orderBy('id')
                ->limit(self::AT_ONCE)
                ->get();
            $elsewhere = ElsewhereAtLibrary::of($library, $titles);
            foreach ($titles as $title) {
                yield [$title, $elsewhere->with($title, RecordOfTitle::of($title))];
            }
            $last = $titles->last()->id ?? 0;
        } while ($titles->count() === self::AT_ONCE);
    }

    private static function marc(Title $title, Record $record): MarcRecord
    {
        return MarcOfRecord::of($record, (string) $title->id, route('titles.show', $title), $title->added_at);
    }
}
