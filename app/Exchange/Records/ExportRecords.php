<?php

declare(strict_types=1);

namespace App\Exchange\Records;

use App\Catalogue\Records\RecordOfTitle;
use App\Models\Library;
use App\Models\Title;
use FigPorch\Core\Exchange\Marc\Iso2709;
use FigPorch\Core\Exchange\Marc\MarcOfRecord;
use FigPorch\Core\Exchange\Marc\MarcRecord;
use FigPorch\Core\Exchange\Marc\MarcXml;
use Generator;

/** The records of what a library has licences for, as MARCXML or ISO 2709 in UTF-8. */
final class ExportRecords
{
    public const FORMS = ['marcxml', 'marc'];

    private const AT_ONCE = 500;

    /**
     * @param  string  $form  of FORMS
     * @return Generator<string> pieces of the file
     */
    public function __invoke(Library $library, string $form): Generator
    {
        yield $form === 'marcxml' ? MarcXml::HEAD : '';
        foreach ($this->titles($library) as $title) {
            $record = self::marc($title);
            yield $form === 'marcxml' ? MarcXml::write($record) : Iso2709::write($record);
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
