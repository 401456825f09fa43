<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Table;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Citation\Name;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Holding;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Catalogue\WebLink;
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
    public const COLUMNS = [
        'key',
        'format',
        'extent',
        'seconds',
        ...RecordText::FIELDS,
        'accessibility',
        'holdings',
        'links',
    ];

    private const LISTS = ['identifiers', 'works', 'subjects', 'awards'];

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
        return new self(ColumnNames::inHead($head, $named));
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
        $format = self::format($cells, $name);
        $holdings = $format === Format::Paper ? self::holdings($cells, $name) : [];
        $links = $format === Format::Website ? self::links($cells, $name) : [];
        try {
            [$record, $wrong] = RecordText::with(
                new Record(
                    key: $cells['key'] ?? RowKey::of($texts, $name, $format, $links),
                    format: $format,
                    name: $name,
                    contributors: [],
                    extent: self::number($cells, 'extent', $name) ?? 0,
                    audience: Audience::Adult,
                    seconds: self::number($cells, 'seconds', $name),
                    accessibility: self::accessibility($cells['accessibility'] ?? ''),
                    holdings: $holdings,
                    links: $links,
                ),
                array_filter($texts, fn(string $of): bool => $of !== ''),
            );
        } catch (InvalidArgumentException $problem) {
            throw new UnreadableRecord('“:name”: :problem', ['name' => $name, 'problem' => $problem->getMessage()]);
        }

        return $wrong === []
            ? $record
            : throw new UnreadableRecord('“:name”: what stands in :columns cannot be read.', [
                'name' => $name,
                'columns' => implode(', ', $wrong),
            ]);
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
            implode("\n", array_map(fn(Holding $of): string => $of->written(), $record->holdings)),
            implode("\n", array_map(fn(WebLink $of): string => $of->written(), $record->links)),
        ];
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

    /** @param  array<string, string>  $cells */
    private static function format(array $cells, string $name): Format
    {
        $cell = $cells['format'] ?? '';
        $of = mb_strtolower(trim($cell));
        // A book that has something of a shelf is one on paper; what has an address and is nothing else is a website.
        $ofShelf = array_intersect_key($cells, array_flip(['place', 'call_number', 'item_numbers', 'holdings']));
        $book = match (true) {
            implode('', $ofShelf) !== '' => Format::Paper,
            $of === '' && ($cells['address'] ?? '') !== '' => Format::Website,
            default => Format::Ebook,
        };
        $also = [
            '' => $book,
            'book' => $book,
            'epub' => Format::Ebook,
            'pdf' => Format::Ebook,
            'libro' => $book,
            'print' => Format::Paper,
            'printed' => Format::Paper,
            'papel' => Format::Paper,
            'impreso' => Format::Paper,
            'web' => Format::Website,
            'database' => Format::Website,
            'sitio web' => Format::Website,
            'base de datos' => Format::Website,
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
            ($also[$of] ??
                throw new UnreadableRecord('“:name” is of a kind that is not lent here: “:kind”.', [
                    'name' => $name,
                    'kind' => $cell,
                ]));
    }

    /**
     * @param  array<string, string>  $cells
     * @return list<Holding>
     */
    private static function holdings(array $cells, string $name): array
    {
        $own = array_filter(explode("\n", $cells['holdings'] ?? ''), fn(string $line): bool => trim($line) !== '');
        $cell = fn(string $of): string => str_replace("\t", ' ', $cells[$of] ?? '');
        $place = $cell('place');
        $lines =
            $own === [] && $place !== ''
                ? [implode("\t", [$place, $cell('call_number'), $cell('copies'), $cell('item_numbers')])]
                : $own;
        $read = array_map(Holding::read(...), array_values($lines));
        $good = array_values(array_filter($read));
        if ($good === [] || count($good) < count($read)) {
            throw new UnreadableRecord(
                $good === [] && $lines === []
                    ? '“:name” is on paper, and the row does not say where it stands (place).'
                    : '“:name”: where it stands cannot be read (place, call number, copies).',
                ['name' => $name],
            );
        }

        return Holding::together($good);
    }

    /**
     * @param  array<string, string>  $cells
     * @return list<WebLink>
     */
    private static function links(array $cells, string $name): array
    {
        $own = array_filter(explode("\n", $cells['links'] ?? ''), fn(string $line): bool => trim($line) !== '');
        $address = $cells['address'] ?? '';
        $lines = $own === [] && $address !== '' ? [$address . "\t" . ($cells['open_to'] ?? '')] : $own;
        $read = array_map(WebLink::read(...), array_values($lines));
        $good = array_values(array_filter($read));
        if ($good === [] || count($good) < count($read)) {
            throw new UnreadableRecord(
                '“:name” is a website: it needs an address with http, and “card” or “building” in open_to where it ' .
                    'is not for everybody.',
                ['name' => $name],
            );
        }

        return $good;
    }

    /** @param  array<string, string>  $cells */
    private static function number(array $cells, string $of, string $name): ?int
    {
        $cell = $cells[$of] ?? '';

        return match (true) {
            $cell === '' => null,
            preg_match('/^\d{1,9}$/D', $cell) === 1 => (int) $cell,
            default => throw new UnreadableRecord('“:name”: what stands in :columns cannot be read.', [
                'name' => $name,
                'columns' => $of,
            ]),
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
