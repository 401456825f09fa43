<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use FigPorch\Core\Catalogue\TitleSet;
use Generator;
use Illuminate\Support\Facades\DB;

/**
 * The part of IndexBitmaps that reads every title's words: sets of the common ones, by their stems and as they are; of
 * what begins with the same letters among the rare ones; and of common ones in a row.
 */
final class IndexWords
{
    /** Words that so many of all titles have, have sets: as they are, and by their stems. */
    private const COMMON_SHARE = 0.001;

    private const SAMPLE = 50_000;

    /** The words of so many titles are read at once, and what is found in them poured into sets every so many times. */
    private const AT_ONCE = 20_000;

    private const POURED = 3;

    /** Letters of a word that has a set. */
    private const LONGEST = 150;

    /** The column of search_rows in which the words of a kind are. */
    private const WORDS = ['exact' => 'exact', 'stem' => 'stems'];

    /** @param  int  $fewest  a word that fewer titles have is rare in a catalogue of any size */
    public function __construct(private readonly int $fewest = 50) {}

    /**
     * @param  int  $paired  as IndexBitmaps takes it
     * @return Generator<string, TitleSet>
     */
    public function sets(int $gathering, int $paired): Generator
    {
        yield from $this->words('stem', $gathering, $paired);
        yield from $this->words('exact', $gathering, $paired);
    }

    /**
     * Reads the words of every title once, and notes those that are too rare for a set.
     *
     * @return Generator<string, TitleSet>
     */
    private function words(string $kind, int $gathering, int $paired): Generator
    {
        $column = self::WORDS[$kind];
        $words = $this->commonWords($column);
        $found = array_fill_keys($words, []);
        /** @var array<string, TitleSet> $sets */
        $sets = array_fill_keys($words, TitleSet::none());
        $rare = [];
        // Of the rare words, what begins with the same three or four letters; in names too.
        $beginnings = [];
        /** @var array<string, TitleSet> $rest */
        $rest = [];
        foreach ($this->read("array_to_string(tsvector_to_array({$column}), ' ')") as $title => $text) {
            if ($text === null) {
                self::pour($found, $sets);
                self::pour($beginnings, $rest);

                continue;
            }
            foreach (explode(' ', $text) as $word) {
                if (isset($found[$word])) {
                    $found[$word][] = $title;
                } elseif ($kind === 'exact') {
                    $rare[$word] = true;
                    $beginnings['rest3:' . mb_substr($word, 0, 3)][] = $title;
                    $beginnings['rest4:' . mb_substr($word, 0, 4)][] = $title;
                } elseif (str_starts_with($word, 't.')) {
                    $beginnings['name3:' . mb_substr($word, 2, 3)][] = $title;
                    $beginnings['name4:' . mb_substr($word, 2, 4)][] = $title;
                }
            }
        }
        yield from $rest;
        if ($kind === 'exact') {
            $this->keepRare($gathering, array_keys($rare));
        }
        foreach ($sets as $word => $set) {
            $name =
                $kind === 'stem' && str_starts_with((string) $word, 't.')
                    ? 'name:' . substr((string) $word, 2)
                    : "{$kind}:{$word}";
            yield $name => $set;
        }
        if ($kind === 'exact') {
            yield from $this->pairs(array_map(fn(TitleSet $set): int => $set->count(), $sets), $paired);
        }
    }

