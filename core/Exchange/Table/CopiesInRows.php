<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Table;

use FigPorch\Core\Catalogue\Holding;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\RecordText;

/**
 * A shelf list often has a row for each copy. Such rows say the same of the title, and each another shelf or another
 * number of a copy: the first of them has the copies of all. All rows are counted first; then each is asked for.
 */
final class CopiesInRows
{
    /** @var array<string, int> the first row of what is said of a title */
    private array $first = [];

    /** @var array<int, array<int, list<Holding>>> of later rows, by the first one and their own number */
    private array $later = [];

    /** @var array<int, true> */
    private array $joined = [];

    public function count(int $number, Record $record): void
    {
        if ($record->holdings === []) {
            return;
        }
        $facts = [$record->key, $record->extent, $record->seconds, $record->accessibility, RecordText::of($record)];
        $said = hash('xxh128', serialize($facts), binary: true);
        $first = $this->first[$said] ??= $number;
        if ($first !== $number) {
            $this->later[$first][$number] = $record->holdings;
        }
    }

    /** The record with all its copies; null for a row whose copies an earlier one has. */
    public function of(int $number, Record $record): ?Record
    {
        if (isset($this->joined[$number])) {
            return null;
        }
        $all = $record->holdings;
        foreach ($this->later[$number] ?? [] as $row => $holdings) {
            if (self::areOthers($holdings, $all)) {
                $all = Holding::together([...$all, ...$holdings]);
                $this->joined[$row] = true;
            }
        }

        return $all === $record->holdings ? $record : $record->at($all, $record->links);
    }

    /**
     * @param  list<Holding>  $holdings
     * @param  list<Holding>  $known
     */
    private static function areOthers(array $holdings, array $known): bool
    {
        $numbers = array_merge(...array_map(fn(Holding $of): array => $of->numbers, $known));
        foreach ($holdings as $of) {
            $shelf = array_filter($known, $of->isAt(...));
            if ($of->numbers === [] ? $shelf !== [] : array_intersect($of->numbers, $numbers) !== []) {
                return false;
            }
        }

        return true;
    }
}
