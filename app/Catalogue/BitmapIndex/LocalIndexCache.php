<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use App\Catalogue\Filters\Filters;
use FigPorch\Core\Catalogue\TitleSet;
use Generator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/** The copies of gatherings that this machine has, each in a folder. */
final class LocalIndexCache
{
    /**
     * Kinds of sets of words: as they are, by their stems, by those of titles and people's names alone; and of the rare
     * ones, what begins with the same letters.
     */
    private const WORDS = ['exact', 'stem', 'name', 'rest3', 'rest4', 'name3', 'name4'];

    /** Null where there is none yet, or another process is making it. */
    public static function of(IndexPart $what, int $gathering, string $key): ?BitmapFile
    {
        return BitmapFile::in(self::folder($key)) ?? self::fetchWhenNobodyWaits($what, $gathering, $key);
    }

    /** Where this machine has its copy. */
    public static function folder(string $key): string
    {
        return storage_path("search/{$key}");
    }

    /** @param  iterable<NamedBitmap>  $sets */
    public static function write(IndexPart $what, string $key, iterable $sets): void
    {
        $named =
            $what === IndexPart::Records
                ? [
                    DB::table('subjects')->pluck('name', 'id')->all(),
                    self::series(),
                    ($last = (int) DB::table('series')->max('id')),
                    self::seriesNames($last),
                ]
                : [[], [], 0, []];
        BitmapFile::write(self::folder($key), $sets, Filters::listedKinds(), self::WORDS, ...$named);
    }

    /**
     * What has changed since a gathering may be in it, or not: it is not believed.
     *
     * @return array<int, int> the series of each title that is part of one, by title, the lowest number first
     */
    private static function series(): array
    {
        $all = DB::selectOne(
            'select string_agg(int4send(title_id::int), null
                order by title_id) titles, string_agg(int4send(series_id::int), null order by title_id) series
                from search_rows where series_id is not null',
        );
        [$titles, $series] = array_map(
            fn(mixed $sent): array => array_values(
                (array) unpack('N*', is_resource($sent) ? (string) stream_get_contents($sent) : ''),
            ),
            [$all->titles, $all->series],
        );

        return array_combine($titles, $series);
    }

    /** @return Generator<int, string> by number, the lowest first */
    private static function seriesNames(int $last): Generator
    {
        foreach (DB::table('series')->where('id', '<=', $last)->select('id', 'name')->lazyById(10_000) as $series) {
            yield $series->id => $series->name;
        }
    }

    /** Where another machine has gathered them, a copy is made here: after the answer, if somebody waits for one. */
    private static function fetchWhenNobodyWaits(IndexPart $what, int $id, string $key): ?BitmapFile
    {
        if (app()->runningInConsole()) {
            return self::fetch($what, $id, $key);
        }
        app()->terminating(function () use ($what, $id, $key): void {
            set_time_limit(0);
            self::fetch($what, $id, $key);
        });

        return null;
    }

    /** Null for whoever comes while another process makes it. */
    private static function fetch(IndexPart $what, int $id, string $key): ?BitmapFile
    {
        $folder = self::folder($key);
        File::ensureDirectoryExists(dirname($folder));
        $lock = fopen("{$folder}.lock", 'c');
        if ($lock === false || !flock($lock, LOCK_EX | LOCK_NB)) {
            return null;
        }
        is_dir($folder) || self::write($what, $key, self::fetched($id));
        @unlink("{$folder}.lock");
        fclose($lock);

        return BitmapFile::in($folder);
    }

    /** @return Generator<NamedBitmap> */
    private static function fetched(int $id): Generator
    {
        for (
            $last = '';
            ($rows = DB::select(
                'select name, bits, shared from search_sets
                    where gathering_id = ? and name > ? and not starts_with(name, ?) order by name limit 50',
                [$id, $last, BitmapIndex::APART],
            ));
            $last = end($rows)->name
        ) {
            foreach ($rows as $row) {
                yield new NamedBitmap(
                    $row->name,
                    TitleSet::fromBytes((string) stream_get_contents($row->bits)),
                    $row->shared === null ? null : (string) stream_get_contents($row->shared),
                );
            }
        }
    }

    /**
     * Copies of gatherings that are gone from the database go from this machine too; but not while another process may
     * still read them or is about to say that they are there.
     */
    public static function tidy(): void
    {
        $kept = DB::table('search_gatherings')->pluck('key')->all();
        foreach (
            File::isDirectory(storage_path('search')) ? File::directories(storage_path('search')) : []
            as $folder
        ) {
            if (!in_array(basename($folder), $kept, true) && filemtime($folder) < time() - 3600) {
                File::deleteDirectory($folder);
            }
        }
    }
}
