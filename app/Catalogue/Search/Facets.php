<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

/** How many titles a search finds, and how many remain with each value of each filter, if it is chosen. */
final readonly class Facets
{
    public const MOST_SUBJECTS = 12;

    public const MOST_AWARDS = 8;

    public const MOST_SERIES = 8;

    /**
     * @param  array<string, int>  $formats
     * @param  array<string, int>  $audiences
     * @param  array<string, int>  $languages
     * @param  array<int, int>  $subjects  by subject's number, the most first
     * @param  array<int, string>  $subjectNames
     * @param  array<int, int>  $years
     * @param  array<int, int>  $levels  by whole grade
     * @param  array<string, int>  $awards  the most first
     * @param  array<int, int>  $series  by series' number, the most first
     * @param  array<int, string>  $seriesNames
     * @param  int  $anyLanguage  with every language and without any, as some music is
     * @param  array<int, int>  $libraries  by library, where several count; all together under 0
     */
    public function __construct(
        public int $total,
        public int $ready,
        public int $always,
        public array $formats,
        public array $audiences,
        public array $languages,
        public array $subjects,
        public array $subjectNames,
        public array $years,
        public array $levels,
        public array $awards,
        public array $series,
        public array $seriesNames,
        public array $libraries,
        public int $anyLanguage,
    ) {}

    public static function none(): self
    {
        return new self(0, 0, 0, [], [], [], [], [], [], [], [], [], [], [], 0);
    }

    /** @param  array<int, int>  $libraries  how many each has, by library; all together under 0 */
    public function byLibrary(array $libraries): self
    {
        return new self(...['libraries' => $libraries] + get_object_vars($this));
    }
}
