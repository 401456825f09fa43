<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Table;

use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Exchange\UnreadableRecord;

/** What the columns of somebody else's table are: as they are usually called, or as is said: "Obra=name". */
final class ColumnNames
{
    /** In tables of others: of one holding, and of one website. */
    public const ELSEWHERE = ['place', 'call_number', 'copies', 'item_numbers', 'address', 'open_to'];

    /** What others call them, in English and Spanish (common practice, no source). */
    private const ALSO = [
        'title' => 'name',
        'título' => 'name',
        'titulo' => 'name',
        'subtítulo' => 'subtitle',
        'subtitulo' => 'subtitle',
        'formato' => 'format',
        'type' => 'format',
        'tipo' => 'format',
        'isbn' => 'identifiers',
        'issn' => 'identifiers',
        'identifier' => 'identifiers',
        'work' => 'works',
        'istc' => 'works',
        'pages' => 'extent',
        'páginas' => 'extent',
        'paginas' => 'extent',
        'autor' => 'author',
        'authors' => 'author',
        'autores' => 'author',
        'narrador' => 'narrator',
        'narrators' => 'narrator',
        'ilustrador' => 'illustrator',
        'traductor' => 'translator',
        'edición' => 'edition',
        'edicion' => 'edition',
        'serie' => 'series',
        'volume' => 'series_position',
        'número' => 'series_position',
        'lang' => 'language',
        'idioma' => 'language',
        'lengua' => 'language',
        'público' => 'audience',
        'publico' => 'audience',
        'edades' => 'ages',
        'nivel' => 'level',
        'editorial' => 'publisher',
        'year' => 'published',
        'año' => 'published',
        'date' => 'published',
        'fecha' => 'published',
        'subject' => 'subjects',
        'materia' => 'subjects',
        'materias' => 'subjects',
        'award' => 'awards',
        'premios' => 'awards',
        'summary' => 'description',
        'resumen' => 'description',
        'descripción' => 'description',
        'descripcion' => 'description',
        'location' => 'place',
        'ubicación' => 'place',
        'ubicacion' => 'place',
        'shelfmark' => 'call_number',
        'signatura' => 'call_number',
        'ejemplares' => 'copies',
        'barcode' => 'item_numbers',
        'barcodes' => 'item_numbers',
        'código de barras' => 'item_numbers',
        'url' => 'address',
        'link' => 'address',
        'enlace' => 'address',
        'access' => 'open_to',
        'acceso' => 'open_to',
    ];

    /**
     * @param  list<string>  $said
     * @return array<string, string> columns of ours by what they are called there
     *
     * @throws UnreadableRecord where one is no column of ours
     */
    public static function of(array $said): array
    {
        $columns = [];
        foreach ($said as $one) {
            [$there, $ours] = array_map(trim(...), explode('=', $one, 2) + [1 => '']);
            if (!self::isColumn($ours)) {
                throw new UnreadableRecord('“:column” is no column. There are: :known.', [
                    'column' => $ours === '' ? $there : $ours,
                    'known' => implode(', ', self::known()),
                ]);
            }
            $columns[$there] = $ours;
        }

        return $columns;
    }

    /**
     * @param  list<string>  $head  the first row
     * @param  array<string, string>  $named  columns of ours by what they are called there
     * @return array<int, string> what stands in each; those that nobody knows are left out
     *
     * @throws UnreadableRecord where no column is known for a title, or two are the same
     */
    public static function inHead(array $head, array $named): array
    {
        $named = array_combine(array_map(self::folded(...), array_keys($named)), $named);
        $columns = [];
        foreach ($head as $at => $name) {
            $name = self::folded($name);
            $of = $named[$name] ?? (self::ALSO[$name] ?? str_replace(' ', '_', $name));
            if (self::isColumn($of)) {
                $columns[$at] = $of;
            }
        }
        $twice = array_keys(array_filter(array_count_values($columns), fn(int $n): bool => $n > 1));
        if ($twice !== []) {
            throw new UnreadableRecord('two of its columns are both “:columns”.', [
                'columns' => implode('”, “', $twice),
            ]);
        }
        if (!in_array('name', $columns, true)) {
            throw new UnreadableRecord(
                'it is neither ONIX, MARCXML nor ISO 2709; and as a table it has no column “title”.',
            );
        }

        return $columns;
    }

    /** @return list<string> */
    private static function known(): array
    {
        $ours = array_diff(RecordTable::COLUMNS, ['key', 'contributors', 'holdings', 'links', 'accessibility']);

        return [...$ours, ...self::ELSEWHERE, ...RecordText::ROLES];
    }

    private static function isColumn(string $name): bool
    {
        return in_array($name, [...RecordTable::COLUMNS, ...self::ELSEWHERE, ...RecordText::ROLES], true);
    }

    private static function folded(string $name): string
    {
        return mb_strtolower(trim($name));
    }
}
