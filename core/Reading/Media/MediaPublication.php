<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Media;

use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Reading\Creator;

/** What an audiobook, an album or a video says of itself. */
final readonly class MediaPublication
{
    /**
     * @param  list<string>  $languages  BCP 47 tags
     * @param  list<Creator>  $creators
     * @param  list<string>  $identifiers
     * @param  list<string>  $subjects
     * @param  string|null  $date  as much of an ISO 8601 date as is given
     * @param  string|null  $ages  as schema:typicalAgeRange says it
     * @param  array<string, list<string>>  $accessibility  schema.org property => values
     * @param  non-empty-list<Part>  $parts  in the order in which they play
     * @param  array<string, string>  $types  path => media type, of every file that the manifest names
     */
    public function __construct(
        public Format $format,
        public string $title,
        public ?string $subtitle,
        public array $languages,
        public array $creators,
        public array $identifiers,
        public array $subjects,
        public ?string $series,
        public ?float $seriesPosition,
        public ?string $description,
        public ?string $publisher,
        public ?string $date,
        public ?string $audience,
        public ?string $ages,
        public ?string $coverPath,
        public array $accessibility,
        public array $parts,
        public array $types,
    ) {}
}
