<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use App\Catalogue\Filters\SeriesFilter;
use FigPorch\Core\Catalogue\TitleSet;
use Generator;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * The sets of titles that were gathered last, of records and of lending, and what has come loose since: titles that
 * have changed, or of which a date has passed, whose bits are not to be believed. Each machine has a copy of the sets
 * as files.
 */
final class BitmapIndex
{
    /** Titles in an order are kept in rings: the first of so many, and with each ring so many times as many in all. */
    public const RINGS = 8;

    public const FIRST_RING = 64;

    public const WIDER = 4;

    /**
     * Titles that are part of a series are kept by how many it has in all: one, up to 3, up to 7, and so on; the last
     * of them with all that have more.
     */
    public const SIZES = 16;

    /** What is read from the database alone begins so: too many to have at hand. */
    public const APART = 'pair:';

    /** Letters, in bytes, of a word that is paired. */
    public const LONGEST_PAIRED = 90;

    /** With more to look at one by one than this, sets save nothing. */
    public const MOST_LOOSE = 6000;

    /**
     * @param  array<string, BitmapFile>  $sets  by what was gathered
     * @param  int  $records  the number of the gathering of records
     * @param  TitleSet  $loose  titles whose bits are not all to be believed
     * @param  TitleSet  $changed  those of them of which no bit is; of the others it is only who can have them
     */
    private function __construct(
        private readonly array $sets,
        private readonly int $records,
        private readonly int $paired,
        public readonly TitleSet $loose,
        public readonly TitleSet $changed,
    ) {}

    /**
     * @param  list<stdClass>  $gatherings  the last of each kind, as search_first has them
     * @param  list<int>  $loose  titles not to be believed
     * @param  list<int>  $changed  those of them whose records have changed
     * @return self|null null where something was not gathered, or this machine does not have it yet, or too much has
     *     changed since
     */
    public static function of(array $gatherings, array $loose, array $changed): ?self
    {
        $gathered = array_column($gatherings, null, 'of');
        if (count($gathered) < count(IndexPart::cases()) || count($loose) > self::MOST_LOOSE) {
            return null;
        }
        $sets = array_filter(
            array_map(
                fn(stdClass $one): ?BitmapFile => LocalIndexCache::of(IndexPart::from($one->of), $one->id, $one->key),
                $gathered,
            ),
        );
        $records = $gathered[IndexPart::Records->value];

        return count($sets) < count($gathered)
            ? null
            : new self($sets, $records->id, $records->paired, TitleSet::of($loose), TitleSet::of($changed));
    }

    /** How many titles there were. */
    public function titles(): int
    {
        return $this->every('all:')->count();
    }

    /** A set as it was gathered; null where there is none of that name. */
    public function set(string $name): ?TitleSet
    {
        return $this->file($name)->set($name);
    }

    public function has(string $name): bool
    {
        return $this->file($name)->has($name);
    }

    /** The set of a value whose kind has a set for each value there is: where it has none, no title has it. */
    public function every(string $name): TitleSet
    {
        return $this->set($name) ?? TitleSet::none();
    }

    /** How many titles of the set of that name are among some titles; none where there is no such set. */
    public function count(string $name, TitleSet $among): int
    {
        return $this->file($name)->countWith($name, $among);
    }

    /**
     * @return array<string, array<int|string, int>> by filter and value, how many of some titles had it; only what one
     *     of them had
     */
    public function each(TitleSet $titles): array
    {
        return $this->sets[IndexPart::Records->value]->each($titles);
    }

    /**
     * @param  list<int|string>  $subjects
     * @return array<int, string> the names of those that have a set, by number
     */
    public function subjectNames(array $subjects): array
    {
        return array_intersect_key($this->sets[IndexPart::Records->value]->subjects, array_flip($subjects));
    }

    /**
     * How many of some titles each series has: those of the largest series, then those of half that size, and so on.
     *
     * @return Generator<int, array<int, int>> by how many those that come after it can have at the most; by series
     */
    public function bySeries(TitleSet $titles): Generator
    {
        for ($size = self::SIZES - 1; $size >= 0; $size--) {
            yield 2 ** $size - 1 => $this->series()->count(
                $titles->and($this->every(SeriesFilter::kind() . ":{$size}")),
            );
        }
    }

    public function seriesName(int $series): string
    {
        return $this->series()->name($series);
    }

