<?php

declare(strict_types=1);

namespace App\Shared;

use App\Models\Hold;
use App\Models\Loan;
use App\Models\Title;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * The names that lists of titles show — people, series, subjects — in one query, and without a model for each of
 * them.
 */
final class TitleNames
{
    /** @param  iterable<Title>  $titles */
    public static function giveTo(iterable $titles): void
    {
        $byId = [];
        foreach ($titles as $title) {
            $byId[$title->id][] = $title;
        }
        if ($byId === []) {
            return;
        }
        foreach (DB::select('select * from title_names(?)', [Sql::array(array_keys($byId))]) as $row) {
            foreach ($byId[$row->id] as $title) {
                self::give($title, $row);
                $title->knowWhetherItOpens($row->has_file);
            }
        }
    }

    /**
     * @param  list<int>  $ids
     * @return Collection<int, Title> by id, those that there are, with their names
     */
    public static function titles(array $ids): Collection
    {
        return (new Collection($ids === [] ? [] : self::read('titles_named(?)', [Sql::array($ids)])))->keyBy('id');
    }

    /**
     * @param  list<int>  $ids
     * @return list<Title> those that there are, in that order
     */
    public static function inOrder(array $ids): array
    {
        $titles = self::titles($ids);

        return array_values(array_filter(array_map(fn(int $id): ?Title => $titles[$id] ?? null, $ids)));
    }

    /**
     * @param  list<int>  $ids
     * @param  list<int>  $rings  of each
     * @param  bool  $newest  the order in each ring, otherwise by how often they are borrowed
     * @return list<Title> so many of them, after so many, with their names
     */
    public static function inRings(array $ids, array $rings, bool $newest, int $count, int $from): array
    {
        return $ids === []
            ? []
            : self::read('titles_in_rings(?, ?, ?, ?, ?)', [
                Sql::array($ids),
                Sql::array($rings),
                $newest ? 't' : 'f',
                $count,
                $from,
            ]);
    }

    /**
     * @param  string  $function  that gives rows as titles_named does
     * @param  list<mixed>  $bindings
     * @return list<Title>
     */
    private static function read(string $function, array $bindings): array
    {
        // A clone for each: a quarter of what making each anew takes.
        $blank = (new Title())->newFromBuilder(connection: DB::getDefaultConnection());

        return array_map(
            function (stdClass $row) use ($blank): Title {
                $title = (clone $blank)->setRawAttributes(
                    array_diff_key((array) $row, ['series' => 1, 'people' => 1, 'subjects' => 1]),
                    sync: true,
                );
                self::give($title, $row);

                return $title;
            },
            array_values(
                DB::select(
                    "select (n.title).*, n.series, n.people, n.subjects, n.has_file as publication_exists
                    from {$function} n",
                    $bindings,
                ),
            ),
        );
    }

    /** @param  iterable<Loan|Hold>  $having  each is given its title with names */
    public static function bring(iterable $having): void
    {
        $titles = self::titles(array_values(array_unique(array_column([...$having], 'title_id'))));
        foreach ($having as $one) {
            $one->setRelation('title', $titles[$one->title_id]);
        }
    }

    private static function give(Title $title, stdClass $row): void
    {
        $title->giveNames(
            json_decode($row->people ?? '[]'),
            $row->series,
            array_column(json_decode($row->subjects ?? '[]'), 1, 0),
        );
    }
}