    /**
     * Two words, one right after the other, where both are so common that looking into each title that has both would
     * take long.
     *
     * @param  array<int|string, int>  $counts  by word, how many titles have it
     * @return Generator<string, TitleSet>
     */
    private function pairs(array $counts, int $paired): Generator
    {
        $least = $paired * (int) DB::scalar('select count(*) from search_rows');
        $most = max([0, ...$counts]);
        $counts = array_filter(
            $counts,
            fn(int $count, int|string $word): bool => $count * $most >= $least &&
                strlen((string) $word) < BitmapIndex::LONGEST_PAIRED,
            ARRAY_FILTER_USE_BOTH,
        );
        $words = array_keys($counts);
        $numbers = array_flip($words);
        $all = count($words);
        $counts = array_values($counts);
        /**
         * @var array<int, list<int>> $found by the numbers of both words in one, which must not be alike in their last
         *     bits: PHP hashes by those
         */
        $found = [];
        /** @var array<int, TitleSet> $sets */
        $sets = [];
        foreach ($counts === [] ? [] : $this->read('exact::text') as $title => $text) {
            if ($text === null) {
                self::pour($found, $sets);

                continue;
            }
            // As the database writes it: 'harbour':3A,17 'light':4A
            preg_match_all("/'([^']+)':([0-9A-D,]+)/", $text, $places);
            $at = [];
            foreach ($places[1] as $n => $word) {
                foreach (isset($numbers[$word]) ? explode(',', $places[2][$n]) : [] as $position) {
                    $at[(int) $position] = $numbers[$word];
                }
            }
            foreach ($at as $position => $first) {
                $second = $at[$position + 1] ?? null;
                if ($second !== null && $least <= $counts[$first] * $counts[$second]) {
                    $found[$first * $all + $second][] = $title;
                }
            }
        }
        foreach ($sets as $pair => $set) {
            yield BitmapIndex::APART . $words[intdiv($pair, $all)] . ' ' . $words[$pair % $all] => $set;
        }
    }

    /**
     * @param  string  $what  of search_rows, as SQL
     * @return Generator<int, string|null> by title; null where it is time to pour() what was found into sets
     */
    private function read(string $what): Generator
    {
        $last = (int) DB::scalar('select max(title_id) from search_rows');
        for ($from = 0, $read = 0; $from <= $last; $from += self::AT_ONCE) {
            foreach (
                DB::select(
                    "select title_id, {$what} what from search_rows where title_id >= ? and title_id < ?
                        order by title_id",
                    [$from, $from + self::AT_ONCE],
                )
                as $row
            ) {
                yield $row->title_id => $row->what;
            }
            if (++$read % self::POURED === 0 || $from + self::AT_ONCE > $last) {
                yield 0 => null;
            }
        }
    }

    /**
     * @param  array<array-key, list<int>>  $found  titles, by what they have; empty after this
     * @param  array<array-key, TitleSet>  $sets
     */
    private static function pour(array &$found, array &$sets): void
    {
        foreach ($found as $of => $titles) {
            if ($titles !== []) {
                $set = TitleSet::of($titles);
                $sets[$of] = isset($sets[$of]) ? $sets[$of]->or($set) : $set;
                $found[$of] = [];
            }
        }
    }

    /** @return list<string> as a sample of the titles has them: what it overlooks is rare, and asked of the index */
    private function commonWords(string $column): array
    {
        $titles = (int) DB::scalar('select count(*) from search_rows');
        $share = min(1.0, self::SAMPLE / max(1, $titles));
        $fewest = max($this->fewest, self::COMMON_SHARE * $titles) * $share;

        $sample = sprintf("select {$column} from search_rows tablesample system (%F) repeatable (1)", 100 * $share);

        $words = array_map(
            strval(...),
            array_column(
                DB::select("select word from ts_stat('{$sample}') where ndoc >= ? and length(word) < ?", [
                    $fewest,
                    self::LONGEST,
                ]),
                'word',
            ),
        );
        if ($column !== self::WORDS['stem']) {
            return $words;
        }
        // What is common anywhere has a set of where it is in names, however few those are.
        $inNames = array_map(fn(string $word): string => str_starts_with($word, 't.') ? $word : "t.{$word}", $words);

        return array_values(array_unique([...$words, ...$inNames]));
    }

    /** @param  list<int|string>  $words  but for numbers, of which there may be as many as titles */
    private function keepRare(int $gathering, array $words): void
    {
        foreach (
            array_chunk(
                array_filter($words, fn(int|string $word): bool => $word !== '' && !ctype_digit(((string) $word)[0])),
                5000,
            )
            as $some
        ) {
            DB::insert('insert into search_rare_words (gathering_id, word) select ?, json_array_elements_text(?)', [
                $gathering,
                json_encode($some, JSON_THROW_ON_ERROR),
            ]);
        }
    }
}
