<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use FigPorch\Core\Catalogue\Roaring;
use FigPorch\Core\Catalogue\TitleSet;
use Illuminate\Support\Facades\File;
use RuntimeException;

/**
 * Sets in a file on this machine, read where they lie: all processes share the memory, and nothing is copied. The file
 * never changes.
 */
final class BitmapFile
{
    private const SETS = 'sets';

    /** Where the sets of filters are, which every search asks for, and where in NAMES to look for the others. */
    private const INDEX = 'index.php';

    /**
     * Where the sets of words are: too many to have them all at hand. In one place those of a kind that begin with the
     * same letter, a line each.
     */
    private const NAMES = 'names';

    /** The rows of SharedCounts. */
    private const SHARED = 'shared';

    /** FacetsFile: of the sets of filters. */
    private const TITLES = 'titles';

    /** The two of SeriesFile. */
    private const SERIES = 'series';

    private const SERIES_NAMES = 'series-names';

    /** One of each kind of gathering. */
    private const OPEN_AT_ONCE = 2;

    /** @var array<string, self> those that this process has open, by folder, the last first */
    private static array $open = [];

    /** @var array<string, string> parts of NAMES that were read */
    private array $lines = [];

    /**
     * @param  array<string, string>  $index  by name, where a set begins, its length, how many titles it has and its
     *     row in SHARED or -1, with spaces between
     * @param  array<string, array<int|string, int>>  $values  by kind and value, how many titles have it, the most
     *     first
     * @param  array<string, array{int, int}>  $places  by kind and letter, where in NAMES, and how long
     * @param  array<int, string>  $subjects  names, by number
     */
    private function __construct(
        private readonly string $folder,
        private readonly MappedFile $sets,
        private readonly FacetsFile $titles,
        public readonly SeriesFile $series,
        private readonly array $index,
        private readonly array $values,
        private readonly array $places,
        public readonly array $subjects,
    ) {}

    /**
     * Null where there is none in the folder, or one that is damaged or from before an upgrade: it is then removed, to
     * be made anew.
     */
    public static function in(string $folder): ?self
    {
        if (isset(self::$open[$folder])) {
            return self::$open[$folder];
        }
        $mapped = self::map($folder);
        self::$open = array_slice(array_filter([$folder => $mapped]) + self::$open, 0, self::OPEN_AT_ONCE, true);

        return $mapped;
    }

    private static function map(string $folder): ?self
    {
        if (!is_file("{$folder}/" . self::INDEX)) {
            return null;
        }
        $is = require "{$folder}/" . self::INDEX;
        [$sets, $titles, $series, $names] = array_map(
            fn(string $file): ?MappedFile => MappedFile::of("{$folder}/{$file}", $is['sizes'][$file] ?? 0),
            [self::SETS, self::TITLES, self::SERIES, self::SERIES_NAMES],
        );
        if ($sets === null || $titles === null || $series === null || $names === null) {
            File::deleteDirectory($folder);

            return null;
        }

        return new self(
            folder: $folder,
            sets: $sets,
            titles: new FacetsFile($titles, $is['listed']),
            series: new SeriesFile($series, $names),
            index: $is['index'],
            values: $is['values'],
            places: $is['places'],
            subjects: $is['subjects'],
        );
    }

    /**
     * @param  iterable<NamedBitmap>  $sets
     * @param  list<string>  $listed  kinds of which values() and each() are asked
     * @param  list<string>  $words  kinds whose values are words, or what words begin with
     * @param  array<int, string>  $subjects  the names of all there are
     * @param  iterable<int, int>  $series  of each title that is part of one, by title, the lowest number first
     * @param  int  $lastSeries  the highest number of any
     * @param  iterable<int, string>  $seriesNames  by number, the lowest first
     */
    public static function write(
        string $folder,
        iterable $sets,
        array $listed,
        array $words,
        array $subjects,
        iterable $series,
        int $lastSeries,
        iterable $seriesNames,
    ): void {
        $new = $folder . '.' . getmypid();
        File::ensureDirectoryExists($new);
        [$at, $index, $values, $lines, $rows, $turned] = [0, [], array_fill_keys($listed, []), [], 0, []];
        [$file, $shared] = array_map(
            fn(string $name) => fopen("{$new}/{$name}", 'wb') ?:
            throw new RuntimeException("{$new} cannot be written to."),
            [self::SETS, self::SHARED],
        );
        foreach ($sets as $named) {
            $bytes = $named->set->frozen();
            $padded = str_pad(
                $bytes,
                intdiv(strlen($bytes) + Roaring::ALIGNED - 1, Roaring::ALIGNED) * Roaring::ALIGNED,
                "\0",
            );
            if (
                fwrite($file, $padded) !== strlen($padded) ||
                fwrite($shared, (string) $named->shared) !== strlen((string) $named->shared)
            ) {
                throw new RuntimeException("{$new} cannot be written to: is the disk full?");
            }
            $entry = "{$at} " . strlen($bytes) . " {$named->set->count()} " . ($named->shared === null ? -1 : $rows++);
            $at += strlen($padded);
            [$kind, $value] = explode(':', $named->name, 2);
            if (in_array($kind, $words, true)) {
                $place = self::place($named->name);
                $lines[$place] = ($lines[$place] ?? "\n") . "{$named->name} {$entry}\n";
            } else {
                $index[$named->name] = $entry;
            }
            if (isset($values[$kind])) {
                $values[$kind][$value] = $named->set->count();
                $turned[$named->name] = $named->set;
            }
        }
        fclose($file);
        fclose($shared);
        $others = [
            self::TITLES => FacetsFile::bytes(array_values($turned)),
            self::SERIES => SeriesFile::bytes($series),
            self::SERIES_NAMES => MappedFile::ofPieces($lastSeries, $seriesNames),
        ];
        $values = array_map(SharedCounts::inOrder(...), $values);
        $places = [];
        foreach ($lines as $place => $text) {
            $places[$place] = [array_sum(array_column($places, 1)), strlen($text)];
        }
        foreach ($others as $name => $bytes) {
            self::put("{$new}/{$name}", $bytes);
        }
        self::put("{$new}/" . self::NAMES, implode('', $lines));
        self::put(
            "{$new}/" . self::INDEX,
            '<?php return ' .
                var_export(
                    [
                        'index' => $index,
                        'values' => $values,
                        'places' => $places,
                        'listed' => array_keys($turned),
                        'subjects' => array_intersect_key($subjects, $values['subject'] ?? []),
                        'sizes' => [self::SETS => $at, ...array_map(strlen(...), $others)],
                    ],
                    true,
                ) .
                ';',
        );
        // Two may have made it at once: they are the same.
        @rename($new, $folder) || File::deleteDirectory($new);
    }

