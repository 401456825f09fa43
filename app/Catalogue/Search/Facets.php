<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

/** How many titles a search finds, and how many remain with each value of each filter, if it is chosen. */
final readonly class Facets
{
    /**
     * @param  array<string, array<int|string, int>>  $counts  by filter and value; of a flag, under 1
     * @param  array<string, array<int, string>>  $names  of values that are numbers, by filter
     * @param  array<string, int>  $without  how many remain if nothing is chosen of a filter
     * @param  array<int, int>  $libraries  by library, where several count; all together under 0
     */
    public function __construct(
        public int $total = 0,
        public array $counts = [],
        public array $names = [],
        private array $without = [],
        public array $libraries = [],
    ) {}

    /**
     * @param  string  $filter  its name
     * @return array<int|string, int> by value
     */
    public function of(string $filter): array
    {
        return $this->counts[$filter] ?? [];
    }

    /** How many remain if a value of a filter is chosen. */
    public function count(string $filter, int|string $value): int
    {
        return $this->counts[$filter][$value] ?? 0;
    }

    /** How many remain if nothing is chosen of a filter. */
    public function without(string $filter): int
    {
        return $this->without[$filter] ?? 0;
    }

    /** What a value is called; the value itself where it has no other name, null for a number that nothing here has. */
    public function name(string $filter, int|string $value): ?string
    {
        return $this->names[$filter][$value] ?? (is_int($value) ? null : $value);
    }

    /** @param  array<int, int>  $libraries  how many each has, by library; all together under 0 */
    public function byLibrary(array $libraries): self
    {
        return new self($this->total, $this->counts, $this->names, $this->without, $libraries);
    }
}