    private function series(): SeriesFile
    {
        return $this->sets[IndexPart::Records->value]->series;
    }

    private function file(string $name): BitmapFile
    {
        return $this->sets[IndexPart::with($name)->value];
    }

    /**
     * The values of a kind, with how many titles each had when they were gathered, the most first.
     *
     * @return array<int|string, int>
     */
    public function values(string $kind): array
    {
        return $this->file("{$kind}:")->values($kind);
    }

    /**
     * How many titles can have each subject at the most, where all of them are within some sets: as many as the
     * smallest share of those sets.
     *
     * @param  list<list<string>>  $within  names of sets; each list for what is in one of them at least
     * @return array<int|string, int> by subject
     */
    public function subjectsAtMost(array $within): array
    {
        $values = $this->values(SharedCounts::WITH);
        $atMost = null;
        foreach ($within as $names) {
            /** @var list<list<int>> $shared */
            $shared = array_values(
                array_filter(
                    array_map(fn(string $name): ?array => $this->file($name)->shared($name), $names),
                    fn(?array $counts): bool => $counts !== null,
                ),
            );
            if ($shared !== [] && count($shared) === count($names)) {
                $together =
                    count($shared) === 1
                        ? $shared[0]
                        : array_map(fn(int ...$each): int => array_sum($each), ...$shared);
                $atMost =
                    $atMost === null
                        ? $together
                        : array_map(fn(int $a, int $b): int => min($a, $b), $atMost, $together);
            }
        }

        return $atMost === null ? $values : array_combine(array_keys($values), $atMost);
    }

    /** @return list<string> the names of all sets of words that begin so */
    public function beginning(string $with): array
    {
        return $this->file($with)->beginning($with);
    }

    /**
     * What of a set comes first in an order, what after that, and so on; in which order within each, the rings do not
     * say.
     *
     * @param  string  $order  newest or popular; by how often titles had been borrowed when the sets were gathered
     * @return Generator<int, TitleSet>
     */
    public function inRings(TitleSet $set, string $order): Generator
    {
        if ($order === 'newest') {
            // What has come since then is newer than all; what has only changed is where it was.
            $new = $set->and($this->changed->without($this->every('all:')));
            $set = $set->without($new);
            yield $new->or($set->and($this->every('newest:0')));
        }
        for ($ring = $order === 'newest' ? 1 : 0; $ring < self::RINGS; $ring++) {
            yield $set->and($this->every("{$order}:{$ring}"));
        }
        for ($ring = 0; $ring < self::RINGS; $ring++) {
            $set = $set->without($this->every("{$order}:{$ring}"));
        }
        yield $set;
    }

    /** @return list<string> words too rare for a set of their own that begin so */
    public function rareWords(string $beginning): array
    {
        return array_column(
            DB::select('select word from search_rare_words where gathering_id = ? and starts_with(word, ?)', [
                $this->records,
                $beginning,
            ]),
            'word',
        );
    }

    /**
     * Titles in which words stand in a row, as far as pairs of them tell.
     *
     * @param  non-empty-list<string>  $words  each of which has a set
     * @return array{TitleSet|null, bool} those that may be; null where no two are paired; and whether it is certain
     */
    public function inARow(array $words): array
    {
        $names = [];
        $counts = array_map(
            fn(string $word): int => strlen($word) < self::LONGEST_PAIRED ? $this->every("exact:{$word}")->count() : 0,
            $words,
        );
        for ($n = 1; $n < count($words); $n++) {
            if ($this->paired * $this->titles() <= $counts[$n - 1] * $counts[$n]) {
                $names[] = self::APART . "{$words[$n - 1]} {$words[$n]}";
            }
        }
        $among = null;
        $known =
            $names === []
                ? []
                : array_column(
                    DB::select('select name, bits from search_sets where gathering_id = ? and name = any(?::text[])', [
                        $this->records,
                        '{"' . implode('","', $names) . '"}',
                    ]),
                    'bits',
                    'name',
                );
        foreach ($names as $name) {
            $set = isset($known[$name])
                ? TitleSet::fromBytes((string) stream_get_contents($known[$name], offset: 0))
                : TitleSet::none();
            $among = $among?->and($set) ?? $set;
        }

        return [$among, count($words) === 2 && $names !== []];
    }
}
