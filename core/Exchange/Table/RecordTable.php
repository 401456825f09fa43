<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Table;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Citation\Name;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Isbn;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Exchange\UnreadableRecord;
use InvalidArgumentException;

/**
 * Records as rows of a table (CSV). Our own have a line in a cell for each entry of a list, and a key by which they are
 * known again. In those of others entries may stand with semicolons between, people by what they did, and the columns
 * may have other names.
 */
final readonly class RecordTable
{
    /** As we write them. */
    public const COLUMNS = ['key', 'format', 'extent', 'seconds', ...RecordText::FIELDS, 'accessibility'];

    private const LISTS = ['identifiers', 'subjects', 'awards'];

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
    ];

    /** @param  array<int, string>  $columns  what stands in each; those that nobody knows are left out */
    private function __construct(private array $columns) {}

    /**
     * @param  list<string>  $head  the first row
     * @param  array<string, string>  $named  columns of ours by what they are called there
     *
     * @throws UnreadableRecord where no column is known for a title
     */
    public static function of(array $head, array $named = []): self
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
            throw new UnreadableRecord('two of its columns are both “' . implode('”, “', $twice) . '”.');
        }
        if (!in_array('name', $columns, true)) {
            throw new UnreadableRecord(
                'it is neither ONIX, MARCXML nor ISO 2709; and as a table it has no column “title”.',
            );
        }

        return new self($columns);
    }

    public static function isColumn(string $name): bool
    {
        return in_array($name, self::COLUMNS, true) || in_array($name, RecordText::ROLES, true);
    }

    /**
     * @param  list<string>  $row
     *
     * @throws UnreadableRecord
     */
    public function read(array $row): Record
    {
        $cells = [];
        foreach ($this->columns as $at => $name) {
            $cells[$name] = trim(self::plain($row[$at] ?? ''));
        }
        $isOurs = isset($cells['key']);
        $name = $cells['name'] ?? '';
        if ($name === '') {
            throw new UnreadableRecord('it has no title.');
        }
        $texts = array_intersect_key($cells, array_flip(RecordText::FIELDS));
        foreach ($isOurs ? [] : self::LISTS as $list) {
            $texts[$list] = implode("\n", self::parts($texts[$list] ?? ''));
        }
        $texts['contributors'] = implode("\n", [
            ...array_filter([$texts['contributors'] ?? '']),
            ...$this->people($cells),
        ]);
        try {
            [$record, $wrong] = RecordText::with(
                new Record(
                    key: $cells['key'] ?? self::key($texts['identifiers'] ?? '', $name),
                    format: self::format($cells['format'] ?? '', $name),
                    name: $name,
                    contributors: [],
                    extent: self::number($cells, 'extent', $name) ?? 0,
                    audience: Audience::Adult,
                    seconds: self::number($cells, 'seconds', $name),
                    accessibility: self::accessibility($cells['accessibility'] ?? ''),
                ),
                array_filter($texts, fn(string $of): bool => $of !== ''),
            );
        } catch (InvalidArgumentException $problem) {
            throw new UnreadableRecord("“{$name}”: {$problem->getMessage()}");
        }

        return $wrong === []
            ? $record
            : throw new UnreadableRecord("“{$name}”: what stands in " . implode(', ', $wrong) . ' cannot be read.');
    }

    /** @return list<string> */
    public static function row(Record $record): array
    {
        return [
            $record->key,
            $record->format->value,
            (string) $record->extent,
            (string) $record->seconds,
            ...array_values(RecordText::of($record)),
            $record->accessibility === []
                ? ''
                : (string) json_encode($record->accessibility, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE),
        ];
    }

    private static function folded(string $name): string
    {
        return mb_strtolower(trim($name));
    }

    /** Without the marks by which a table says that something is no formula. */
    private static function plain(string $cell): string
    {
        return (string) preg_replace('/(^|[;\t\r\n])(["\'\s]*)\'(?=[=+\-@＝＋－＠])/u', '$1$2', $cell);
    }

    /** @return list<string> */
    private static function parts(string $cell): array
    {
        return array_values(array_filter(array_map(trim(...), preg_split('/[;\n]/', $cell) ?: [])));
    }

    /**
     * @param  array<string, string>  $cells
     * @return list<string> as RecordText has them: those of columns that say what they did
     */
    private function people(array $cells): array
    {
        $lines = [];
        foreach (RecordText::ROLES as $role) {
            foreach (self::parts($cells[$role] ?? '') as $name) {
                $isSorted = substr_count($name, ',') === 1;
                $lines[] = implode(RecordText::BETWEEN, [
                    $role,
                    $isSorted ? Name::fromSorted($name)->natural() : $name,
                    $isSorted ? $name : '',
                ]);
            }
        }

        return $lines;
    }

    private static function key(string $identifiers, string $name): string
    {
        foreach (explode("\n", $identifiers) as $identifier) {
            $isbn = Isbn::parse($identifier);
            if ($isbn !== null) {
                return "isbn:{$isbn->thirteen}";
            }
        }
        throw new UnreadableRecord("“{$name}” has neither a key nor an ISBN: nobody could know it again.");
    }

    private static function format(string $cell, string $name): Format
    {
        $of = self::folded($cell);
        $also = [
            '' => Format::Ebook,
            'book' => Format::Ebook,
            'epub' => Format::Ebook,
            'pdf' => Format::Ebook,
            'libro' => Format::Ebook,
            'libro electrónico' => Format::Ebook,
            'audio' => Format::Audiobook,
            'audiolibro' => Format::Audiobook,
            'revista' => Format::Magazine,
            'música' => Format::Music,
            'film' => Format::Video,
            'vídeo' => Format::Video,
            'película' => Format::Video,
        ];

        return Format::tryFrom($of) ??
            ($also[$of] ?? throw new UnreadableRecord("“{$name}” is of a kind that is not lent here: “{$cell}”."));
    }

    /** @param  array<string, string>  $cells */
    private static function number(array $cells, string $of, string $name): ?int
    {
        $cell = $cells[$of] ?? '';

        return match (true) {
            $cell === '' => null,
            preg_match('/^\d{1,9}$/D', $cell) === 1 => (int) $cell,
            default => throw new UnreadableRecord("“{$name}”: what stands in {$of} cannot be read."),
        };
    }

    /** @return array<string, list<string>> */
    private static function accessibility(string $cell): array
    {
        $kept = [];
        foreach ((array) json_decode($cell, true) as $of => $values) {
            $kept[(string) $of] = array_values(array_filter((array) $values, is_string(...)));
        }

        return array_filter($kept, fn(array $of): bool => $of !== []);
    }
}
