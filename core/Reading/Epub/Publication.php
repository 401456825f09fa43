<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use FigPorch\Core\Reading\Creator;

/** What an EPUB says of itself. */
final readonly class Publication
{
    /**
     * @param  list<string>  $languages  BCP 47 tags
     * @param  list<Creator>  $creators
     * @param  list<string>  $identifiers
     * @param  list<string>  $subjects
     * @param  string|null  $date  as much of an ISO 8601 date as is given: year, year-month or whole
     * @param  string|null  $audience  as dcterms:audience says it
     * @param  string|null  $ages  as schema:typicalAgeRange says it
     * @param  bool  $magazine  an issue of a magazine, which is then the series (dc:type)
     * @param  array<string, list<string>>  $accessibility  schema.org property => values
     * @param  list<SpineItem>  $spine
     * @param  list<NavPoint>  $contents
     * @param  list<NavPoint>  $pages
     * @param  array<string, string>  $manifest  path => media type
     */
    public function __construct(
        public string $packagePath,
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
        public bool $magazine,
        public bool $fixedLayout,
        public bool $rightToLeft,
        public array $spine,
        public array $contents,
        public array $pages,
        public array $manifest,
        public ?string $navPath,
        public ?string $ncxPath,
    ) {}

    /**
     * Positions as the Readium positions list counts them: one for each 1024 bytes begun of a reflowable resource, one
     * for each page of fixed layout.
     *
     * @return array<string, int> href => positions
     */
    public function positions(): array
    {
        $positions = [];
        foreach ($this->spine as $item) {
            $positions[$item->href] = $this->fixedLayout ? 1 : max(1, (int) ceil($item->size / 1024));
        }

        return $positions;
    }

    /** Pages: those of the publication's own page list, else its positions. */
    public function pageCount(): int
    {
        return $this->pages !== [] ? count($this->pages) : array_sum($this->positions());
    }
}
