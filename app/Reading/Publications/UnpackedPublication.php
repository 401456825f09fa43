<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use FigPorch\Core\Catalogue\Isbn;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Reading\Creator;

/** What became of a file: its record, and its files as they are stored. */
final readonly class UnpackedPublication
{
    /**
     * @param  array<string, mixed>  $publication  columns of publications
     * @param  string|null  $cover  below storage/publications
     */
    public function __construct(public Record $record, public array $publication, public ?string $cover) {}

    /**
     * The same title wherever it comes from: by its ISBN, else by the file itself.
     *
     * @param  list<string>  $identifiers
     */
    public static function key(array $identifiers, string $sha256): string
    {
        foreach ($identifiers as $identifier) {
            $isbn = Isbn::parse($identifier);
            if ($isbn !== null) {
                return "isbn:{$isbn->thirteen}";
            }
        }

        return "sha256:{$sha256}";
    }

    /**
     * @param  list<Creator>  $creators
     * @return list<array{name: string, sort: string, role: string}>
     */
    public static function contributors(array $creators): array
    {
        return array_map(
            fn(Creator $c): array => ['name' => $c->name, 'sort' => $c->sortName, 'role' => $c->role],
            $creators,
        );
    }
}