    /** Whole or not at all: what lost its end would be believed. */
    private static function put(string $path, string $bytes): void
    {
        if (file_put_contents($path, $bytes) !== strlen($bytes)) {
            throw new RuntimeException("{$path} cannot be written: is the disk full?");
        }
    }

    /** The part of NAMES in which a name is: its kind, and the first letter of what follows. */
    private static function place(string $name): string
    {
        return mb_substr($name, 0, (int) mb_strpos($name, ':') + 2);
    }

    /** @return string the lines of that part, each between line ends */
    private function lines(string $place): string
    {
        [$at, $length] = $this->places[$place] ?? [0, 0];

        return $this->lines[$place] ??= (string) file_get_contents(
            "{$this->folder}/" . self::NAMES,
            offset: $at,
            length: max(0, $length),
        );
    }

    /**
     * @return array{int, int, int, int}|null where a set begins, its length, how many titles it has, and its row in
     *     SHARED or -1
     */
    private function entry(string $name): ?array
    {
        $entry = $this->index[$name] ?? null;
        if ($entry === null) {
            $lines = $this->lines(self::place($name));
            $from = strpos($lines, "\n{$name} ");
            if ($from === false) {
                return null;
            }
            $from += strlen($name) + 2;
            $entry = substr($lines, $from, (int) strpos($lines, "\n", $from) - $from);
        }
        [$at, $length, $count, $place] = explode(' ', $entry);

        return [(int) $at, (int) $length, (int) $count, (int) $place];
    }

    public function has(string $name): bool
    {
        return $this->entry($name) !== null;
    }

    public function set(string $name): ?TitleSet
    {
        [$at, $length, $count] = $this->entry($name) ?? [0, 0, null];

        return $count === null ? null : TitleSet::inMemory($this->sets->address + $at, $length, $count, $this);
    }

    /** How many titles a set has in common with another; none where there is no set of that name. */
    public function countWith(string $name, TitleSet $other): int
    {
        [$at, $length] = $this->entry($name) ?? [0, 0];

        return $length === 0 ? 0 : $other->countWithFrozen($this->sets->address + $at, $length);
    }

    /**
     * @return list<int>|null how many titles a set has in common with each subject, in the order of values(); null
     *     where that is not known
     */
    public function shared(string $name): ?array
    {
        $row = $this->entry($name)[3] ?? -1;
        $subjects = count($this->values[SharedCounts::WITH]);

        return $row < 0 || $subjects === 0
            ? null
            : SharedCounts::read(
                (string) file_get_contents(
                    "{$this->folder}/" . self::SHARED,
                    offset: 4 * $row * $subjects,
                    length: 4 * $subjects,
                ),
                $subjects,
            );
    }

    /**
     * @return array<string, array<int|string, int>> by kind and value, how many of some titles have it; only what one
     *     of them has
     */
    public function each(TitleSet $titles): array
    {
        return $this->titles->count($titles);
    }

    /** @return array<int|string, int> how many titles have each value of a kind, the most first */
    public function values(string $kind): array
    {
        return $this->values[$kind];
    }

    /** @return list<string> the names of sets of words that begin so, with one letter of the word at least */
    public function beginning(string $with): array
    {
        preg_match_all('/(?<=\n)' . preg_quote($with, '/') . '[^ ]* ?/', $this->lines(self::place($with)), $names);

        return array_map(rtrim(...), $names[0]);
    }
}
